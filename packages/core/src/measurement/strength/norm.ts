/** One age band: mean and SD of each hand. */
export interface Norm {
  readonly fromAge: number
  /** Last whole year of the band; `null` = and older. */
  readonly toAge: number | null
  readonly right: readonly [mean: number, sd: number]
  readonly left: readonly [mean: number, sd: number]
}
export type Norms = Readonly<Record<'male' | 'female', readonly Norm[]>>
