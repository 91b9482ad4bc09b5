import type { AngleName, Pose } from './exercise.js'

/** How far a patient's joint may or can go, degrees in the signs of the catalogue; a joint that is not named is free. */
export type AngleLimits = Readonly<Partial<Record<AngleName, readonly [least: number, most: number]>>>

/** A joint that is drawn short of what the exercise asks. */
export interface ClippedAngle {
  readonly angle: AngleName
  readonly askedDeg: number
  readonly drawnDeg: number
}

/** A pose within the patient's limits: what lies beyond stops at the limit, what nobody stated stays unstated. */
export function clippedPose(pose: Pose, limits: AngleLimits): Pose {
  return Object.fromEntries(
    (Object.entries(pose) as [AngleName, number][]).map(([angle, asked]) => {
      const [least, most] = limits[angle] ?? [-Infinity, Infinity]
      return [angle, Math.min(most, Math.max(least, asked))]
    }),
  )
}

/** The joints an exercise is clipped at, each at its farthest. */
export function clippedAngles(poses: readonly Pose[], limits: AngleLimits): ClippedAngle[] {
  const found = new Map<AngleName, ClippedAngle>()
  for (const pose of poses) {
    const drawn = clippedPose(pose, limits)
    for (const [angle, askedDeg] of Object.entries(pose) as [AngleName, number][]) {
      const by = Math.abs(askedDeg - drawn[angle]!)
      const known = found.get(angle)
      if (by > 0 && (!known || by > Math.abs(known.askedDeg - known.drawnDeg)))
        found.set(angle, { angle, askedDeg, drawnDeg: drawn[angle]! })
    }
  }
  return [...found.values()]
}
