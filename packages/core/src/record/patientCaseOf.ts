import { addDays, daysBetween, type ClinicalDay } from '../calendar/clinicalDay.js'
import type { Condition } from '../exercise/condition.js'
import { thingsNotAtHome, type Equipment } from '../exercise/equipment.js'
import type { Contraindication } from '../exercise/exercise.js'
import { bindProtocol, type Binding } from '../protocol/bindProtocol.js'
import { criterion } from '../vocabulary/criterion.js'
import { factBook, type LoggedPain, type RecordedFact } from '../protocol/facts.js'
import { reviewOverdueDays } from '../protocol/phaseOn.js'
import type { Protocol } from '../protocol/protocol.js'
import { restartedDay, type Slip } from '../protocol/restartedDay.js'
import { orderFrom, type RecordedOrder } from '../protocol/restrictions.js'
import type { Digit, State } from '../vocabulary/vocabulary.js'
import type { CrossCutting } from '../rules/crossCutting.js'
import type { Order } from '../protocol/order.js'
import type { PatientCase } from '../verdict/patientCase.js'

/** All that is on record about one injury, from whichever store: what a case is made of. */
export interface CaseRecord {
  /** As the catalogue has it. */
  readonly protocol: Protocol
  readonly binding: Binding
  readonly condition: Condition
  /** The date of day 0 with the bends out of the orthosis that make days count anew; or the day itself, where no dates are known. */
  readonly counted:
    { readonly anchorOn: ClinicalDay; readonly slips: readonly Slip[] } | { readonly day: number }
  readonly digits: readonly Digit[]
  /** In order of recording. */
  readonly facts: readonly RecordedFact[]
  readonly loggedPain?: readonly LoggedPain[]
  /** Live states told besides those on record. */
  readonly states?: readonly State[]
  /** Orders in force, those withdrawn left out. */
  readonly orders: readonly (Order | RecordedOrder)[]
  /** Whether a red flag is open. */
  readonly isLocked: boolean
  /** `null` where the store keeps no reviews: then none is due. */
  readonly lastReviewOn: ClinicalDay | null
  readonly contraindications: readonly Contraindication[]
  readonly isHealthAsked: boolean
  /** Things at home; `null` = nobody has asked. */
  readonly things: readonly string[] | null
  readonly otherHand: PatientCase['otherHand']
  /** The person's other open injuries. */
  readonly others?: readonly { readonly hand: 'same' | 'other'; readonly record: CaseRecord }[]
  /** For protocol authors' tests only: whatever nobody recorded counts as met. */
  readonly assumeRecorded?: boolean
}

/** Rules and lists of the catalogue that a case is read by. */
interface Rules {
  readonly crossCutting: CrossCutting
  readonly equipment: ReadonlyMap<string, Equipment>
}

/** States that are recorded like findings; acute swelling closes through "swelling stable". */
const RECORDED_STATES = ['state.flare', 'state.crps'] as const satisfies readonly State[]

/**
 * The one case that everything judges, on a day: protocol as bound to the patient, day with slips counted, live states, locks,
 * orders, overdue review and the person's other injuries. Where it stands, `standingOf` tells.
 *
 * @param today - `null` where a record knows only the day: then nothing is stale and no review is due
 * @throws CoreError `DOCUMENT_INVALID` at `variant` or `vars.…` for a binding the protocol does not know
 */
export function patientCaseOf(record: CaseRecord, rules: Rules, today: ClinicalDay | null): PatientCase {
  const { crossCutting, equipment } = rules
  const protocol = bindProtocol(record.protocol, record.binding)
  const day =
    'day' in record.counted
      ? record.counted.day
      : restartedDay(protocol, record.counted.anchorOn, record.counted.slips, today!)
  const known = {
    today,
    limits: crossCutting.facts,
    facts: record.facts,
    loggedPain: record.loggedPain ?? [],
  }
  // A state is on when somebody recorded it, never because a test assumes what nobody recorded.
  const recorded = factBook(known)
  const live = RECORDED_STATES.filter((state) => recorded.status(criterion(state)).name === 'met')
  return {
    protocol,
    condition: record.condition,
    day,
    facts: record.assumeRecorded ? factBook({ ...known, assumeRecorded: true }) : recorded,
    digits: record.digits,
    states: [...new Set([...(record.states ?? []), ...live])],
    orders: record.orders.map((order, index) =>
      'rule' in order ? order : orderFrom(`order.${index + 1}`, order, dayZero(day, today!)),
    ),
    redLock: record.isLocked,
    reviewOverdueDays: reviewOverdueDays(
      record.lastReviewOn !== null && today !== null ? daysBetween(record.lastReviewOn, today) : null,
      crossCutting.freezeAfterDays,
    ),
    contraindications: record.contraindications,
    isHealthAsked: record.isHealthAsked,
    notAtHome: record.things ? thingsNotAtHome(equipment, record.things) : null,
    otherHand: record.otherHand,
    otherInjuries: (record.others ?? []).map((other) => ({
      hand: other.hand,
      state: patientCaseOf(other.record, rules, today),
    })),
  }
}

/** The date on which the days of a case began to count: its anchor, or later where a slip made them count anew. */
export function dayZero(day: number, today: ClinicalDay): ClinicalDay {
  return addDays(today, -day)
}
