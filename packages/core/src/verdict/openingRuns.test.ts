import { describe, expect, it } from 'vitest'
import {
  assessCaseFile,
  assessExercise,
  assessThisHand,
  DocumentReader,
  EVERYTHING_MET,
  exerciseKind,
  exerciseOpenings,
  isOpen,
  readSignature,
  SEARCH_DAYS,
  type CriterionStatus,
  type Dose,
  type Exercise,
  type FactBook,
  type OtherInjury,
  type PatientCase,
  type Verdict,
  type VerdictKind,
} from '../index.js'
import { caseOf, catalogue } from '../../../../tests/core/shippedCatalogue.js'

/**
 * "From when" is answered once: the verdict's day, the runs by time alone and as the record stands, and a case file, against a
 * search day by day that knows none of the days on which something may change.
 */
const exercise = (id: string) => catalogue.exercises.get(id)!

/** Cases moved along, each made once: the next exercise is asked on the same days. */
const moved = new WeakMap<PatientCase, Map<string, PatientCase>>()
function later(state: PatientCase, ahead: number, facts?: FactBook): PatientCase {
  const key = `${ahead} ${facts ? 'all met' : 'as recorded'}`
  let known = moved.get(state)
  if (!known) moved.set(state, (known = new Map<string, PatientCase>()))
  let then = known.get(key)
  if (!then) known.set(key, (then = movedAlong(state, ahead, facts)))
  return then
}

/** A case `ahead` days later with every injury moved along. */
function movedAlong(state: PatientCase, ahead: number, facts?: FactBook): PatientCase {
  const overdue = facts || state.reviewOverdueDays === 0 ? 0 : state.reviewOverdueDays + ahead
  return {
    ...state,
    day: state.day + ahead,
    ...(facts ? { facts } : {}),
    reviewOverdueDays: overdue,
    otherInjuries: state.otherInjuries.map((other) => ({
      ...other,
      state: later(other.state, ahead, facts),
    })),
  }
}

function firstOpenDayByDay(entry: Exercise, dose: Dose, state: PatientCase): number | null {
  for (let ahead = 0; ahead <= SEARCH_DAYS; ahead += 1)
    if (isOpen(exerciseKind(entry, dose, later(state, ahead, EVERYTHING_MET)))) return state.day + ahead
  return null
}

/** The record with some criteria met besides. */
function withMet(facts: FactBook, met: readonly string[]): FactBook {
  return {
    status: (criterion): CriterionStatus =>
      met.includes(criterion.text) ? { name: 'met' } : facts.status(criterion),
  }
}
const alsoMet = (state: PatientCase, met: readonly string[]): PatientCase => ({
  ...state,
  facts: withMet(state.facts, met),
  otherInjuries: state.otherInjuries.map((other) => ({ ...other, state: alsoMet(other.state, met) })),
})

function checkAnswers(entry: Exercise, state: PatientCase, title: string): Verdict {
  const verdict = assessExercise(entry, entry.dose, state)
  const byTime = exerciseOpenings(entry, entry.dose, state, 'byTimeAlone')
  const asRecorded = exerciseOpenings(entry, entry.dose, state, 'asTheRecordStands')
  expect(asRecorded[0]!.kind, title).toBe(verdict.kind)
  expect(byTime[0]!.fromDay, title).toBe(state.day)
  if (verdict.kind !== 'not-yet') return verdict
  const opens = byTime.find(({ kind }) => isOpen(kind)) ?? null
  expect(verdict.fromDay, title).toBe(opens?.fromDay ?? null)
  // The whole record is asked a second time from another day: the score draws the days gone by as well.
  const fromDayZero = exerciseOpenings(entry, entry.dose, state, 'byTimeAlone', {
    span: [Math.min(0, state.day), state.day + SEARCH_DAYS],
  }).find(({ kind, toDay }) => isOpen(kind) && (toDay ?? Infinity) > state.day)
  expect(fromDayZero ? Math.max(state.day, fromDayZero.fromDay) : null, title).toBe(verdict.fromDay)
  // What is listed as missing is all it takes on that day.
  if (verdict.fromDay !== null && state.reviewOverdueDays === 0) {
    const met = alsoMet(
      later(state, verdict.fromDay - state.day),
      verdict.missing.map(({ text }) => text),
    )
    expect(isOpen(exerciseKind(entry, entry.dose, met)), `${title}: open with what was missing`).toBe(true)
  }
  return verdict
}

