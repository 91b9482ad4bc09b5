import { decided } from '../../anatomy/constant.js'
import { CRITERION_ORDINALS } from '../../vocabulary/vocabulary.js'

type Level = (typeof CRITERION_ORDINALS.irrit)[number]

/** One of the three questions about how little it takes, how long it lasts and the night; each answer is a level. */
export interface IrritabilityQuestion {
  readonly asks: string
  /** From low to high. */
  readonly answers: readonly [string, string, string]
}

/** Irritability is asked, never picked. Source: A5 of the rules for all (common practice). */
export const IRRITABILITY_QUESTIONS = {
  provoked: {
    asks: 'What sets it off?',
    answers: ['strong or long use', 'ordinary use', 'a slight move or touch'],
  },
  settles: { asks: 'How long until it settles?', answers: ['up to 10 min', '10 to 60 min', 'over an hour'] },
  night: { asks: 'At night?', answers: ['nothing', 'now and then', 'wakes, or always there'] },
} as const satisfies Record<string, IrritabilityQuestion>

/** How a level is called. */
export const IRRITABILITY_WORDS = {
  low: 'low',
  mod: 'moderate',
  high: 'high',
} as const satisfies Record<Level, string>

/** Worst pain up to which it is low, and from which it is high. Source: A5 (common practice). */
export const IRRITABILITY_PAIN = { lowUpTo: decided(3, 'of 10'), highFrom: decided(7, 'of 10') } as const

/** Answers to the three questions, 0 low to 2 high; `null`: not asked. */
export interface IrritabilityAnswers {
  readonly provoked: number | null
  readonly settles: number | null
  readonly night: number | null
  /** Worst pain 0–10; where it was not asked the questions decide. */
  readonly worstPain: number | null
}

/**
 * How irritable a nerve or tendon is: the highest of its features, so that any single high one makes it high. Unknown while one of
 * the three questions was not asked.
 *
 * Source: A5 of the rules for all (common practice).
 */
export function irritability({ provoked, settles, night, worstPain }: IrritabilityAnswers): Level | null {
  if (provoked === null || settles === null || night === null) return null
  const pain =
    worstPain === null || worstPain <= IRRITABILITY_PAIN.lowUpTo.value
      ? 0
      : worstPain >= IRRITABILITY_PAIN.highFrom.value
        ? 2
        : 1
  return CRITERION_ORDINALS.irrit[Math.max(provoked, settles, night, pain)]!
}
