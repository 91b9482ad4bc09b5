import fc from 'fast-check'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import {
  bindProtocol,
  DocumentReader,
  factBook,
  readOrder,
  readSignature,
  reviewOverdueDays,
  type CaseOnDay,
  type CriterionName,
  type Digit,
  type Protocol,
  type RecordedFact,
  type Signature,
  type State,
} from '@pledge/core'
import { parseYaml } from '../../packages/catalogue/src/loadCatalogue.js'
import { catalogue, catalogueDirectory } from './shippedCatalogue.js'

/** A protocol file as it stands on disk. */
export interface RawProtocol {
  id: string
  guard: string[]
  select?: string[]
  vars?: Record<string, { range: [number, number] }>
  variants?: Record<string, unknown>
  never?: object[]
  phases: { entry: string[]; allow?: RawRule[]; caution?: RawRule[]; forbid?: RawRule[] }[]
  gates: RawRule[]
}
interface RawRule {
  m?: string[]
  in?: string[]
  out_of?: string[]
  needs?: string[]
  mv?: string[]
  combo?: string[]
  arc?: Record<string, unknown[]>
  with?: Record<string, number[]>
}

const directory = join(catalogueDirectory, 'protocols')
export const rawProtocols: readonly RawProtocol[] = readdirSync(directory, { recursive: true })
  .map(String)
  .filter((name) => name.endsWith('.yaml'))
  .sort()
  .map((name) => parseYaml(readFileSync(join(directory, name), 'utf8')) as RawProtocol)

/** A case as both evaluators take it. */
export interface GeneratedCase {
  readonly raw: RawProtocol
  readonly day: number
  readonly withdrawn: string[]
  readonly values: Record<string, number | string>
  readonly digits: Digit[]
  readonly states: State[]
  readonly orders: object[]
  readonly redLock: boolean
  readonly daysSinceReview: number | null
  readonly variant: string | null
  readonly vars: Record<string, number>
  readonly shifts: [number, number][]
}
export interface Generated {
  readonly of: GeneratedCase
  readonly exercise: object
}

const MODES = ['P', 'S', 'AA', 'PH', 'A', 'I', 'R']
const RES = ['R0', 'R1', 'R2', 'R3', 'R4', 'R5']
const GRIPS = ['cyl', 'hook', 'sph', 'span', 'key', 'tip', 'tripod']
const COMBOS =
  'fist hook straight_fist tabletop blocked tenodesis clench cx_ext_wf cx_flex_wf cx_ext_th cx_flex_th cx_flex_th_wf cx_flex_th_uln intr_stretch intrinsic_minus orl_stretch bowstring phalen_hold elbow_flexion_hold cx_ulnar_full cmc_adduction_pinch mp_ulnar_load'.split(
    ' ',
  )
const MOTIONS =
  'wrist.flex wrist.ext wrist.rad wrist.uln wrist.dtm forearm.sup forearm.pron elbow.flex elbow.ext shoulder.flex mp.flex mp.ext mp.hyperext pip.flex pip.ext pip.hyperext dip.flex dip.ext dip.hyperext th_cmc.opp th_cmc.pabd th_mp.flex th_mp.ext th_mp.hyperext th_ip.flex th_ip.ext th_ip.hyperext cmc.flex finger.flex finger.ext ip.flex thumb.flex'.split(
    ' ',
  )
const OTHERS_WORN =
  'DBO DBS TEN RMF RME RME_WRO WRO WRN GUTTER IPLUS SAFE RHO PIPX DIPX THX EXO PALM TSX TSO TSH MPB CAST LAC EXF'.split(
    ' ',
  )
const DIGITS: Digit[] = ['thumb', 'index', 'middle', 'ring', 'little']
const NUMBERS = [
  'pain.rest',
  'pain.act',
  'lag.dip',
  'lag.pip',
  'lag.mp',
  'lag.th_ip',
  'strands',
  'trigger.stage',
]

