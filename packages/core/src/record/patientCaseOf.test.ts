import { describe, expect, it } from 'vitest'
import {
  addDays,
  assessCaseFile,
  CoreError,
  criterionQuestion,
  criterionMeaning,
  criterionOf,
  dayZero,
  gateStandings,
  isMetBy,
  judgedItem,
  NO_WEIGHT_LIMIT_KG,
  nerveSlides,
  orderFrom,
  overrideTerms,
  patientCaseOf,
  permissionMap,
  signingBar,
  standingOf,
  UNBOUND,
  type CaseRecord,
  type PatientCase,
} from '../index.js'
import { refusalOf } from '../../../../tests/builders/refusal.js'
import { catalogue, caseOf } from '../../../../tests/core/shippedCatalogue.js'

const TODAY = '2031-04-11'
const fact = (what: string, value: boolean | number = true, date = TODAY) => ({
  what: what as CaseRecord['facts'][number]['what'],
  value,
  date,
  withdrawn: false,
})
/** A plated wrist 30 days after surgery with what its first phases take. */
const record = (changes: Partial<CaseRecord> = {}): CaseRecord => ({
  protocol: catalogue.protocols.get('DRF-VLP-EARLY')!,
  binding: UNBOUND,
  condition: catalogue.conditions.get('distal-radius-fracture')!,
  counted: { anchorOn: addDays(TODAY, -30), slips: [] },
  digits: [],
  facts: ['ord.therapy', 'ord.rom', 'fix.stable', 'wound.ok', 'edema.stable'].map((what) => fact(what)),
  orders: [],
  isLocked: false,
  lastReviewOn: TODAY,
  contraindications: [],
  isHealthAsked: true,
  things: null,
  otherHand: 'well',
  ...changes,
})
const state = (changes: Partial<CaseRecord> = {}) => patientCaseOf(record(changes), catalogue, TODAY)

describe('one case', () => {
  it('counts the days anew after a slip, where its school does', () => {
    const mallet = {
      protocol: catalogue.protocols.get('MAL-CONS')!,
      condition: catalogue.conditions.get(catalogue.protocols.get('MAL-CONS')!.condition)!,
    }
    const slips = [{ on: addDays(TODAY, -10), creditDays: 0 }]
    expect(state({ ...mallet, counted: { anchorOn: addDays(TODAY, -30), slips } }).day).toBe(10)
    expect(state({ counted: { anchorOn: addDays(TODAY, -30), slips } }).day).toBe(30)
    expect(dayZero(10, TODAY)).toBe('2031-04-01')
  })

  it('is in a state that is told or recorded, never in one that a test assumes', () => {
    expect(state({ facts: [fact('state.flare')] }).states).toEqual(['state.flare'])
    expect(state({ states: ['state.crps'], facts: [fact('state.flare')] }).states).toEqual([
      'state.crps',
      'state.flare',
    ])
    expect(state({ assumeRecorded: true, facts: [] }).states).toEqual([])
    expect(state({ facts: [fact('state.flare'), fact('state.flare', false)] }).states).toEqual([])
  })

  it('a file and a record of the same things are the same case', () => {
    const file = assessCaseFile(
      {
        format: 'pledge-case/1',
        today: TODAY,
        episode: {
          protocol: 'DRF-VLP-EARLY',
          anchors: { surgery: addDays(TODAY, -30) },
          recorded: [...record().facts, fact('state.flare')].map(({ what, value, date }) => ({
            what,
            value,
            date,
          })),
          lastReview: TODAY,
          contraindications: [],
        },
      },
      catalogue,
    )
    const same = state({ facts: [...record().facts, fact('state.flare')] })
    expect(file.episodes[0]).toMatchObject({
      day: same.day,
      phase: standingOf(same).phase && { id: standingOf(same).phase!.id },
    })
  })

  it('freezes by its last review, and not where a store keeps none', () => {
    expect(standingOf(state({ lastReviewOn: addDays(TODAY, -20) })).frozen).toBe(true)
    expect(standingOf(state({ lastReviewOn: null })).frozen).toBe(false)
  })

  it('takes orders as they stand on record or as a file writes them', () => {
    const noLoad = { restriction: 'noLoad', untilOn: null, why: 'Thin bone', document: null }
    const read = orderFrom('order.1', noLoad, addDays(TODAY, -30))
    expect(state({ orders: [noLoad] }).orders).toEqual([read])
    expect(state({ orders: [read] }).orders).toEqual([read])
  })

  it('refuses a variant and a value that its school does not know', () => {
    expect(refusalOf(() => state({ binding: { ...UNBOUND, variant: 'nobody' } })).path).toBe('variant')
    expect(refusalOf(() => state({ binding: { ...UNBOUND, values: { x: 1 } } })).path).toBe('vars.x')
  })
})

