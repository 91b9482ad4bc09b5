import { within } from '../../anatomy/checked.js'
import { published } from '../../anatomy/constant.js'

/** Angle of the dart-throwing plane from the sagittal one; 30 to 45° are given, the mechanical axis lies near 27°. */
export const DART_THROW_PLANE = published(30, 'degrees', 'MORITOMO-2007', 'medium')

export interface DartThrow {
  /** Along the plane, toward radial extension +. */
  readonly alongDeg: number
  /** Across the plane, toward radial flexion +. */
  readonly acrossDeg: number
}

/**
 * A wrist posture seen along the dart-throwing plane, where scaphoid and lunate move least. Unknown while one component
 * is.
 *
 * @param flexionDeg - flexion +, extension −
 * @param ulnarDeviationDeg - ulnar +, radial −
 * @param planeDeg - 0–90
 */
export function dartThrow(
  flexionDeg: number | null,
  ulnarDeviationDeg: number | null,
  planeDeg: number = DART_THROW_PLANE.value,
): DartThrow | null {
  within(planeDeg, 'alpha', [0, 90], 'degrees')
  if (flexionDeg === null || ulnarDeviationDeg === null) return null
  const [cos, sin] = [Math.cos((planeDeg * Math.PI) / 180), Math.sin((planeDeg * Math.PI) / 180)]
  return {
    alongDeg: -flexionDeg * cos - ulnarDeviationDeg * sin,
    acrossDeg: flexionDeg * sin - ulnarDeviationDeg * cos,
  }
}
