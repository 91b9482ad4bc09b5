import { criterionMeaning } from '../words/criterionWords.js'
import { arcWords, capital, insideWords, listed, orthosisWords } from '../words/formWords.js'
import {
  ACT_NAMES,
  ACTOR_NAMES,
  COMBO_NAMES,
  DIRECTION_NAMES,
  GRIP_NAMES,
  inEach,
  JOINT_NAMES,
  MODE_NAMES,
  NERVE_NAMES,
  NERVE_TECHNIQUE_NAMES,
  RESISTANCE_MEANING,
  STATE_NAMES,
  STRESS_NAMES,
  TECHNIQUE_NAMES,
  TEST_NAMES,
  type Language,
  type Said,
} from '../words/names.js'
import type { Phase, Rule, Target } from './protocol.js'
import {
  ACTS,
  directionsOf,
  GRIPS,
  JOINTS,
  MODES,
  type Arcs,
  type Axis,
  type Joint,
  type Motion,
  type ResistanceClass,
} from '../vocabulary/vocabulary.js'

/** The weight from which a gate sets no limit any more. */
export const NO_WEIGHT_LIMIT_KG = 99

/** A rule told to a therapist, in both languages. */
export interface RuleTale {
  /** What it speaks about and in which form: "Active and passive: thumb MCP flexion and extension, inside the cast". */
  readonly what: Said
  /** When it holds, where that is not the whole of its phase: "from day 112". */
  readonly when: Said | null
  /** What has to be recorded before. */
  readonly needs: readonly Said[]
  /** Why, where it bars or asks for care; what to tell, where it opens. */
  readonly why: Said | null
  /** As the protocol writes it: `10x3s 5/d`. */
  readonly dose: string | null
}

/**
 * A rule of a protocol as a sentence. Everything the rule says is told; nothing is added.
 *
 * @param phase - the phase that holds it; `null` for a gate or what never opens, whose days are always told
 */
export function ruleWords(rule: Rule, phase: Phase | null): RuleTale {
  const what = inEach((language) => {
    const subject = rule.targets.map((target) => targetWords(target, rule, language))
    return capital(subject.join(language === 'en' ? '; or ' : '; o ') + formWords(rule, language))
  })
  return {
    what,
    when: daysWords(rule, phase),
    needs: rule.needs.map((criterion) => inEach((language) => criterionMeaning(criterion.text, language))),
    why: rule.why ?? rule.note,
    dose: rule.dose,
  }
}

function targetWords(target: Target, rule: Rule, language: Language): string {
  const named = <T extends string>(words: readonly T[], names: Readonly<Record<T, Said>>) =>
    listed(
      words.map((word) => names[word][language]),
      language,
    )
  const load = rule.res === null ? '' : `, ${loadWords(rule, rule.res, language)}`
  switch (target.kind) {
    case 'motion': {
      const modes =
        target.modes.length === MODES.length
          ? { en: 'any way of moving', es: 'cualquier movimiento' }[language]
          : named(target.modes, MODE_NAMES)
      const isLoaded = target.modes.some((mode) => mode === 'I' || mode === 'R')
      return `${modes}: ${motionsWords(target.motions, language)}${isLoaded ? load : ''}`
    }
    case 'combo': {
      const modes = target.modes ? ` (${named(target.modes, MODE_NAMES)})` : ''
      return `${named(target.combos, COMBO_NAMES)}${modes}`
    }
    case 'grip':
      return (
        (target.grips.length === GRIPS.length
          ? { en: 'every grip and pinch', es: 'todo agarre y pellizco' }[language]
          : named(target.grips, GRIP_NAMES)) + load
      )
    case 'kg':
      return weightWords(target.kg, language)
    case 'test':
      return named(target.tests, TEST_NAMES)
    case 'act':
      return target.acts.length === ACTS.length
        ? { en: 'every activity', es: 'toda actividad' }[language]
        : named(target.acts, ACT_NAMES)
    case 'stress':
      return named(target.stresses, STRESS_NAMES)
    case 'nerve':
      return `${named(target.nerves, NERVE_NAMES)}: ${named(target.techniques, NERVE_TECHNIQUE_NAMES)}`
    case 'technique':
      return named(target.techniques, TECHNIQUE_NAMES)
  }
}

/** A rule that opens names the most it opens, one that bars the least it bars. */
function loadWords(rule: Rule, res: ResistanceClass, language: Language): string {
  const bars = rule.kind === 'forbid' || rule.kind === 'never'
  if (res === 0)
    return bars
      ? { en: 'even without load', es: 'ni siquiera sin carga' }[language]
      : { en: 'without load', es: 'sin carga' }[language]
  const named = `R${res} (${RESISTANCE_MEANING[res][language]})`
  return bars
    ? { en: `from R${res} on`, es: `desde R${res}` }[language]
    : { en: `up to ${named}`, es: `hasta ${named}` }[language]
}

