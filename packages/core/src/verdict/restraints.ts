import { ceilingWeek, HEALED_FROM_DAY, unlistedWeek, usualWeek } from '../exercise/catalogueClock.js'
import { rememberedSignature } from '../exercise/rememberedSignature.js'
import { CONTRAINDICATION_NAMES } from '../exercise/contraindications.js'
import type { Contraindication, Exercise } from '../exercise/exercise.js'
import { nerveAsksMore } from '../exercise/nerveCeiling.js'
import type { Criterion } from '../vocabulary/criterion.js'
import { criterionMeaning } from '../words/criterionWords.js'
import { insideWords } from '../words/formWords.js'
import { ORTHOSIS_NAMES, type Said } from '../words/names.js'
import type { Phase, Protocol, Wear } from '../protocol/protocol.js'
import { keepsStill, ORTHOSIS_HOLDS, standsFor } from '../vocabulary/orthosisHolds.js'
import { HEALING_ANCHORS, jointOfMotion, type Orthosis } from '../vocabulary/vocabulary.js'
import { atomsOf } from './atoms.js'
import { rulesOnAtom } from './rulesOnAtom.js'
import { standingOf } from './caseOnDay.js'
import { contactBars } from './contactRules.js'
import type { PatientCase } from './patientCase.js'

/** What the catalogue holds against an exercise that the protocol opens. */
export interface Restraint {
  readonly rule: string
  readonly says: Said
  /** `never` and `not-yet` close; `with-care` only tells. */
  readonly kind: 'never' | 'not-yet' | 'with-care'
  /** What recorded would end it; empty where nothing recorded does. */
  readonly needs: readonly Criterion[]
}

/** What bars an exercise in a case whatever the protocol says: the entry is never given here, or a contraindication on record. */
export function barredHere(exercise: Exercise, state: PatientCase): Restraint | null {
  const never = exercise.neverFor?.find(
    ({ of }) => of.includes(state.condition.id) || of.includes(state.protocol.id),
  )
  if (never) return { rule: 'catalogue.never', kind: 'never', needs: [], says: never.why }
  const barring = exercise.contraindications.filter((word) => state.contraindications.includes(word))
  if (barring.length === 0) return null
  return {
    rule: 'catalogue.contraindication',
    kind: 'never',
    needs: [],
    says: {
      en: `Barred by a contraindication on record: ${namedHealth(barring, 'en')}.`,
      es: `No se hace por una contraindicación registrada: ${namedHealth(barring, 'es')}.`,
    },
  }
}

export function namedHealth(words: readonly Contraindication[], language: 'en' | 'es'): string {
  return words.map((word) => CONTRAINDICATION_NAMES[word][language]).join(', ')
}

/**
 * What the catalogue holds against an exercise that the protocol opens, in the order in which it is asked. Where the
 * protocol opens every atom by a rule, an unreached usual week, a structure's or a nerve's ceiling only tells; where it rests
 * on a default, they close. What touches the wound needs it seen closed. The catalogue never opens anything.
 *
 * @param basis - what the protocol's own verdict rests on
 * @param isBeside - done with uninjured fingers alone: what heals has its clock, they have none
 */
export function restraintsOn(
  exercise: Exercise,
  state: PatientCase,
  worn: Orthosis,
  basis: 'rule' | 'default',
  isBeside = false,
): Restraint[] {
  const { facts, phase } = standingOf(state)
  const closing = basis === 'default' ? 'not-yet' : 'with-care'
  return [
    ...contactBars(exercise, state).map((bar): Restraint => ({ ...bar, kind: 'not-yet' })),
    ...(basis === 'default' ? orthosisOf(exercise, phase, worn) : staysOn(exercise, state, worn)),
    ...notFitted(exercise, state.protocol),
    ...(isBeside ? [] : [...clockOf(exercise, state, closing), ...unlistedOf(exercise, state, closing)]),
    ...rungOf(exercise, state),
    ...nerveOf(),
  ]

  function nerveOf(): Restraint[] {
    const nerve = nerveAsksMore(exercise, state.condition, facts)
    return nerve
      ? [
          {
            rule: 'catalogue.nerve',
            says: nerve.says,
            kind: closing,
            needs: nerve.needs ? [nerve.needs] : [],
          },
        ]
      : []
  }
}

