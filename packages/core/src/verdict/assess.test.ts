import { describe, expect, it } from 'vitest'
import {
  assess,
  assessExercise,
  DocumentReader,
  exerciseKind,
  fallbackFor,
  groupedReasons,
  openingDay,
  phaseOn,
  readOrder,
  readSignature,
  reviewOverdueDays,
  signatureOf,
  thingsNotAtHome,
  type PatientCase,
  type Signature,
} from '../index.js'
import { caseOf, catalogue, phaseIdOf, plated } from '../../../../tests/core/shippedCatalogue.js'

const exercise = (signature: object): Signature =>
  readSignature(new DocumentReader({ name: 'probe', ...signature }))
const active = (mv: string) => exercise({ motions: [{ m: 'A', mv: [mv] }] })
const stretch = (mv: string) => exercise({ motions: [{ m: 'S', mv: [mv] }] })
const verdict = (signature: Signature, state: PatientCase) => assess(signature, state)
const home = (id: string, state: PatientCase) => {
  const entry = catalogue.exercises.get(id)!
  return assessExercise(entry, entry.dose, state)
}

// Source: the day-of-opening matrix of the protocol documents, row DRF-VLP-EARLY, made by another program.
describe('first day a plated wrist may, with everything recorded', () => {
  it.each([
    ['bend actively', active('wrist.flex'), 7],
    ['be stretched', stretch('wrist.flex'), 42],
    ['squeeze the softest putty', exercise({ grips: [{ grip: 'cyl', res: 'R1' }] }), 28],
    ['squeeze soft putty', exercise({ grips: [{ grip: 'cyl', res: 'R2' }] }), 42],
    ['pinch soft putty by the tips', exercise({ grips: [{ grip: 'tip', res: 'R2' }] }), 42],
    ['have its grip measured', exercise({ tests: ['grip_dyn'] }), 42],
    ['lift 1 kg', exercise({ kg: 1 }), 28],
    ['lift 5 kg', exercise({ kg: 5 }), 84],
    ['drive', exercise({ acts: ['drive'] }), 21],
    ['carry body weight', exercise({ acts: ['wb'] }), 84],
    ['play contact sport', exercise({ acts: ['sport_c'] }), 98],
  ])('%s is the published day', (_case, signature, day) => {
    expect(openingDay(signature, plated({ day: 0 }))).toBe(day)
    expect(verdict(signature, plated({ day: day - 1 })).kind).toBe('not-yet')
    expect(verdict(signature, plated({ day: day - 1 })).fromDay).toBe(day)
    expect(['clear', 'with-care']).toContain(verdict(signature, plated({ day })).kind)
    expect(['clear', 'with-care']).toContain(verdict(signature, plated({ day: day + 1 })).kind)
  })
})

describe('phases of a plated wrist', () => {
  it.each([
    [-1, null],
    [0, 'P1'],
    [6, 'P1'],
    [7, 'P2'],
    [8, 'P2'],
    [27, 'P2'],
    [28, 'P3'],
    [41, 'P3'],
    [42, 'P4'],
    [83, 'P4'],
    [84, 'P5'],
    [400, 'P5'],
  ])('on day %i it is %s', (day, phase) => {
    expect(phaseIdOf(plated({ day }))).toBe(phase)
  })

  it('stays in the earlier phase when a clearance is missing, and says what holds it', () => {
    const state = plated({ day: 60, without: ['ord.passive', 'xr.stable'] })
    const standing = phaseOn(state.protocol, state.day, state.facts)
    expect(standing.phase?.id).toBe('P2')
    expect(standing.heldBy.map((criterion) => criterion.text)).toEqual(['ord.passive', 'xr.stable'])
  })

  it('does not jump over a phase that was never opened', () => {
    expect(phaseIdOf(plated({ day: 90, without: ['ord.rom'] }))).toBe('P1')
  })

  it('falls back when a clearance is withdrawn', () => {
    expect(phaseIdOf(plated({ day: 50 }))).toBe('P4')
    expect(phaseIdOf(plated({ day: 50, without: ['xr.union'] }))).toBe('P3')
  })

  it('has not started without an order for therapy, whatever the day', () => {
    const answer = verdict(active('elbow.flex'), plated({ day: 50, without: ['ord.therapy'] }))
    expect(answer).toMatchObject({ kind: 'not-yet', fromDay: 50 })
    expect(answer.missing.map((criterion) => criterion.text)).toContain('ord.therapy')
  })

  it('freezes 14 days after the last review', () => {
    const on = (day: number, daysSinceReview: number) =>
      phaseIdOf(plated({ day, over: { reviewOverdueDays: reviewOverdueDays(daysSinceReview, 14) } }))
    expect(on(42, 14)).toBe('P4')
    expect(on(42, 15)).toBe('P3')
    expect(on(57, 30)).toBe('P3')
    // The last phase protects nothing any more.
    expect(on(150, 40)).toBe('P5')
  })
})

