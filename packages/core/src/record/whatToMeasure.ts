import type { ClinicalDay } from '../calendar/clinicalDay.js'
import {
  ARM_PARTS,
  hingesOf,
  measureFacts,
  measuresOfPart,
  otherSideOf,
  READING_KINDS,
  type ArmPart,
  type HingeMeasure,
  type MeasureName,
  type ReadingKind,
} from '../measurement/readings/measures.js'
import { placeKey, type ReadingPlace } from '../measurement/readings/reading.js'
import { lastAt, type Visit } from '../measurement/readings/visits.js'
import { IDLE_SIGNATURE, type Signature } from '../exercise/signature.js'
import { alwaysWorn } from '../verdict/restraints.js'
import { standingOf } from '../verdict/caseOnDay.js'
import { criteriaOfCase } from '../verdict/criteriaOfCase.js'
import { assessThisHand } from '../verdict/otherInjuries.js'
import type { PatientCase } from '../verdict/patientCase.js'
import { isOpen, isWorse, type Verdict } from '../verdict/verdict.js'
import { LOAD_BASE_CRITERIA } from '../vocabulary/criterion.js'
import { DIGITS, OPERATED, type Combo, type Digit, type Motion, type Test } from '../vocabulary/vocabulary.js'
import { criterionMeaning } from '../words/criterionWords.js'
import { isMeasured, LAG_JOINT, placesOf, type Measured } from './measuredFacts.js'

/**
 * Why something is measured: a phase or gate waits for it, the skin comes before any motion, it tells stiffness from lag, it shows
 * the outcome. In this order.
 */
export const MEASURING_TIERS = ['gate', 'skin', 'tell', 'outcome'] as const
export type MeasuringTier = (typeof MEASURING_TIERS)[number]

/** One thing to measure at this visit. */
export interface MeasuringItem {
  /** Stable within a case: the criterion or the name of the set. */
  readonly id: string
  readonly tier: MeasuringTier
  readonly says: string
  readonly why: string
  readonly places: readonly ReadingPlace[]
  /** Whether one of its places is enough, as any way of measuring a swelling is. */
  readonly isOneEnough: boolean
  /** Measured once, not at every visit: the healthy side. */
  readonly isOnce: boolean
  /** The last day on which all of it was on record; `null` = never. */
  readonly lastOn: ClinicalDay | null
}

/** What the repair forbids to be measured today, with the verdict that says from when and what it takes. */
export interface MeasureLock {
  readonly measure: MeasureName
  readonly digits: readonly Digit[] | null
  readonly kind: ReadingKind | null
  /** Which end of a hinge; `null` for what has no ends. */
  readonly end: 'flexed' | 'extended' | null
  /** Shut, or open in a form only, which the verdict tells. */
  readonly state: 'locked' | 'limited'
  readonly verdict: Verdict
}

/**
 * What to measure in a case today, with the reason: first what a gate or criterion waits for, then what tells stiffness from lag, then
 * the outcome. Nothing else is hidden: the bench offers every measure.
 *
 * Source: `product.md`, step 2; A7, A8 and A13 of the rules for all.
 */
export function whatToMeasure(
  state: PatientCase,
  about: Measured,
  visits: readonly Visit[],
): MeasuringItem[] {
  const gates = gateItems(state, about)
  const made: Omit<MeasuringItem, 'lastOn'>[] = [
    ...gates,
    // Feeling that a step waits for is asked once.
    ...skinItems(state, about).filter(
      ({ id }) => id !== 'feeling' || !gates.some((gate) => gate.id === 'sense.protective'),
    ),
    ...rangeItems(about),
    ...outcomeItems(about),
  ]
  return made
    .filter(({ places }) => places.length > 0)
    .map((item) => ({ ...item, lastOn: lastOnOf(item, visits) }))
}

function gateItems(state: PatientCase, about: Measured): Omit<MeasuringItem, 'lastOn'>[] {
  const { next, index } = standingOf(state)
  const entry = next?.phase.entry ?? []
  const isLoadBase = (text: string) => LOAD_BASE_CRITERIA.some((one) => one.text === text)
  // What only phases asked that are passed is not asked again.
  const { phases, ...rest } = state.protocol
  const ahead = { ...state, protocol: { ...rest, phases: phases.slice(index + 1), select: [] } }
  const asked = [...entry, ...criteriaOfCase(ahead)]
  const names = [...new Set(asked.map(({ name }) => name))].filter(isMeasured)
  return names.map((name) => {
    const first = asked.find((criterion) => criterion.name === name)!
    const isOfPhase = entry.includes(first)
    return {
      id: name,
      tier: 'gate',
      says: criterionMeaning(first.text),
      why: isOfPhase
        ? `“${next!.phase.name.en}” waits for it`
        : isLoadBase(first.text)
          ? 'Stretching and loading ask for it at every visit'
          : 'A later step asks for it',
      places: placesOf(name, about),
      isOneEnough: name === 'edema.stable',
      isOnce: false,
    }
  })
}