/** A rung that waits for what the one below has to have shown: ten painless ones, no lag. Weeks tell nothing there. Source: the exercises' own prerequisites. */
function rungOf(exercise: Exercise, state: PatientCase): Restraint[] {
  const asked = exercise.asks?.[state.condition.id]
  if (!asked || standingOf(state).facts.status(asked).name === 'met') return []
  return [
    {
      rule: 'catalogue.rung',
      kind: 'not-yet',
      needs: [asked],
      says: {
        en: `Not before this is so: ${criterionMeaning(asked.text)}.`,
        es: `No antes de que sea así: ${criterionMeaning(asked.text, 'es')}.`,
      },
    },
  ]
}

/**
 * The orthosis a phase keeps on always: of two worn at once the outer one, which holds most; yoke and wrist orthosis together are
 * one.
 */
export function alwaysWorn(
  phase: Phase | null,
  counts: (wear: Wear) => boolean = staysForExercise,
): Wear | null {
  const kept = (phase?.wear ?? []).filter(
    (wear) => wear.keep === 'always' && wear.orthosis !== 'none' && counts(wear),
  )
  const names = kept.map(({ orthosis }) => orthosis)
  if (names.includes('RME') && names.includes('WRO')) return { ...kept[0]!, orthosis: 'RME_WRO' }
  const held = ({ orthosis }: Wear) => Object.keys(ORTHOSIS_HOLDS[orthosis]).length
  return kept.reduce<Wear | null>((most, one) => (most && held(most) >= held(one) ? most : one), null)
}

function staysForExercise({ offFor }: Wear): boolean {
  return !offFor.includes('exercise')
}

/**
 * What no rule names is done in the orthosis that stays on, or in one that holds as much. One that comes off for exercise comes off
 * for what a rule names; where no joint moves, for whatever is done meanwhile (vocabulary 5.2.12, 5.5.3).
 */
function orthosisOf(exercise: Exercise, phase: Phase | null, worn: Orthosis): Restraint[] {
  const wear = alwaysWorn(phase, movesSomething(exercise) ? () => true : staysForExercise)
  return wear && !standsFor(worn, wear.orthosis) ? [needsOff(wear)] : []
}

/** What comes off whenever a rule names a motion: it only ties fingers together, or carries the arm. */
const TIED_ON: readonly Orthosis[] = ['BUDDY', 'RING', 'SLING']

/**
 * A rule that names a motion takes off no orthosis that stays on for exercise, unless that orthosis holds the very joint: fingers that
 * are free in a cast are not moved through rice without it.
 */
function staysOn(exercise: Exercise, state: PatientCase, worn: Orthosis): Restraint[] {
  const { phase, index } = standingOf(state)
  const wear = alwaysWorn(phase)
  if (!wear || TIED_ON.includes(wear.orthosis) || standsFor(worn, wear.orthosis)) return []
  const { motions } = rememberedSignature(exercise, exercise.dose, 'none')
  const joints = motions.flatMap((part) => part.motions.map(jointOfMotion))
  if (joints.length === 0 || joints.some((joint) => keepsStill(wear.orthosis, joint))) return []
  const rules = state.protocol.phases
    .slice(0, index + 1)
    .flatMap(({ allow, caution }) => [...allow, ...caution])
  return rules.some(({ inOrthosis }) => inOrthosis?.includes(worn)) ? [] : [needsOff(wear)]
}

function needsOff(wear: Wear): Restraint {
  return {
    rule: 'catalogue.orthosis',
    kind: 'not-yet',
    needs: [],
    says: {
      en: `Needs ${ORTHOSIS_NAMES[wear.orthosis].en} off, and in this phase it stays on: ${wear.text.en}`,
      es: `Pide quitar ${ORTHOSIS_NAMES[wear.orthosis].es}, y en esta fase se queda puesta: ${wear.text.es}`,
    },
  }
}

/** Straps and plain orthoses that any hand may be given for an exercise; the others are made for one school. */
const GIVEN_FOR_AN_EXERCISE: readonly Orthosis[] = [
  'none',
  'BUDDY',
  'RING',
  'MPB',
  'PIPX',
  'DIPX',
  'ELN',
  'WRN',
  'WRO',
]

/** What is done inside an orthosis of one school is no usual exercise of another that never fits it. */
function notFitted({ worn }: Exercise, { phases }: Protocol): Restraint[] {
  if (!worn || worn.some((one) => GIVEN_FOR_AN_EXERCISE.includes(one))) return []
  const fitted = phases.flatMap(({ wear, allow, caution }) => [
    ...wear.map(({ orthosis }) => orthosis),
    ...[...allow, ...caution].flatMap(({ inOrthosis }) => inOrthosis ?? []),
  ])
  if (fitted.some((orthosis) => worn.includes(orthosis))) return []
  return [
    {
      rule: 'catalogue.notFitted',
      kind: 'with-care',
      needs: [],
      says: {
        en: `Done ${insideWords(worn, 'en')}; this school has none.`,
        es: `Se hace ${insideWords(worn, 'es')}; esta escuela no la usa.`,
      },
    },
  ]
}

