import type { Database } from './database.js'
import type { AuditRow } from './rows.js'

export interface TrailEntry extends AuditRow {
  /** `null` where it is about no patient. */
  readonly patient: string | null
}

/** Who did what. */
export class Trail {
  constructor(private readonly database: Database) {}

  /** The newest entries, with the names of the patients they are about. */
  async newest(most: number): Promise<TrailEntry[]> {
    const { rows } = this.database
    const entries = (await rows.audit.findAll({ order: [['id', 'DESC']], limit: most })).map((row) =>
      row.get(),
    )
    const ids = [...new Set(entries.flatMap(({ episodeId }) => episodeId ?? []))]
    const episodes = (
      await rows.episodes.findAll({ where: { id: ids }, attributes: ['id', 'patientId'] })
    ).map((row) => row.get())
    const patients = await rows.patients.findAll({
      where: { id: episodes.map(({ patientId }) => patientId) },
      attributes: ['id', 'name'],
    })
    const names = new Map(patients.map((row) => [row.get().id, row.get().name]))
    const patientOf = new Map(episodes.map(({ id, patientId }) => [id, names.get(patientId) ?? null]))
    return entries.map((entry) => ({
      ...entry,
      patient: entry.episodeId ? (patientOf.get(entry.episodeId) ?? null) : null,
    }))
  }
}
