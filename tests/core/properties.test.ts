import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  assess,
  DocumentReader,
  motionsOfPattern,
  readOrder,
  readSignature,
  VERDICT_KINDS,
  type Signature,
  type Verdict,
} from '@pledge/core'
import { plated } from './shippedCatalogue.js'

const MOTIONS = [
  'wrist.flex',
  'wrist.ext',
  'wrist.rad',
  'wrist.uln',
  'wrist.dtm',
  'forearm.sup',
  'forearm.pron',
  'mp.flex',
  'pip.ext',
  'elbow.flex',
  'shoulder.flex',
  'th_cmc.opp',
]
const MODES = ['P', 'S', 'AA', 'PH', 'A', 'I', 'R']
const CRITERIA = [
  'ord.therapy',
  'ord.rom',
  'ord.passive',
  'ord.resist',
  'ord.load',
  'ord.sport',
  'fix.stable',
  'wound.ok',
  'xr.stable',
  'xr.union',
  'pain.rest',
  'pain.act',
  'edema.stable',
]
const RUNS = { numRuns: 1500 }

const resistance = fc.constantFrom('R0', 'R1', 'R2', 'R3', 'R4', 'R5')
const component = fc.record(
  {
    m: fc.subarray(MODES, { minLength: 1, maxLength: 2 }),
    mv: fc.subarray(MOTIONS, { minLength: 1, maxLength: 3 }),
    res: fc.option(resistance, { nil: undefined }),
  },
  { requiredKeys: ['m', 'mv'] },
)
const exercise = fc.record(
  {
    motions: fc.array(component, { maxLength: 2 }),
    grips: fc.array(fc.record({ grip: fc.constantFrom('cyl', 'key', 'tip', 'sph'), res: resistance }), {
      maxLength: 1,
    }),
    combos: fc.array(
      fc.record({
        combo: fc.constantFrom('fist', 'hook', 'cx_ext_wf', 'cx_flex_wf', 'clench'),
        m: fc.constantFrom(...MODES),
      }),
      { maxLength: 1 },
    ),
    kg: fc.option(fc.constantFrom(0.25, 0.5, 1, 2, 5, 20), { nil: undefined }),
    acts: fc.subarray(['adl_light', 'drive', 'wb', 'torque', 'work_manual'], { maxLength: 1 }),
    in: fc.constantFrom('none', 'WRO'),
  },
  { requiredKeys: ['motions', 'in'] },
)
const day = fc.integer({ min: -2, max: 130 })
const without = fc.subarray(CRITERIA)
const read = (wish: object): Signature =>
  readSignature(new DocumentReader(JSON.parse(JSON.stringify({ name: 'generated', ...wish }))))
const rank = (verdict: Verdict) => VERDICT_KINDS.indexOf(verdict.kind)
const isOpen = (verdict: Verdict) => verdict.kind === 'clear' || verdict.kind === 'with-care'

describe('whatever the exercise, the day and what is recorded', () => {
  it('taking a criterion away never makes it better', () => {
    fc.assert(
      fc.property(exercise, day, without, fc.constantFrom(...CRITERIA), (wish, on, missing, taken) => {
        const signature = read(wish)
        const before = assess(signature, plated({ day: on, without: missing }))
        const after = assess(signature, plated({ day: on, without: [...missing, taken] }))
        expect(rank(after)).toBeGreaterThanOrEqual(rank(before))
      }),
      RUNS,
    )
  })

  it("a surgeon's ban never opens anything", () => {
    fc.assert(
      fc.property(
        exercise,
        day,
        without,
        fc.constantFrom(...MODES),
        fc.constantFrom('wrist.*', 'forearm.*', 'finger.*'),
        (wish, on, missing, mode, motion) => {
          const signature = read(wish)
          const orders = [
            readOrder(new DocumentReader({ effect: 'forbid', m: [mode], mv: [motion], why: 'w' }), 'order.1'),
          ]
          const free = assess(signature, plated({ day: on, without: missing }))
          const banned = assess(signature, plated({ day: on, without: missing, over: { orders } }))
          expect(rank(banned)).toBeGreaterThanOrEqual(rank(free))
        },
      ),
      RUNS,
    )
  })

  it('a composite is never better than its parts', () => {
    fc.assert(
      fc.property(exercise, exercise, day, without, (one, other, on, missing) => {
        const state = plated({ day: on, without: missing })
        const both = read({
          ...one,
          motions: [...one.motions, ...other.motions],
          grips: [...(one.grips ?? []), ...(other.grips ?? [])],
          combos: [...(one.combos ?? []), ...(other.combos ?? [])],
          acts: [...(one.acts ?? []), ...(other.acts ?? [])],
        })
        const { kg: _kg, ...otherWithoutWeight } = other
        const parts = [read(one), read({ ...otherWithoutWeight, in: one.in })].map((part) =>
          rank(assess(part, state)),
        )
        // A combination brings motions only where the exercise lists none of its own: then it may be stricter, never better.
        expect(rank(assess(both, state))).toBeGreaterThanOrEqual(
          one.combos?.length || other.combos?.length ? parts[0]! : Math.max(...parts),
        )
      }),
      RUNS,
    )
  })

  it('an unstated resistance is never better than a stated one', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('I', 'R'),
        fc.constantFrom(...MOTIONS),
        resistance,
        day,
        without,
        (mode, motion, res, on, missing) => {
          const state = plated({ day: on, without: missing })
          const stated = assess(read({ motions: [{ m: mode, mv: [motion], res }] }), state)
          const unknown = assess(read({ motions: [{ m: mode, mv: [motion] }] }), state)
          expect(rank(unknown)).toBeGreaterThanOrEqual(rank(stated))
        },
      ),
      RUNS,
    )
  })

  it('the earliest day is a day on which it opens, and the day before it does not', () => {
    fc.assert(
      fc.property(exercise, day, (wish, on) => {
        const signature = read(wish)
        const { kind, fromDay } = assess(signature, plated({ day: on }))
        if (kind !== 'not-yet' || fromDay === null) return
        expect(isOpen(assess(signature, plated({ day: fromDay })))).toBe(true)
        if (fromDay > on) expect(isOpen(assess(signature, plated({ day: fromDay - 1 })))).toBe(false)
      }),
      RUNS,
    )
  })

  it('recording what is named as missing opens it on the day that is named', () => {
    fc.assert(
      fc.property(exercise, day, without, (wish, on, missing) => {
        const signature = read(wish)
        const answer = assess(signature, plated({ day: on, without: missing }))
        if (answer.kind !== 'not-yet' || answer.fromDay === null) return
        const named = new Set<string>(answer.missing.map((criterion) => criterion.name))
        const still = missing.filter((what) => !named.has(what))
        expect(isOpen(assess(signature, plated({ day: answer.fromDay, without: still })))).toBe(true)
      }),
      RUNS,
    )
  })

  it('no guarded wrist motion is ever clear before its phase', () => {
    const guarded = [...motionsOfPattern('wrist.*', false)!]
    fc.assert(
      fc.property(
        fc.constantFrom(...guarded),
        fc.constantFrom(...MODES),
        fc.integer({ min: -5, max: 6 }),
        without,
        (motion, mode, on, missing) => {
          expect(
            isOpen(
              assess(read({ motions: [{ m: mode, mv: [motion] }] }), plated({ day: on, without: missing })),
            ),
          ).toBe(false)
        },
      ),
      RUNS,
    )
  })
})
