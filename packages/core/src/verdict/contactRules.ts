import type { Contact, ContactRegion, Exercise } from '../exercise/exercise.js'
import { criterion, type Criterion } from '../vocabulary/criterion.js'
import type { Said } from '../words/names.js'
import {
  jointOfMotion,
  OPERATED,
  type Anchor,
  type Joint,
  type Motion,
  type State,
} from '../vocabulary/vocabulary.js'
import { standingOf } from './caseOnDay.js'
import { judgeAtom } from './judgeAtom.js'
import { missingAt } from './missingAt.js'
import type { PatientCase } from './patientCase.js'
import { IDLE_SIGNATURE } from '../exercise/signature.js'
import { isOpen } from './verdict.js'

/** What an exercise may not do to skin and healing tissue yet. */
export interface ContactBar {
  readonly rule: 'catalogue.wound' | 'catalogue.contact' | 'catalogue.thermal'
  readonly says: Said
  readonly needs: readonly Criterion[]
}

const SKIN_CLOSED = criterion('wound.closed')
const WOUND_DRY = criterion('wound.ok')
export const PROTECTIVE_FEELING = criterion('sense.protective')
const PINS_OUT = criterion('pins.out')
/** Pressure over healing tissue and warmth after an operation come no earlier. Source: vocabulary 5.5.8; A12, common practice. */
const CONTACT_FROM_DAY = 14
/** Days after an injury in which warmth feeds the swelling. Source: common practice, medium. */
const HEAT_AFTER_INJURY_DAY = 3
/** Anchors after which there may be a wound. */
const WOUNDING: readonly Anchor[] = [...OPERATED, 'injury']
/** What is hot already; a course counted from a flare is one. */
const HOT: readonly State[] = ['state.flare', 'state.acute_swelling']
const NEEDS_CLOSED_SKIN: readonly Contact['what'][] = ['immerse', 'press', 'clamp', 'vibrate']
const PRESSES: readonly Contact['what'][] = ['press', 'clamp', 'rub']
/** Words of an entry by which it touches the wound at all. */
const WOUND_WORDS = ['openWound', 'sutures', 'infection']

/** What contact can wait for in a case: a wound where there was one, feeling where the injury took it. */
export function contactCriteria(anchor: Anchor, isNumb: boolean): Criterion[] {
  return [
    ...(WOUNDING.includes(anchor) ? [WOUND_DRY, SKIN_CLOSED] : []),
    ...(isNumb ? [PROTECTIVE_FEELING] : []),
  ]
}

/** The days on which what contact waits for can change. */
export function contactDays(exercise: Pick<Exercise, 'contact'>): number[] {
  return exercise.contact ? [HEAT_AFTER_INJURY_DAY, CONTACT_FROM_DAY] : []
}

/** The joints that lie under a part of the arm; a scar lies over all that was injured. */
const UNDER: Readonly<Record<ContactRegion, readonly Joint[] | null>> = {
  scar: null,
  skin: [],
  fingers: ['mcp', 'pip', 'dip'],
  thumb: ['thumbCmc', 'thumbMcp', 'thumbIp'],
  palm: ['mcp'],
  hand: ['wrist', 'cmc', 'mcp', 'pip', 'dip', 'thumbCmc', 'thumbMcp', 'thumbIp'],
  wrist: ['wrist'],
  forearm: ['wrist', 'forearm'],
}

/**
 * What the contact of an exercise with the hand waits for: closed skin, the day on which the part below may be stretched, the time
 * after an operation, a flare that is over, feeling. Source: vocabulary 5.5.8.
 *
 * Rubbing the scar itself follows the rule for scars (A11): closed skin and fourteen days.
 */
export function contactBars(exercise: Exercise, state: PatientCase): ContactBar[] {
  const contacts = exercise.contact ?? []
  return [...woundBars(exercise, contacts, state), ...contacts.flatMap((one) => barsOf(one, state))]
}

function woundBars(exercise: Exercise, contacts: readonly Contact[], state: PatientCase): ContactBar[] {
  if (!WOUNDING.includes(state.protocol.anchor)) return []
  const { facts, index } = standingOf(state)
  const waitsForPins = state.protocol.phases
    .slice(Math.max(0, index) + 1)
    .some(({ entry }) => entry.some(({ name }) => name === PINS_OUT.name))
  if (waitsForPins && contacts.some(({ what }) => what === 'immerse'))
    return [
      {
        rule: 'catalogue.wound',
        needs: [PINS_OUT],
        says: {
          en: 'Not in water, rice or sand while pins stand in the skin.',
          es: 'Ni agua ni arroz ni arena mientras haya clavos en la piel.',
        },
      },
    ]
  const needsClosed = contacts.some(
    ({ what, where }) => NEEDS_CLOSED_SKIN.includes(what) || where === 'scar' || what === 'rub',
  )
  const touches = needsClosed || exercise.contraindications.some((word) => WOUND_WORDS.includes(word))
  if (!touches) return []
  // Skin that is closed and red or wet again is not.
  const needs = (needsClosed ? [WOUND_DRY, SKIN_CLOSED] : [WOUND_DRY]).filter(
    (one) => facts.status(one).name !== 'met',
  )
  if (needs.length === 0) return []
  return [
    {
      rule: 'catalogue.wound',
      needs,
      says: needsClosed
        ? {
            en: 'Not before the skin is closed and the stitches are out.',
            es: 'No antes de que la piel esté cerrada y sin puntos.',
          }
        : {
            en: 'Not before somebody has seen the wound closed or dry.',
            es: 'No antes de que alguien vea la herida cerrada o seca.',
          },
    },
  ]
}

