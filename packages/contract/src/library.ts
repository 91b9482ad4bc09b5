import type {
  AngleName,
  Demand,
  EvidenceLevel,
  Exercise,
  Family,
  Force,
  LadderAxis,
  OtherHandUse,
  Slot,
  StopRule,
  StructureStress,
  Tendon,
} from '@pledge/core'
import { Type, type Static } from 'typebox'
import { preview } from './referral.js'
import { bool, list, map, maybe, num, obj, str, whole, word, words } from './shapes.js'
import {
  aims,
  anchor,
  contraindication,
  depicted,
  digits,
  dosing,
  exerciseTeaching,
  holdKind,
  said,
  source,
  verdict,
  verdictKind,
} from './shared.js'

/** One exercise as the library lists it. */
const entry = obj({
  id: str,
  family: word<Family>(),
  aims,
  region: str,
  slot: word<Slot>(),
  equipment: list(str),
  conditions: list(str),
  structures: list(str),
  name: said,
  reason: said,
  /** Its verdict for the case the library is read for. */
  kind: maybe(verdictKind),
})
export type LibraryEntry = Static<typeof entry>
const named = obj({ id: str, name: said })
export const libraryList = obj({ exercises: list(entry), conditions: list(named), equipment: list(named) })
export type LibraryAnswer = Static<typeof libraryList>
/** What the figure sheet shows of each exercise. */
export const picture = obj({ id: str, name: said, depicted })
export type PictureAnswer = Static<typeof picture>
const rung = obj({ id: str, name: said, step: list(word<LadderAxis>()) })
export type RungAnswer = Static<typeof rung>

/** Everything about one exercise. */
export const exercisePage = obj({
  id: str,
  family: word<Family>(),
  region: str,
  aims,
  slot: word<Slot>(),
  demand: word<Demand>(),
  force: word<Force>(),
  evidence: word<EvidenceLevel>(),
  side: words(['one', 'each', 'both']),
  otherHand: word<OtherHandUse>(),
  turns: word<Exercise['turns']>(),
  /** The digits it is done with, where it cannot be done with others. */
  digits,
  choosableDigits: digits,
  /** What the others do while one digit goes; `null`: digits go together. */
  oneAtATime: maybe(word<NonNullable<Exercise['oneAtATime']>>()),
  holdKind,
  text: obj({ en: exerciseTeaching, es: exerciseTeaching }),
  /** Its positions in words, from the angles, start first. */
  positions: list(said),
  depicted,
  angles: list(obj({ name: word<AngleName>(), start: maybe(num), shapes: list(maybe(num)) })),
  ...dosing,
  painCap: whole,
  maxRise: whole,
  stop: list(word<StopRule>()),
  equipment: list(obj({ name: said, home: maybe(said) })),
  worn: list(said),
  stress: list(Type.Unsafe<StructureStress>(obj({ structure: str, mode: str, level: str }))),
  contraindications: list(contraindication),
  /** Present, these do not bar it: it is done with the skin looked at. */
  careWith: list(contraindication),
  weeks: list(obj({ conditionId: str, condition: said, week: maybe(whole) })),
  easier: list(rung),
  harder: list(rung),
  signature: list(said),
  doseChanges: list(obj({ field: words(['holdSeconds', 'load']), from: num, words: list(said) })),
  travelMm: map<Tendon, typeof num>(num),
  differentialMm: num,
  nerve: maybe(obj({ nerve: str, technique: str, strainPercent: num })),
  minutesPerBout: num,
  endRangeMinutesPerDay: num,
  sources: list(source),
  verdict: maybe(verdict),
})
export type ExercisePageAnswer = Static<typeof exercisePage>

/** The schools of a condition side by side. */
export const schools = obj({
  id: str,
  name: said,
  schools: list(
    obj({
      id: str,
      title: str,
      school: str,
      anchor,
      evidence: str,
      phases: list(obj({ id: str, name: said, startDay: whole, endDay: maybe(whole) })),
      gates: list(obj({ day: whole, peg: str })),
      preview,
      /** This clinic does something otherwise than shipped. */
      isChanged: bool,
    }),
  ),
})
export type SchoolsAnswer = Static<typeof schools>

const rule = obj({
  id: str,
  /** Its name, which edits point at. */
  key: str,
  kind: words(['allow', 'caution', 'forbid', 'never', 'gate']),
  from: whole,
  what: said,
  when: maybe(said),
  needs: list(said),
  why: maybe(said),
  dose: maybe(str),
})
export type RuleAnswer = Static<typeof rule>
export const protocolPage = obj({
  id: str,
  title: str,
  school: str,
  condition: named,
  anchor,
  evidence: str,
  sources: list(source),
  select: list(said),
  variants: list(obj({ name: said, shiftDays: whole, after: whole })),
  variables: list(obj({ name: said, unit: str, value: num, least: num, most: num })),
  never: list(rule),
  phases: list(
    obj({
      id: str,
      name: said,
      startDay: whole,
      endDay: maybe(whole),
      shippedStartDay: whole,
      goals: str,
      entry: list(said),
      wear: list(said),
      rules: list(rule),
    }),
  ),
  gates: list(obj({ rule, peg: str, shippedDay: whole })),
  openings: list(obj({ id: str, name: said, fromDay: maybe(whole), phaseId: maybe(str), isWithCare: bool })),
  red: list(said),
  yellow: list(str),
})
export type ProtocolPageAnswer = Static<typeof protocolPage>
