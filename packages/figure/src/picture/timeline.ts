/** Which shape is made, and how far it is from the start (0) to the end (1). */
export interface PictureMoment {
  readonly shape: number
  readonly time: number
}

/** Seconds of a picture that nobody counts: there, held, back, and a breath before it begins again. */
const LOOP_SECONDS = { there: 1.8, held: 1.1, back: 1.8, breath: 0.7 }
const ROUND_SECONDS = LOOP_SECONDS.there + LOOP_SECONDS.held + LOOP_SECONDS.back + LOOP_SECONDS.breath

/** The moment of a picture that runs by itself, shape after shape. */
export function loopMoment(seconds: number, shapes: number): PictureMoment {
  const round = Math.floor(seconds / ROUND_SECONDS)
  const inRound = seconds - round * ROUND_SECONDS
  const { there, held, back } = LOOP_SECONDS
  const shape = round % Math.max(1, shapes)
  if (inRound < there) return { shape, time: inRound / there }
  if (inRound < there + held) return { shape, time: 1 }
  return { shape, time: Math.max(0, 1 - (inRound - there - held) / back) }
}
