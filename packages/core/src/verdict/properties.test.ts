import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  assess,
  explainVerdict,
  LOADING_MODES,
  motionsOfPattern,
  VERDICT_KINDS,
  verdictKind,
  whatWouldOpen,
  wordOfMotion,
  type CaseOnDay,
  type Mode,
  type VerdictKind,
} from '../index.js'
import { RESTING_RANGE } from '../vocabulary/jointRanges.js'
import { axisOfWord } from '../vocabulary/vocabulary.js'
import {
  caseFor,
  criteriaOf,
  engineCase,
  exerciseFor,
  generated,
  rawProtocols,
  signatureFrom,
  type GeneratedCase,
} from '../../../../tests/core/generatedCases.js'

/** More are tried by hand: `PLEDGE_RUNS=20 PLEDGE_SEED=7 npx vitest run --project core properties`. */
const RUNS = { numRuns: 4000 * Number(process.env['PLEDGE_RUNS'] ?? 1) }
const MINUTES = 120_000 * Number(process.env['PLEDGE_RUNS'] ?? 1)
const rank = (kind: VerdictKind) => VERDICT_KINDS.indexOf(kind)
const isOpen = (kind: VerdictKind) => kind === 'clear' || kind === 'with-care'
const kindOf = (exercise: object, of: GeneratedCase, changes: Partial<GeneratedCase> = {}) =>
  verdictKind(signatureFrom(exercise), engineCase(of, changes))
const someCriterion = fc.nat()
const pick = (of: GeneratedCase, number: number) => {
  const criteria = criteriaOf(of.raw)
  return criteria[number % criteria.length]!
}

/** An exercise that keeps no joint outside its resting range. */
function atRest(exercise: object): object {
  const { posture, ...rest } = exercise as { posture?: Record<string, [number, number]> }
  const kept = Object.entries(posture ?? {}).filter(([word, [low, high]]) => {
    const range = RESTING_RANGE[axisOfWord(word)!]
    return !range || (low >= range[0] && high <= range[1])
  })
  return kept.length > 0 ? { ...rest, posture: Object.fromEntries(kept) } : rest
}

