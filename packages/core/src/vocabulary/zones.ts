import { DIGITS, type Digit } from './vocabulary.js'

const PARTS = ['base', 'mid', 'tip'] as const
const FACES = ['front', 'back'] as const
const HALVES = ['radial', 'ulnar'] as const
export type ZonePart = (typeof PARTS)[number]
export type ZoneFace = (typeof FACES)[number]
export type ZoneHalf = (typeof HALVES)[number]

/** Patches of skin of the palm, the back of the hand and the wrist. Borders: `locate.md` A1. */
const HAND_ZONES = [
  'webFront',
  'palmThumbSide',
  'palmMiddle',
  'palmLittleSide',
  'heelThumb',
  'heelMiddle',
  'heelLittle',
  'webBack',
  'backThumbSide',
  'backMiddle',
  'backLittleSide',
  'wristFront',
  'wristBack',
] as const
export type HandZone = (typeof HAND_ZONES)[number]
type DigitZone = `${Digit}.${ZonePart}.${ZoneFace}.${ZoneHalf}`

/** A named patch of the skin of hand and wrist. */
export type Zone = DigitZone | HandZone

const partsOf = (digit: Digit) => PARTS.filter((part) => digit !== 'thumb' || part !== 'mid')

/** Every zone, digit by digit from base to tip, front before back, then palm, back and wrist. */
export const ZONES: readonly Zone[] = [
  ...DIGITS.flatMap((digit) =>
    partsOf(digit).flatMap((part) =>
      FACES.flatMap((face) => HALVES.map((half): Zone => `${digit}.${part}.${face}.${half}`)),
    ),
  ),
  ...HAND_ZONES,
]
const known: ReadonlySet<string> = new Set(ZONES)

export function isZone(word: string): word is Zone {
  return known.has(word)
}

/** The digit a zone belongs to; `null` for palm, back and wrist. */
export function digitOfZone(zone: Zone): Digit | null {
  const [first] = zone.split('.') as [Digit | HandZone]
  return (DIGITS as readonly string[]).includes(first) ? (first as Digit) : null
}

/** The pads in which two points are told apart. */
export function isFingertip(zone: Zone): boolean {
  return zone.includes('.tip.front.')
}
