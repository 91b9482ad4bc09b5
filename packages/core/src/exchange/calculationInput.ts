import type { JointReading } from '../anatomy/jointReading.js'
import type { DocumentReader } from '../reading/documentReader.js'

/** Computations by the ids of the specification. */
export type Calculations = Readonly<
  Record<string, (input: DocumentReader) => Readonly<Record<string, unknown>>>
>

/** Any finite number: its own bounds are each computation's to check. */
export function number(reader: DocumentReader): number {
  return reader.number(-1e9, 1e9)
}
export function maybe(reader: DocumentReader): number | null {
  return reader.optional(number)
}
/** The other sign; a missing reading stays missing, and 0 is not "minus nothing". */
export function turned(value: number | null): number | null {
  return value === null ? null : 0 - value
}
export function numbers(reader: DocumentReader): number[] {
  return reader.list().map(number)
}
export function pair(reader: DocumentReader): readonly [number, number] {
  const both = numbers(reader)
  if (both.length !== 2) reader.refuse('[from, to]')
  return both as unknown as readonly [number, number]
}
export function triple(reader: DocumentReader): readonly [number, number, number] {
  const three = numbers(reader)
  if (three.length !== 3) reader.refuse('three numbers')
  return three as unknown as readonly [number, number, number]
}
/** `[ext, flex]`, as the checks write a joint. */
export function ends(reader: DocumentReader): JointReading {
  const [extendedEndDeg, flexedEndDeg] = pair(reader)
  return { flexedEndDeg, extendedEndDeg }
}
/** A joint is measured when both of its ends are. */
export function reading(flex: DocumentReader, ext: DocumentReader): JointReading | null {
  const [flexedEndDeg, extendedEndDeg] = [maybe(flex), maybe(ext)]
  return flexedEndDeg === null || extendedEndDeg === null ? null : { flexedEndDeg, extendedEndDeg }
}
