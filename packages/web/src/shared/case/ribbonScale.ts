/** Weeks the axis shows at least, and how far it looks ahead of today. */
const SHORTEST_WEEKS = 16
const AHEAD_WEEKS = 3
const RIGHT_MARGIN = 10

export interface RibbonScale {
  readonly lastDay: number
  /** The place of a day on the axis, in pixels; days beyond either end stand at the end. */
  x(day: number): number
}

/** The one axis that every view of time in a case shares. */
export function ribbonScale(today: number, width: number, labelWidth: number): RibbonScale {
  const lastDay = Math.max(SHORTEST_WEEKS, Math.ceil(today / 7) + AHEAD_WEEKS) * 7
  const perDay = Math.max(0, width - labelWidth - RIGHT_MARGIN) / lastDay
  return { lastDay, x: (day) => labelWidth + Math.min(Math.max(day, 0), lastDay) * perDay }
}
