import { QueryTypes } from 'sequelize'
import type { SignedItem } from '@pledge/core'
import { Problem } from '../problems.js'
import type { Database } from './database.js'
import { newId } from './ids.js'
import type { Journal, Told } from './journal.js'
import type { BoutLogItemRow, BoutLogRow, DeviceRow, FlagRow, PairingRow } from './rows.js'

/** A program as a bout names it: whose it is and what is in it. Never changes once it is signed. */
interface SignedProgram {
  readonly episodeId: string
  readonly itemIds: ReadonlySet<string>
}
/** How long a pairing code may be used. */
export const CODE_MINUTES = 30
/** Signed programs and tokens of phones kept in memory, so that an upload reads no history. */
const KEPT = 2000
/** How the database says that a phone was taken back. */
const TAKEN_BACK = 'phone taken back'
type KnownDevice = Pick<DeviceRow, 'id' | 'episodeId'>

export type NewBout = Omit<BoutLogRow, 'seq'> & {
  readonly items: readonly Omit<BoutLogItemRow, 'boutLogId'>[]
}
export interface StoredBout {
  readonly isNew: boolean
  readonly receivedAt: Date
}

/** Patients' phones: how they are paired, and the bouts they send. */
export class Homes {
  private readonly programs = new Map<string, SignedProgram>()
  private readonly devices = new Map<string, KnownDevice>()

  constructor(
    private readonly database: Database,
    private readonly journal: Journal,
  ) {}

  /** The phone that a token belongs to, unless it was taken back. */
  async deviceByToken(tokenHash: string): Promise<KnownDevice | null> {
    const [device] = await this.database.sequelize.query<KnownDevice>(
      'SELECT id, episode_id episodeId FROM devices WHERE token_hash = ? AND revoked_at IS NULL',
      { replacements: [tokenHash], type: QueryTypes.SELECT },
    )
    if (device) keep(this.devices, tokenHash, device)
    return device ?? null
  }

  /** The phone that a token belongs to or once did: whoever writes for it makes sure that it was not taken back since. */
  async deviceOnceKnown(tokenHash: string): Promise<KnownDevice | null> {
    return this.devices.get(tokenHash) ?? this.deviceByToken(tokenHash)
  }

  async seen(deviceId: string, at: Date): Promise<void> {
    await this.database.rows.devices.update({ seenAt: at }, { where: { id: deviceId } })
  }

  /** A code to pair a phone with. */
  async offerCode(pairing: PairingRow, told: Told): Promise<void> {
    await this.database.inTransaction(async (transaction) => {
      await this.journal.touch(pairing.episodeId, told, transaction)
      await this.database.rows.pairings.create(pairing, { transaction })
    })
  }

  /** Pairs a phone by a code nobody used before it expired; `null` for any other code. */
  async pair(codeHash: string, tokenHash: string, at: Date): Promise<DeviceRow | null> {
    const { rows } = this.database
    return this.database.inTransaction(async (transaction) => {
      const found = await rows.pairings.findOne({
        where: { codeHash },
        transaction,
        lock: transaction.LOCK.UPDATE,
      })
      if (!found || found.get().usedAt !== null || found.get().expiresAt <= at) return null
      await found.update({ usedAt: at }, { transaction })
      const { episodeId } = found.get()
      const device = { id: newId(), episodeId, tokenHash, pairedAt: at, revokedAt: null, seenAt: at }
      await rows.devices.create(device, { transaction })
      const actor = { kind: 'device', id: device.id } as const
      await this.journal.touch(episodeId, { actor, at, action: 'phone.pair' }, transaction)
      return device
    })
  }

  async revoke(deviceId: string, episodeId: string, told: Told): Promise<void> {
    await this.database.inTransaction(async (transaction) => {
      await this.journal.touch(episodeId, told, transaction)
      const [count] = await this.database.rows.devices.update(
        { revokedAt: told.at },
        { where: { id: deviceId, episodeId }, transaction },
      )
      if (count !== 1) throw new Problem('NOT_FOUND', 'There is no such phone.')
    })
  }

  /** A signed program of an episode; `null` where none of this id was signed for it. */
  async programOf(versionId: string, episodeId: string): Promise<SignedProgram | null> {
    let program = this.programs.get(versionId)
    if (!program) {
      const row = (await this.database.rows.programVersions.findByPk(versionId))?.get()
      if (!row) return null
      const items = row.items as SignedItem[]
      program = { episodeId: row.episodeId, itemIds: new Set(items.map(({ itemId }) => itemId)) }
      keep(this.programs, versionId, program)
    }
    return program.episodeId === episodeId ? program : null
  }