function rulesOf(raw: RawProtocol): RawRule[] {
  return [
    ...raw.phases.flatMap((phase) => [
      ...(phase.allow ?? []),
      ...(phase.caution ?? []),
      ...(phase.forbid ?? []),
    ]),
    ...raw.gates,
  ]
}
const nameOf = (criterion: string) => criterion.split(/[<>]/)[0]!.trim()
export function criteriaOf(raw: RawProtocol): string[] {
  return [
    ...new Set(
      [
        ...raw.phases.flatMap((phase) => phase.entry),
        ...rulesOf(raw).flatMap((rule) => rule.needs ?? []),
        ...(raw.select ?? []),
        'pain.act<=3',
        'edema.stable',
      ].map(nameOf),
    ),
  ]
}
const maybe = <T>(arbitrary: fc.Arbitrary<T>, freq = 3) => fc.option(arbitrary, { nil: undefined, freq })
const defined = <T extends object>(object: T): T =>
  Object.fromEntries(Object.entries(object).filter(([, value]) => value !== undefined)) as T

/** Orthoses, arcs and postures that the protocol itself speaks of, and their neighbors. */
function formsOf(raw: RawProtocol) {
  const rules = rulesOf(raw)
  const worn = [
    ...new Set(['none', 'WRO', ...rules.flatMap((rule) => [...(rule.in ?? []), ...(rule.out_of ?? [])])]),
  ]
  const ranges = (key: 'arc' | 'with') =>
    rules.flatMap((rule) =>
      Object.entries(rule[key] ?? {}).map(([axis, [low, high]]) => [
        axis,
        typeof low === 'number' ? low : 20,
        Number(high),
      ]),
    ) as [string, number, number][]
  const near = (list: [string, number, number][]) =>
    list.length === 0
      ? fc.constant(undefined)
      : maybe(
          fc
            .tuple(
              fc.subarray(list, { minLength: 1, maxLength: Math.min(2, list.length) }),
              fc.integer({ min: -2, max: 3 }),
              fc.integer({ min: -3, max: 1 }),
            )
            .map(([chosen, a, b]) =>
              Object.fromEntries(
                chosen.map(([axis, low, high]) => [
                  axis,
                  [Math.max(-180, low + 5 * a), Math.min(180, Math.max(low + 5 * a, high + 5 * b))],
                ]),
              ),
            ),
          1,
        )
  // Joints kept anywhere: in the resting range, at its borders, far outside it.
  const kept = fc
    .record({
      axis: fc.constantFrom('wrist', 'forearm', 'elbow', 'mp', 'pip', 'dip'),
      from: fc.integer({ min: -9, max: 13 }),
      width: fc.integer({ min: 0, max: 2 }),
    })
    .map(({ axis, from, width }) => ({ [axis]: [10 * from, 10 * (from + width)] }))
  return {
    worn: fc.oneof({ weight: 3, arbitrary: fc.constantFrom(...worn) }, fc.constantFrom(...OTHERS_WORN)),
    arc: near(ranges('arc')),
    posture: fc.oneof({ weight: 2, arbitrary: near(ranges('with')) }, kept),
  }
}