describe('whatever the protocol, the exercise, the day and what is recorded', () => {
  it(
    'taking a criterion away never makes it more permissive',
    () => {
      fc.assert(
        fc.property(generated, someCriterion, ({ of, exercise }, number) => {
          const taken = pick(of, number)
          const before = kindOf(exercise, of)
          const after = kindOf(exercise, of, { withdrawn: [...of.withdrawn, taken] })
          expect(rank(after), `without ${taken}`).toBeGreaterThanOrEqual(rank(before))
        }),
        RUNS,
      )
    },
    MINUTES,
  )

  it(
    "a surgeon's ban never opens anything, nor does a red flag",
    () => {
      const ban = fc.record({
        effect: fc.constant('forbid'),
        m: fc.subarray(['P', 'S', 'AA', 'PH', 'A', 'I', 'R'], { minLength: 1 }),
        mv: fc.constantFrom(['wrist.*'], ['finger.*'], ['thumb.*'], ['forearm.*', 'elbow.*']),
        why: fc.constant('generated'),
      })
      fc.assert(
        fc.property(generated, ban, ({ of, exercise }, order) => {
          const free = rank(kindOf(exercise, of))
          expect(rank(kindOf(exercise, of, { orders: [...of.orders, order] }))).toBeGreaterThanOrEqual(free)
          expect(rank(kindOf(exercise, of, { redLock: true }))).toBeGreaterThanOrEqual(free)
        }),
        RUNS,
      )
    },
    MINUTES,
  )

  it(
    'what time opened stays open unless a rule says so',
    () => {
      fc.assert(
        fc.property(generated, fc.integer({ min: 1, max: 120 }), ({ of, exercise }, later) => {
          const all = { withdrawn: [], values: {}, orders: [], redLock: false, daysSinceReview: null }
          const signature = signatureFrom(exercise)
          if (!isOpen(verdictKind(signature, engineCase(of, all)))) return
          const then = assess(signature, engineCase(of, { ...all, day: of.day + later }))
          if (isOpen(then.kind)) return
          // A ban of the phase reached since, an orthosis it keeps on, or a rule that now names the form.
          for (const { rule, text } of then.reasons)
            expect(`${rule} ${text.en}`).toMatch(
              /\.(forbid\.\d+|always_in|never\.\d+) |as written is not open/,
            )
        }),
        RUNS,
      )
    },
    MINUTES,
  )

  it(
    'a guarded motion that no rule speaks of is never clear while the protocol protects, and never under load',
    () => {
      fc.assert(
        fc.property(
          fc.constantFrom(...rawProtocols).chain((raw) => caseFor(raw)),
          fc.nat(),
          fc.constantFrom<Mode>('P', 'S', 'AA', 'PH', 'A', 'I', 'R'),
          (of, number, mode) => {
            const state = engineCase(of, { orders: [], digits: [] })
            const { protocol } = state
            const guarded = [...protocol.guard]
            const motion = guarded[number % Math.max(1, guarded.length)]
            if (!motion) return
            const opening = [
              ...protocol.phases.flatMap((phase) => [...phase.allow, ...phase.caution]),
              ...protocol.gates,
            ]
            const isSpokenOf = opening.some((rule) =>
              rule.targets.some(
                (target) =>
                  target.kind === 'motion' && target.modes.includes(mode) && target.motions.has(motion),
              ),
            )
            if (isSpokenOf) return
            const kind = verdictKind(
              signatureFrom({ motions: [{ m: mode, mv: [wordOfMotion(motion)] }] }),
              state,
            )
            const lastStart = protocol.phases.at(-1)!.days[0]
            if (LOADING_MODES.includes(mode) || protocol.phases.length === 1 || state.day < lastStart)
              expect(isOpen(kind), `${mode} ${motion}`).toBe(false)
          },
        ),
        RUNS,
      )
    },
    MINUTES,
  )

  it(
    'two injuries are never more permissive than either, and open no sooner',
    () => {
      const two = fc
        .tuple(fc.constantFrom(...rawProtocols), fc.constantFrom(...rawProtocols))
        .chain(([a, b]) => fc.tuple(caseFor(a), caseFor(b), exerciseFor(a)))
      fc.assert(
        fc.property(two, ([one, other, exercise]) => {
          const signature = signatureFrom(exercise)
          const states: [CaseOnDay, CaseOnDay] = [engineCase(one), engineCase(other)]
          const both = assess(signature, ...states)
          const apart = states.map((state) => assess(signature, state))
          expect(rank(both.kind)).toBe(Math.max(...apart.map((verdict) => rank(verdict.kind))))
          if (both.kind !== 'not-yet' || both.fromDay === null) return
          const first = apart.findIndex((verdict) => verdict.kind === 'not-yet')
          const offset = both.fromDay - states[first]!.day
          apart.forEach((verdict, index) => {
            if (verdict.kind !== 'not-yet') return
            expect(verdict.fromDay).not.toBeNull()
            expect(offset).toBeGreaterThanOrEqual(verdict.fromDay! - states[index]!.day)
          })
        }),
        RUNS,
      )
    },
    MINUTES,
  )

  it(
    'a composite is never more permissive than its parts',
    () => {
      interface Parts {
        motions: object[]
        grips?: object[]
        combos?: object[]
        acts?: string[]
        technique?: string[]
      }
      const twoParts = fc
        .constantFrom(...rawProtocols)
        .chain((raw) => fc.tuple(caseFor(raw), exerciseFor(raw), exerciseFor(raw)))
      fc.assert(
        fc.property(twoParts, ([of, first, second]) => {
          // A joint that one part moves is not kept still by the other.
          const [one, other] = [atRest(first) as Parts, atRest(second) as Parts]
          // A combination brings motions only where the exercise lists none of its own.
          if (other.combos?.length) return
          const both = {
            ...one,
            motions: [...one.motions, ...other.motions],
            grips: [...(one.grips ?? []), ...(other.grips ?? [])],
            acts: [...(one.acts ?? []), ...(other.acts ?? [])],
          }
          const { motions, acts = [] } = other
          // A grip opens what it brings along: each part is asked with both grips.
          const { grips } = both
          const part = { ...one, combos: [], motions, grips, acts }
          const whole = rank(kindOf(both, of))
          if (!one.combos?.length && (!one.technique || one.motions.length > 0))
            expect(whole).toBeGreaterThanOrEqual(rank(kindOf({ ...one, grips }, of)))
          // A technique says more of an exercise that moves than of one that does not.
          if (!one.technique || motions.length > 0)
            expect(whole).toBeGreaterThanOrEqual(rank(kindOf(part, of)))
        }),
        RUNS,
      )
    },
    MINUTES,
  )

  it(
    'an unstated arc, posture, orthosis or resistance is never more permissive than a stated one',
    () => {
      interface Stated {
        motions: { arc?: object; res?: string }[]
        in?: string
        posture?: object
        grips?: { res?: string }[]
        combos?: { res?: string }[]
      }
      const without = <T extends object>(object: T, key: keyof T) => {
        const { [key]: _gone, ...rest } = object
        return rest
      }
      fc.assert(
        fc.property(generated, ({ of, exercise }) => {
          // Where nobody says how a joint is kept, nobody asks whether it may be kept so.
          const stated = atRest(exercise) as Stated
          const known = rank(kindOf(stated, of))
          const unknowns: [string, object][] = [
            ['arc', { ...stated, motions: stated.motions.map((part) => without(part, 'arc')) }],
            ['resistance', { ...stated, motions: stated.motions.map((part) => without(part, 'res')) }],
            ['posture', without(stated, 'posture')],
            ['orthosis', without(stated, 'in')],
            ['grip', { ...stated, grips: (stated.grips ?? []).map((part) => without(part, 'res')) }],
            ['combination', { ...stated, combos: (stated.combos ?? []).map((part) => without(part, 'res')) }],
          ]
          for (const [what, unknown] of unknowns)
            expect(rank(kindOf(unknown, of)), `unknown ${what}`).toBeGreaterThanOrEqual(known)
        }),
        RUNS,
      )
    },
    MINUTES,
  )

  it(
    'hyperextension at a guarded joint is never clear by a wildcard',
    () => {
      const joints = ['mp', 'pip', 'dip', 'th_mp', 'th_ip']
      fc.assert(
        fc.property(
          fc.constantFrom(...rawProtocols).chain((raw) => caseFor(raw)),
          fc.constantFrom(...joints),
          fc.constantFrom('P', 'S', 'AA', 'PH', 'A', 'I', 'R'),
          (of, joint, mode) => {
            const state = engineCase(of, { orders: [], digits: [] })
            const [motion] = motionsOfPattern(`${joint}.hyperext`, false)!
            if (!state.protocol.guard.has(motion!)) return
            const named = JSON.stringify(of.raw).includes(`"${joint}.hyperext"`)
            const kind = verdictKind(
              signatureFrom({ motions: [{ m: mode, mv: [`${joint}.hyperext`], res: 'R0' }] }),
              state,
            )
            if (!named) expect(kind).not.toBe('clear')
          },
        ),
        RUNS,
      )
    },
    MINUTES,
  )

  it(
    'recording what is named as missing opens it on the day that is named',
    () => {
      fc.assert(
        fc.property(generated, ({ of, exercise }) => {
          const signature = signatureFrom(exercise)
          const answer = assess(signature, engineCase(of))
          if (answer.kind !== 'not-yet' || answer.fromDay === null) return
          const named = new Set<string>(answer.missing.map((criterion) => criterion.name))
          const still = of.withdrawn.filter((what) => !named.has(what))
          const values = Object.fromEntries(Object.entries(of.values).filter(([what]) => !named.has(what)))
          const then = engineCase(of, {
            day: answer.fromDay,
            withdrawn: still,
            values,
            daysSinceReview: null,
          })
          expect(isOpen(verdictKind(signature, then)), JSON.stringify([exercise, of.raw.id, answer])).toBe(
            true,
          )
        }),
        RUNS,
      )
    },
    MINUTES,
  )

  it(
    'every "not yet" says what would open it, and every verdict explains itself in both languages',
    () => {
      fc.assert(
        fc.property(generated, ({ of, exercise }) => {
          const state = engineCase(of)
          const answer = assess(signatureFrom(exercise), state)
          const openers = whatWouldOpen(answer, state.day)
          if (answer.kind !== 'not-yet') expect(openers).toEqual([])
          else if (answer.fromDay !== null) expect(openers.length).toBeGreaterThan(0)
          expect(answer.reasons.length).toBeGreaterThan(0)
          for (const language of ['en', 'es'] as const) {
            const text = explainVerdict(answer, language, state.day)
            expect(text).not.toMatch(/undefined|null|NaN|\[object/)
            expect(text.length).toBeGreaterThan(10)
          }
        }),
        RUNS,
      )
    },
    MINUTES,
  )
})
