import {
  knownEnds,
  numberOf,
  resultAt,
  WRIST_MOTIONS,
  type Digit,
  type HingeResult,
  type MeasureName,
  type PictureView,
  type ReadingBook,
  type ReadingPlace,
  type Side,
  type WristMotion,
} from '@pledge/core'
import type { MeasuredHand } from '@pledge/figure'

type HingesAt = (digit: Digit) => Readonly<Partial<Record<string, HingeResult | null>>>
/** Whether the closed or the opened hand is drawn. */
export type HandEnd = 'closed' | 'open'

/** The digits as far as they bend, or as far as they straighten. */
export function handOf(digits: readonly Digit[], end: HandEnd, hingesAt: HingesAt): MeasuredHand {
  const deg = (result: HingeResult | null | undefined) => {
    const { flexedEndDeg, extendedEndDeg } = knownEnds(result ?? null)
    return (end === 'closed' ? flexedEndDeg : extendedEndDeg) ?? undefined
  }
  const known = (angles: Record<string, number | undefined>) =>
    Object.fromEntries(Object.entries(angles).filter(([, angle]) => angle !== undefined))
  const fingers = digits
    .filter((digit) => digit !== 'thumb')
    .map((digit) => {
      const { mcp, pip, dip } = hingesAt(digit)
      return [digit, known({ mcp: deg(mcp), pip: deg(pip), dip: deg(dip) })] as const
    })
    .filter(([, angles]) => Object.keys(angles).length > 0)
  const thumb = digits.includes('thumb') ? hingesAt('thumb') : {}
  const thumbAngles = known({ mcp: deg(thumb['thumbMcp']), ip: deg(thumb['thumbIp']) })
  return {
    ...(fingers.length > 0 ? { fingers: Object.fromEntries(fingers) } : {}),
    ...(Object.keys(thumbAngles).length > 0 ? { thumb: thumbAngles } : {}),
  }
}

/** From where digits are seen best: the little finger's side where only those there are shown. */
export function viewOfDigits(digits: readonly Digit[]): PictureView {
  if (digits.every((digit) => digit === 'thumb')) return 'thumb-palm'
  const fingers = digits.filter((digit) => digit !== 'thumb')
  return fingers.every((digit) => digit === 'ring' || digit === 'little') ? 'little' : 'thumb'
}

/** The angle each motion of wrist and forearm turns, and from where it is seen best. */
const SHOWN: Readonly<
  Record<
    WristMotion,
    { angle: 'wristFlexion' | 'wristUlnarDeviation' | 'forearmSupination'; view: PictureView }
  >
> = {
  wristFlexion: { angle: 'wristFlexion', view: 'thumb' },
  wristExtension: { angle: 'wristFlexion', view: 'thumb' },
  radialDeviation: { angle: 'wristUlnarDeviation', view: 'back' },
  ulnarDeviation: { angle: 'wristUlnarDeviation', view: 'back' },
  pronation: { angle: 'forearmSupination', view: 'laid-front' },
  supination: { angle: 'forearmSupination', view: 'laid-front' },
}

export function isDrawn(measure: MeasureName): measure is WristMotion {
  return Object.hasOwn(WRIST_MOTIONS, measure)
}
export const viewOfMotion = (motion: WristMotion): PictureView => SHOWN[motion].view

/** A wrist is measured from neutral in the plane it does not move in. */
export function wristOf(motion: WristMotion, deg: number | null): MeasuredHand {
  return deg === null
    ? {}
    : {
        pose: { wristFlexion: 0, wristUlnarDeviation: 0, forearmSupination: 0, [SHOWN[motion].angle]: deg },
      }
}

export const activeMotion = (measure: WristMotion, side: Side): ReadingPlace => ({
  measure,
  digit: null,
  side,
  kind: 'active',
})

/** The stored angle of a motion of one side, active. */
export function angleAt(book: ReadingBook, measure: WristMotion, side: Side): number | null {
  return numberOf(resultAt(book, activeMotion(measure, side)))
}
