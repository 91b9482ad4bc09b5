import {
  digitsAsked,
  exerciseKind,
  isOpen,
  type Exercise,
  type PatientCase,
  type Protocol,
  type VerdictKind,
} from '@pledge/core'
import { caseOf, catalogue } from './shippedCatalogue.js'

/** A day on which every exercise that ever opens by time has opened. */
const LAST_DAY = 400
const WIDTH = 150
const HEADINGS: Readonly<Record<VerdictKind, string>> = {
  clear: 'clear',
  'with-care': 'with care',
  'not-yet': 'not yet',
  never: 'never',
}

type Kinds = ReadonlyMap<string, VerdictKind>

/**
 * What is open under a protocol, told as what newly opens or closes: on each phase's first day and each gate's day with everything
 * recorded, then, for each entry criterion of the phase, what opens on that day although it is missing. Exercises the condition does
 * not list are marked with a dot; on the first day those that are shut are left out.
 */
export function openingBook(protocol: Protocol): string {
  const condition = catalogue.conditions.get(protocol.condition)!
  const asked = digitsAsked(protocol, condition)
  const digits = asked === 'fingers' ? ['middle' as const] : asked === 'thumb' ? ['thumb' as const] : []
  const on = (day: number, without: string[] = []): PatientCase =>
    caseOf(protocol.id, { day, without, over: { digits } })
  const exercises = [...catalogue.exercises.values()]
  const kindsOf = (state: PatientCase, of: readonly Exercise[] = exercises): Kinds =>
    new Map(of.map((one) => [nameOf(one, condition.id), exerciseKind(one, one.dose, state)]))
  const days = [
    ...new Set([
      ...protocol.phases.map(({ days: [start] }) => start),
      ...protocol.gates.map(({ from }) => from),
      LAST_DAY,
    ]),
  ].sort((a, b) => a - b)
  const lines = [`${protocol.id}: ${protocol.title}`, `Injured: ${digits.join(', ') || 'no digit named'}.`]
  let before: Kinds | null = null
  for (const day of days) {
    const phase = protocol.phases.find(({ days: [start] }) => start === day)
    const now = kindsOf(on(day))
    lines.push(
      '',
      `day ${day}${phase ? `, ${phase.id} ${phase.name.en}` : day === LAST_DAY ? ', the end' : ''}`,
    )
    lines.push(...told(now, before))
    if (phase) {
      // What opened on a day in between did not wait for this phase.
      const dayBefore = day > 0 ? on(day - 1) : null
      const opened = exercises.filter((one) => {
        const name = nameOf(one, condition.id)
        return (
          isOpen(now.get(name)!) &&
          !(before && isOpen(before.get(name)!)) &&
          !(dayBefore && isOpen(exerciseKind(one, one.dose, dayBefore)))
        )
      })
      for (const criterion of phase.entry) {
        const held = kindsOf(on(day, [criterion.name]), opened)
        const still = [...held].filter(([, kind]) => isOpen(kind)).map(([id]) => id)
        lines.push(
          ...(still.length > 0
            ? listed(`  without ${criterion.text} this opens all the same`, still)
            : [`  without ${criterion.text} nothing new opens`]),
        )
      }
    }
    before = now
  }
  return `${lines.join('\n')}\n`
}

function nameOf({ id, conditions }: Exercise, conditionId: string): string {
  return conditions.includes(conditionId) ? id : `·${id}`
}

/** Everything on the first day; later what is no longer what it was. */
function told(now: Kinds, before: Kinds | null): string[] {
  return (Object.keys(HEADINGS) as VerdictKind[]).flatMap((kind) => {
    const isTold = (id: string) => before !== null || kind !== 'not-yet' || !id.startsWith('·')
    const ids = [...now]
      .filter(([id, one]) => one === kind && before?.get(id) !== kind && isTold(id))
      .map(([id]) => id)
    return listed(`  ${before ? 'now ' : ''}${HEADINGS[kind]}`, ids)
  })
}

/** Own exercises first, wrapped; nothing where there is none. */
function listed(heading: string, ids: readonly string[]): string[] {
  if (ids.length === 0) return []
  const sorted = [...ids].sort(
    (a, b) => Number(a.startsWith('·')) - Number(b.startsWith('·')) || a.localeCompare(b),
  )
  const lines: string[] = []
  let line = `${heading} (${ids.length}):`
  for (const id of sorted) {
    if (line.length + id.length + 1 > WIDTH) {
      lines.push(line)
      line = '   '
    }
    line += ` ${id}`
  }
  return [...lines, line]
}
