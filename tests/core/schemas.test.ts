import { describe, expect, it } from 'vitest'
import { ValidationError, type Schema } from 'yup'
import {
  criterionOf,
  digitsAsked,
  EARLY_PERMISSION_NAMES,
  hasSlipClock,
  orderFrom,
  orderLabel,
  RESTRICTION_NAMES,
  surgeonsClearances,
} from '@pledge/core'
import * as schemas from '@pledge/core/schemas'
import { referralFor } from '../builders/referral.js'
import { catalogue } from './shippedCatalogue.js'

const ID = '01J9ZZZZZZZZZZZZZZZZZZZZZZ'
const TODAY = '2031-04-11'
/** Refusals by path; `{}` for what is taken. */
function refusals(schema: Schema, value: unknown): Record<string, string> {
  try {
    schema.validateSync(value, { abortEarly: false, strict: true, context: { today: TODAY } })
    return {}
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error
    return Object.fromEntries(
      (error.inner.length > 0 ? error.inner : [error]).map((one) => [one.path ?? '', one.message]),
    )
  }
}
const bad = (schema: Schema, good: object, changes: object) =>
  Object.keys(refusals(schema, { ...good, ...changes }))

const referral = referralFor(catalogue.protocols.get('DRF-CAST')!, {
  selection: [{ what: 'strands', value: 4 }],
  anchorOn: '2031-03-22',
  letterOn: '2031-03-23',
})

describe('a referral', () => {
  it('is taken as a clinic writes it', () => expect(refusals(schemas.newReferral, referral)).toEqual({}))
  it.each<[string, object, string]>([
    ['no name', { name: '  ' }, 'name'],
    ['a birth in the future', { birthDate: '2031-04-12' }, 'birthDate'],
    ['a patient of 121 years', { birthDate: '1910-01-01' }, 'birthDate'],
    ['a date that does not exist', { letterOn: '2031-02-30' }, 'letterOn'],
    ['a letter of tomorrow', { letterOn: '2031-04-12' }, 'letterOn'],
    ['an injury nine years ago', { injuredOn: '2022-01-01' }, 'injuredOn'],
    ['an operation before the injury', { anchorOn: '2031-03-20' }, 'anchorOn'],
    ['an injury before the birth', { birthDate: '2031-03-25' }, 'injuredOn'],
    ['an allergy nobody asked about', { hasLatexAllergy: null }, 'hasLatexAllergy'],
    ['a third hand', { side: 'middle' }, 'side'],
    ['a toe', { digits: ['big toe'] }, 'digits[0]'],
    ['a clearance nobody knows', { clearances: ['ord.fly'] }, 'clearances[0]'],
    ['an answer that is no fact', { selection: [{ what: 'ord.fly', value: true }] }, 'selection[0].what'],
    ['an angle beyond any joint', { values: { xb0: 999 } }, 'values.xb0'],
    [
      'a restriction without a reason',
      { restrictions: [{ restriction: 'noLoad', untilOn: null, why: '' }] },
      'restrictions[0].why',
    ],
    ['a name without end', { name: 'x'.repeat(121) }, 'name'],
  ])('refuses %s', (_what, changes, path) =>
    expect(bad(schemas.newReferral, referral, changes)).toContain(path),
  )
  it('refuses a field it does not know', () =>
    expect(Object.values(refusals(schemas.newReferral, { ...referral, social: 1 })).join()).toMatch(
      /not known here/,
    ))
})

