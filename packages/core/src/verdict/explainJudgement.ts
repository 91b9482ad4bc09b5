import { criterionMeaning } from '../words/criterionWords.js'
import { arcWords, insideWords, orthosisWords } from '../words/formWords.js'
import { inEach, RESISTANCE_MEANING, type Language, type Said } from '../words/names.js'
import { ruleKey, type Protocol, type Rule } from '../protocol/protocol.js'
import { atomText } from './atoms.js'
import { atomSubject } from './atomWords.js'
import type { AtomJudgement, Because, DefaultName } from './judgeAtom.js'
import type { Misfit } from './matching.js'
import type { Reason } from './verdict.js'

/** The reason of a judgement in words, with the rule and the sources it rests on. */
export function reasonOf(judgement: AtomJudgement, protocol: Protocol): Reason {
  const { because, atom } = judgement
  const subject = atomSubject(atom)
  return {
    ...namesOf(because, protocol),
    atom: atomText(atom),
    subject,
    text: inEach((language) => textOf(judgement, protocol, subject, language)),
    source:
      because.name === 'default' || because.name === 'heldByLoadBase'
        ? 'vocabulary 5.2.8, common practice'
        : because.name === 'forbiddenByOrder' || because.name === 'allowedByOrder'
          ? "surgeon's order"
          : protocol.sources.map((source) => `${source.key} (${source.confidence})`).join(', '),
  }
}

/** How a reason is printed, and the name that records keep of it. */
function namesOf(because: Because, protocol: Protocol): Pick<Reason, 'rule' | 'key'> {
  const both = (name: string) => ({ rule: name, key: name })
  switch (because.name) {
    case 'alwaysIn':
      return both(`${protocol.id}.${because.phase.id}.always_in`)
    case 'forbiddenByOrder':
    case 'allowedByOrder':
      return both(because.order.id)
    case 'default':
      return both('default')
    case 'heldByLoadBase':
      return both('load-base')
    default:
      return { rule: because.rule.id, key: ruleKey(protocol, because.rule) }
  }
}

function textOf(judgement: AtomJudgement, protocol: Protocol, subject: Said, language: Language): string {
  const { because } = judgement
  const what = subject[language]
  const isEnglish = language === 'en'
  switch (because.name) {
    case 'barred':
      return because.rule.why![language]
    case 'open': {
      const place = phaseName(protocol, because.rule, language)
      const opened = isEnglish
        ? `${what} is open from day ${because.rule.from}${place}.`
        : `${what}: se puede desde el día ${because.rule.from}${place}.`
      return because.rule.note ? `${opened} ${because.rule.note[language]}` : opened
    }
    case 'openWithCare':
      return conditionOf(judgement, language)
    case 'held': {
      const names = because.missing.map((criterion) => criterionMeaning(criterion.text, language)).join('; ')
      return isEnglish
        ? `${what}: its day has come, but this is not recorded as met: ${names}.`
        : `${what}: llegó su día, pero falta registrar como cumplido: ${names}.`
    }
    case 'heldByLoadBase': {
      const names = because.missing.map((criterion) => criterionMeaning(criterion.text, language)).join('; ')
      return isEnglish
        ? `${what}: a sore or swollen hand is neither stretched nor loaded; not recorded as met: ${names}.`
        : `${what}: una mano dolorida o hinchada ni se estira ni se carga; falta: ${names}.`
    }
    case 'asWritten': {
      const form = formOf(because.form, language)
      return isEnglish
        ? `${what} as written is not open${form ? `: ${form}` : ''}.`
        : `${what}: así como está escrito todavía no${form ? `; ${form}` : ''}.`
    }
    case 'alwaysIn': {
      const inside = orthosisWords(because.inside, language)
      return isEnglish ? `In this phase only inside ${inside}.` : `En esta fase solo dentro de: ${inside}.`
    }
    case 'forbiddenByOrder':
      return isEnglish ? `Surgeon's order: ${because.order.why}` : `Orden del cirujano: ${because.order.why}`
    case 'allowedByOrder': {
      const protocolSays = textOf(because.otherwise, protocol, subject, language)
      return isEnglish
        ? `By order (${because.order.why}); the protocol says: ${protocolSays}`
        : `Por orden (${because.order.why}); el protocolo dice: ${protocolSays}`
    }
    case 'default':
      return DEFAULT_TEXT[because.which](what)[language]
  }
}

