import { QueryTypes } from 'sequelize'
import { Problem } from '../problems.js'
import type { Database, Transaction } from './database.js'
import type { Journal, Told } from './journal.js'
import type {
  EvaluationRow,
  FactRow,
  FlagRow,
  HealthCheckRow,
  HomeCheckRow,
  OrderRow,
  MeasurementRow,
  SchoolChoiceRow,
  SlipRow,
  WindowShiftRow,
} from './rows.js'

type Fresh<Row> = Omit<Row, 'seq' | 'digest'>
/** What was sent: the same id with the same content is stored once. */
export interface Sent {
  readonly id: string
  readonly episodeId: string
  readonly content: unknown
  readonly told: Told
}

/** What is found, ordered and told about an episode, and what of it is taken back. */
export class Findings {
  constructor(
    private readonly database: Database,
    private readonly journal: Journal,
  ) {}

  addEvaluation(sent: Sent, row: Fresh<EvaluationRow>, readings: readonly MeasurementRow[]) {
    const { rows } = this.database
    return this.journal.append(rows.evaluations, sent, row, {
      after: (transaction) => this.insertReadings(readings, transaction),
    })
  }

  /** Corrects a visit by a whole one of the same day, once: what was found then stays on record and no longer counts. */
  amendEvaluation(
    amendsId: string,
    sent: Sent,
    row: Fresh<EvaluationRow>,
    readings: readonly MeasurementRow[],
  ) {
    const { rows } = this.database
    const target = { id: amendsId, what: 'visit', isOpen: () => true }
    return this.journal.withdraw(
      rows.evaluations,
      target,
      sent,
      (visit) => {
        if (visit.evaluatedOn !== row.evaluatedOn)
          throw new Problem('INPUT_INVALID', 'A correction is of the same day as the visit it corrects.', [
            { path: 'evaluatedOn', message: `The visit was on ${visit.evaluatedOn}.` },
          ])
        return { ...row, amendsId }
      },
      {
        after: (transaction) => this.insertReadings(readings, transaction),
      },
    )
  }

  /** One statement and no model around each row: a visit has a hundred and more. */
  private async insertReadings(readings: readonly MeasurementRow[], transaction: Transaction): Promise<void> {
    if (readings.length === 0) return
    const values = readings.map((one) => [
      one.evaluationId,
      one.episodeId,
      one.measure,
      one.digit,
      one.side,
      one.kind,
      one.spot,
      JSON.stringify(one.result),
    ])
    await this.database.sequelize.query(
      'INSERT INTO measurements (evaluation_id, episode_id, measure, digit, side, kind, spot, result) VALUES ?',
      { replacements: [values], type: QueryTypes.INSERT, transaction },
    )
  }

  addFact(sent: Sent, row: Fresh<FactRow>) {
    return this.journal.append(this.database.rows.facts, sent, row)
  }

  withdrawFact(
    factId: string,
    sent: Sent,
    by: Pick<FactRow, 'note' | 'dated' | 'recordedBy' | 'recordedAt'>,
  ) {
    const target = { id: factId, what: 'entry', isOpen: (fact: FactRow) => !fact.isWithdrawn }
    return this.journal.withdraw(this.database.rows.facts, target, sent, (fact) => ({
      ...fact,
      ...by,
      id: sent.id,
      isWithdrawn: true,
      correctsId: factId,
    }))
  }

  addOrder(sent: Sent, row: Fresh<OrderRow>) {
    return this.journal.append(this.database.rows.orders, sent, row)
  }

  withdrawOrder(
    orderId: string,
    sent: Sent,
    by: Pick<OrderRow, 'why' | 'dated' | 'recordedBy' | 'recordedAt'>,
  ) {
    const target = { id: orderId, what: 'order', isOpen: (order: OrderRow) => order.withdrawsId === null }
    return this.journal.withdraw(this.database.rows.orders, target, sent, (order) => ({
      ...order,
      ...by,
      id: sent.id,
      withdrawsId: orderId,
    }))
  }

  raiseFlag(sent: Sent, row: Fresh<FlagRow>) {
    return this.journal.append(this.database.rows.flags, sent, row)
  }

  /** @param check - refuses by throwing what is written about a flag that needs more */
  liftFlag(
    flagId: string,
    sent: Sent,
    by: Pick<FlagRow, 'outcome' | 'answeredBy' | 'liftedBy' | 'raisedAt'>,
    check: (flag: FlagRow) => void,
  ) {
    const target = { id: flagId, what: 'flag', isOpen: (flag: FlagRow) => flag.liftsId === null }
    return this.journal.withdraw(this.database.rows.flags, target, sent, (flag) => {
      check(flag)
      return { ...flag, ...by, id: sent.id, liftsId: flagId }
    })
  }

  chooseSchool(sent: Sent, row: Fresh<SchoolChoiceRow>, facts: readonly Fresh<FactRow>[]) {
    const { rows } = this.database
    return this.journal.append(rows.schoolChoices, sent, row, {
      after: async (transaction, next) =>
        void (await rows.facts.bulkCreate(
          facts.map((fact) => ({ ...fact, seq: next(), digest: '' })),
          { transaction },
        )),
    })
  }

  addSlip(sent: Sent, row: Fresh<SlipRow>) {
    return this.journal.append(this.database.rows.slips, sent, row)
  }

  moveWindows(sent: Sent, row: Fresh<WindowShiftRow>) {
    return this.journal.append(this.database.rows.windowShifts, sent, row)
  }

  moveBack(shiftId: string, sent: Sent, by: Pick<WindowShiftRow, 'why' | 'recordedBy' | 'recordedAt'>) {
    const target = {
      id: shiftId,
      what: 'move',
      isOpen: (shift: WindowShiftRow) => shift.withdrawsId === null,
    }
    return this.journal.withdraw(this.database.rows.windowShifts, target, sent, (shift) => ({
      ...shift,
      ...by,
      id: sent.id,
      withdrawsId: shiftId,
    }))
  }

  addHomeCheck(sent: Sent, row: Fresh<HomeCheckRow>) {
    return this.journal.append(this.database.rows.homeChecks, sent, row)
  }

  addHealthCheck(sent: Sent, row: Fresh<HealthCheckRow>) {
    return this.journal.append(this.database.rows.healthChecks, sent, row)
  }
}
