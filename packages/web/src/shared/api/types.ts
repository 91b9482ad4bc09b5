import type {
  AnswerKind,
  Aim,
  AngleName,
  Anchor,
  Contraindication,
  Demand,
  Depicted,
  Digit,
  Dose,
  DoseQuestion,
  DoseRange,
  EvidenceLevel,
  Exercise,
  ExerciseText,
  Family,
  Force,
  HoldKind,
  LadderAxis,
  Orthosis,
  OtherHandUse,
  Said,
  Slot,
  StopRule,
  StructureStress,
  Tendon,
  VerdictKind,
} from '@pledge/core'

/** Another episode of the same person. */
export interface OtherEpisodeAnswer {
  episodeId: string
  side: 'left' | 'right'
  digits: Digit[]
  condition: string
  day: number
}
/** Somebody who has this name and date of birth already. */
export interface KnownPersonAnswer {
  personId: string
  episodes: (Omit<OtherEpisodeAnswer, 'day'> & { openedOn: string })[]
}

/** What the clinic's API answers. */
export interface SessionAnswer {
  user: { id: string; name: string; role: 'lead' | 'therapist' | 'assistant' } | null
  csrfToken: string
  clinic: { name: string; timeZone: string }
  today: string
}
export interface VerdictAnswer {
  kind: VerdictKind
  fromDay: number | null
  fromDate: string | null
  missing: { what: string; meaning: string }[]
  form: string | null
  conditions: string[]
  reasons: { rule: string; atom: string; text: string; source: string }[]
  openers: OpenerAnswer[]
  explanation: { en: string; es: string }
}
/** Days on which nothing changes; `toDay` is the first day of the next run, `null` where there is none. */
export interface OpeningRunAnswer {
  fromDay: number
  toDay: number | null
  kind: VerdictKind
  /** What it waits for besides time, in words. */
  missing: string[]
}
/** When an exercise is open: by time alone from day 0, and as the record stands from today. */
export interface OpeningsAnswer {
  byTimeAlone: OpeningRunAnswer[]
  asTheRecordStands: OpeningRunAnswer[]
}
/** One thing that would open what is not yet open. */
export interface OpenerAnswer {
  kind: 'day' | 'criterion' | 'form' | 'decision'
  text: string
  giver: '' | 'surgeon' | 'therapist'
  what: string
  date: string | null
}
export interface PermissionMapAnswer {
  orthosis: string
  orthosisName: string
  modes: { mode: string; name: string }[]
  rows: { motion: string; name: string; cells: { mode: string; verdict: VerdictAnswer }[] }[]
}
export interface CaseloadRow {
  episodeId: string
  patient: string
  side: 'left' | 'right'
  condition: string
  therapist: string
  day: number
  phase: { id: string; name: string; number: number; of: number } | null
  lastBoutAt: string | null
  painRecent: { at: string; worst: number }[]
  lastPain: number | null
  attention: { kind: 'redFlag' | 'paused' | 'reviewDue' | 'behind' | 'held' | 'unsigned'; text: string }[]
}
export interface CriterionAnswer {
  what: string
  /** The fact it is judged by, and how that is answered. */
  name: string
  kind: AnswerKind
  meaning: string
  /** What is asked, without the limit. */
  question: string
  usualWay: 'film' | 'letter' | 'measured' | 'examined'
  status: 'met' | 'neverRecorded' | 'withdrawn' | 'stale' | 'notSo'
  isSurgeons: boolean
  staleAfterDays: number | null
  latest: {
    id: string
    value: string
    dated: string
    givenBy: string
    how: string
    note: string
    recordedBy: string
    isWithdrawn: boolean
  } | null
}
export interface PhaseAnswer {
  id: string
  name: string
  startDay: number
  endDay: number | null
  startDate: string
  goals: string
  wear: string[]
  state: 'passed' | 'current' | 'held' | 'ahead'
  entry: CriterionAnswer[]
  forbids: string[]
}
export interface GateAnswer {
  rule: string
  day: number
  date: string
  opens: string
  isOpen: boolean
  missing: { what: string; meaning: string }[]
  barredBy: string[]
}
export interface ReadingAnswer {
  motion: string
  side: 'left' | 'right'
  kind: 'active' | 'passive'
  readingDeg: number
}
export interface EvaluationAnswer {
  id: string
  /** Id of who measured. */
  recordedBy: string
  evaluatedOn: string
  painRest: number | null
  painAct: number | null
  note: string
  readings: ReadingAnswer[]
}
export interface BoutAnswer {
  id: string
  programNumber: number
  startedAt: string
  endedAt: string
  receivedAt: string
  painBefore: number | null
  painWorst: number | null
  painAfter: number | null
  endedBy: 'done' | 'left' | 'stop'
  redFlags: string[]
  items: {
    itemId: string
    name: string
    outcome: 'done' | 'hurt' | 'skipped' | 'notReached'
    repetitionsDone: number
    repetitionsAsked: number
    reason: string
  }[]
}
export interface ProgramItemAnswer {
  itemId: string
  exerciseId: string
  name: string
  dose: Dose
  /** The digits chosen for the patient; `null`: as the exercise is. */
  digits: Digit[] | null
  isPaused: boolean
  override: OverrideAnswer | null
  verdict: VerdictAnswer
  openings: OpeningsAnswer
}
export interface EpisodeAnswer {
  revision: string
  today: string
  patient: {
    name: string
    birthDate: string
    dominantHand: string
    language: 'en' | 'es'
    hasLatexAllergy: boolean
    hasAdhesiveAllergy: boolean
  }
  /** Other episodes of the same person: judged along. */
  others: OtherEpisodeAnswer[]
  episode: {
    id: string
    condition: string
    conditionId: string
    protocolId: string
    protocol: string
    evidence: string
    sources: string[]
    side: 'left' | 'right'
    injuredOn: string | null
    anchor: Anchor
    anchorOn: string
    /** The date from which days count: the anchor, or later after a slip. */
    dayZeroOn: string
    digits: Digit[]
    variant: string | null
    measuresWrist: boolean
    surgeon: string
    work: string
    note: string
    openedOn: string
    therapist: string
    day: number
    lastReviewOn: string
    daysSinceReview: number
    /** Days past the planned start of a phase that still waits; 0 within the days the rules allow. */
    daysBehind: number
  }
  phases: PhaseAnswer[]
  gates: GateAnswer[]
  standing: {
    phaseId: string | null
    frozen: boolean
    heldBy: string[]
    nextPhaseId: string | null
    nextDate: string | null
  }
  criteria: CriterionAnswer[]
  wrongSchool: string[]
  unanswered: CriterionAnswer[]
  advice: string[]
  clock: { restartIf: string; slips: { slippedOn: string; creditDays: number; why: string }[] } | null
  shifts: {
    id: string
    days: number
    afterDay: number
    why: string
    agreedBy: string
    document: string
    recordedBy: string
    recordedOn: string
  }[]
  /** Whether what opens earlier needs the surgeon's word. */
  isHealing: boolean
  health: { present: string[]; note: string; recordedBy: string; recordedOn: string } | null
  healthQuestions: { word: string; name: string }[]
  home: {
    /** Names of what is at home; `null`: not asked. */
    things: string[] | null
    thingIds: string[]
    otherHand: 'well' | 'hurt' | 'notAsked'
    recordedBy: string
    recordedOn: string
  } | null
  overrides: (OverrideAnswer & { exercise: string })[]
  schools: { protocolId: string; anchorOn: string; why: string; chosenBy: string; chosenOn: string }[]
  orders: {
    id: string
    restriction: string
    label: string
    isEarly: boolean
    document: string
    untilOn: string | null
    givenBy: string
    dated: string
    why: string
  }[]
  flags: {
    id: string
    flag: string
    name: string
    todo: string
    raisedAt: string
    needsSurgeon: boolean
    fromPhone: boolean
  }[]
  ownFlags: { id: string; isRed: boolean; text: string; todo: string }[]
  raisableFlags: { flag: string; name: string; todo: string }[]
  milestones: { act: string; name: string; day: number | null; date: string | null; needs: string }[]
  limits: { stopPain: number; boutMinutes: number; boutExercises: number }
  loadBase: string[]
  evaluations: EvaluationAnswer[]
  program: {
    id: string
    number: number
    signedOn: string
    signedBy: string
    burden: { minutesPerBout: number; minutesPerDay: number; boutsPerDay: number }
    /** The schools of dosing it was signed with. */
    schools: Partial<Record<DoseQuestion, string>>
    items: ProgramItemAnswer[]
  } | null
  versions: { number: number; signedOn: string; signedBy: string; exercises: number }[]
  bouts: BoutAnswer[]
  devices: { id: string; pairedAt: string; seenAt: string; isRevoked: boolean }[]
}
export interface ExerciseAnswer {
  id: string
  family: string
  aims: Aim[]
  /** The digits one may choose among; empty: nothing to choose. */
  choosableDigits: Digit[]
  /** Chosen digits go one after the other, not together. */
  isOneAtATime: boolean
  /** The digits it begins with when it is added; `null`: as the exercise is. */
  digitsToBegin: Digit[] | null
  holdKind: HoldKind
  region: string
  demand: string
  text: {
    name: string
    reason: string
    steps: string[]
    shouldFeel: string
    shouldNotFeel: string
    mistake: string
    before: string
  }
  depicted: Depicted
  dose: Dose
  range: Record<'sets' | 'repetitions' | 'holdSeconds' | 'boutsPerDay', [number, number]>
  load: { unit: string; steps: number[] } | null
  equipment: { name: string; home: string | null }[]
  painCap: number
  verdict: VerdictAnswer
  openings: OpeningsAnswer
  orthosis: Orthosis
  /** The exception that covers its verdict, and what one would take. */
  override: OverrideAnswer | null
  overrideTerms: OverrideTermsAnswer
  /** What is open in its place, where it is not open itself. */
  instead: { id: string; name: string; rungsDown: number | null } | null
  easier: string[]
  harder: string[]
  sources: { key: string; confidence: string }[]
}
export interface DraftItemAnswer {
  itemId: string
  exerciseId: string
  dose: Dose
  digits: Digit[] | null
  minutesPerBout: number
  orthosis: string
  openings: OpeningsAnswer
  verdict: VerdictAnswer
  override: OverrideAnswer | null
  overrideTerms: OverrideTermsAnswer
  painCap: number
  /** The dose the chosen schools give it; `null`: none speaks of it. */
  schoolDose: Dose | null
  /** What the chosen school of early load waits for. */
  waitsFor: string[]
}
/** A therapist's exception: it never changes the verdict, both are shown. */
export interface OverrideAnswer {
  id: string
  why: string
  by: string
  on: string
  agreedBy: string
  document: string
}
export interface OverrideTermsAnswer {
  isPossible: boolean
  needsSurgeon: boolean
  /** Why there is none. */
  why: string
}
export interface QuestionAnswer {
  question: DoseQuestion
  name: string
  chosen: string | null
  schools: {
    id: string
    name: string
    says: string
    source: string
    endRangeMinutesPerDay: number | null
    repetitionsPerDay: number | null
  }[]
}
export interface DraftAnswer {
  version: number
  updatedBy: string | null
  items: DraftItemAnswer[]
  burden: {
    minutesPerBout: number
    minutesPerDay: number
    boutsPerDay: number
    endRangeMinutesPerDay: number
  }
  schools: Partial<Record<DoseQuestion, string>>
  /** Ids of the items in the order of the chosen school. */
  schoolOrder: string[]
  questions: QuestionAnswer[]
  nerveSlides: { perDay: number; budget: number | null; irritability: 'low' | 'mod' | 'high' | null } | null
}
export interface AuditAnswer {
  id: string
  at: string
  actor: string
  action: string
  patient: string | null
  episodeId: string | null
  isChange: boolean
  detail: string
}
export interface SchoolAnswer {
  id: string
  title: string
  school: string
  evidence: string
  sources: string[]
  anchor: Anchor
  digits: 'fingers' | 'thumb' | 'none'
  select: {
    what: string
    name: string
    kind: AnswerKind
    meaning: string
    question: string
    giver: 'surgeon' | 'therapist'
  }[]
  clearances: { what: string; meaning: string }[]
  variants: { id: string; name: string }[]
  values: { id: string; name: string; unit: string; value: number; least: number; most: number }[]
  phases: { name: string; startDay: number }[]
  preview: {
    motion: string
    days: Record<
      'activeFromDay' | 'passiveFromDay' | 'stretchFromDay' | 'lightGripFromDay' | 'heavyWorkFromDay',
      number | null
    >
  }
}
export interface ConditionAnswer {
  id: string
  name: string
  protocols: SchoolAnswer[]
}
export interface ThingAnswer {
  id: string
  name: string
  home: string | null
}

