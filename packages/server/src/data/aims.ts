import type { Database } from './database.js'
import type { Sent } from './findings.js'
import type { Journal } from './journal.js'
import type { Table } from './models.js'
import type { GoalRow, HandEventRow, TaskRow } from './rows.js'

type Fresh<Row> = Omit<Row, 'seq' | 'digest'>
type TakenBackBy = Pick<TaskRow, 'why' | 'recordedBy' | 'recordedAt'>

/** What a patient wants to do again, the tasks they measure it by, and what has happened to the hand. */
export class Aims {
  constructor(
    private readonly database: Database,
    private readonly journal: Journal,
  ) {}

  addTask(sent: Sent, row: Fresh<TaskRow>) {
    return this.journal.append(this.database.rows.tasks, sent, row)
  }

  /** Every task an episode ever had: one taken back was measured before. */
  async taskIds(episodeId: string): Promise<ReadonlySet<string>> {
    const rows = await this.database.rows.tasks.findAll({ where: { episodeId }, attributes: ['id'] })
    return new Set(rows.map((row) => row.get('id') as string))
  }

  addGoal(sent: Sent, row: Fresh<GoalRow>) {
    return this.journal.append(this.database.rows.goals, sent, row)
  }

  addEvent(sent: Sent, row: Fresh<HandEventRow>) {
    return this.journal.append(this.database.rows.handEvents, sent, row)
  }

  takeBackTask(id: string, sent: Sent, by: TakenBackBy) {
    return this.takeBack(this.database.rows.tasks, { id, what: 'task' }, sent, by)
  }

  takeBackGoal(id: string, sent: Sent, by: TakenBackBy) {
    return this.takeBack(this.database.rows.goals, { id, what: 'goal' }, sent, by)
  }

  takeBackEvent(id: string, sent: Sent, by: TakenBackBy) {
    return this.takeBack(this.database.rows.handEvents, { id, what: 'event' }, sent, by)
  }

  private takeBack<Row extends TaskRow | GoalRow | HandEventRow>(
    table: Table<Row>,
    { id, what }: { id: string; what: string },
    sent: Sent,
    by: TakenBackBy,
  ) {
    const target = { id, what, isOpen: (row: Row) => row.withdrawsId === null }
    return this.journal.withdraw(table, target, sent, (row) => ({
      ...row,
      ...by,
      id: sent.id,
      withdrawsId: id,
    }))
  }
}
