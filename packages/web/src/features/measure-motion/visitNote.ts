import {
  asTyped,
  bookOf,
  digitFindings,
  FELT_MEASURES,
  feltFinding,
  hingesOf,
  isLook,
  lastAt,
  lookAnswer,
  LOOKS,
  measureFacts,
  numberFindings,
  numberOf,
  placeKey,
  ZONES,
  zoneWords,
  type Bench,
  type Digit,
  type Reading,
  type ReadingKind,
  type Side,
} from '@pledge/core'
import { changeText, digitTexts, painTexts, unitText } from './findingWords'

/** What a note begins with. */
export interface NoteHead {
  readonly day: number
  readonly anchor: string
  readonly isFlexorTendon: boolean
  readonly tasks: readonly { readonly id: string; readonly words: string }[]
}

/**
 * The findings of a visit as text that can be read and edited: pain, then the injured side digit by digit and measure by measure with
 * what changed, then what was measured of the other side. Nothing stands in it that was not measured today.
 */
export function visitNote(readings: readonly Reading[], bench: Bench, head: NoteHead): string {
  const book = bookOf(readings)
  const lines = [`Day ${head.day} since ${head.anchor}.`, ...painLines(readings, bench)]
  const digits = [
    ...new Set(
      readings.flatMap(({ digit, side, measure }) =>
        isHinge(measure) && side === bench.side ? [digit!] : [],
      ),
    ),
  ]
  for (const digit of digits) {
    const told = digitTexts(digitFindings(digit, book, bench), head.isFlexorTendon).map(({ text }) => text)
    const ways = (['active', 'passive'] as const).flatMap((kind) =>
      hingeText(digit, bench.side, kind, readings),
    )
    lines.push(
      `${capital(digit === 'thumb' ? 'thumb' : `${digit} finger`)}: ${[...ways, ...told].join('; ')}.`,
    )
  }
  for (const reading of readings.filter((one) => isPlain(one) && one.side === bench.side)) {
    const { label, unit, decimals } = measureFacts(reading.measure)
    const found = numberFindings(reading, book, bench)
    const whose = reading.digit && reading.digit !== 'thumb' ? `${reading.digit} ` : ''
    const parts = [
      `${capital(`${whose}${whose ? label.toLowerCase() : label}`)}${reading.kind ? `, ${reading.kind}` : ''} ${found.value!.toFixed(decimals)}${unit === 'of 10' ? ' of 10' : unitText(unit)}`,
      ...(found.percentOfOther === null ? [] : [`${Math.round(found.percentOfOther)} % of the other side`]),
      ...(found.sinceLast ? [changeText(found.sinceLast, unit, decimals).text] : []),
    ]
    lines.push(`${parts.join('; ')}.`)
  }
  lines.push(...lookLines(readings, bench), ...feltLines(readings, bench), ...taskLines(readings, head.tasks))
  const others = readings.filter(({ side }) => side !== null && side !== bench.side).length
  if (others > 0) lines.push(`Other side: ${others} ${others === 1 ? 'reading' : 'readings'} taken.`)
  return lines.join('\n')
}

const isHinge = (measure: Reading['measure']) =>
  measureFacts(measure).shape === 'hinge' && measureFacts(measure).digits !== null
/** A number of its own, without words or a place on the skin. */
const isPlain = ({ measure }: Reading) =>
  !isHinge(measure) && !isLook(measure) && measureFacts(measure).spots === null
const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

function painLines(readings: readonly Reading[], bench: Bench): string[] {
  return readings
    .filter(({ measure }) => measure.startsWith('pain'))
    .map((reading) => {
      const [now, last] = [numberOf(reading.result)!, lastAt(bench.visits, reading)]
      const before = numberOf(last?.result ?? null)
      const since = last && before !== null ? `, ${painTexts(before, now, last.on)}` : ''
      return `${measureFacts(reading.measure).label} ${now} of 10${since}.`
    })
}

function hingeText(digit: Digit, side: Side, kind: ReadingKind, readings: readonly Reading[]): string[] {
  const read = hingesOf(digit).flatMap((measure) => {
    const key = placeKey({ measure, digit, side, kind })
    const found = readings.find((one) => placeKey(one) === key)
    return found
      ? [`${measureFacts(measure).label.replace('Thumb ', '')} ${asTyped(measure, found.result)}`]
      : []
  })
  return read.length > 0 ? [`${kind} ${read.join(', ')}`] : []
}

function lookLines(readings: readonly Reading[], bench: Bench): string[] {
  return readings.flatMap(({ measure, side, result }) => {
    if (!isLook(measure) || side !== bench.side) return []
    const answer = lookAnswer(measure, Number(result))
    return answer ? [`${LOOKS[measure].label}: ${answer.says}.`] : []
  })
}

/** The skin zone by zone, in the order of the zones, once a test. */
function feltLines(readings: readonly Reading[], bench: Bench): string[] {
  return FELT_MEASURES.flatMap((test) => {
    const felt = ZONES.flatMap((zone) => {
      const found = readings.find(
        ({ measure, side, spot }) => measure === test && side === bench.side && spot === zone,
      )
      if (!found) return []
      const value =
        typeof found.result === 'number' ? ` ${found.result}${unitText(measureFacts(test).unit)}` : ''
      return [`${zoneWords(zone).en}${value} (${feltFinding(test, found.result).words})`]
    })
    return felt.length > 0 ? [`${measureFacts(test).label}: ${felt.join('; ')}.`] : []
  })
}

function taskLines(readings: readonly Reading[], tasks: NoteHead['tasks']): string[] {
  return tasks.flatMap(({ id, words }) => {
    const found = readings.find(({ measure, spot }) => measure === 'task' && spot === id)
    return found ? [`“${words}”: ${numberOf(found.result)} of 10.`] : []
  })
}
