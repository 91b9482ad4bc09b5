import type { PictureView } from '@pledge/core'

/** A direction to look from, and what is up. */
export interface Gaze {
  readonly from: readonly [number, number, number]
  readonly up: readonly [number, number, number]
  /**
   * Whether both count in the frame of the forearm as it is turned at the start: fingers up, whatever the palm does. Else
   * they count in the elbow's frame, in which gravity pulls along −x, or in the room for views of the body.
   */
  readonly turnsWithForearm: boolean
}

const raised = (...from: [number, number, number]): Gaze => ({ from, up: [0, 0, -1], turnsWithForearm: true })
const laid = (...from: [number, number, number]): Gaze => ({ from, up: [1, 0, 0], turnsWithForearm: false })
const room = (...from: [number, number, number]): Gaze => ({ from, up: [0, 1, 0], turnsWithForearm: false })

/** Where each view looks from, for a left hand: +x is the thumb's side, +y the back of the hand, −z the fingertips. */
export const GAZES: Readonly<Record<PictureView, Gaze>> = {
  palm: raised(0, -1, -0.05),
  back: raised(0, 1, -0.05),
  thumb: raised(1, 0.1, -0.05),
  'thumb-palm': raised(0.85, -0.6, -0.12),
  'thumb-back': raised(0.72, 0.66, -0.12),
  little: raised(-1, -0.1, -0.05),
  'little-palm': raised(-0.85, -0.6, -0.12),
  'hands-together': raised(1, 0.12, -0.05),
  'laid-side': laid(0.3, -1, -0.22),
  'laid-outer': laid(0.3, 1, -0.3),
  'laid-front': laid(0.5, -0.6, -0.62),
  'laid-above': { from: [1, -0.3, -0.12], up: [0, 0, -1], turnsWithForearm: false },
  hanging: { from: [0.85, -0.5, -0.42], up: [0, 0, 1], turnsWithForearm: true },
  front: room(0.16, 0.06, 1),
  'front-side': room(0.75, 0.14, 0.75),
  'arm-side': room(1, 0.1, 0.28),
}