function barsOf({ what, where }: Contact, state: PatientCase): readonly ContactBar[] {
  const { protocol, day, states, condition } = state
  const { facts } = standingOf(state)
  const isThermal = what === 'heat' || what === 'cold'
  if (isThermal && condition.isNumb && facts.status(PROTECTIVE_FEELING).name !== 'met')
    return [
      {
        rule: 'catalogue.thermal',
        needs: [PROTECTIVE_FEELING],
        says: {
          en: 'Skin that is numb burns and freezes unnoticed: not before protective feeling is recorded.',
          es: 'La piel sin sensibilidad se quema o se congela sin aviso: no antes de registrar que siente.',
        },
      },
    ]
  const isHot = protocol.anchor === 'flare_start' || HOT.some((one) => states.includes(one))
  if (what === 'heat' && isHot)
    return [
      thermal(
        'No warmth on a hot or freshly swollen joint.',
        'Sin calor en una articulación caliente o recién hinchada.',
      ),
    ]
  if (what === 'heat' && OPERATED.includes(protocol.anchor) && day < CONTACT_FROM_DAY)
    return [
      thermal(
        `No warmth in the first ${CONTACT_FROM_DAY} days after an operation.`,
        `Sin calor en los primeros ${CONTACT_FROM_DAY} días tras la operación.`,
      ),
    ]
  if (what === 'heat' && protocol.anchor === 'injury' && day < HEAT_AFTER_INJURY_DAY)
    return [
      thermal(
        `No warmth in the first ${HEAT_AFTER_INJURY_DAY} days after an injury.`,
        `Sin calor en los primeros ${HEAT_AFTER_INJURY_DAY} días tras la lesión.`,
      ),
    ]
  if (!PRESSES.includes(what) || !WOUNDING.includes(protocol.anchor)) return []
  const below = guardedUnder(where, state)
  if (below.length === 0) return []
  if (day < CONTACT_FROM_DAY)
    return [
      contact(
        [],
        `Not over what still heals before day ${CONTACT_FROM_DAY}.`,
        `No sobre lo que aún se cura antes del día ${CONTACT_FROM_DAY}.`,
      ),
    ]
  if (where === 'scar' && what === 'rub') return []
  return stretchBar(where, below, state)
}

function thermal(en: string, es: string): ContactBar {
  return { rule: 'catalogue.thermal', needs: [], says: { en, es } }
}

function contact(needs: readonly Criterion[], en: string, es: string): ContactBar {
  return { rule: 'catalogue.contact', needs, says: { en, es } }
}

/** What is guarded under a part: joints the protocol guards, or of injured digits. */
function guardedUnder(where: ContactRegion, { protocol, digits }: PatientCase): Motion[] {
  const joints = UNDER[where]
  const isThumb = digits.includes('thumb')
  const isFinger = digits.some((digit) => digit !== 'thumb')
  const guarded = [...protocol.guard].filter((motion) => !motion.endsWith('.hyperext'))
  const ofDigits: Motion[] = [
    ...(isFinger ? (['mcp.flex', 'pip.flex', 'dip.flex'] as const) : []),
    ...(isThumb ? (['thumbMcp.flex', 'thumbIp.flex'] as const) : []),
  ]
  return [...new Set([...guarded, ...ofDigits])].filter(
    (motion) => joints === null || joints.includes(jointOfMotion(motion)),
  )
}

/** A case on a day never changes, and every exercise that presses on a part asks the same of it. */
const stretchBars = new WeakMap<PatientCase, Map<ContactRegion, readonly ContactBar[]>>()

/** Pressing on healing tissue is open as soon as stretching the part below is, in one direction at least. */
function stretchBar(
  where: ContactRegion,
  below: readonly Motion[],
  state: PatientCase,
): readonly ContactBar[] {
  let known = stretchBars.get(state)
  if (!known) stretchBars.set(state, (known = new Map<ContactRegion, readonly ContactBar[]>()))
  let bars = known.get(where)
  if (!bars) known.set(where, (bars = barsUntilStretched(below, state)))
  return bars
}

function barsUntilStretched(below: readonly Motion[], state: PatientCase): ContactBar[] {
  const standing = standingOf(state)
  const stretches = below.map((motion) => ({ kind: 'motion', mode: 'S', motion, arc: null, res: 0 }) as const)
  const judged = stretches.map((atom) => judgeAtom(atom, IDLE_SIGNATURE, state, standing, standing.facts))
  if (judged.some(({ kind }) => isOpen(kind))) return []
  const missing = stretches.map((atom) => missingAt(state.day, [atom], IDLE_SIGNATURE, state, standing))
  const least = missing.filter((list) => list.length > 0).sort((a, b) => a.length - b.length)[0] ?? []
  return [
    contact(
      least,
      'No pressure on what still heals before the part below may be stretched.',
      'Sin presión sobre lo que aún se cura antes de que se pueda estirar lo de abajo.',
    ),
  ]
}
