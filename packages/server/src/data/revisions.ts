import { QueryTypes } from 'sequelize'
import type { ClinicalDay } from '@pledge/core'
import type { Database } from './database.js'

/**
 * Bouts get their number before they are stored, and a later number may be stored first: so many numbers back a bout may still
 * be on its way when the counting begins.
 */
const ON_THEIR_WAY = 2000

/**
 * What the records of all open episodes stand at: whoever keeps something made from a record compares this with what it was made
 * at. Asked of the database each time, so it holds whichever server wrote.
 */
export class Revisions {
  /** Which person an episode is of never changes. */
  private readonly persons = new Map<string, string>()
  private newest: { readonly mark: string; readonly of: ReadonlyMap<string, string> } = {
    mark: '',
    of: new Map(),
  }
  /** Bouts are counted from this number on, anew each clinical day. */
  private counted: { readonly day: ClinicalDay; readonly from: number } | null = null

  constructor(private readonly database: Database) {}

  /**
   * A text for each open episode that is another one after any change of its record, or of one of the same person's; the same map
   * as before where nothing changed at all.
   */
  async ofOpen(today: ClinicalDay): Promise<ReadonlyMap<string, string>> {
    const from = await this.countedFrom(today)
    const [orders, bouts] = await Promise.all([
      // Numbers of an order only grow: with the same sum, each is the same.
      this.ask<{ count: number; sum: number }>('SELECT COUNT(*) count, SUM(last) sum FROM episode_sequences'),
      this.ask<{ id: string; count: number }>(
        'SELECT episode_id id, COUNT(*) count FROM bout_logs WHERE seq > ? GROUP BY episode_id ORDER BY episode_id',
        from,
      ),
    ])
    const mark = JSON.stringify([from, orders, bouts])
    if (this.newest.mark !== mark) this.newest = { mark, of: await this.ofEach(from, bouts) }
    return this.newest.of
  }

  private async ofEach(from: number, bouts: readonly { id: string; count: number }[]) {
    const orders = await this.ask<{ id: string; last: number }>(
      'SELECT episode_id id, last FROM episode_sequences ORDER BY episode_id',
    )
    const since = new Map(bouts.map(({ id, count }) => [id, count]))
    await this.findPersons(orders.flatMap(({ id }) => (this.persons.has(id) ? [] : id)))
    const ofPerson = new Map<string, string>()
    for (const { id, last } of orders) {
      const person = this.persons.get(id)!
      ofPerson.set(person, `${ofPerson.get(person) ?? from} ${id}.${last}.${since.get(id) ?? 0}`)
    }
    return new Map(orders.map(({ id }) => [id, ofPerson.get(this.persons.get(id)!)!]))
  }

  private async countedFrom(day: ClinicalDay): Promise<number> {
    if (this.counted?.day !== day) {
      const [newest] = await this.ask<{ seq: number | null }>('SELECT MAX(seq) seq FROM bout_logs')
      this.counted = { day, from: Math.max(0, Number(newest?.seq ?? 0) - ON_THEIR_WAY) }
    }
    return this.counted.from
  }

  private async findPersons(episodeIds: readonly string[]): Promise<void> {
    if (episodeIds.length === 0) return
    const found = await this.ask<{ id: string; person: string }>(
      `SELECT episodes.id, person_id person FROM episodes JOIN patients ON patients.id = patient_id WHERE episodes.id IN (?)`,
      episodeIds,
    )
    for (const { id, person } of found) this.persons.set(id, person)
  }

  private ask<Row extends object>(sql: string, ...replacements: unknown[]): Promise<Row[]> {
    return this.database.sequelize.query<Row>(sql, { replacements, type: QueryTypes.SELECT })
  }
}
