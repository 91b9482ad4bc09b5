import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'
import {
  ADHESION,
  daysBehind,
  errorOfMeasure,
  isStopPain,
  joinRules,
  mayStart,
  milestones,
  phaseOn,
  RED_FLAGS,
  readRuleFile,
  responseTo,
  reviewOverdueDays,
  TIGHTNESS_THRESHOLD,
  YELLOW_FLAGS,
} from '@pledge/core'
import { refusalOf } from '../builders/refusal.js'
import { parseYaml } from '../../packages/catalogue/src/loadCatalogue.js'
import { caseOf, catalogue, catalogueDirectory } from './shippedCatalogue.js'

const rules = catalogue.crossCutting
const valueOf = (id: string) =>
  rules.tables.flatMap((table) => table.rules).find((rule) => rule.id === id)?.value

// Source: part A of the rule base, copied by hand from its sections; not from the files this reads.
const PUBLISHED: readonly [section: string, id: string, value: unknown][] = [
  ['A1', 'authority.freezeAfterDays', 14],
  ['A1', 'authority.behindScheduleDays', 14],
  ['A2', 'stage.motion', ['ord.rom', 'wound.ok', 'pain.rest<=3', 'edema.stable']],
  ['A2', 'stage.sport', ['ord.sport', 'pain.act<=1', 'arom.pct>=85', 'grip.pct>=80']],
  ['A3', 'response.painCap.protect', 2],
  ['A3', 'response.painCap.motion', 3],
  ['A3', 'response.painCap.tendinopathy', 4],
  ['A3', 'response.stopPain', 8],
  ['A3', 'response.amberAbove', 2],
  ['A3', 'response.settleGreen', 60],
  ['A3', 'response.settleStepback', 120],
  ['A3', 'response.swelling.digit', 3],
  ['A3', 'response.swelling.figureOfEight', 10],
  ['A3', 'response.swelling.volume', 15],
  ['A3', 'response.missed.reducedDose', 75],
  ['A4', 'contingency.share', 6],
  ['A5', 'nerve.dose.high', '3-5 1/d'],
  ['A5', 'nerve.tensioner.afterGreenDays', 14],
  ['A6', 'stretch.rung1', '3x30s 3/d'],
  ['A6', 'stretch.stop.noGainDays', 14],
  ['A7', 'deficit.contracture', 10],
  ['A7', 'deficit.lag', 10],
  ['A8', 'adhesion.absentUpTo', 5],
  ['A8', 'adhesion.shift.unresponsive', -7],
  ['A8', 'adhesion.unresponsiveFromDay', 21],
  ['A8', 'repair.gap', 3],
  ['A9', 'progression.minDaysPerLoad', 7],
  ['A9', 'progression.topRepetitions', 15],
  ['A11', 'edema.scarFromDay', 14],
  ['A12', 'thermal.coldMinutes', 10],
  ['A12', 'thermal.insensate', 4.31],
  ['A13', 'bout.maxExercises', 7],
  ['A13', 'bout.maxMinutes', 15],
  ['A15', 'refer.noBetterWeeks', 6],
  ['A16', 'dose.isometric', '8-10x5s 1-2/d'],
  ['A16', 'dose.resistedStrength', '2*8-15 3/wk'],
  ['A17', 'error.goniometer', 5],
  ['A17', 'error.figureOfEight', [6, 8]],
]

