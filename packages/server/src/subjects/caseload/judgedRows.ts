import { urgencyOf, type Catalogue, type ClinicalDay } from '@pledge/core'
import type { Data } from '../../data/data.js'
import { boutsThatCount, caseStaysUntil } from '../../record/episodeCase.js'
import { Problem } from '../../problems.js'
import { judgedRow, TRACED_BOUTS, type JudgedRow } from './answer.js'

/** Episodes read and judged at a time: between two lots others are answered. */
const LOT = 50

/** What a row is judged by. */
export interface Standpoint {
  readonly catalogue: Catalogue
  readonly today: ClinicalDay
  readonly now: Date
}
/** A row, and what it was judged of. It holds only while all of that is still so. */
interface Kept extends Standpoint {
  readonly row: JudgedRow
  readonly revision: string
  readonly until: Date | null
}
type Revisions = ReadonlyMap<string, string>

/**
 * The rows of all open episodes, judged once and kept while nothing they rest on changes: the record of the person's episodes, the
 * clinic's catalogue, the clinical day, and within the day the hours for which a pain logged at home counts. Whether it changed is
 * asked of the database each time; nothing is kept beyond this server's life.
 */
export class JudgedRows {
  private readonly kept = new Map<string, Kept>()
  private ordered: readonly JudgedRow[] = []
  /** The last look at all rows: as long as it holds, each does. */
  private looked: (Standpoint & { readonly revisions: Revisions; readonly until: Date | null }) | null = null
  private isClosed = false
  /** One looks after another, so that no two judge the same rows. */
  private last: Promise<unknown> = Promise.resolve()

  constructor(private readonly data: Pick<Data, 'records' | 'revisions'>) {}

  /** All rows as they stand at the moment they are asked for, the most urgent first, then by day. */
  async current(at: Standpoint): Promise<readonly JudgedRow[]> {
    const mine = this.last.then(() => this.lookedAt(at))
    this.last = mine.catch(() => {})
    return mine
  }

  /** Ends a look that has only begun, and waits until nobody looks any more. */
  async close(): Promise<void> {
    this.isClosed = true
    await this.last
  }

  private async lookedAt(at: Standpoint): Promise<readonly JudgedRow[]> {
    const revisions = await this.data.revisions.ofOpen(at.today)
    if (this.looked?.revisions === revisions && holds(this.looked, at)) return this.ordered
    const stale = [...revisions].flatMap(([id, revision]) => {
      const kept = this.kept.get(id)
      return kept?.revision === revision && holds(kept, at) ? [] : id
    })
    for (let from = 0; from < stale.length; from += LOT) {
      if (this.isClosed) throw new Problem('STOPPING', 'Pledge is being stopped. Try again in a minute.')
      await this.judge(stale.slice(from, from + LOT), revisions, at)
    }
    const kept = [...revisions.keys()].map((id) => this.kept.get(id)!)
    if (stale.length > 0) this.ordered = inOrder(kept.map(({ row }) => row))
    const ends = kept.flatMap(({ until }) => until?.getTime() ?? [])
    const until = ends.length > 0 ? new Date(ends.reduce((a, b) => Math.min(a, b))) : null
    this.looked = { ...at, revisions, until }
    return this.ordered
  }

  /** Revisions were asked for before the records are read: a change in between makes a row be judged once more, never once too little. */
  private async judge(ids: readonly string[], revisions: Revisions, at: Standpoint): Promise<void> {
    const { catalogue, today, now } = at
    const records = await this.data.records.standings(ids, boutsThatCount(catalogue, now, TRACED_BOUTS))
    for (const record of records) {
      const { id } = record.episode
      const row = judgedRow(record, catalogue, today, now)
      const until = caseStaysUntil(record, catalogue, now)
      this.kept.set(id, { ...at, row, revision: revisions.get(id)!, until })
    }
  }
}

/** Whether what was judged then is so from here, as far as time and catalogue go. */
function holds(then: Standpoint & { readonly until: Date | null }, at: Standpoint): boolean {
  return (
    then.catalogue === at.catalogue &&
    then.today === at.today &&
    then.now <= at.now &&
    (then.until === null || at.now < then.until)
  )
}

function inOrder(rows: readonly JudgedRow[]): JudgedRow[] {
  return rows
    .map((row) => ({ row, urgency: urgencyOf(row.attention) }))
    .sort(
      (a, b) =>
        a.urgency - b.urgency || a.row.day - b.row.day || (a.row.episodeId < b.row.episodeId ? -1 : 1),
    )
    .map(({ row }) => row)
}