const WITHOUT = [[], ['ord.rom', 'ord.passive', 'ord.resist', 'wound.ok', 'xr.stable', 'edema.stable']]

describe('from when an exercise is open', () => {
  it.each([...catalogue.protocols.keys()])('has one answer in %s on any day', (protocolId) => {
    const own = [...catalogue.exercises.values()].filter(({ conditions }) =>
      conditions.includes(catalogue.protocols.get(protocolId)!.condition),
    )
    for (const [place, without] of WITHOUT.entries())
      for (const day of [-3, 0, 9, 25, 46, 80]) {
        const state = caseOf(protocolId, { day, without })
        for (const [index, entry] of own.entries()) {
          // A fifth of the exercises on each day, another fifth on the next one.
          if ((index + day + 5 + place) % 5 !== 0) continue
          const title = `${protocolId} day ${day} ${entry.id} ${place}`
          const verdict = checkAnswers(entry, state, title)
          // Day by day is slow: one exercise in seventeen, another one on each day.
          if (verdict.kind === 'not-yet' && (index + day + 3) % 17 === 0)
            expect(verdict.fromDay, title).toBe(firstOpenDayByDay(entry, entry.dose, state))
        }
      }
  })

  const second = (hand: OtherInjury['hand'], protocol: string, day: number): OtherInjury => ({
    hand,
    state: caseOf(protocol, { day, without: ['ord.resist'] }),
  })
  it.each([
    ['FT-EAM', 19, second('same', 'FPL-EP', 1)],
    ['DRF-VLP-EARLY', 30, second('same', 'FT-DURAN', 10)],
    ['MC-ORIF', 5, second('same', 'EXT34-SAM', 12)],
    ['CTS-REL', 3, second('other', 'DRF-CAST', 20)],
    ['STIFF', 40, second('other', 'FT-EAM', 8)],
  ] as const)('has one answer in %s, day %i, with another injury', (protocolId, day, other) => {
    const own = [...catalogue.exercises.values()].filter((_, place) => place % 3 === 0)
    const state = caseOf(protocolId, { day, over: { otherInjuries: [other] } })
    for (const entry of own) {
      const verdict = checkAnswers(entry, state, `${protocolId} ${entry.id}`)
      if (verdict.kind === 'not-yet')
        expect(verdict.fromDay, entry.id).toBe(firstOpenDayByDay(entry, entry.dose, state))
    }
  })

  /** Each protocol with another one, of this hand and of the other, on days that differ from pair to pair. */
  const ids = [...catalogue.protocols.keys()]
  it.each(ids.map((id, place) => [id, ids[(place * 37 + 11) % ids.length]!, place] as const))(
    'has one answer in %s with %s besides',
    (protocolId, otherId, place) => {
      const other = second(place % 3 === 0 ? 'other' : 'same', otherId, (place * 13) % 70)
      const day = ((place * 17) % 60) - 2
      const own = [...catalogue.exercises.values()].filter((_, at) => at % 29 === place % 29)
      for (const [index, entry] of own.entries()) {
        const without = index % 2 === 0 ? [] : WITHOUT[1]!
        const state = caseOf(protocolId, { day, without, over: { otherInjuries: [other] } })
        const verdict = checkAnswers(entry, state, `${protocolId} day ${day} with ${otherId}: ${entry.id}`)
        if (verdict.kind === 'not-yet' && index % 4 === place % 4)
          expect(verdict.fromDay, entry.id).toBe(firstOpenDayByDay(entry, entry.dose, state))
      }
    },
  )

  it('is the same day in the words of a case file', () => {
    const episode = (protocol: string) => ({ protocol, assumeRecorded: true, side: 'left' })
    for (const protocols of [['PIP-FD-SURG'], ['FT-EAM', 'FPL-EP'], ['DRF-VLP-EARLY', 'FT-DURAN']]) {
      const { verdicts } = assessCaseFile(
        { format: 'pledge-case/1', day: 12, episodes: protocols.map(episode) },
        catalogue,
      )
      const [first, ...others] = protocols.map((id) => caseOf(id, { day: 12 }))
      const otherInjuries = others.map((state) => ({ hand: 'same' as const, state }))
      for (const { exercise: id, fromDay } of verdicts) {
        const verdict = assessExercise(exercise(id), exercise(id).dose, { ...first!, otherInjuries })
        expect(fromDay, `${protocols.join(' + ')}: ${id}`).toBe(verdict.fromDay)
      }
    }
  })
})