const guards = ({ motions }: Measured, pattern: RegExp) => motions.some((motion) => pattern.test(motion))

/** The digits whose range is measured first: the injured ones; where none is named, the fingers or the thumb that the school guards. */
export function measuredDigits(about: Measured): Digit[] {
  const { digits } = about
  const isOf = (digit: Digit) =>
    digit === 'thumb' ? guards(about, /^thumb/) : guards(about, /^(mcp|pip|dip)\./)
  return DIGITS.filter((digit) => (digits.length > 0 ? digits.includes(digit) : isOf(digit)))
}

/** The parts of the arm that a school guards. */
function guardedParts(about: Measured): ArmPart[] {
  return ARM_PARTS.filter(({ arcs }) => arcs.some((arc) => arc.guards && guards(about, arc.guards)))
}

/** The motions of wrist, forearm and elbow that a school guards. */
export function handMeasures(about: Measured): MeasureName[] {
  return guardedParts(about).flatMap(measuresOfPart)
}

/** Weeks in which a wound made by an operation or injury is looked at each visit: common practice. */
const WOUND_DAYS = 28

/** What is looked at before anything is moved, and what the nerve's skin feels. */
function skinItems(state: PatientCase, about: Measured): Omit<MeasuringItem, 'lastOn'>[] {
  const { side } = about
  const { phase } = standingOf(state)
  const look = (measure: MeasureName): ReadingPlace => ({ measure, digit: null, side, kind: null })
  const isWounded = OPERATED.includes(state.protocol.anchor) && state.day < WOUND_DAYS
  const isWorn = (phase?.wear ?? []).some(({ orthosis }) => orthosis !== 'none')
  const looks = [
    ...(isWounded ? [look('wound')] : []),
    ...(state.contraindications.includes('pins') ? [look('pinSites')] : []),
    ...(isWorn ? [look('skinUnderOrthosis')] : []),
  ]
  const item = { tier: 'skin' as const, isOneEnough: false, isOnce: false }
  return [
    {
      ...item,
      id: 'skin',
      says: 'Wound and skin',
      why: 'What is open or pressed is seen first',
      places: looks,
    },
    {
      ...item,
      id: 'feeling',
      says: 'Feeling, lightest filament',
      why: 'Skin that does not feel is not warmed, cooled or wrapped',
      places: placesOf('sense.protective', about),
    },
  ]
}

function rangeItems(about: Measured): Omit<MeasuringItem, 'lastOn'>[] {
  const { side } = about
  const both = (measure: MeasureName, digit: Digit | null): ReadingPlace[] =>
    READING_KINDS.map((kind) => ({ measure, digit, side, kind }))
  const ranges = measuredDigits(about).map((digit) => ({
    id: `range.${digit}`,
    tier: 'tell' as const,
    says: `${digit === 'thumb' ? 'Thumb' : capital(`${digit} finger`)}, active and passive`,
    why: 'Tells a stiff joint from a tendon that does not pull',
    places: hingesOf(digit).flatMap((measure) => both(measure, digit)),
    isOneEnough: false,
    isOnce: false,
  }))
  const hands = guardedParts(about).map((part) => ({
    id: `range.${part.id}`,
    tier: 'tell' as const,
    says: `${part.title}, active and passive`,
    why: 'Tells a stiff joint from weakness',
    places: measuresOfPart(part).flatMap((measure) => both(measure, null)),
    isOneEnough: false,
    isOnce: false,
  }))
  const creases = measuredDigits(about).filter((digit) => digit !== 'thumb')
  return [
    ...ranges,
    ...hands,
    {
      id: 'crease',
      tier: 'tell',
      says: 'Fingertip to crease',
      why: 'How far the fist still is from closing',
      places: creases.map((digit) => ({ measure: 'fingertipToCrease', digit, side, kind: null })),
      isOneEnough: false,
      isOnce: false,
    },
    {
      id: 'opposition',
      tier: 'tell',
      says: 'Thumb: opposition, abduction, web',
      why: 'What the thumb reaches',
      places: measuredDigits(about).includes('thumb')
        ? [
            { measure: 'opposition', digit: 'thumb', side, kind: null },
            { measure: 'thumbPalmarAbduction', digit: 'thumb', side, kind: 'active' },
            { measure: 'thumbRadialAbduction', digit: 'thumb', side, kind: 'active' },
            { measure: 'webSpan', digit: 'thumb', side, kind: null },
          ]
        : [],
      isOneEnough: false,
      isOnce: false,
    },
  ]
}