describe('the rules for every protocol', () => {
  it.each(PUBLISHED)('%s: %s as the rule base has it', (section, id, value) => {
    expect(valueOf(id)).toEqual(value)
    const table = rules.tables.find((one) => one.rules.some((rule) => rule.id === id))!
    expect(table.code).toBe(section)
  })

  it('each carry a source that is listed, and a sentence a therapist can read', () => {
    for (const { id, says, source } of rules.tables.flatMap((table) => table.rules)) {
      expect(catalogue.sources.has(source.key), id).toBe(true)
      expect(says, id).toMatch(/^[A-Z].*\.$/)
    }
  })

  it('name every red and yellow flag, and what each asks for', () => {
    expect([...rules.redFlags.keys()]).toEqual([...RED_FLAGS])
    expect([...rules.yellowFlags.keys()]).toEqual([...YELLOW_FLAGS])
    // A10: circulation and compartment pressure are emergencies, signs of CRPS wait up to two days.
    const acts = Object.fromEntries([...rules.redFlags.values()].map(({ id, act }) => [id, act]))
    expect(acts).toMatchObject({ 'RF.VASC': 'emergency', 'RF.COMPART': 'emergency', 'RF.CRPS': 'gentle' })
    expect(rules.redFlags.get('RF.CRPS')!.withinHours).toBe(48)
    expect(rules.redFlags.get('RF.RUPTURE')!.needsSurgeon).toBe(true)
  })

  it('give each flag of a protocol an id of its own and the action of a common flag', () => {
    for (const { id, redFlags, yellowFlags } of catalogue.protocols.values()) {
      expect(redFlags.map((flag) => flag.id)).toEqual(redFlags.map((_, place) => `${id}.red.${place + 1}`))
      for (const { as, says } of redFlags) {
        expect(rules.redFlags.get(as)!.todo, id).not.toBe('')
        expect(says.en, id).not.toBe(says.es)
        // A cold or pale finger is never told to wait for the same day.
        if (/\b(cold|pale)\b/.test(says.en)) expect(rules.redFlags.get(as)!.act, id).toBe('emergency')
        if (/suddenly|no longer bends|cannot be lifted/.test(says.en)) expect(as, says.en).not.toBe('RF.SKIN')
      }
      for (const { as } of yellowFlags) expect(rules.yellowFlags.get(as)!.todo, id).not.toBe('')
    }
  })
})

it('a rule that a measure also reckons with has one value', () => {
  expect(valueOf('adhesion.absentUpTo')).toBe(ADHESION.absentUpTo.value)
  expect(valueOf('adhesion.respondsFrom')).toBe(ADHESION.respondsFrom.value)
  expect((valueOf('deficit.tightness') as number[])[0]).toBe(TIGHTNESS_THRESHOLD.value)
})

it('no change is called real below the bedside rule of the goniometer', () => {
  for (const measure of [
    'wristFlexionExtension',
    'wristDeviation',
    'forearm',
    'fingerJoint',
    'elbow',
  ] as const)
    expect(errorOfMeasure(measure, 'same').mdc95).toBeGreaterThanOrEqual(
      valueOf('error.goniometer') as number,
    )
})

describe('the answer of the hand to a bout', () => {
  // A3: green up to the cap, amber up to two above it, step back beyond, stop from 8.
  it.each([
    [3, 3, 'green'],
    [4, 3, 'amber'],
    [5, 3, 'amber'],
    [6, 3, 'stepback'],
    [7, 5, 'amber'],
    [8, 6, 'stop'],
    [8, 9, 'stop'],
    [0, 2, 'green'],
  ])('worst pain %i at a cap of %i is %s', (worst, cap, answer) => {
    expect(responseTo(worst, cap, rules.response)).toBe(answer)
  })

  it('nobody starts without a score, above the cap, or at the line that stops', () => {
    expect([null, 0, 3, 4].map((pain) => mayStart(pain, 3))).toEqual([false, true, true, false])
    expect([null, 7, 8].map((pain) => isStopPain(pain, rules.response.stopPain))).toEqual([
      false,
      false,
      true,
    ])
  })
})

describe('a case that is late', () => {
  it('is overdue from the day after the last one allowed', () => {
    expect([null, 0, 14, 15, 40].map((days) => reviewOverdueDays(days, rules.freezeAfterDays))).toEqual([
      0, 0, 0, 1, 26,
    ])
  })

  it('lies behind by the days its next phase has waited for a criterion, and not by time alone', () => {
    const behind = (day: number, without: string[]) => {
      const state = caseOf('SCA-SCREW', { day, without })
      return daysBehind(phaseOn(state.protocol, day, state.facts), day, 0)
    }
    const second = catalogue.protocols.get('SCA-SCREW')!.phases[1]!
    const held = ['wound.ok']
    expect(second.entry.map(({ text }) => text)).toContain('wound.ok')
    expect(behind(second.days[0] + 20, [])).toBe(0)
    expect(behind(second.days[0] - 1, held)).toBe(0)
    expect(behind(second.days[0] + 20, held)).toBe(20)
  })
})

