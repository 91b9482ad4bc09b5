import { Problem } from '../problems.js'
import type { Database, Transaction } from './database.js'
import type { Sent } from './findings.js'
import type { Journal, Told } from './journal.js'
import type { DraftRow, OverrideRow, ProgramVersionRow } from './rows.js'

type Fresh<Row> = Omit<Row, 'seq' | 'digest'>

/** Drafts, signed versions and exceptions. */
export class Programs {
  constructor(
    private readonly database: Database,
    private readonly journal: Journal,
  ) {}

  async draftOf(episodeId: string, transaction?: Transaction): Promise<DraftRow | null> {
    return (
      (await this.database.rows.drafts.findByPk(episodeId, transaction ? { transaction } : {}))?.get() ?? null
    )
  }

  /** The drafts of episodes, by episode. */
  async draftsOf(episodeIds: readonly string[]): Promise<Map<string, DraftRow>> {
    const found = await this.database.rows.drafts.findAll({ where: { episodeId: [...episodeIds] } })
    return new Map(found.map((row) => [row.get().episodeId, row.get()]))
  }

  /**
   * Saves a draft over the version it was read at; 0 for the first.
   *
   * @throws Problem `EDITED_MEANWHILE` when somebody else saved in between
   */
  async saveDraft(row: Omit<DraftRow, 'version'>, readVersion: number, told: Told): Promise<void> {
    const { drafts } = this.database.rows
    const { episodeId } = row
    await this.database.inTransaction(async (transaction) => {
      await this.journal.touch(episodeId, told, transaction)
      const existing = await this.draftOf(episodeId, transaction)
      if ((existing?.version ?? 0) !== readVersion) throw await this.editedMeanwhile(existing)
      await drafts.upsert({ ...row, version: readVersion + 1 }, { transaction })
    })
  }

  /**
   * Signs the draft as it was read, as the next version: what the signature rests on is read by `make` inside the transaction,
   * with the episode locked.
   */
  sign(
    sent: Sent,
    readVersion: number,
    make: (draft: DraftRow, number: number, transaction: Transaction) => Promise<Fresh<ProgramVersionRow>>,
  ) {
    const { programVersions } = this.database.rows
    return this.journal.append(
      programVersions,
      sent,
      async (transaction) => {
        const draft = await this.draftOf(sent.episodeId, transaction)
        if (!draft || draft.version !== readVersion) throw await this.editedMeanwhile(draft)
        const last = await programVersions.findOne({
          where: { episodeId: sent.episodeId },
          order: [['number', 'DESC']],
          attributes: ['number'],
          transaction,
        })
        return make(draft, (last?.get().number ?? 0) + 1, transaction)
      },
      { detail: ({ number }) => ({ number }) },
    )
  }

  addOverride(sent: Sent, row: Fresh<OverrideRow>) {
    return this.journal.append(this.database.rows.overrides, sent, row)
  }

  /** Exceptions that were not taken back, of all episodes. */
  async overridesInForce(): Promise<OverrideRow[]> {
    const { rows } = this.database
    const [all, gone] = await Promise.all([
      rows.overrides.findAll({ where: { withdrawsId: null } }),
      rows.withdrawals.findAll({ attributes: ['targetId'] }),
    ])
    const takenBack = new Set(gone.map((row) => row.get().targetId))
    return all.map((row) => row.get()).filter(({ id }) => !takenBack.has(id))
  }

  withdrawOverride(
    overrideId: string,
    sent: Sent,
    by: Pick<OverrideRow, 'why' | 'recordedBy' | 'recordedAt'>,
  ) {
    const target = {
      id: overrideId,
      what: 'exception',
      isOpen: (one: OverrideRow) => one.withdrawsId === null,
    }
    return this.journal.withdraw(this.database.rows.overrides, target, sent, (override) => ({
      ...override,
      ...by,
      id: sent.id,
      withdrawsId: overrideId,
    }))
  }

  private async editedMeanwhile(draft: DraftRow | null): Promise<Problem> {
    const editor = draft ? (await this.database.rows.users.findByPk(draft.updatedBy))?.get().name : null
    return new Problem(
      'EDITED_MEANWHILE',
      `Not saved: ${editor ?? 'Somebody'} has changed this draft since you opened it. Your version is still on your screen; open theirs and enter what is missing.`,
    )
  }
}
