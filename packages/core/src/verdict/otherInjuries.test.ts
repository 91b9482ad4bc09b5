import { describe, expect, it } from 'vitest'
import {
  assessCaseFile,
  assessExercise,
  assessThisHand,
  exerciseKind,
  exerciseOpenings,
  isOpen,
  otherHandUse,
  permissionMap,
  VERDICT_KINDS,
  type OtherInjury,
  type PatientCase,
} from '../index.js'
import { catalogue, caseOf } from '../../../../tests/core/shippedCatalogue.js'

const exercise = (id: string) => catalogue.exercises.get(id)!
const judged = (id: string, state: PatientCase) => assessExercise(exercise(id), exercise(id).dose, state)
const injury = (hand: OtherInjury['hand'], protocol: string, day: number): OtherInjury => ({
  hand,
  state: caseOf(protocol, { day }),
})
/** A wrist plated 60 days ago, everything recorded, with what else is injured. */
const wrist = (...otherInjuries: OtherInjury[]) =>
  caseOf('DRF-VLP-EARLY', { day: 60, over: { otherInjuries } })

describe('another injury of the same hand', () => {
  it('bars what it bars, and says whose rule that is', () => {
    expect(judged('fist-gentle', wrist()).kind).toBe('clear')
    const both = judged('fist-gentle', wrist(injury('same', 'FT-DURAN', 10)))
    expect(both.kind).toBe('not-yet')
    expect(both.reasons.map(({ text }) => text.en).join(' ')).toMatch(
      /^The other injury of this hand \(Flexor tendon repair.*\): /,
    )
    expect(both.reasons[0]!.text.es).toMatch(/^La otra lesión de esta mano/)
  })

  it('opens in the days of the case that was asked, when the later of the two lets it', () => {
    const alone = judged('fist-gentle', caseOf('FT-DURAN', { day: 10 }))
    const both = judged('fist-gentle', wrist(injury('same', 'FT-DURAN', 10)))
    expect(alone.fromDay).toBeGreaterThan(10)
    expect(both.fromDay).toBe(60 + alone.fromDay! - 10)
  })

  it('has its say in the day an exercise could begin', () => {
    const entry = exercise('fist-gentle')
    const opens = (state: PatientCase) =>
      exerciseOpenings(entry, entry.dose, state, 'byTimeAlone', { span: [0, 400] }).find(
        (run) => isOpen(run.kind) && (run.toDay ?? Infinity) > state.day,
      )!.fromDay
    const tendon = opens(caseOf('FT-DURAN', { day: 10 }))
    expect(opens(wrist())).toBeLessThan(60)
    expect(opens(wrist(injury('same', 'FT-DURAN', 10)))).toBe(60 + tendon - 10)
    expect(opens(wrist(injury('other', 'FT-DURAN', 10)))).toBe(opens(wrist()))
  })

  it('has its day on a time axis as well', () => {
    const state = wrist(injury('same', 'FT-DURAN', 10))
    const entry = exercise('fist-gentle')
    const runs = exerciseOpenings(entry, entry.dose, state, 'asTheRecordStands')
    expect(runs[0]).toMatchObject({ fromDay: 60, kind: 'not-yet' })
    const opens = runs.find(({ kind }) => kind === 'clear' || kind === 'with-care')!
    expect(opens.fromDay).toBe(judged('fist-gentle', state).fromDay)
  })

  it('bars single motions as well, as the map of what may move asks them', () => {
    const state = wrist(injury('same', 'FT-DURAN', 10))
    const cell = (rows: ReturnType<typeof permissionMap>, motion: string) =>
      rows.find((row) => row.motion === motion)?.cells.find(({ mode }) => mode === 'A')?.verdict
    const alone = cell(permissionMap(state, 'none'), 'wrist.flex')
    const both = cell(
      permissionMap(state, 'none', (signature) => assessThisHand(signature, state)),
      'wrist.flex',
    )
    expect([alone?.kind, both?.kind]).toEqual(['clear', 'not-yet'])
    expect(both!.reasons[0]!.text.en).toMatch(/^The other injury of this hand/)
  })

  it('never opens anything, whatever it is, and the quick answer is the same', () => {
    for (const protocol of ['FT-EAM', 'CTS-REL', 'UCL-REPAIR', 'MC-ORIF', 'STIFF']) {
      for (const entry of catalogue.exercises.values()) {
        const alone = exerciseKind(entry, entry.dose, wrist())
        const state = wrist(injury('same', protocol, 30))
        const both = assessExercise(entry, entry.dose, state).kind
        expect(VERDICT_KINDS.indexOf(both), `${protocol} ${entry.id}`).toBeGreaterThanOrEqual(
          VERDICT_KINDS.indexOf(alone),
        )
        expect(exerciseKind(entry, entry.dose, state)).toBe(both)
      }
    }
  }, 60_000)
})