export function exerciseFor(raw: RawProtocol): fc.Arbitrary<object> {
  const { worn, arc, posture } = formsOf(raw)
  const own = [...new Set(rulesOf(raw).flatMap((rule) => rule.mv ?? []))].filter((one) => !one.endsWith('*'))
  const motion =
    own.length > 0
      ? fc.oneof(fc.constantFrom(...own), fc.constantFrom(...MOTIONS))
      : fc.constantFrom(...MOTIONS)
  const ownCombos = [...new Set(rulesOf(raw).flatMap((rule) => rule.combo ?? []))]
  const combo =
    ownCombos.length > 0
      ? fc.oneof(fc.constantFrom(...ownCombos), fc.constantFrom(...COMBOS))
      : fc.constantFrom(...COMBOS)
  // Half of the motions are those a rule of this protocol speaks of, in its own modes.
  const spoken = rulesOf(raw).filter((rule) => rule.mv && rule.m)
  const fromRule =
    spoken.length > 0
      ? fc.constantFrom(...spoken).chain((rule) =>
          fc
            .record({
              m: fc.subarray(rule.m!, { minLength: 1, maxLength: 1 }),
              mv: fc.subarray(rule.mv!, { minLength: 1, maxLength: Math.min(2, rule.mv!.length) }),
              arc,
              res: maybe(fc.constantFrom(...RES), 1),
            })
            .map(defined),
        )
      : null
  const free = fc
    .record({
      m: fc.subarray(MODES, { minLength: 1, maxLength: 2 }),
      mv: fc.uniqueArray(motion, { minLength: 1, maxLength: 2 }),
      arc,
      res: maybe(fc.constantFrom(...RES)),
    })
    .map(defined)
  const part: fc.Arbitrary<object> = fromRule ? fc.oneof(fromRule, free) : free
  // One motion alone tells most: in a longer exercise the worst part hides what the others would get.
  const simple = fc
    .record({
      motions: fc.tuple(part),
      in: maybe(worn, 2),
      posture,
      digits: maybe(fc.subarray(DIGITS, { minLength: 1 }), 2),
    })
    .map(defined)
  const long = fc
    .record({
      motions: fc.array(part, { maxLength: 2 }),
      in: maybe(worn, 2),
      posture,
      digits: maybe(fc.subarray(DIGITS, { minLength: 1 }), 4),
      combos: maybe(
        fc.array(
          fc
            .record({ combo, m: fc.constantFrom(...MODES), res: maybe(fc.constantFrom(...RES)) })
            .map(defined),
          { minLength: 1, maxLength: 1 },
        ),
      ),
      grips: maybe(
        fc.array(
          fc.record({ grip: fc.constantFrom(...GRIPS), res: maybe(fc.constantFrom(...RES), 6) }).map(defined),
          { minLength: 1, maxLength: 1 },
        ),
      ),
      kg: maybe(fc.constantFrom(0, 0.25, 0.5, 1, 2.5, 5, 10, 99, 100), 4),
      tests: maybe(fc.constantFrom(['grip_dyn'], ['prom_end'], ['mmt'], ['lift_test']), 5),
      acts: maybe(fc.constantFrom(['adl_light'], ['drive'], ['wb'], ['torque'], ['sport_c'], ['swim']), 4),
      stress: maybe(fc.constantFrom(['th_mp.radial'], ['pip.lateral']), 6),
      by: maybe(fc.constantFrom('self', 'helper', 'therapist', 'elastic'), 4),
      nerve: maybe(
        fc.array(
          fc.record({
            nerve: fc.constantFrom('median', 'ulnar', 'radial', 'digital'),
            tech: fc.constantFrom('slider1', 'slider2', 'tensioner', 'sustained_hold'),
          }),
          { minLength: 1, maxLength: 1 },
        ),
        5,
      ),
      technique: maybe(
        fc.subarray(
          ['overpressure', 'hanging_weight', 'to_blanching', 'stress_test', 'forced_by_other', 'to_pain'],
          {
            minLength: 1,
            maxLength: 1,
          },
        ),
        8,
      ),
    })
    .map(defined)
  // One joint of the thumb while its neighbors are held: whose combination it is.
  const blocked = fc.record({
    motions: fc.tuple(
      fc.record({ m: fc.constant(['A']), mv: fc.constantFrom(['th_ip.flex'], ['th_mp.ext', 'pip.flex']) }),
    ),
    combos: fc.tuple(fc.record({ combo: fc.constantFrom('blocked', 'hook'), m: fc.constant('A') })),
  })
  return fc.oneof({ weight: 9, arbitrary: simple }, { weight: 9, arbitrary: long }, blocked)
}

const order = fc
  .record({
    effect: fc.constantFrom('forbid', 'allow'),
    m: fc.subarray(MODES, { minLength: 1, maxLength: 3 }),
    mv: fc.subarray(['wrist.*', 'finger.*', 'thumb.*', 'pip.flex', 'forearm.*'], {
      minLength: 1,
      maxLength: 2,
    }),
    res: maybe(fc.constantFrom(...RES), 3),
    in: maybe(fc.constant(['WRO']), 6),
    from: maybe(fc.integer({ min: 0, max: 60 }), 3),
    until: maybe(fc.integer({ min: 61, max: 150 }), 3),
    lifts: maybe(fc.constant('1'), 4),
    document: maybe(fc.constant('letter'), 2),
  })
  .map((wish) => ({ ...defined(wish), why: 'generated' }) as Record<string, unknown>)