function weightWords(kg: number, language: Language): string {
  if (kg >= NO_WEIGHT_LIMIT_KG) return { en: 'lifting without limit', es: 'levantar sin límite' }[language]
  return { en: `lifting up to ${kg} kg`, es: `levantar hasta ${String(kg).replace('.', ',')} kg` }[language]
}

/** Motions by joint: a joint that moves in every direction says so, joints with the same directions stand together. */
export function motionsWords(motions: ReadonlySet<Motion>, language: Language): string {
  const byWays = new Map<string, Joint[]>()
  for (const joint of JOINTS) {
    if (!directionsOf(joint).some((direction) => motions.has(`${joint}.${direction}`))) continue
    const ways = listed(waysOf(joint, motions, language), language)
    byWays.set(ways, [...(byWays.get(ways) ?? []), joint])
  }
  return [...byWays]
    .map(([ways, joints]) => {
      const places = listed(
        joints.map((joint) => JOINT_NAMES[joint][language]),
        language,
      )
      return language === 'en' ? `${places} ${ways}` : `${ways} ${places}`
    })
    .join('; ')
}

/** Bending back past straight is told apart from "every direction". */
function waysOf(joint: Joint, motions: ReadonlySet<Motion>, language: Language): string[] {
  const all = directionsOf(joint)
  const moved = all.filter((direction) => motions.has(`${joint}.${direction}`))
  const plain = all.filter((direction) => direction !== 'hyperext')
  const isEvery = plain.length > 2 && plain.every((direction) => moved.includes(direction))
  if (moved.length === all.length && plain.length < all.length)
    return [
      { en: 'in every direction, past straight too', es: 'en toda dirección, también hacia atrás' }[language],
    ]
  if (isEvery) return [{ en: 'in every direction', es: 'en toda dirección' }[language]]
  return moved.map((direction) => DIRECTION_NAMES[direction]![language])
}

/** Under which form: how far, with what else, in or out of what, by whom and how. */
function formWords(rule: Rule, language: Language): string {
  const isEnglish = language === 'en'
  const arcs = (of: Arcs) => Object.entries(of).map(([axis, arc]) => arcWords(axis as Axis, arc, language))
  const parts = [
    ...(rule.arc ? [`${isEnglish ? 'within' : 'dentro de'} ${arcs(rule.arc).join(', ')}`] : []),
    ...(rule.beyond ? [`${isEnglish ? 'beyond' : 'más allá de'} ${arcs(rule.beyond).join(', ')}`] : []),
    ...(rule.posture ? [`${isEnglish ? 'with' : 'con'} ${arcs(rule.posture).join(', ')}`] : []),
    ...(rule.inOrthosis ? [keptInWords(rule, language)] : []),
    ...(rule.outOf
      ? [
          `${isEnglish ? 'out of' : 'fuera de'} ${orthosisWords(rule.outOf, language)}`.replace(
            'de el ',
            'del ',
          ),
        ]
      : []),
    ...(rule.when
      ? [
          `${isEnglish ? 'while' : 'mientras'} ${listed(
            rule.when.map((state) => STATE_NAMES[state][language]),
            language,
          )}`,
        ]
      : []),
    ...(rule.by
      ? [
          `${isEnglish ? 'by' : 'por'} ${listed(
            rule.by.map((actor) => ACTOR_NAMES[actor][language]),
            language,
          )}`,
        ]
      : []),
    ...(rule.technique && !rule.targets.some((target) => target.kind === 'technique')
      ? [
          `${isEnglish ? 'as' : 'como'} ${listed(
            rule.technique.map((technique) => TECHNIQUE_NAMES[technique][language]),
            language,
          )}`,
        ]
      : []),
  ]
  return parts.length > 0 ? `, ${parts.join(', ')}` : ''
}

function keptInWords(rule: Rule, language: Language): string {
  const worn = rule.inOrthosis!.filter((orthosis) => orthosis !== 'none')
  const without = { en: 'without orthosis', es: 'sin férula' }[language]
  if (worn.length === 0) return without
  const inside = insideWords(worn, language)
  if (worn.length === rule.inOrthosis!.length) return inside
  return `${inside}${language === 'en' ? ' or ' : ' o '}${without}`
}

function daysWords(rule: Rule, phase: Phase | null): Said | null {
  const startsWithPhase = phase !== null && rule.from === phase.days[0]
  const endsWithPhase =
    phase === null ? rule.until === null : rule.until === null || rule.until === phase.days[1]
  const parts = (language: Language) => [
    ...(startsWithPhase || (phase === null && rule.kind === 'never')
      ? []
      : [{ en: `from day ${rule.from}`, es: `desde el día ${rule.from}` }[language]]),
    ...(endsWithPhase
      ? []
      : [{ en: `up to day ${rule.until! - 1}`, es: `hasta el día ${rule.until! - 1}` }[language]]),
  ]
  if (parts('en').length === 0) return null
  return inEach((language) => parts(language).join(' '))
}