function movesSomething(exercise: Exercise): boolean {
  return rememberedSignature(exercise, exercise.dose, 'none').motions.length > 0
}

/**
 * The day the catalogue's clock shows: it stands still while a case is held before a phase whose day has come, as gates do. What heals
 * later is not loaded by the calendar.
 */
function clockDay(state: PatientCase): number {
  const { heldBy, next } = standingOf(state)
  return heldBy.length > 0 && next ? Math.min(state.day, next.phase.days[0] - 1) : state.day
}

const named = new WeakMap<Protocol, WeakMap<Exercise, boolean>>()

/** Whether a rule of a protocol names every motion, load and grip of an exercise, on whatever day. */
function isNamed(exercise: Exercise, protocol: Protocol): boolean {
  let known = named.get(protocol)
  if (!known) named.set(protocol, (known = new WeakMap()))
  let answer = known.get(exercise)
  if (answer === undefined) {
    const atoms = atomsOf(rememberedSignature(exercise, exercise.dose, 'none'))
    const asked = atoms.filter(({ kind }) => kind === 'motion' || kind === 'grip' || kind === 'kg')
    answer = asked.length > 0 && asked.every((atom) => rulesOnAtom(protocol, atom).permissions.length > 0)
    known.set(exercise, answer)
  }
  return answer
}

/**
 * What a condition does not list is not usual there: while anything heals it is at best with care, and not before the nearest
 * exercise the condition does list (vocabulary 5.5.9). Where nothing heals it waits for the nearest as that does itself.
 *
 * @param closing - what an exercise the condition lists is before its usual week
 */
function unlistedOf(exercise: Exercise, state: PatientCase, closing: 'not-yet' | 'with-care'): Restraint[] {
  const { condition, protocol } = state
  if (exercise.conditions.includes(condition.id)) return []
  const isHealing = HEALING_ANCHORS.includes(protocol.anchor)
  const isLast = protocol.phases.length > 1 && standingOf(state).index === protocol.phases.length - 1
  const isHealed = !isHealing || (isLast && clockDay(state) >= HEALED_FROM_DAY)
  const week = unlistedWeek(exercise, condition, protocol.anchor)
  const isEarly = clockDay(state) < week * 7
  if (isHealed && !isEarly) return []
  return [
    {
      rule: 'catalogue.unlisted',
      kind: isEarly ? (isHealing ? 'not-yet' : closing) : 'with-care',
      needs: [],
      says: isEarly
        ? {
            en: `Not usual for this condition; what comes nearest to it starts in week ${week} (day ${week * 7}).`,
            es: `No es habitual en esta lesión; lo más parecido empieza en la semana ${week} (día ${week * 7}).`,
          }
        : { en: 'Not usual for this condition.', es: 'No es habitual en esta lesión.' },
    },
  ]
}

/** The catalogue's own clock: the usual week after the injury, or a structure's ceiling where that lies later. */
function clockOf(exercise: Exercise, state: PatientCase, kind: 'not-yet' | 'with-care'): Restraint[] {
  const usual = usualWeek(exercise, state.condition, state.protocol.id, isNamed(exercise, state.protocol))
  const ceiling = ceilingWeek(exercise, state.condition)
  const isCeiling = ceiling !== null && ceiling.week > (usual ?? 0)
  const week = isCeiling ? ceiling.week : (usual ?? 0)
  if (clockDay(state) >= week * 7) return []
  const text: Said = isCeiling
    ? ceiling.text
    : {
        en: `after this injury the exercise usually starts in week ${week} (day ${week * 7}).`,
        es: `tras esta lesión el ejercicio suele empezar en la semana ${week} (día ${week * 7}).`,
      }
  return [
    {
      rule: isCeiling ? 'catalogue.ceiling' : 'catalogue.gate',
      kind,
      needs: [],
      says:
        kind === 'not-yet'
          ? text
          : {
              en: `Earlier than the catalogue's usual week ${week}: ${text.en}`,
              es: `Antes de la semana habitual del catálogo, la ${week}: ${text.es}`,
            },
    },
  ]
}
