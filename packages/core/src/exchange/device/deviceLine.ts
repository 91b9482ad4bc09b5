/**
 * The open line protocol of measuring devices: ASCII lines of at most 120 bytes, `WORD key=value … *CRC16`. A device says `ID` once,
 * `D` for each sample, `END` with how many there were, `ERR` with what it lacks; the host says `START`, `STOP`, `ZERO`, `UNIT`.
 */
export const DEVICE_WORDS = ['ID', 'D', 'END', 'ERR', 'START', 'STOP', 'ZERO', 'UNIT'] as const
export type DeviceWord = (typeof DEVICE_WORDS)[number]
export interface DeviceLine {
  readonly word: DeviceWord
  readonly values: Readonly<Record<string, string>>
}

const LONGEST = 120

/**
 * CRC-16 with polynomial 0x1021, begun at 0xFFFF, over the bytes of a line before its mark: unlike a sum of bytes it sees two that
 * were swapped.
 *
 * @example
 * crc16('123456789') // => 0x29b1, the published check value of CRC-16/CCITT-FALSE
 */
export function crc16(text: string): number {
  let crc = 0xffff
  for (let at = 0; at < text.length; at += 1) {
    crc ^= (text.charCodeAt(at) & 0xff) << 8
    for (let bit = 0; bit < 8; bit += 1) crc = (crc & 0x8000 ? (crc << 1) ^ 0x1021 : crc << 1) & 0xffff
  }
  return crc
}

/** A line as it goes over the wire, without its end. */
export function deviceLine(word: DeviceWord, values: Readonly<Record<string, string | number>> = {}): string {
  const body = [word, ...Object.entries(values).map(([key, value]) => `${key}=${value}`)].join(' ')
  return `${body} *${crc16(body).toString(16).toUpperCase().padStart(4, '0')}`
}

const MARKED = /^(.*) \*([0-9A-F]{4})$/
const PAIR = /^([a-z]+)=(\S+)$/

/** Reads a line; `null` for one that was garbled on its way or says nothing known. */
export function readDeviceLine(text: string): DeviceLine | null {
  const marked = text.length <= LONGEST ? MARKED.exec(text) : null
  if (!marked || crc16(marked[1]!) !== Number.parseInt(marked[2]!, 16)) return null
  const [word, ...pairs] = marked[1]!.split(' ')
  if (!(DEVICE_WORDS as readonly string[]).includes(word!)) return null
  const values: Record<string, string> = {}
  for (const pair of pairs) {
    const found = PAIR.exec(pair)
    if (!found) return null
    values[found[1]!] = found[2]!
  }
  return { word: word as DeviceWord, values }
}