/** One exercise as the library lists it. */
export interface LibraryEntry {
  id: string
  family: Family
  aims: Aim[]
  region: string
  slot: Slot
  equipment: string[]
  conditions: string[]
  structures: string[]
  name: Said
  reason: Said
  /** Its verdict for the case the library is read for. */
  kind: VerdictKind | null
}
export interface LibraryAnswer {
  exercises: LibraryEntry[]
  conditions: { id: string; name: Said }[]
  equipment: { id: string; name: Said }[]
}
export interface RungAnswer {
  id: string
  name: Said
  step: LadderAxis[]
}
/** Everything about one exercise. */
/** What the figure sheet shows of each exercise. */
export interface PictureAnswer {
  id: string
  name: Said
  depicted: Depicted
}
export interface ExercisePageAnswer {
  id: string
  family: Family
  region: string
  aims: Aim[]
  slot: Slot
  demand: Demand
  force: Force
  evidence: EvidenceLevel
  side: 'one' | 'each' | 'both'
  otherHand: OtherHandUse
  turns: Exercise['turns']
  /** The digits it is done with, where it cannot be done with others. */
  digits: Digit[]
  choosableDigits: Digit[]
  /** What the others do while one digit goes; `null`: digits go together. */
  oneAtATime: Exercise['oneAtATime'] | null
  holdKind: HoldKind
  text: Record<'en' | 'es', ExerciseText>
  /** Its positions in words, from the angles, start first. */
  positions: Said[]
  depicted: Depicted
  angles: { name: AngleName; start: number | null; shapes: (number | null)[] }[]
  dose: Dose
  range: DoseRange
  load: { unit: string; steps: number[] } | null
  painCap: number
  maxRise: number
  stop: StopRule[]
  equipment: { name: Said; home: Said | null }[]
  worn: Said[]
  stress: StructureStress[]
  contraindications: Contraindication[]
  weeks: { conditionId: string; condition: Said; week: number | null }[]
  easier: RungAnswer[]
  harder: RungAnswer[]
  signature: Said[]
  doseChanges: { field: 'holdSeconds' | 'load'; from: number; words: Said[] }[]
  travelMm: Partial<Record<Tendon, number>>
  differentialMm: number
  nerve: { nerve: string; technique: string; strainPercent: number } | null
  minutesPerBout: number
  endRangeMinutesPerDay: number
  sources: SourceAnswer[]
  verdict: VerdictAnswer | null
}
export interface SourceAnswer {
  key: string
  confidence: string
  text: string
}
/** The schools of a condition side by side. */
export interface SchoolsAnswer {
  id: string
  name: Said
  schools: {
    id: string
    title: string
    school: string
    anchor: Anchor
    evidence: string
    phases: { id: string; name: Said; startDay: number; endDay: number | null }[]
    gates: { day: number; peg: string }[]
    preview: { motion: string; days: Record<string, number | null> }
    /** This clinic does something otherwise than shipped. */
    isChanged: boolean
  }[]
}
export interface RuleAnswer {
  id: string
  /** Its name, which edits point at. */
  key: string
  kind: 'allow' | 'caution' | 'forbid' | 'never' | 'gate'
  from: number
  what: Said
  when: Said | null
  needs: Said[]
  why: Said | null
  dose: string | null
}
export interface ProtocolPageAnswer {
  id: string
  title: string
  school: string
  condition: { id: string; name: Said }
  anchor: Anchor
  evidence: string
  sources: SourceAnswer[]
  select: Said[]
  variants: { name: Said; shiftDays: number; after: number }[]
  variables: { name: Said; unit: string; value: number; least: number; most: number }[]
  never: RuleAnswer[]
  phases: {
    id: string
    name: Said
    startDay: number
    endDay: number | null
    shippedStartDay: number
    goals: string
    entry: Said[]
    wear: Said[]
    rules: RuleAnswer[]
  }[]
  gates: { rule: RuleAnswer; peg: string; shippedDay: number }[]
  openings: { id: string; name: Said; fromDay: number | null; phaseId: string | null; isWithCare: boolean }[]
  red: Said[]
  yellow: string[]
}
/** One change this clinic made to the shipped catalogue. */
export interface HouseEditAnswer {
  id: string
  number: number
  what: string
  before: string
  after: string
  why: string
  agreedBy: string
  document: string
  by: string
  on: string
  isInForce: boolean
  isTakenBack: boolean
}
export interface HousePreviewAnswer {
  what: string
  shipped: string
  before: string
  after: string
  needsSurgeon: boolean
  affected: {
    episodeId: string
    patient: string
    side: 'left' | 'right'
    therapist: string
    changes: string[]
  }[]
}