describe('what closes a motion of the injured wrist', () => {
  it('an unknown clearance never lets it through', () => {
    const state = plated({ day: 50, without: ['xr.union'] })
    const answer = verdict(stretch('wrist.ext'), state)
    expect(answer.kind).toBe('not-yet')
    expect(answer.fromDay).toBe(50)
    expect(answer.missing.map((criterion) => criterion.text)).toEqual(['xr.union'])
  })

  it('a resistance beyond the open class is offered in the open form', () => {
    const answer = verdict(exercise({ grips: [{ grip: 'cyl', res: 'R3' }] }), plated({ day: 45 }))
    expect(answer.kind).toBe('not-yet')
    expect(answer.fromDay).toBe(56)
    expect(answer.form?.en).toContain('up to R2')
  })

  it('an unstated resistance counts as unrestricted', () => {
    expect(verdict(exercise({ grips: [{ grip: 'cyl' }] }), plated({ day: 60 })).kind).toBe('not-yet')
    expect(verdict(exercise({ motions: [{ m: 'R', mv: ['wrist.ext'] }] }), plated({ day: 60 })).kind).toBe(
      'not-yet',
    )
  })

  it('pain above 3 in action holds back load, not easy motion', () => {
    const sore = plated({ day: 60, facts: { 'pain.act': 5 } })
    expect(verdict(exercise({ grips: [{ grip: 'cyl', res: 'R1' }] }), sore).kind).toBe('not-yet')
    expect(verdict(active('wrist.ext'), sore).kind).toBe('clear')
  })

  it('no mode implies another', () => {
    const day20 = plated({ day: 20 })
    expect(verdict(active('wrist.ext'), day20).kind).toBe('clear')
    expect(verdict(exercise({ motions: [{ m: 'P', mv: ['wrist.ext'] }] }), day20).kind).toBe('not-yet')
    expect(verdict(exercise({ motions: [{ m: 'PH', mv: ['wrist.ext'] }] }), day20).kind).toBe('not-yet')
  })

  it('overpressure makes a stretch of an active motion', () => {
    const pushed = exercise({ motions: [{ m: 'A', mv: ['wrist.ext'] }], technique: ['overpressure'] })
    expect(verdict(pushed, plated({ day: 20 })).kind).toBe('not-yet')
  })

  it('a composite brings its joints along', () => {
    const composite = exercise({
      motions: [{ m: 'A', mv: ['mp.ext'] }],
      combos: [{ combo: 'cx_ext_wf', m: 'S' }],
    })
    const answer = verdict(composite, plated({ day: 20 }))
    expect(answer.kind).toBe('not-yet')
    expect(answer.reasons[0]?.atom).toBe('S wrist.ext')
  })

  it.each([['forced_stretch'], ['to_pain'], ['stress_test']])(
    '%s is never part of a home program',
    (technique) => {
      const forced = exercise({ motions: [{ m: 'A', mv: ['elbow.flex'] }], technique: [technique] })
      expect(verdict(forced, plated({ day: 200 })).kind).toBe('never')
      expect(verdict(forced, plated({ day: 200, over: { redLock: true } })).kind).toBe('never')
    },
  )

  it('a red flag stops everything and promises no day', () => {
    const answer = verdict(active('elbow.flex'), plated({ day: 200, over: { redLock: true } }))
    expect(answer).toMatchObject({ kind: 'not-yet', fromDay: null, missing: [] })
  })
})