describe('where a case stands is one answer', () => {
  it('a flare that ends the first phase’s entry leaves nothing started, for phase, map and exception alike', () => {
    const [id] = [...catalogue.protocols].find(([, { phases }]) =>
      phases[0]!.entry.some(({ name }) => name === 'state.quiet'),
    )!
    const flaring = caseOf(id, { day: 5, over: { states: ['state.flare'] } })
    expect(standingOf(flaring)).toMatchObject({ index: -1, phase: null })
    const rows = permissionMap(flaring, 'none')
    expect(rows.flatMap(({ cells }) => cells.map(({ verdict }) => verdict.kind))).not.toContain('clear')
    const { verdict } = rows[0]!.cells[0]!
    expect(overrideTerms(verdict, flaring)).toMatchObject({ isPossible: false })
    expect(gateStandings(flaring).some(({ isOpen }) => isOpen)).toBe(false)
  })
})

describe('a gate', () => {
  const open = (one: PatientCase) => gateStandings(one).filter(({ isOpen }) => isOpen).length
  const healed = caseOf('DRF-VLP-EARLY', { day: 200 })
  it('is open when everything it names may be done at its limit', () => {
    expect(open(healed)).toBe(healed.protocol.gates.length)
    expect(open(caseOf('DRF-VLP-EARLY', { day: -1 }))).toBe(0)
  })

  it.each([
    ['a red flag', { redLock: true }],
    [
      'an order against every load',
      {
        orders: [
          orderFrom('order.1', { restriction: 'noLoad', untilOn: null, why: 'x', document: null }, TODAY),
        ],
      },
    ],
  ] as const)('is shut by %s, and says so', (_what, over) => {
    const standings = gateStandings({ ...healed, ...over })
    const loads = standings.filter(({ gate }) =>
      gate.targets.some((target) => target.kind === 'kg' && target.kg > 0),
    )
    expect(loads.length).toBeGreaterThan(0)
    for (const { isOpen, missing, barredBy } of loads) {
      expect(isOpen).toBe(false)
      expect(missing).toEqual([])
      expect(barredBy.length).toBeGreaterThan(0)
    }
  })

  it('counts the load base, which no gate writes down', () => {
    const sore = gateStandings(caseOf('DRF-VLP-EARLY', { day: 200, facts: { 'pain.act': 6 } }))
    const heavy = sore.find(({ gate }) =>
      gate.targets.some(
        ({ kind, ...target }) => kind === 'kg' && 'kg' in target && target.kg === NO_WEIGHT_LIMIT_KG,
      ),
    )!
    expect(heavy.isOpen).toBe(false)
    expect(heavy.missing.map(({ text }) => text)).toContain('pain.act<=3')
  })

  it('stays shut while a phase is held: its day alone opens nothing', () => {
    const held = caseOf('DRF-VLP-EARLY', { day: 200, without: ['ord.therapy'] })
    expect(open(held)).toBe(0)
  })

  it('is never open while its own things are closed, in any protocol on any day', () => {
    for (const id of catalogue.protocols.keys())
      for (const day of [10, 45, 90])
        for (const without of [[], ['ord.resist', 'xr.union', 'edema.stable']]) {
          const one = caseOf(id, { day, without })
          for (const { gate, isOpen, missing } of gateStandings(one)) {
            if (isOpen) expect([gate.from <= day, missing], `${gate.id} day ${day}`).toEqual([true, []])
          }
        }
  })
})