function outcomeItems(about: Measured): Omit<MeasuringItem, 'lastOn'>[] {
  const others = [
    ...measuredDigits(about).flatMap((digit) => hingesOf(digit).map((measure) => ({ measure, digit }))),
    ...handMeasures(about).map((measure) => ({ measure, digit: null })),
  ]
  return [
    {
      id: 'otherSide',
      tier: 'outcome',
      says: 'The other side, active, once',
      why: 'The measure of what is normal for this person',
      places: others.map(({ measure, digit }) => ({
        measure,
        digit,
        side: otherSideOf(about.side),
        kind: 'active' as const,
      })),
      isOneEnough: false,
      isOnce: true,
    },
    {
      id: 'grip',
      tier: 'outcome',
      says: 'Grip, three trials each hand',
      why: 'Strength against the other hand',
      places: [about.side, otherSideOf(about.side)].map((side) => ({
        measure: 'grip',
        digit: null,
        side,
        kind: null,
      })),
      isOneEnough: false,
      isOnce: false,
    },
  ]
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

function lastOnOf(
  { places, isOneEnough }: Pick<MeasuringItem, 'places' | 'isOneEnough'>,
  visits: readonly Visit[],
): ClinicalDay | null {
  const days = places.map((place) => lastAt(visits, place)?.on ?? null)
  const known = days.filter((day) => day !== null).sort()
  if (isOneEnough) return known.at(-1) ?? null
  return known.length === places.length ? (known[0] ?? null) : null
}

const MOTION_OF: Readonly<Partial<Record<MeasureName, Motion>>> = {
  wristFlexion: 'wrist.flex',
  wristExtension: 'wrist.ext',
  radialDeviation: 'wrist.rad',
  ulnarDeviation: 'wrist.uln',
  pronation: 'forearm.pron',
  supination: 'forearm.sup',
  thumbPalmarAbduction: 'thumbCmc.pabd',
  thumbRadialAbduction: 'thumbCmc.ext',
}
const TEST_OF: Readonly<Partial<Record<MeasureName, Test>>> = {
  grip: 'grip_dyn',
  keyPinch: 'pinch_gauge',
  tipPinch: 'pinch_gauge',
  threePointPinch: 'pinch_gauge',
}

/** What else is measured by moving: the motions it takes, and who moves. */
const MOVED_BY: Readonly<
  Partial<Record<MeasureName, { kind: ReadingKind; motions: readonly Motion[]; combo?: Combo }>>
> = {
  fingertipToCrease: { kind: 'active', motions: ['mcp.flex', 'pip.flex', 'dip.flex'], combo: 'fist' },
  opposition: { kind: 'active', motions: ['thumbCmc.opp'] },
  retropulsion: { kind: 'active', motions: ['thumbCmc.retro'] },
  webSpan: { kind: 'active', motions: ['thumbCmc.pabd'] },
  pipMcpFlexed: { kind: 'passive', motions: ['mcp.flex', 'pip.flex'] },
  pipMcpStraight: { kind: 'passive', motions: ['mcp.ext', 'pip.flex'], combo: 'intr_stretch' },
  dipPipFlexed: { kind: 'passive', motions: ['pip.flex', 'dip.flex'] },
  dipPipStraight: { kind: 'passive', motions: ['pip.ext', 'dip.flex'], combo: 'orl_stretch' },
  thumbIpMcpStraight: { kind: 'passive', motions: ['thumbMcp.ext', 'thumbIp.flex'] },
  thumbIpMcpFlexed: { kind: 'passive', motions: ['thumbMcp.flex', 'thumbIp.flex'] },
  lostWristBent: { kind: 'passive', motions: ['wrist.flex', 'mcp.ext', 'pip.ext', 'dip.ext'] },
  lostWristBack: {
    kind: 'passive',
    motions: ['wrist.ext', 'mcp.ext', 'pip.ext', 'dip.ext'],
    combo: 'cx_ext_wf',
  },
}

/**
 * What of the injured side may not be measured today, or only in a form: active range is measured when active motion is open, a
 * passive one when gentle passive motion is, and a strongest grip or pinch when its gate is. What a phase waits for is checked when
 * its day has come: then the joint is let straighten, even where it is not exercised yet.
 *
 * Source: A17 of the rules for all.
 */
export function measureLocks(state: PatientCase, about: Measured): MeasureLock[] {
  const injured = about.digits
  const groups = [injured, DIGITS.filter((digit) => !injured.includes(digit))].filter(
    (group) => group.length > 0,
  )
  const ofDigits = groups.flatMap((group) => [
    ...(['mcp', 'pip', 'dip', 'thumbMcp', 'thumbIp'] as const).flatMap((measure) => {
      const digits = group.filter((digit) => (hingesOf(digit) as readonly string[]).includes(measure))
      return digits.length === 0 ? [] : hingeLocks(state, measure, digits)
    }),
    ...entriesOf(MOVED_BY).flatMap(([measure, { kind, motions, combo }]) => {
      const facts = measureFacts(measure)
      const digits = group.filter((digit) => facts.digits?.includes(digit))
      const place = { measure, digits, kind: facts.kinds.length > 0 ? kind : null, end: null }
      return digits.length === 0 ? [] : lockOf(state, place, motionSignature(motions, kind, digits, combo))
    }),
  ])
  const moves = entriesOf(MOTION_OF).flatMap(([measure, motion]) =>
    READING_KINDS.flatMap((kind) => {
      const place = { measure, digits: measureFacts(measure).digits, kind, end: null }
      return lockOf(state, place, motionSignature([motion], kind, null))
    }),
  )
  const tests = entriesOf(TEST_OF).flatMap(([measure, test]) =>
    lockOf(
      state,
      { measure, digits: null, kind: null, end: null },
      { ...IDLE_SIGNATURE, name: test, tests: [test] },
    ),
  )
  const elbows = READING_KINDS.flatMap((kind) =>
    (['flexed', 'extended'] as const).flatMap((end) => {
      const motion = end === 'flexed' ? 'elbow.flex' : 'elbow.ext'
      const place = { measure: 'elbow' as const, digits: null, kind, end }
      return lockOf(state, place, motionSignature([motion], kind, null))
    }),
  )
  return [...ofDigits, ...moves, ...elbows, ...tests]
}

function entriesOf<V>(table: Readonly<Partial<Record<MeasureName, V>>>): [MeasureName, V][] {
  return Object.entries(table) as [MeasureName, V][]
}

function hingeLocks(state: PatientCase, measure: HingeMeasure, digits: readonly Digit[]): MeasureLock[] {
  return READING_KINDS.flatMap((kind) =>
    (['flexed', 'extended'] as const).flatMap((end) => {
      if (end === 'extended' && isCheckedToday(state, measure)) return []
      const motion = `${measure}.${end === 'flexed' ? 'flex' : 'ext'}` as const
      return lockOf(state, { measure, digits, kind, end }, motionSignature([motion], kind, digits))
    }),
  )
}

/** Whether the phase that waits, and whose day has come, waits for how far this joint straightens. */
function isCheckedToday(state: PatientCase, measure: HingeMeasure): boolean {
  return standingOf(state).heldBy.some(
    ({ name }) => LAG_JOINT[name] === measure || (measure === 'pip' && name === 'prom.pip.def'),
  )
}

function motionSignature(
  motions: readonly Motion[],
  kind: ReadingKind,
  digits: readonly Digit[] | null,
  combo?: Combo,
): Signature {
  const mode = kind === 'active' ? 'A' : 'P'
  return {
    ...IDLE_SIGNATURE,
    combos: combo ? [{ combo, mode, res: null }] : [],
    name: `${kind} ${motions.join(' ')}`,
    motions: [{ modes: [mode], motions, arc: null, res: null }],
    digits,
  }
}

function lockOf(
  state: PatientCase,
  place: Pick<MeasureLock, 'measure' | 'digits' | 'kind' | 'end'>,
  signature: Signature,
): MeasureLock[] {
  const worn = alwaysWorn(standingOf(state).phase)?.orthosis
  const ways = [signature, ...(worn ? [{ ...signature, orthosis: worn }] : [])]
  const verdict = ways
    .map((way) => assessThisHand(way, state))
    .reduce((best, next) => (isWorse(best.kind, next.kind) ? next : best))
  if (isOpen(verdict.kind)) return []
  return [{ ...place, state: verdict.form ? 'limited' : 'locked', verdict }]
}

/** Pushing a joint to its end while it is measured: the verdict where that waits, `null` where it is open. */
export function overpressureLock(state: PatientCase): Verdict | null {
  const verdict = assessThisHand({ ...IDLE_SIGNATURE, name: 'prom_end', tests: ['prom_end'] }, state)
  return isOpen(verdict.kind) ? null : verdict
}

/** The word under which a place is told apart, for those that list what is missing. */
export function missingPlaces(item: MeasuringItem, isMeasuredAt: (key: string) => boolean): ReadingPlace[] {
  if (item.isOnce && item.lastOn !== null) return []
  const missing = item.places.filter((place) => !isMeasuredAt(placeKey(place)))
  return item.isOneEnough && missing.length < item.places.length ? [] : missing
}