describe('what is added to a record', () => {
  const fact = {
    id: ID,
    what: 'wound.ok',
    value: true,
    dated: TODAY,
    givenBy: 'Noor',
    how: 'examined',
    note: '',
  }
  it.each<[string, object, string[]]>([
    ['a finding', {}, []],
    ['a score', { what: 'lag.pip', value: 12 }, []],
    ['a level', { what: 'irrit', value: 'mod' }, []],
    ['a level nobody knows', { what: 'irrit', value: 'awful' }, ['value']],
    ['a score below zero', { what: 'lag.pip', value: -1 }, ['value']],
    ['a fact nobody knows', { what: 'toString' }, ['what']],
    ['an id made up', { id: 'x' }, ['id']],
    ['a way nobody knows', { how: 'dream' }, ['how']],
    ['tomorrow', { dated: '2031-04-12' }, ['dated']],
  ])('%s', (_what, changes, paths) => expect(bad(schemas.newFact, fact, changes)).toEqual(paths))

  const order = {
    id: ID,
    restriction: 'noLoad',
    untilOn: null,
    givenBy: 'Dr. A',
    dated: TODAY,
    why: 'Thin bone',
    document: '',
  }
  it('an order that opens something early names its document, a ban does not', () => {
    expect(bad(schemas.newOrder, order, {})).toEqual([])
    expect(bad(schemas.newOrder, order, { restriction: EARLY_PERMISSION_NAMES[0] })).toEqual(['document'])
    expect(
      bad(schemas.newOrder, order, { restriction: EARLY_PERMISSION_NAMES[0], document: 'Letter' }),
    ).toEqual([])
  })

  const shift = { id: ID, days: 7, afterDay: 20, why: 'Adhesions absent', agreedBy: '', document: '' }
  it.each<[object, string[]]>([
    [{}, []],
    [{ days: -28 }, []],
    [{ days: -29 }, ['days']],
    [{ days: 0 }, ['days']],
    [{ days: 84 }, []],
    [{ days: 85 }, ['days']],
    [{ days: 1.5 }, ['days']],
    [{ days: null }, ['days']],
    [{ afterDay: -1 }, ['afterDay']],
    [{ why: '' }, ['why']],
  ])('a move of windows with %j', (changes, paths) =>
    expect(bad(schemas.newWindowShift, shift, changes)).toEqual(paths),
  )

  it.each<[object, string[]]>([
    [{ present: [] }, []],
    [{ present: ['clot', 'pins'] }, []],
    [{ present: ['openWound'] }, ['present[0]']],
    [{ present: null }, ['present']],
  ])('health with %j', (changes, paths) =>
    expect(bad(schemas.newHealthCheck, { id: ID, present: [], note: '' }, changes)).toEqual(paths),
  )

  const slip = { id: ID, slippedOn: TODAY, creditDays: 0, why: 'In the shower' }
  it.each<[object, string[]]>([
    [{}, []],
    [{ creditDays: null }, ['creditDays']],
    [{ creditDays: -1 }, ['creditDays']],
    [{ slippedOn: '2031-04-12' }, ['slippedOn']],
  ])('a slip with %j', (changes, paths) => expect(bad(schemas.newSlip, slip, changes)).toEqual(paths))

  const reading = { measure: 'wristFlexion', digit: null, side: 'left', kind: 'active', result: 40 }
  const pain = { measure: 'painRest', digit: null, side: null, kind: null, result: 0 }
  const evaluation = {
    id: ID,
    evaluatedOn: TODAY,
    note: '',
    readings: [reading],
  }
  it.each<[string, object, string]>([
    ['nothing at all', { readings: [] }, 'readings'],
    ['a pain of eleven', { readings: [{ ...pain, result: 11 }] }, 'readings[0].result'],
    ['a pain that is a half', { readings: [{ ...pain, result: 2.5 }] }, 'readings[0].result'],
    ['a pain of one hand', { readings: [{ ...pain, side: 'left' }] }, 'readings[0].result'],
    ['a wrist that turns round', { readings: [{ ...reading, result: 190 }] }, 'readings[0].result'],
    ['words for a number', { readings: [{ ...reading, result: 'forty' }] }, 'readings[0].result'],
    ['the same motion twice', { readings: [reading, reading] }, 'readings'],
    ['a motion nobody knows', { readings: [{ ...reading, measure: 'twist' }] }, 'readings[0].measure'],
  ])('an evaluation with %s is refused', (_what, changes, path) =>
    expect(bad(schemas.newEvaluation, evaluation, changes)).toContain(path),
  )
  it('an evaluation with one score or one reading is enough', () => {
    expect(bad(schemas.newEvaluation, evaluation, {})).toEqual([])
    expect(bad(schemas.newEvaluation, evaluation, { readings: [pain] })).toEqual([])
  })

  it('a flag is one of those everybody knows, and is lifted with what was found', () => {
    expect(bad(schemas.newFlag, { id: ID, flag: 'RF.VASC' }, {})).toEqual([])
    expect(bad(schemas.newFlag, { id: ID, flag: 'RF.ELSE' }, {})).toEqual(['flag'])
    expect(bad(schemas.flagLift, { id: ID, outcome: '', answeredBy: '' }, {})).toEqual(['outcome'])
  })
})

