import { UniqueConstraintError } from 'sequelize'
import { Problem } from '../problems.js'
import type { Database } from './database.js'
import { digestOf } from './digest.js'
import type { Journal, Told } from './journal.js'
import type { HouseEditRow } from './rows.js'

/** What the clinic does otherwise than the shipped catalogue, in the order in which it was decided. */
export class HouseEdits {
  constructor(
    private readonly database: Database,
    private readonly journal: Journal,
  ) {}

  /** Every change ever made and taken back, oldest first. */
  async all(): Promise<HouseEditRow[]> {
    const rows = await this.database.rows.houseEdits.findAll({ order: [['number', 'ASC']] })
    return rows.map((row) => row.get())
  }

  /** The number of the newest change; 0 for none. */
  async newestNumber(): Promise<number> {
    const newest = await this.database.rows.houseEdits.findOne({
      order: [['number', 'DESC']],
      attributes: ['number'],
    })
    return newest?.get().number ?? 0
  }

  /**
   * Adds a change under the next number; the same id with the same content answers the number it has.
   *
   * @throws Problem `ID_TAKEN` for an id with other content; `ALREADY_DONE` for one taken back twice
   */
  async add(row: Omit<HouseEditRow, 'number' | 'digest'>, content: unknown, told: Told): Promise<number> {
    const { houseEdits, withdrawals } = this.database.rows
    const digest = digestOf(content)
    const known = await this.stored(row.id, digest)
    if (known !== null) return known
    try {
      return await this.database.inTransaction(async (transaction) => {
        const newest = await houseEdits.findOne({
          order: [['number', 'DESC']],
          transaction,
          lock: transaction.LOCK.UPDATE,
        })
        const number = (newest?.get().number ?? 0) + 1
        if (row.withdrawsId) {
          if (await withdrawals.findByPk(row.withdrawsId, { transaction }))
            throw new Problem('ALREADY_DONE', 'This change has been taken back already.')
          await withdrawals.create(
            { targetId: row.withdrawsId, withdrawalId: row.id, episodeId: null },
            { transaction },
          )
        }
        await houseEdits.create({ ...row, number, digest }, { transaction })
        await this.journal.audit({ ...told, detail: { ...told.detail, number } }, null, true, transaction)
        return number
      })
    } catch (error) {
      if (!(error instanceof UniqueConstraintError)) throw error
      const stored = await this.stored(row.id, digest)
      if (stored === null) throw error
      return stored
    }
  }

  /** The number a change has that is stored with the same content; `null`: none is. */
  async stored(id: string, digest: string): Promise<number | null> {
    const row = (await this.database.rows.houseEdits.findByPk(id))?.get()
    if (!row) return null
    if (row.digest !== digest)
      throw new Problem(
        'ID_TAKEN',
        'Another change has been stored under this id.',
        [{ path: 'id', message: 'Already stored with other contents.' }],
        { id: row.id, number: row.number, subject: row.subject },
      )
    return row.number
  }
}

/** The changes in force, in the order in which they were made. */
export function editsInForce(rows: readonly HouseEditRow[]): HouseEditRow[] {
  const withdrawn = new Set(rows.map(({ withdrawsId }) => withdrawsId))
  return rows.filter((row) => row.withdrawsId === null && !withdrawn.has(row.id))
}
