/** Tables of normal active range, in the order of the columns below. All from memory. */
export const NORMAL_TABLES = ['ASHT', 'AAOS', 'AMA'] as const
export type NormalTable = (typeof NORMAL_TABLES)[number]

/**
 * Normal active motion by the tables of ASHT-1992 (the default), AAOS-1994 and AMA-2000. The impairment table is lower on
 * purpose for wrist and DIP; thumb tables are not comparable. The uninjured side is the first comparison, and the table's
 * name is always shown.
 */
export const NORMAL_MOTION = {
  wristFlexion: [80, 80, 60],
  wristExtension: [70, 70, 60],
  radialDeviation: [20, 20, 20],
  ulnarDeviation: [30, 30, 30],
  pronation: [80, 80, 80],
  supination: [80, 80, 80],
  elbowFlexion: [150, 150, 140],
  mcpFlexion: [90, 90, 90],
  pipFlexion: [100, 100, 100],
  dipFlexion: [70, 90, 70],
  thumbMcpFlexion: [50, 50, 60],
  thumbIpFlexion: [80, 80, 80],
} as const satisfies Record<string, readonly [number, number, number]>
export type NormalMotion = keyof typeof NORMAL_MOTION

export interface ComparedWithNormal {
  readonly table: NormalTable
  readonly normalDeg: number
  readonly percent: number
}

/** A range against a named table; unknown where it was not measured. */
export function comparedWithNormal(
  motion: NormalMotion,
  rangeDeg: number | null,
  table: NormalTable = 'ASHT',
): ComparedWithNormal | null {
  if (rangeDeg === null) return null
  const normalDeg = NORMAL_MOTION[motion][NORMAL_TABLES.indexOf(table)]!
  return { table, normalDeg, percent: (100 * rangeDeg) / normalDeg }
}
