// Shapes that form and route share. A subpath of its own, so that workers need no Yup.
export { type TodayContext, TEXT_LIMITS } from './fields.js'
export {
  knownPerson,
  newHomeCheck,
  newReferral,
  newSchoolChoice,
  newSlip,
  OTHER_HANDS,
  type NewReferral,
} from './referral.js'
export {
  FACT_WAYS,
  factWithdrawal,
  flagLift,
  newEvaluation,
  newFact,
  newFlag,
  newGoal,
  newHandEvent,
  newHealthCheck,
  newOrder,
  newOverride,
  newTask,
  newWindowShift,
} from './record.js'
export { doseSchema, draftSave, pairing, programSigning, signIn, type DraftItem } from './program.js'
export { newBoutLog, SKIP_REASONS, type NewBoutLog } from './boutLog.js'
export { CASELOAD_ROWS, caseloadQuery, libraryQuery, permissionsQuery } from './queries.js'
export { houseEditPreview, newHouseEdit } from './house.js'
