import { published } from '../../anatomy/constant.js'

export type NormalMotion =
  | 'wristFlexion'
  | 'wristExtension'
  | 'radialDeviation'
  | 'ulnarDeviation'
  | 'pronation'
  | 'supination'
  | 'elbowFlexion'
  | 'mcpFlexion'
  | 'pipFlexion'
  | 'dipFlexion'
  | 'thumbMcpFlexion'
  | 'thumbIpFlexion'
type Table = Readonly<Record<NormalMotion, number>>

const ASHT: Table = {
  wristFlexion: 80,
  wristExtension: 70,
  radialDeviation: 20,
  ulnarDeviation: 30,
  pronation: 80,
  supination: 80,
  elbowFlexion: 150,
  mcpFlexion: 90,
  pipFlexion: 100,
  dipFlexion: 70,
  thumbMcpFlexion: 50,
  thumbIpFlexion: 80,
}

/**
 * Normal active motion by three tables, all from memory; the first is the default. The impairment table is lower on purpose
 * for wrist and DIP; thumb tables are not comparable.
 */
export const NORMAL_TABLES = {
  ASHT: published<Table>(ASHT, 'degrees', 'ASHT-1992', 'high'),
  AAOS: published<Table>({ ...ASHT, dipFlexion: 90 }, 'degrees', 'AAOS-1994', 'high'),
  AMA: published<Table>(
    { ...ASHT, wristFlexion: 60, wristExtension: 60, elbowFlexion: 140, thumbMcpFlexion: 60 },
    'degrees',
    'AMA-2000',
    'high',
  ),
} as const
export type NormalTable = keyof typeof NORMAL_TABLES

/** Means and SD that were measured in healthy men; a spread tells more than a table. */
export const MEASURED_MOTION = published(
  {
    wristFlexion: [76.4, 6.3],
    wristExtension: [74.9, 6.4],
    radialDeviation: [21.5, 4],
    ulnarDeviation: [36, 3.8],
    pronation: [75.8, 5.1],
    supination: [82.1, 3.8],
    elbowFlexion: [142.9, 5.6],
  } as const,
  'degrees',
  'BOONE-AZEN-1979',
  'high',
)

export interface ComparedWithNormal {
  /** Named wherever the comparison is shown: the other side comes first. */
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
  const normalDeg = NORMAL_TABLES[table].value[motion]
  return { table, normalDeg, percent: (100 * rangeDeg) / normalDeg }
}