describe("surgeon's orders", () => {
  const order = (wish: object) => readOrder(new DocumentReader({ why: 'thin bone', ...wish }), 'order.1')

  it('a forbid closes what the protocol has opened, until its last day', () => {
    const orders = [order({ effect: 'forbid', m: ['A'], mv: ['wrist.*'], until: 21 })]
    expect(verdict(active('wrist.ext'), plated({ day: 20, over: { orders } }))).toMatchObject({
      kind: 'not-yet',
      fromDay: 21,
    })
    expect(verdict(active('wrist.ext'), plated({ day: 21, over: { orders } })).kind).toBe('clear')
  })

  it('a forbid without an end gives no day', () => {
    const orders = [order({ effect: 'forbid', m: ['A'], mv: ['wrist.*'] })]
    expect(verdict(active('wrist.ext'), plated({ day: 20, over: { orders } })).fromDay).toBeNull()
  })

  it('an allow the protocol does not share is with care', () => {
    const orders = [order({ effect: 'allow', m: ['P'], mv: ['wrist.*'] })]
    expect(
      verdict(exercise({ motions: [{ m: 'P', mv: ['wrist.ext'] }] }), plated({ day: 20, over: { orders } }))
        .kind,
    ).toBe('with-care')
  })

  it('forbid beats allow, and nothing opens under a red flag', () => {
    const orders = [
      order({ effect: 'allow', m: ['P'], mv: ['wrist.*'] }),
      order({ effect: 'forbid', m: ['P'], mv: ['wrist.*'] }),
    ]
    const passive = exercise({ motions: [{ m: 'P', mv: ['wrist.ext'] }] })
    expect(verdict(passive, plated({ day: 20, over: { orders } })).kind).toBe('not-yet')
    expect(
      verdict(passive, plated({ day: 20, over: { orders: orders.slice(0, 1), redLock: true } })).kind,
    ).toBe('not-yet')
  })
})