// Source: the day-of-opening matrix of the protocol documents, computed by another program from the same prose.
const matrix = readFileSync(fileURLToPath(new URL('openingMatrix.txt', import.meta.url)), 'utf8')
  .split('\n')
  .filter((line) => line !== '' && !line.startsWith('#'))
  .map((line) => line.split(' '))

it.each(matrix)('%s lets one drive, lean and play on the published days', (id, _motion, ...days) => {
  const published = Object.fromEntries(
    [
      ['drive', days[8]!],
      ['wb', days[9]!],
      ['sport_c', days[10]!],
    ].map(([act, day]) => [act, /^\d/.test(day!) ? Number.parseInt(day!, 10) : null]),
  )
  const found = milestones(catalogue.protocols.get(id!)!, rules.milestones)
  expect(Object.fromEntries(found.map(({ act, fromDay }) => [act, fromDay]))).toMatchObject(published)
  const known = found.flatMap(({ fromDay }) => (fromDay === null ? [] : [fromDay]))
  expect(known).toEqual([...known].sort((a, b) => a - b))
})

describe('a file of rules that does not hold', () => {
  const directory = join(catalogueDirectory, 'cross-cutting')
  const texts = readdirSync(directory).map((name) => readFileSync(join(directory, name), 'utf8'))
  const spoilt = (from: string | RegExp, to: string) => {
    const changed = texts.map((text) => text.replace(from, to))
    expect(changed).not.toEqual(texts)
    return () => joinRules(changed.map((text) => readRuleFile(parseYaml(text))))
  }
  it('holds as shipped', () => {
    expect(joinRules(texts.map((text) => readRuleFile(parseYaml(text))))).toEqual(rules)
  })

  it.each([
    ['a key nobody knows', /^title:/m, 'titel:', 'titel', 'known keys'],
    ['a unit nobody knows', 'unit: days', 'unit: fortnights', 'rules.', 'one of word'],
    ['a section nobody knows', 'code: A12', 'code: A18', 'code', 'A1 to A17'],
    ['a section that is missing', 'code: A12', 'code: A11', 'cross-cutting', 'section A12'],
    [
      'a number that cannot mean it',
      /(stopPain\n?.*?value:) 8/s,
      '$1 80',
      'response.stopPain',
      'from 4 to 10',
    ],
    [
      'a rule code needs',
      'authority.freezeAfterDays',
      'authority.freeze',
      'authority.freezeAfterDays',
      'found nothing',
    ],
    [
      'an id given twice',
      'authority.behindScheduleDays',
      'authority.freezeAfterDays',
      'authority.freezeAfterDays',
      'twice',
    ],
    ['a flag without an entry', /- id: RF\.CRPS[\s\S]*?(?=- id: RF\.SKIN)/, '', 'flags.red', 'RF.CRPS'],
    ['a flag nobody knows', 'id: RF.CRPS', 'id: RF.CRP', 'red.6.id', 'one of RF.RUPTURE'],
    ['an action nobody knows', 'act: emergency', 'act: wait', 'red.2.act', 'call, emergency'],
    [
      'a criterion nobody knows',
      'bone_or_tendon_ready',
      'ready',
      'rules.2.value.3',
      'criterion of the vocabulary',
    ],
    ['a dose nobody can read', "'3x30s 3/d'", "'thrice'", 'rules.6.value', 'a dose'],
    ['a range that falls', '[6, 8]', '[8, 6]', 'value', 'a range [from, to]'],
    ['a patient text in one language', /^ +es: 'Piel roja.*\n/m, '', 'red.1.home.es', 'a text'],
  ])('%s is refused with its place', (_what, from, to, path, expected) => {
    const { path: at, message } = refusalOf(spoilt(from, to))
    expect(at).toContain(path)
    expect(message).toContain(expected)
  })
})