describe('an injury of the other hand', () => {
  const repaired = injury('other', 'FT-DURAN', 10)
  it('bars what both hands do at the same time', () => {
    expect(otherHandUse(exercise('wrist-updown-active'))).toBe('the same')
    expect(judged('wrist-updown-active', wrist()).kind).toBe('clear')
    const both = judged('wrist-updown-active', wrist(repaired))
    expect(both.kind).toBe('not-yet')
    expect(both.reasons[0]!.text.en).toMatch(/^The other hand \(Flexor tendon repair/)
  })

  it.each([
    ['guides', 'palm-up-helped'],
    ['stands against a push', 'iso-wrist-back'],
    ['steadies', 'block-middle-joint'],
  ])('asks for a helper where the other hand only %s', (_how, id) => {
    const before = judged(id, caseOf('STIFF', { day: 60 }))
    const after = judged(id, caseOf('STIFF', { day: 60, over: { otherInjuries: [repaired] } }))
    expect(before.kind).toBe('clear')
    expect(after.kind).toBe('with-care')
    expect(after.conditions.at(-1)!.en).toMatch(/may not do this yet \(Flexor tendon repair.*helper/)
  })

  it('is not asked a second time how the first hand is', () => {
    const seen: OtherInjury = {
      hand: 'other',
      state: caseOf('STIFF', { day: 90, over: { otherHand: 'hurt' } }),
    }
    const both = judged('wrist-updown-active', caseOf('STIFF', { day: 60, over: { otherInjuries: [seen] } }))
    expect(both.kind).toBe('clear')
  })

  it('asks for none once the other hand may do it', () => {
    const healed = injury('other', 'FT-DURAN', 200)
    const state = caseOf('STIFF', { day: 60, over: { otherInjuries: [healed], otherHand: 'hurt' } })
    expect(judged('palm-up-helped', state).kind).toBe('clear')
  })

  it('is no question where the hand works alone', () => {
    expect(judged('fist-gentle', wrist(repaired)).kind).toBe('clear')
    expect(
      judged('forearm-roll-palm-side', caseOf('STIFF', { day: 60, over: { otherInjuries: [repaired] } }))
        .kind,
    ).toBe(judged('forearm-roll-palm-side', caseOf('STIFF', { day: 60 })).kind)
  })

  it('with an open red flag it helps with nothing', () => {
    const flagged: OtherInjury = {
      hand: 'other',
      state: caseOf('FT-DURAN', { day: 200, over: { redLock: true } }),
    }
    expect(
      judged('palm-up-helped', caseOf('STIFF', { day: 60, over: { otherInjuries: [flagged] } })).kind,
    ).toBe('with-care')
  })
})

describe('an other hand that nobody asked about', () => {
  it('is a condition of what it helps with, never silently able', () => {
    const unasked = caseOf('STIFF', { day: 60, over: { otherHand: null } })
    expect(judged('palm-up-helped', unasked)).toMatchObject({ kind: 'with-care' })
    expect(judged('palm-up-helped', unasked).conditions.at(-1)!.en).toMatch(/nobody has asked/)
    expect(judged('fist-gentle', unasked).kind).toBe('clear')
  })
})

describe('an exercise says what the other hand does', () => {
  /** Its steps speak of the other hand for something that asks nothing of it. */
  const ASKS_NOTHING = ['feel-and-name', 'heat-soak']
  it('wherever its steps speak of it', () => {
    const speaks = /other (hand|palm|thumb)|healthy hand|both hands|good hand/i
    const silent = [...catalogue.exercises.values()].filter(
      (entry) =>
        entry.text.en.steps.some((step) => speaks.test(step)) &&
        otherHandUse(entry) === 'none' &&
        !ASKS_NOTHING.includes(entry.id),
    )
    expect(silent.map(({ id }) => id)).toEqual([])
  })
})

describe('a case file', () => {
  const episode = (protocol: string, side: string, surgery: string) => ({
    protocol,
    side,
    anchors: { surgery },
    assumeRecorded: true,
  })
  const file = (...episodes: object[]) => ({
    format: 'pledge-case/1',
    today: '2031-04-11',
    episodes,
    exercises: ['fist-gentle', 'wrist-updown-active', 'palm-up-helped'].map((id) => ({ id })),
  })
  const verdicts = (...episodes: object[]) =>
    assessCaseFile(file(...episodes), catalogue).verdicts.map(({ verdict }) => verdict)
  const plated = episode('DRF-VLP-EARLY', 'left', '2031-01-20')

  it('with injuries of both hands asks the other one only for what it does', () => {
    expect(verdicts(plated)).toEqual(['clear', 'clear', 'clear'])
    expect(verdicts(plated, episode('FT-DURAN', 'right', '2031-04-01'))).toEqual([
      'clear',
      'not-yet',
      'with-care',
    ])
    expect(verdicts(plated, episode('FT-DURAN', 'left', '2031-04-01'))[0]).toBe('not-yet')
  })

  it('names the episode a reason comes from by its place in the file', () => {
    const right = episode('FT-DURAN', 'right', '2031-04-01')
    const left = episode('FT-DURAN', 'left', '2031-04-01')
    const [fist] = assessCaseFile(file(plated, right, left), catalogue).verdicts
    expect(fist!.reasons.map((reason) => reason.episode)).toEqual(fist!.reasons.map(() => 2))
  })
})