describe('catalogue exercises after a volar plate', () => {
  it.each([
    ['elevation from the first day', 'edema-elevate', 0, 'clear'],
    ['an easy fist from the first day', 'fist-gentle', 0, 'clear'],
    ['scar work waits for its second week', 'scar-circles', 13, 'not-yet'],
    ['scar work from day 14', 'scar-circles', 14, 'clear'],
    ['scar work not while the orthosis stays on', 'scar-circles', 3, 'not-yet'],
    ['turning the forearm in week one is early', 'forearm-turn-active', 3, 'with-care'],
    ['turning the forearm from day 7', 'forearm-turn-active', 7, 'clear'],
    ['wrist motion the day before', 'wrist-updown-active', 6, 'not-yet'],
    ['wrist motion on the day', 'wrist-updown-active', 7, 'clear'],
    ['wrist motion the day after', 'wrist-updown-active', 8, 'clear'],
    ['the helped wrist before passive motion opens', 'wrist-helped-up-down', 27, 'not-yet'],
    ['the helped wrist on day 28', 'wrist-helped-up-down', 28, 'clear'],
    ['a helping push before union', 'wrist-bend-overpress', 41, 'not-yet'],
    ['soft dough earlier than usual', 'dough-squeeze', 30, 'with-care'],
    ['soft dough from week 6', 'dough-squeeze', 42, 'clear'],
    ['leaning on the table the day before', 'table-lean-shift', 83, 'not-yet'],
    ['leaning on the table from day 84', 'table-lean-shift', 84, 'clear'],
  ])('%s', (_case, id, day, kind) => {
    expect(home(id, plated({ day })).kind).toBe(kind)
  })

  it('names the day on which a rule opens it, not the catalogue’s later usual week', () => {
    const dough = home('dough-squeeze', plated({ day: 17 }))
    expect(dough).toMatchObject({ kind: 'not-yet', fromDay: 28 })
    expect(home('dough-squeeze', plated({ day: 28 })).kind).toBe('with-care')
  })

  it('says once what holds for several motions', () => {
    const reasons = groupedReasons(home('fist-gentle', plated({ day: 17 })).reasons)
    expect(reasons).toHaveLength(1)
    expect(reasons[0]?.text.en).toMatch(
      /^Active motion of the fingers and active motion of the thumb are open from day 0/,
    )
  })

  it('a longer hold turns a helped motion into a stretch', () => {
    const entry = catalogue.exercises.get('wrist-helped-up-down')!
    const long = { ...entry.dose, holdSeconds: 11 }
    expect(assessExercise(entry, long, plated({ day: 35 })).kind).toBe('not-yet')
    expect(assessExercise(entry, entry.dose, plated({ day: 35 })).kind).toBe('clear')
  })

  it('a heavier weight is judged as heavier', () => {
    const entry = catalogue.exercises.get('weight-wrist-back')!
    const kg = (load: number) => assessExercise(entry, { ...entry.dose, load }, plated({ day: 60 })).kind
    expect(kg(0.25)).toBe('clear')
    // A squeeze at the third class of resistance: clench, which nothing in the protocol names.
    expect(kg(2)).toBe('with-care')
    expect(assessExercise(entry, { ...entry.dose, load: 2 }, plated({ day: 50 })).kind).toBe('not-yet')
  })

  it('a contraindication on record bars it whatever the protocol says', () => {
    expect(home('scar-circles', plated({ day: 30, over: { contraindications: ['openWound'] } })).kind).toBe(
      'never',
    )
  })

  it('no exercise is ever judged better when a criterion is taken away', () => {
    const criteria = [
      'ord.therapy',
      'ord.rom',
      'ord.passive',
      'ord.resist',
      'ord.load',
      'fix.stable',
      'wound.ok',
      'xr.stable',
      'xr.union',
      'pain.rest',
      'pain.act',
      'edema.stable',
    ]
    const order = ['clear', 'with-care', 'not-yet', 'never']
    for (const day of [0, 7, 28, 42, 84]) {
      const kinds = (state: PatientCase) =>
        [...catalogue.exercises.values()].map((one) => order.indexOf(exerciseKind(one, one.dose, state)))
      const before = kinds(plated({ day }))
      for (const criterion of criteria)
        for (const [place, after] of kinds(plated({ day, without: [criterion] })).entries())
          expect(after, `exercise ${place} on day ${day} without ${criterion}`).toBeGreaterThanOrEqual(
            before[place]!,
          )
    }
  })

  it('no guarded wrist motion opens before an x-ray except by its own rule', () => {
    const state = plated({ day: 400, without: ['xr.union', 'xr.stable'] })
    for (const [id, entry] of catalogue.exercises) {
      const modes = signatureOf(entry, entry.dose, 'none').motions.filter((motion) =>
        motion.motions.some((m) => /^(wrist|forearm)/.test(m)),
      )
      if (modes.some((motion) => motion.modes.some((mode) => ['S', 'P', 'I', 'R'].includes(mode)))) {
        // A push that does not move, at the lightest load, has a gate of its own without a film.
        if (id === 'bottle-shake-steady') expect(home(id, state).basis).toBe('rule')
        else expect(home(id, state).kind, id).toBe('not-yet')
      }
    }
  })
})