  /** What is stored of a bout; refuses an id that has been stored with other contents or for another episode. */
  async storedBout({
    id,
    episodeId,
    digest,
  }: Pick<BoutLogRow, 'id' | 'episodeId' | 'digest'>): Promise<StoredBout | null> {
    const row = (await this.database.rows.boutLogs.findByPk(id))?.get()
    if (!row) return null
    if (row.episodeId !== episodeId || row.digest !== digest)
      throw new Problem('ID_TAKEN', 'A bout with this id has been stored with other contents.', [
        { path: 'id', message: 'Already stored with other contents.' },
      ])
    return { isNew: false, receivedAt: row.receivedAt }
  }

  /**
   * Stores a bout with its items, its flags and its audit row, all or nothing, in one trip to the database, unless its phone was
   * taken back; the same bout sent again answers what is stored.
   *
   * @param whileWriting - a place where a test may stop the server
   */
  async addBout(
    bout: NewBout,
    flags: readonly Omit<FlagRow, 'seq' | 'digest'>[],
    told: Told,
    whileWriting: () => Promise<void>,
  ): Promise<StoredBout> {
    const { sql, values } = blockOf(bout, flags, told)
    try {
      await this.database.retried(async () => {
        const writing = this.database.sequelize.query(sql, { replacements: values, type: QueryTypes.RAW })
        writing.catch(() => {})
        await whileWriting()
        await writing
      })
      return { isNew: true, receivedAt: bout.receivedAt }
    } catch (error) {
      if (this.database.saidBy(error) === TAKEN_BACK) throw notPaired()
      // The same bout sent twice, or a COMMIT whose answer was lost: what is stored decides.
      const stored = this.database.isDuplicate(error) ? await this.storedBout(bout) : null
      if (!stored) throw error
      return stored
    }
  }
}

/** Keeps the newest of what never changes. */
function keep<T>(kept: Map<string, T>, key: string, value: T): void {
  if (kept.size >= KEPT) kept.delete(kept.keys().next().value!)
  kept.set(key, value)
}

export function notPaired(): Problem {
  return new Problem('NOT_PAIRED', 'This phone is not paired. Ask your therapist for a code.')
}

/** One compound statement with its own transaction. */
function blockOf(bout: NewBout, flags: readonly Omit<FlagRow, 'seq' | 'digest'>[], told: Told) {
  const values: unknown[] = [bout.deviceId]
  const listed = (rows: readonly (readonly unknown[])[]) =>
    rows
      .map((row) => {
        values.push(...row)
        return `(${row.map(() => '?').join(', ')})`
      })
      .join(', ')
  const lines = [
    `INSERT INTO bout_logs (id, episode_id, program_version_id, device_id, started_at, ended_at, pain_before, pain_worst,
      pain_after, ended_by, red_flags, digest, received_at) VALUES ${listed([
        [
          bout.id,
          bout.episodeId,
          bout.programVersionId,
          bout.deviceId,
          bout.startedAt,
          bout.endedAt,
          bout.painBefore,
          bout.painWorst,
          bout.painAfter,
          bout.endedBy,
          JSON.stringify(bout.redFlags),
          bout.digest,
          bout.receivedAt,
        ],
      ])}`,
    `INSERT INTO bout_log_items (bout_log_id, item_id, outcome, repetitions_done, reason) VALUES ${listed(
      bout.items.map((item) => [bout.id, item.itemId, item.outcome, item.repetitionsDone, item.reason]),
    )}`,
  ]
  if (flags.length > 0) {
    // Flags stand in the episode's order: only a bout with one waits for its turn.
    values.push(bout.episodeId)
    lines.push(`SELECT last INTO @seq FROM episode_sequences WHERE episode_id = ? FOR UPDATE`)
    for (const flag of flags) {
      lines.push(`SET @seq = @seq + 1`)
      values.push(flag.id, bout.episodeId, flag.flag, bout.id, flag.raisedAt)
      lines.push(
        `INSERT INTO flags (id, episode_id, flag, bout_log_id, raised_at, lifts_id, outcome, answered_by, lifted_by, seq, digest)
          VALUES (?, ?, ?, ?, ?, NULL, '', '', NULL, @seq, '')`,
      )
    }
    values.push(bout.episodeId)
    lines.push(`UPDATE episode_sequences SET last = @seq WHERE episode_id = ?`)
  }
  lines.push(
    `INSERT INTO audit (id, at, actor_kind, actor_id, action, episode_id, is_change, detail) VALUES ${listed([
      [
        newId(),
        told.at,
        told.actor.kind,
        told.actor.id,
        told.action,
        bout.episodeId,
        true,
        JSON.stringify(told.detail ?? {}),
      ],
    ])}`,
  )
  return {
    sql: `BEGIN NOT ATOMIC
      DECLARE EXIT HANDLER FOR SQLEXCEPTION BEGIN ROLLBACK; RESIGNAL; END;
      START TRANSACTION;
      IF NOT EXISTS (SELECT 1 FROM devices WHERE id = ? AND revoked_at IS NULL) THEN
        SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = '${TAKEN_BACK}';
      END IF;
      ${lines.join(';\n')};
      COMMIT;
    END`,
    values,
  }
}