const DEFAULT_TEXT: Readonly<Record<DefaultName, (what: string) => Said>> = {
  unopened: (what) => ({
    en: `${what}: no rule of the protocol has opened it yet.`,
    es: `${what}: ninguna regla del protocolo lo permite aún.`,
  }),
  freeInLastPhase: (what) => ({
    en: `${what} is free in the last phase.`,
    es: `${what}: libre en la última fase.`,
  }),
  hyperextensionInLastPhase: (what) => ({
    en: `${what}: no rule names bending back past straight; the therapist decides.`,
    es: `${what}: ninguna regla nombra doblar hacia atrás; decide el terapeuta.`,
  }),
  outside: (what) => ({
    en: `${what} lies outside the injured part: free.`,
    es: `${what}: fuera de la parte lesionada, libre.`,
  }),
  heldOutside: (what) => ({
    en: `${what}: nothing there is guarded.`,
    es: `${what}: ahí no se vigila nada.`,
  }),
  outsideWithCare: (what) => ({
    en: `${what}: away from the injury, but loading or stretching waits for care until the last phase.`,
    es: `${what}: lejos de la lesión, pero cargar o estirar pide cuidado hasta la última fase.`,
  }),
  compositeByJoints: (what) => ({
    en: `${what} as such is not guarded here; its joints are judged one by one.`,
    es: `${what}: no está vigilado como tal; se juzga cada articulación.`,
  }),
  compositeWithCare: (what) => ({
    en: `${what}: no rule of the protocol names it; its joints are judged one by one, and it is done gently.`,
    es: `${what}: ninguna regla del protocolo lo nombra; se juzga cada articulación, y se hace suave.`,
  }),
  notGuarded: (what) => ({ en: `${what} is not guarded here.`, es: `${what}: no está vigilado aquí.` }),
  notAddressed: (what) => ({
    en: `${what}: the protocol does not address it; the therapist decides.`,
    es: `${what}: el protocolo no lo trata; decide el terapeuta.`,
  }),
  techniqueByMotions: (what) => ({
    en: `${what} is judged by the motions it comes with.`,
    es: `${what}: se juzga por los movimientos que trae.`,
  }),
  techniqueAlone: (what) => ({
    en: `${what} without a stated motion cannot be judged; the therapist decides.`,
    es: `${what} sin un movimiento declarado no se puede juzgar; decide el terapeuta.`,
  }),
}

/** What to tell with a "with care"; the same sentence is its reason. */
export function conditionOf(judgement: AtomJudgement, language: Language): string {
  const { because, atom } = judgement
  if (because.name !== 'openWithCare') return ''
  if (because.rule.why) return because.rule.why[language]
  const what = atomSubject(atom)[language]
  return language === 'en'
    ? `${what} is opened with care from day ${because.rule.from}.`
    : `${what}: se puede con cuidado desde el día ${because.rule.from}.`
}

/** The permitted form of today: "today only inside the dorsal block, wrist 0 to 30° of extension"; '' where none is open. */
export function formOf(form: readonly Misfit[] | null, language: Language): string {
  if (form === null) return ''
  const parts = form.map((misfit) => misfitWords(misfit, language))
  return `${language === 'en' ? 'today only' : 'hoy solo'} ${parts.join(', ')}`
}

/** The form that a judgement offers today; `null` where it offers none. */
export function offeredForm(judgement: AtomJudgement): Said | null {
  const { because } = judgement
  if (because.name === 'alwaysIn')
    return inEach((language) => formOf([{ name: 'orthosis', inside: because.inside }], language))
  if (because.name === 'asWritten' && because.form)
    return inEach((language) => formOf(because.form, language))
  return null
}

function misfitWords(misfit: Misfit, language: Language): string {
  const isEnglish = language === 'en'
  switch (misfit.name) {
    case 'orthosis':
      return insideWords(misfit.inside, language)
    case 'arc':
      return arcWords(misfit.axis, misfit.limit, language)
    case 'posture':
      return `${isEnglish ? 'with' : 'con'} ${arcWords(misfit.axis, misfit.limit, language)}`
    case 'resistance':
      return `${isEnglish ? 'up to' : 'hasta'} R${misfit.upTo} (${RESISTANCE_MEANING[misfit.upTo][language]})`
    case 'weight':
      return isEnglish ? `up to ${misfit.upToKg} kg` : `hasta ${String(misfit.upToKg).replace('.', ',')} kg`
  }
}

function phaseName(protocol: Protocol, rule: Rule, language: Language): string {
  if (rule.kind === 'gate') return ''
  const phaseId = rule.id.split('.').at(-3)
  const phase = protocol.phases.find((one) => one.id === phaseId)
  if (!phase) return ''
  return language === 'en' ? ` (phase "${phase.name.en}")` : ` (fase «${phase.name.es}»)`
}