describe('what has to be at hand', () => {
  const open = (id: string, over: Parameters<typeof plated>[0]) => home(id, plated({ day: 60, ...over }))
  const only = (...things: string[]) => ({
    over: { notAtHome: thingsNotAtHome(catalogue.equipment, things) },
  })
  it('a thing that is not at home makes an open exercise "with care", and says which', () => {
    const lacking = open('putty-squeeze', only('table'))
    expect(lacking.kind).toBe('with-care')
    expect(lacking.conditions.map(({ en }) => en).join(' ')).toContain('therapy putty (or dough)')
    expect(lacking.conditions.map(({ es }) => es).join(' ')).toContain('masilla terapéutica (o masa)')
    expect(open('putty-squeeze', only('putty')).kind).toBe('clear')
    expect(open('putty-squeeze', {}).kind).toBe('clear')
    expect(open('fist-gentle', only('table')).kind).toBe('clear')
  })
  it('it never opens or bans what the protocol closed', () => {
    const closed = home('putty-squeeze', plated({ day: 5, ...only() }))
    expect(closed.kind).toBe('not-yet')
  })
  it('a hurt other hand is a condition of what it helps with, and of nothing else', () => {
    const over = { otherHand: 'hurt' } as const
    expect(open('palm-up-helped', { over }).kind).toBe('with-care')
    expect(
      open('wrist-sideways-air', { over })
        .conditions.map(({ en }) => en)
        .join(' '),
    ).toMatch(/helper/)
    expect(open('fist-gentle', { over }).kind).toBe('clear')
  })
  it('nor can digits be helped along by a hurt other hand', () => {
    const helped = catalogue.exercises.get('tenodesis-extensor')!
    const repairs = [...catalogue.protocols.values()].filter(({ condition }) =>
      helped.conditions.includes(condition),
    )
    const days = repairs.flatMap(({ id }) => [14, 30, 60, 90].map((day) => [id, day] as const))
    const judged = days.map(([id, day]) =>
      (['well', 'hurt'] as const).map((otherHand) =>
        home(helped.id, caseOf(id, { day, over: { otherHand } })),
      ),
    )
    const clear = judged.filter(([well]) => well!.kind === 'clear')
    expect(clear.length).toBeGreaterThan(0)
    for (const [, hurt] of clear) expect(hurt!.kind).toBe('with-care')
  })
})

describe('what to do instead', () => {
  const fitting = new Map(
    [...catalogue.exercises].filter(([, one]) => one.conditions.includes('distal-radius-fracture')),
  )
  const instead = (id: string, day: number) =>
    fallbackFor(fitting.get(id)!, fitting, (one) => home(one.id, plated({ day })).kind)

  it('of a stretch in week 3 is the rung below it', () => {
    expect(home('wrist-back-overpress', plated({ day: 20 })).kind).toBe('not-yet')
    expect(instead('wrist-back-overpress', 20)).toMatchObject({
      exercise: { id: 'wrist-back-loose-fist' },
      by: { rungsDown: 1 },
    })
  })
  it('of a weight in week 3 is nothing: no strength is open for the wrist', () =>
    expect(instead('weight-wrist-back', 20)).toBeNull())
})

describe('what is missing', () => {
  const opensWith = (
    signature: Signature,
    id: string,
    day: number,
    without: string[],
    orders: object[] = [],
  ) => {
    const over = { orders: orders.map((one, at) => readOrder(new DocumentReader(one), `order.${at}`)) }
    const verdict = assess(signature, caseOf(id, { day, without, over }))
    const named = verdict.missing.map(({ name }) => name as string)
    const rest = without.filter((name) => !named.includes(name))
    const then = assess(signature, caseOf(id, { day: verdict.fromDay!, without: rest, over }))
    return { named, kind: then.kind }
  }

  it('of a stretch that two phases allow is what opens one of them, not the least that either names', () => {
    const answer = opensWith(stretch('dip.ext'), 'DUP-FAS', 156, ['wound.ok', 'pain.act'])
    expect(answer).toEqual({ named: ['pain.act', 'wound.ok'], kind: 'clear' })
  })
  it('of a joint kept where an order bars one way of being is what another way waits for', () => {
    const ban = { effect: 'forbid', m: ['P', 'A'], mv: ['wrist.*'], why: 'as told' }
    const bent = exercise({ motions: [{ m: 'P', mv: ['dip.ext'] }], posture: { wrist: [40, 50] } })
    const answer = opensWith(bent, 'SPR-12', 3, ['pain.act', 'edema.stable'], [ban])
    expect(answer.named.length).toBeGreaterThan(0)
    expect(answer.kind).toMatch(/^(clear|with-care)$/)
  })
  it('of a course frozen before its day 0 is a review, in words', () => {
    const state = caseOf('SPR-12', { day: 1, over: { reviewOverdueDays: 26 } })
    expect(assess(active('wrist.flex'), state).reasons[0]!.text.en).toBe('Not started: a review is overdue.')
  })
})
