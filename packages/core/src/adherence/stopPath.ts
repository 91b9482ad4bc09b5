/** Pain from which a bout stops at once and the patient calls. Source: A3-RESPONSE, common practice. */
export const STOP_PAIN = 8

/** Red flags a patient can recognize at home, by the ids the rule base uses. */
export const HOME_RED_FLAGS = [
  'RF.RUPTURE',
  'RF.INFECT',
  'RF.VASC',
  'RF.COMPART',
  'RF.NEURO',
  'RF.BONE',
  'RF.SKIN',
] as const
export type HomeRedFlag = (typeof HOME_RED_FLAGS)[number]

/** What a flag asks for. Flags whose lock needs the surgeon's or the emergency department's answer before it is lifted. */
export const RED_FLAG_FACTS: Readonly<
  Record<HomeRedFlag | 'RF.PAIN', { name: string; action: 'emergency' | 'stopAll'; needsSurgeon: boolean }>
> = {
  'RF.RUPTURE': { name: 'Pop or sudden loss of a movement', action: 'stopAll', needsSurgeon: true },
  'RF.INFECT': { name: 'Spreading redness, heat, pus or fever', action: 'stopAll', needsSurgeon: true },
  'RF.VASC': { name: 'Pale, blue or cold finger', action: 'emergency', needsSurgeon: true },
  'RF.COMPART': { name: 'Severe rising pain with tense swelling', action: 'emergency', needsSurgeon: true },
  'RF.NEURO': { name: 'New or spreading numbness or weakness', action: 'stopAll', needsSurgeon: false },
  'RF.BONE': { name: 'Fall or blow on the hand, new deformity', action: 'stopAll', needsSurgeon: true },
  'RF.SKIN': { name: 'Sore, blister or gaping wound', action: 'stopAll', needsSurgeon: false },
  'RF.PAIN': { name: 'Pain of 8 or more', action: 'stopAll', needsSurgeon: false },
}
export type RedFlag = keyof typeof RED_FLAG_FACTS

/** Whether a pain score stops the bout and shows whom to call. */
export function isStopPain(pain: number | null): boolean {
  return pain !== null && pain >= STOP_PAIN
}

/**
 * Whether an exercise may start: pain at rest must lie at or below the exercise's cap. Unknown pain does not let it
 * start.
 *
 * @param painNow - 0–10 before the bout
 */
export function mayStart(painNow: number | null, painCap: number): boolean {
  return painNow !== null && painNow <= painCap
}

export type Response = 'green' | 'amber' | 'stepback' | 'stop'

/** How a bout was answered by the hand, by the worst pain during it. Source: A3-RESPONSE, common practice. */
export function responseTo(worstPain: number, painCap: number): Response {
  if (isStopPain(worstPain)) return 'stop'
  if (worstPain > painCap + 2) return 'stepback'
  return worstPain > painCap ? 'amber' : 'green'
}