describe('whether a criterion is met is one test', () => {
  it.each([
    ['rel.ok', true, true],
    ['rel.ok', false, false],
    ['rel.ok', 'true', false],
    ['strands>=4', 4, true],
    ['strands>=4', 3, false],
    ['pain.act<=3', 3, true],
    ['pain.act<=3', 4, false],
    ['pain.act<=3', null, false],
    ['pain.act<=3', '', false],
    ['irrit<=mod', 'low', true],
    ['irrit<=mod', 'high', false],
    ['irrit<=mod', 'nonsense', false],
  ])('%s by %s: %s', (text, value, isMet) => {
    expect(isMetBy(criterionOf(text)!, value)).toBe(isMet)
  })

  it('what is asked leaves the limit out, in both languages', () => {
    expect(criterionQuestion('strands>=4')).toBe('core strands of the repair')
    expect(criterionMeaning('strands>=4')).toBe('core strands of the repair: 4 or more')
    expect(criterionQuestion('irrit<=mod', 'es')).toBe('irritabilidad')
    expect(criterionQuestion('rel.ok')).toBe(criterionMeaning('rel.ok'))
  })
})

describe('a dose in a document', () => {
  it.each([
    ['half a set', { sets: 2.5 }, 'exercises.0.dose.sets'],
    ['half a repetition', { repetitions: 9.5 }, 'exercises.0.dose.repetitions'],
    ['more bouts than a day has', { boutsPerDay: 15 }, 'exercises.0.dose.boutsPerDay'],
    ['a word nobody knows', { reps: 3 }, 'exercises.0.dose.reps'],
  ])('is refused with %s', (_what, dose, path) => {
    const file = {
      format: 'pledge-case/1',
      day: 30,
      episode: { protocol: 'DRF-VLP-EARLY', assumeRecorded: true },
      exercises: [{ id: 'wrist-updown-active', dose }],
    }
    const error = refusalOf(() => assessCaseFile(file, catalogue))
    expect(error).toBeInstanceOf(CoreError)
    expect(error.path).toBe(path)
  })
})

describe('what may be signed', () => {
  const item = (id: string, one: PatientCase) => {
    const exercise = catalogue.exercises.get(id)!
    const drafted = { itemId: 'i', exercise, dose: exercise.dose, digits: null }
    return judgedItem(drafted, one, { schools: catalogue.doseSchools, chosen: {}, overrides: [] })
  }
  const plated = caseOf('DRF-VLP-EARLY', { day: 30 })

  it('is a program with something in it that is open', () => {
    expect(signingBar([], plated)).toEqual({ name: 'empty' })
    expect(signingBar([item('fist-gentle', plated)], plated)).toBeNull()
    expect(signingBar([item('fist-gentle', plated), item('putty-squeeze', plated)], plated)).toMatchObject({
      name: 'closed',
      items: [{ index: 1 }],
    })
  })

  it.each([
    ['wrongSchool', ['strands']],
    ['schoolUnanswered', []],
  ] as const)('is nothing while the school is in doubt: %s', (name, without) => {
    const one = caseOf('FT-EAM', { day: 30, without: [...without] })
    const doubtful: PatientCase =
      name === 'wrongSchool' ? one : { ...one, facts: { status: () => ({ name: 'neverRecorded' }) } }
    expect(signingBar([item('edema-elevate', doubtful)], doubtful)).toMatchObject({ name })
  })

  it('slides of a nerve are summed over its variants and held against the irritability', () => {
    const nerve = caseOf('CTS-CONS', { day: 30, facts: { irrit: 'mod' } })
    const sliders = [...catalogue.exercises.values()]
      .filter(({ family }) => family === 'nerve-slider')
      .slice(0, 2)
    const dose = { sets: 1, repetitions: 5, holdSeconds: 0, boutsPerDay: 3, load: null }
    const items = sliders.map((exercise) => ({ exercise, dose }))
    expect(nerveSlides(items, nerve.facts)).toEqual({ perDay: 30, budget: 20, irritability: 'mod' })
    expect(nerveSlides(items, { status: () => ({ name: 'neverRecorded' }) })).toEqual({
      perDay: 30,
      budget: null,
      irritability: null,
    })
    expect(nerveSlides([], nerve.facts)).toBeNull()
  })
})
