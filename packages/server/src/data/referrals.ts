import type { Database } from './database.js'
import type { Journal, Told } from './journal.js'
import type { EpisodeRow, FactRow, HomeCheckRow, OrderRow, PatientRow, SchoolChoiceRow } from './rows.js'

type Fresh<Row> = Omit<Row, 'seq' | 'digest'>

/** Everything that a referral brings, written together. */
export interface NewReferral {
  readonly patient: PatientRow
  readonly episode: EpisodeRow
  readonly school: Fresh<SchoolChoiceRow>
  readonly home: Fresh<HomeCheckRow>
  readonly facts: readonly Fresh<FactRow>[]
  readonly orders: readonly Fresh<OrderRow>[]
}

/** Patients and the episodes that begin with a referral. */
export class Referrals {
  constructor(
    private readonly database: Database,
    private readonly journal: Journal,
  ) {}

  /** Persons of a name and a date of birth, with their episodes; accents, case and spaces of the name do not count. */
  async knownPersons({
    name,
    birthDate,
  }: {
    name: string
    birthDate: string
  }): Promise<{ personId: string; episodes: EpisodeRow[] }[]> {
    const { rows } = this.database
    const born = (await rows.patients.findAll({ where: { birthDate } })).map((row) => row.get())
    const alike = born.filter((one) => plain(one.name) === plain(name))
    const episodes = await rows.episodes.findAll({
      where: { patientId: alike.map(({ id }) => id) },
      order: [['id', 'ASC']],
    })
    return [...new Set(alike.map(({ personId }) => personId))].map((personId) => {
      const own = alike.filter((one) => one.personId === personId).map(({ id }) => id)
      return {
        personId,
        episodes: episodes.map((row) => row.get()).filter(({ patientId }) => own.includes(patientId)),
      }
    })
  }

  async add({ patient, episode, school, home, facts, orders }: NewReferral, told: Told): Promise<void> {
    const { rows } = this.database
    await this.database.inTransaction(async (transaction) => {
      let last = 0
      const next = <Row>(row: Row) => ({ ...row, seq: (last += 1), digest: '' })
      await rows.patients.create(patient, { transaction })
      await rows.episodes.create(episode, { transaction })
      await rows.schoolChoices.create(next(school), { transaction })
      await rows.homeChecks.create(next(home), { transaction })
      await rows.facts.bulkCreate(facts.map(next), { transaction })
      await rows.orders.bulkCreate(orders.map(next), { transaction })
      await rows.sequences.create({ episodeId: episode.id, last }, { transaction })
      await this.journal.audit(told, episode.id, true, transaction)
    })
  }
}

/** A name without accents, case and more than one space. */
function plain(name: string): string {
  return name.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase().trim().replace(/\s+/g, ' ')
}