export function caseFor(raw: RawProtocol): fc.Arbitrary<GeneratedCase> {
  const criteria = criteriaOf(raw)
  return fc.record({
    raw: fc.constant(raw),
    day: fc.oneof(fc.integer({ min: -3, max: 60 }), fc.integer({ min: 0, max: 200 })),
    withdrawn: fc.oneof(
      fc.constant<string[]>([]),
      fc.subarray(criteria, { maxLength: Math.min(3, criteria.length) }),
    ),
    values: fc
      .subarray(
        NUMBERS.filter((name) => criteria.includes(name)),
        { maxLength: 1 },
      )
      .chain((names) =>
        fc
          .tuple(
            ...names.map(() => fc.integer({ min: 0, max: 12 })),
            fc.constantFrom('low', 'mod', 'high', 'none'),
          )
          .map((drawn) => ({
            ...Object.fromEntries(names.map((name, place) => [name, drawn[place] as number])),
            ...(criteria.includes('irrit') && drawn.at(-1) !== 'none'
              ? { irrit: drawn.at(-1) as string }
              : {}),
          })),
      ),
    digits: fc.oneof(fc.constant<Digit[]>([]), fc.subarray(DIGITS, { minLength: 1, maxLength: 2 })),
    states: fc.oneof(
      { weight: 4, arbitrary: fc.constant<State[]>([]) },
      {
        weight: 1,
        arbitrary: fc.subarray<State>(['state.flare', 'state.acute_swelling', 'state.quiet', 'state.crps']),
      },
    ),
    orders: fc.oneof(
      { weight: 1, arbitrary: fc.constant<object[]>([]) },
      {
        weight: 1,
        arbitrary: fc
          .array(order, { maxLength: 2 })
          .map((orders) =>
            orders.map(({ lifts, ...rest }) =>
              lifts && rest['effect'] === 'allow' ? { ...rest, lifts: `${raw.id}.never.1` } : rest,
            ),
          ),
      },
    ),
    redLock: fc.oneof(
      { weight: 12, arbitrary: fc.constant(false) },
      { weight: 1, arbitrary: fc.constant(true) },
    ),
    daysSinceReview: fc.oneof(fc.constant(null), fc.integer({ min: 0, max: 60 })),
    variant: raw.variants
      ? fc.option(fc.constantFrom(...Object.keys(raw.variants)), { nil: null })
      : fc.constant(null),
    vars: raw.vars
      ? fc.oneof(
          fc.constant<Record<string, number>>({}),
          fc.integer({ min: 0, max: 90 }).map((xb0): Record<string, number> => ({ xb0 })),
        )
      : fc.constant<Record<string, number>>({}),
    shifts: fc.oneof(
      { weight: 4, arbitrary: fc.constant<[number, number][]>([]) },
      {
        weight: 1,
        arbitrary: fc.array(fc.tuple(fc.integer({ min: -21, max: 21 }), fc.integer({ min: 0, max: 60 })), {
          maxLength: 2,
        }),
      },
    ),
  })
}

/** A case of any protocol with an exercise that has something to do with it. */
export const generated: fc.Arbitrary<Generated> = fc.oneof(
  ...rawProtocols.map((raw) => fc.record({ of: caseFor(raw), exercise: exerciseFor(raw) })),
)

export function signatureFrom(exercise: object): Signature {
  return readSignature(new DocumentReader({ name: 'generated', ...exercise }))
}

/** A protocol bound in the same way is the same protocol: what is remembered of it serves many cases. */
const bound = new Map<string, Protocol>()
function boundFor({ raw, variant, vars, shifts }: GeneratedCase): Protocol {
  const key = JSON.stringify([raw.id, variant, vars, shifts])
  let protocol = bound.get(key)
  if (!protocol) {
    protocol = bindProtocol(catalogue.protocols.get(raw.id)!, { variant, values: vars, shifts })
    bound.set(key, protocol)
  }
  return protocol
}

/** The same case for the engine: everything recorded but what is withdrawn or has a value. */
export function engineCase(of: GeneratedCase, changes: Partial<GeneratedCase> = {}): CaseOnDay {
  const one = { ...of, ...changes }
  const facts = [
    ...Object.entries(one.values).map(([what, value]): RecordedFact => ({
      what: what as CriterionName,
      value,
      date: null,
      withdrawn: false,
    })),
    ...one.withdrawn.map((what): RecordedFact => ({
      what: what as CriterionName,
      value: false,
      date: null,
      withdrawn: true,
    })),
  ]
  return {
    protocol: boundFor(one),
    day: one.day,
    facts: factBook({ today: null, limits: catalogue.crossCutting.facts, facts, assumeRecorded: true }),
    digits: one.digits,
    states: one.states,
    orders: one.orders.map((wish, index) => readOrder(new DocumentReader(wish), `order.${index + 1}`)),
    redLock: one.redLock,
    reviewOverdueDays: reviewOverdueDays(one.daysSinceReview, catalogue.crossCutting.freezeAfterDays),
  }
}