describe('where three answers once differed', () => {
  const kindsByDay = (entry: Exercise, state: PatientCase, last: number): VerdictKind[] =>
    Array.from({ length: last - state.day + 1 }, (_, ahead) =>
      exerciseKind(entry, entry.dose, later(state, ahead)),
    )

  it('the wrap against swelling after a PIP fixation opens on the day its orthosis comes off, and says so', () => {
    const state = caseOf('PIP-FD-SURG', { day: 12 })
    const wrap = exercise('edema-finger-wrap')
    const { fromDay } = assessExercise(wrap, wrap.dose, state)
    expect(fromDay).toBe(42)
    expect(kindsByDay(wrap, state, 43).findIndex(isOpen)).toBe(42 - 12)
    expect(
      exerciseOpenings(wrap, wrap.dose, state, 'byTimeAlone').find(({ kind }) => isOpen(kind))!.fromDay,
    ).toBe(42)
  })

  it('with two repaired tendons active PIP flexion waits for the day on which both let it, 46', () => {
    const signature = readSignature(
      new DocumentReader({
        name: 'bend the middle joint',
        motions: [{ m: 'A', mv: ['pip.flex'] }],
        in: 'DBO',
      }),
    )
    const state = caseOf('FT-EAM', {
      day: 19,
      over: { otherInjuries: [{ hand: 'same', state: caseOf('FPL-EP', { day: 1 }) }] },
    })
    expect(assessThisHand({ ...signature, orthosis: 'none' }, state)).toMatchObject({
      kind: 'not-yet',
      fromDay: 46,
    })
  })

  it('a red flag leaves no day at all, by time or as the record stands', () => {
    const state = caseOf('DRF-VLP-EARLY', { day: 20, over: { redLock: true } })
    for (const supposing of ['byTimeAlone', 'asTheRecordStands'] as const) {
      const runs = exerciseOpenings(exercise('fist-gentle'), exercise('fist-gentle').dose, state, supposing)
      expect(runs.some(({ kind }) => isOpen(kind))).toBe(false)
    }
  })

  it('a review that is overdue holds every later day back as the record stands, and none by time alone', () => {
    const state = caseOf('DRF-VLP-EARLY', { day: 20, over: { reviewOverdueDays: 3 } })
    const stretch = exercise('prayer-stretch')
    const opens = (supposing: 'byTimeAlone' | 'asTheRecordStands') =>
      exerciseOpenings(stretch, stretch.dose, state, supposing).some(({ kind }) => isOpen(kind))
    expect(opens('byTimeAlone')).toBe(true)
    expect(opens('asTheRecordStands')).toBe(false)
  })

  it('a run that waits for a criterion says which, one that waits for time says none', () => {
    const state = caseOf('DRF-VLP-EARLY', { day: 10, without: ['ord.passive'] })
    const stretch = exercise('prayer-stretch')
    const runs = exerciseOpenings(stretch, stretch.dose, state, 'asTheRecordStands')
    expect(runs.map(({ kind, missing }) => [kind, missing.map(({ text }) => text)])).toEqual([
      ['not-yet', []],
      ['not-yet', ['ord.passive']],
    ])
  })
})
