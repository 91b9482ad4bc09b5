import type { Aim, Dose, HoldKind, OtherHandUse, VerdictKind } from '@pledge/core'

/** The words of verdicts, the same everywhere. */
export const VERDICT_WORDS: Readonly<Record<VerdictKind, string>> = {
  clear: 'clear',
  'with-care': 'with care',
  'not-yet': 'not yet',
  never: 'never here',
}
/** What an exercise is for, as a therapist looks for it. */
export const AIM_WORDS: Readonly<Record<Aim, string>> = {
  swelling: 'less swelling',
  pain: 'less pain',
  scar: 'a soft scar',
  motion: 'moving by itself',
  stretch: 'more range',
  glide: 'gliding tendons',
  nerve: 'a quiet nerve',
  strength: 'strength',
  control: 'skill and control',
  sensation: 'feeling',
  'daily-use': 'daily life',
}
export const VERDICT_COLORS: Readonly<Record<VerdictKind, string>> = {
  clear: 'var(--moss)',
  'with-care': 'var(--ochre)',
  'not-yet': 'var(--plum)',
  never: 'var(--brick)',
}

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' })
const DAY_AND_YEAR = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  timeZone: 'UTC',
})
const MOMENT = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
})

/** "24 Nov" for a clinical day. */
export function dayText(day: string): string {
  return DAY.format(new Date(`${day}T00:00:00Z`))
}
export function dayAndYear(day: string): string {
  return DAY_AND_YEAR.format(new Date(`${day}T00:00:00Z`))
}
/** "24 Nov, 09:30" for an instant. */
export function momentText(instant: string): string {
  return MOMENT.format(new Date(instant))
}

/** "2 h ago", "3 days ago". */
export function agoText(instant: string, now: Date): string {
  const minutes = Math.max(0, Math.round((now.getTime() - Date.parse(instant)) / 60_000))
  if (minutes < 2) return 'just now'
  if (minutes < 60) return `${minutes} min ago`
  const hours = Math.round(minutes / 60)
  if (hours < 36) return `${hours} h ago`
  return `${Math.round(hours / 24)} days ago`
}

/** The week a day since surgery lies in: days 0–6 are week 0, so that week 6 begins on day 42. */
export function weekOf(day: number): number {
  return Math.floor(day / 7)
}

export function holdText(seconds: number): string {
  if (seconds >= 3600) return `${Math.round(seconds / 360) / 10} h`
  if (seconds >= 60) return `${Math.round(seconds / 6) / 10} min`
  return `${seconds} s`
}

export function loadText(unit: string | null, load: number | null): string {
  if (unit === null || load === null) return ''
  if (unit === 'kg') return `${load} kg`
  if (unit === 'percentEffort') return `${load} % of full effort`
  if (unit === 'houseStep') return `resistance step ${load}`
  return 'part of body weight'
}

/** What the seconds of a dose are: the head of a field. */
export const HOLD_LABELS: Readonly<Record<HoldKind, string>> = {
  kept: 'Hold',
  'going on': 'Goes on for',
  'on the way': 'Lowered over',
  'left alone': 'Left for',
}
/** What the other hand does; `none` is not said. */
export const OTHER_HAND_WORDS: Readonly<Record<Exclude<OtherHandUse, 'none'>, string>> = {
  helps: 'helps, steadies or rubs',
  resists: 'holds against the effort',
  'the same': 'does the same movement',
}

/** "2 × 10, hold 5 s, 4 a day". */
export function doseText(dose: Dose, kind: HoldKind = 'kept'): string {
  const hold =
    dose.holdSeconds > 0 ? `, ${HOLD_LABELS[kind].toLowerCase()} ${holdText(dose.holdSeconds)}` : ''
  const times = dose.sets > 1 ? `${dose.sets} × ${dose.repetitions}` : `${dose.repetitions}×`
  return `${times}${hold}, ${dose.boutsPerDay} a day`
}

/** Minutes for a person: "6 min", "6.5 min". */
export function minutesText(minutes: number): string {
  return `${minutes < 10 ? Math.round(minutes * 2) / 2 : Math.round(minutes)} min`
}

/** Digits in words: "thumb", "ring finger", "ring and little fingers". */
export function fingersText(digits: readonly string[]): string {
  const list = new Intl.ListFormat('en-GB').format(digits)
  const fingers = digits.filter((digit) => digit !== 'thumb').length
  return fingers === 0 ? list : `${list} finger${fingers > 1 ? 's' : ''}`
}

/** The injured part in words: "left index and middle fingers", "left side". */
export function partText(side: string, digits: readonly string[]): string {
  return `${side} ${digits.length === 0 ? 'side' : fingersText(digits)}`
}

/** A name within a sentence: its first letter small, the rest as it is written ("zones III to V", "Pop or sudden loss"). */
export function midSentence(name: string): string {
  return /^[A-Z][a-z ]/.test(name) ? name.charAt(0).toLowerCase() + name.slice(1) : name
}