describe('a program and what is done at home', () => {
  const dose = { sets: 1, repetitions: 10, holdSeconds: 5, boutsPerDay: 3, load: null }
  const item = { itemId: ID, exerciseId: 'fist-gentle', dose }
  it.each<[string, object, string]>([
    [
      'half a repetition',
      { items: [{ ...item, dose: { ...dose, repetitions: 2.5 } }] },
      'items[0].dose.repetitions',
    ],
    ['a load below nothing', { items: [{ ...item, dose: { ...dose, load: -1 } }] }, 'items[0].dose.load'],
    [
      'the same exercise twice',
      { items: [item, { ...item, itemId: '01J9ZZZZZZZZZZZZZZZZZZZZZA' }] },
      'items',
    ],
    ['no version', { version: undefined }, 'version'],
  ])('a draft with %s is refused', (_what, changes, path) =>
    expect(bad(schemas.draftSave, { version: 0, items: [item] }, changes)).toContain(path),
  )

  const bout = {
    id: ID,
    programVersionId: ID,
    startedAt: '2031-04-11T08:00:00Z',
    endedAt: '2031-04-11T08:10:00Z',
    painBefore: 1,
    painWorst: 2,
    painAfter: 1,
    endedBy: 'done',
    redFlags: [],
    items: [{ itemId: ID, outcome: 'done', repetitionsDone: 10, reason: '' }],
  }
  it.each<[string, object, string]>([
    ['a local time', { startedAt: '2031-04-11T08:00:00' }, 'startedAt'],
    ['a time that does not exist', { endedAt: '2031-04-11T25:00:00Z' }, 'endedAt'],
    ['an end nobody knows', { endedBy: 'vanished' }, 'endedBy'],
    ['a flag nobody knows', { redFlags: ['RF.ELSE'] }, 'redFlags[0]'],
    [
      'a reason nobody gave',
      { items: [{ itemId: ID, outcome: 'skipped', repetitionsDone: 0, reason: 'bored' }] },
      'items[0].reason',
    ],
    [
      'repetitions below nothing',
      { items: [{ itemId: ID, outcome: 'done', repetitionsDone: -1, reason: '' }] },
      'items[0].repetitionsDone',
    ],
  ])('a bout with %s is refused', (_what, changes, path) =>
    expect(bad(schemas.newBoutLog, bout, changes)).toContain(path),
  )
  it('a bout is taken as the phone sends it, with a flag of any kind', () => {
    expect(bad(schemas.newBoutLog, bout, {})).toEqual([])
    expect(bad(schemas.newBoutLog, bout, { redFlags: ['RF.CRPS'] })).toEqual([])
  })
  it.each(['1234 5678', '12345678', ' 1234-5678 '])('the code "%s" is read', (code) =>
    expect(bad(schemas.pairing, { code }, {})).toEqual([]),
  )
  it.each(['1234567', '12345678a', ''])('the code "%s" is refused', (code) =>
    expect(bad(schemas.pairing, { code }, {})).toEqual(['code']),
  )
})

describe('what a surgeon may say', () => {
  it.each([...RESTRICTION_NAMES, ...EARLY_PERMISSION_NAMES])(
    '%s is an order the engine judges by',
    (word) => {
      const order = orderFrom(
        'order.1',
        { restriction: word, untilOn: '2031-05-01', why: 'Said so', document: 'Letter' },
        '2031-03-21',
      )
      expect(order.untilDay).toBe(41)
      expect(order.rule.targets.length).toBeGreaterThan(0)
      expect(order.effect).toBe((RESTRICTION_NAMES as readonly string[]).includes(word) ? 'forbid' : 'allow')
      expect(orderLabel(word)).not.toBe(word)
    },
  )
  it('a word nobody knows is refused, and shown as it stands', () => {
    const of = { restriction: 'fly', untilOn: null, why: 'x', document: null }
    expect(() => orderFrom('order.1', of, TODAY)).toThrow(/on the list/)
    expect(orderLabel('fly')).toBe('fly')
  })
})

describe('what a referral is asked', () => {
  it('names fingers where their joints are guarded, the thumb for the thumb, and neither for a nerve', () => {
    const asked = (id: string) => {
      const protocol = catalogue.protocols.get(id)!
      return digitsAsked(protocol, catalogue.conditions.get(protocol.condition)!)
    }
    expect([asked('FT-PH'), asked('UCL-REPAIR'), asked('CTS-REL'), asked('DRF-CAST')]).toEqual([
      'fingers',
      'thumb',
      'none',
      'none',
    ])
  })
  it('asks the surgeon only for what a surgeon gives, each once', () => {
    for (const protocol of catalogue.protocols.values()) {
      const asked = surgeonsClearances(protocol).map(({ text }) => text)
      expect(new Set(asked).size, protocol.id).toBe(asked.length)
      for (const text of asked) expect(criterionOf(text)!.kind, text).toBe('flag')
      if (protocol.phases[0]!.entry.some(({ text }) => text === 'ord.therapy'))
        expect(asked).toContain('ord.therapy')
    }
  })
  it('counts anew only where an orthosis must not come off', () => {
    const counting = [...catalogue.protocols.values()].filter(hasSlipClock).map(({ id }) => id)
    expect(counting).toContain('MAL-CONS')
    expect(counting).not.toContain('DRF-CAST')
  })
})
