// Dates
export {
  addDays,
  clinicalDayAt,
  daysBetween,
  isClinicalDay,
  type ClinicalDay,
} from './calendar/clinicalDay.js'
// Errors
export { CORE_ERROR_CODES, CoreError, type CoreErrorCode } from './errors.js'
// Reading documents
export { DocumentReader } from './reading/documentReader.js'
// Protocols, phases, criteria
export * from './protocol/vocabulary.js'
export * from './protocol/names.js'
export {
  answerKind,
  criterionMeaning,
  criterionOf,
  criterionQuestion,
  isMetBy,
  usualWay,
  giverOf,
  isSurgeonsToGive,
  type AnswerKind,
  type Criterion,
  LOAD_BASE_CRITERIA,
} from './protocol/criterion.js'
export {
  factBook,
  staleAfterDays,
  type CriterionStatus,
  type FactBook,
  type LoggedPain,
  type RecordedFact,
} from './protocol/facts.js'
export { bindProtocol, UNBOUND, type Binding } from './protocol/bindProtocol.js'
export { lintProtocol, type Finding } from './protocol/lintProtocol.js'
export { ruleKey, rulesOf } from './protocol/protocol.js'
export type {
  OwnRedFlag,
  OwnYellowFlag,
  Phase,
  Protocol,
  Rule,
  Source,
  Variable,
  Variant,
  Wear,
} from './protocol/protocol.js'
export { daysBehind, phaseOn, reviewOverdueDays, type PhaseStanding } from './protocol/phaseOn.js'
export { readProtocol } from './protocol/readProtocol.js'
export { restartedDay, type Slip } from './protocol/restartedDay.js'
export { unansweredSelection, wrongSchool } from './protocol/wrongSchool.js'
export { shiftedDay, shiftProtocol } from './protocol/shiftProtocol.js'
export {
  EARLY_PERMISSION_NAMES,
  EARLY_PERMISSIONS,
  isEarlyPermission,
  isRestriction,
  orderFrom,
  orderLabel,
  RESTRICTION_NAMES,
  RESTRICTIONS,
  type EarlyPermission,
  type RecordedOrder,
  type Restriction,
} from './protocol/restrictions.js'
export {
  digitsAsked,
  hasSlipClock,
  surgeonsClearances,
  type DigitsAsked,
} from './protocol/askedAtReferral.js'
export { MAP_MODES, permissionMap, type MapCell, type MapRow } from './verdict/permissionMap.js'
export { schoolPreview, type SchoolPreview } from './verdict/schoolPreview.js'
export { milestones, type Milestone } from './verdict/milestones.js'
export { NO_WEIGHT_LIMIT_KG, ruleWords, type RuleTale } from './protocol/ruleWords.js'
// Verdicts
export { assess, openingDay, verdictKind } from './verdict/assess.js'
export { atomsOf, atomText, type Atom } from './verdict/atoms.js'
export { atomWords } from './verdict/atomWords.js'
export {
  EVERYTHING_MET,
  standingOf,
  unhinderedCase,
  type CaseOnDay,
  type CaseStanding,
  type Supposing,
} from './verdict/caseOnDay.js'
export { SEARCH_DAYS, type OpeningRun } from './verdict/openingRuns.js'
export { unhinderedPatient, type OtherInjury, type PatientCase } from './verdict/patientCase.js'
export { alwaysWorn } from './verdict/restraints.js'
export type { HowDone } from './verdict/judgeEntry.js'
export { assessExercise, exerciseKind, exerciseOpenings, orthosisOn } from './verdict/assessExercise.js'
export { assessThisHand } from './verdict/otherInjuries.js'
export { openWristsThatDecide, type OpenWrist } from './verdict/openWrist.js'
export { protocolOpenings, type ProtocolOpening } from './verdict/protocolOpenings.js'
export { fallbackFor, type Fallback } from './verdict/fallback.js'
export { explainVerdict } from './verdict/explainVerdict.js'
export { gateStandings, type GateStanding } from './verdict/gateStanding.js'
export {
  coveringOverride,
  isOverridden,
  overrideTerms,
  type OverrideTerms,
  type RecordedOverride,
} from './verdict/override.js'
export { whatWouldOpen, type Opener } from './verdict/whatWouldOpen.js'
export { readOrder, type Order } from './verdict/order.js'
export { readSignature, type Signature } from './verdict/signature.js'
export {
  groupedReasons,
  isOpen,
  VERDICT_KINDS,
  worseKind,
  type Reason,
  type Verdict,
  type VerdictKind,
} from './verdict/verdict.js'
// Exercises
export * from './exercise/exercise.js'
export * from './exercise/pictureHints.js'
export * from './exercise/depicted.js'
export * from './exercise/clippedPose.js'
export * from './exercise/exerciseNames.js'
export * from './exercise/contraindications.js'
export {
  choosableDigits,
  digitsInTurn,
  digitsToBegin,
  inHandOrder,
  takesTurns,
} from './exercise/chosenDigits.js'
export { readEquipment, thingsNotAtHome, type Equipment } from './exercise/equipment.js'
export { readCondition, type Condition } from './exercise/condition.js'
export { DOSE_LIMITS, readExercise } from './exercise/readExercise.js'
export { resistanceOf, signatureOf } from './exercise/signatureOf.js'
export {
  changesByDose,
  derivedFacts,
  signatureText,
  type ChangeByDose,
  type DerivedFacts,
} from './exercise/derivedFacts.js'
export { nerveAsksMore, NERVE_QUIET_ENOUGH, type NerveAsksMore } from './exercise/nerveCeiling.js'
export { poseWords, positionWords } from './exercise/poseWords.js'
export { signatureWords } from './exercise/signatureWords.js'
export { LADDER_AXES, ladderStep, type LadderAxis } from './exercise/ladderStep.js'
// Dose
export {
  burdenOf,
  minutesOfBout,
  REST_SECONDS,
  sidesInTurn,
  WORN_FROM_SECONDS,
  type Burden,
} from './dose/minutes.js'
export * from './dose/doseSchool.js'
export { movedShare, repetitionMoment, type RepetitionMoment } from './dose/repetitionClock.js'
export { timingOf, type Timing } from './dose/timing.js'
// Motion
export * from './motion/wristMotion.js'
// At home
export * from './adherence/stopPath.js'
export * from './adherence/keptProgram.js'
// The record
export { dayZero, patientCaseOf, type CaseRecord } from './record/patientCaseOf.js'
export * from './record/reviews.js'
export * from './record/boutAtHome.js'
// The program
export * from './program/signedItem.js'
export * from './program/judgedItem.js'
export * from './program/boutSize.js'
export * from './program/nerveSlides.js'
// Rules for every protocol
export * from './rules/crossCutting.js'
export { joinRules, readRuleFile, type RuleFile } from './rules/readCrossCutting.js'
// Readings and what is computed from them
export * from './anatomy/constant.js'
export * from './anatomy/jointReading.js'
export * from './motion/signConvention.js'
export * from './motion/totalActiveMotion.js'
export * from './motion/motionGrade.js'
export * from './motion/twoJointFormula.js'
export * from './motion/pointScore.js'
export * from './motion/tendonGrades.js'
export * from './motion/activePassiveDifference.js'
export * from './motion/adhesionResponse.js'
export * from './motion/webSpan.js'
export * from './motion/torqueRange.js'
export * from './motion/tissueTightness.js'
export * from './motion/functionalCoverage.js'
export * from './motion/dartThrow.js'
export * from './motion/opposition.js'
export * from './motion/normalMotion.js'
export * from './motion/hypermobility.js'
export * from './motion/collateralOpening.js'
export * from './strength/forceUnits.js'
export * from './strength/gripTrials.js'
export * from './strength/otherSide.js'
export * from './strength/strengthNorms.js'
export type { Norm, Norms } from './strength/norm.js'
export { NORMS_1985 } from './strength/norms1985.js'
export { NORMS_2011 } from './strength/norms2011.js'
export * from './strength/strengthTest.js'
export * from './symptoms/painChange.js'
export * from './symptoms/patientSpecificScale.js'
export * from './symptoms/edema.js'
export * from './symptoms/sensation.js'
export * from './symptoms/advancingTinel.js'
export * from './symptoms/likelihood.js'
export * from './symptoms/provocativeTests.js'
export * from './symptoms/carpalTunnelScore.js'
export * from './symptoms/scarScale.js'
export * from './change/measurementError.js'
export * from './change/measureErrors.js'
export * from './change/changeThatMatters.js'
export * from './change/robustSlope.js'
export * from './change/plateau.js'
export * from './change/trajectory.js'
export * from './kinematics/segmentLengths.js'
export * from './kinematics/fingertip.js'
export * from './tissue/tendonExcursion.js'
export * from './tissue/repairMargin.js'
export * from './tissue/thumbLoad.js'
export * from './tissue/boneHealing.js'
export * from './tissue/response.js'
export * from './tissue/dose.js'
export * from './tissue/exerciseTravel.js'
export * from './nerve/nerveBed.js'
export * from './nerve/nerveMove.js'
export * from './nerve/nerveBudget.js'
// Exchange
export { editedProtocol, houseCatalogue, opensEarlier, subjectOf, type HouseEdit } from './exchange/houseCatalogue.js'
export { calculated, type CalcAnswer } from './exchange/calc.js'
export {
  checkCatalogue,
  SOURCES_OF_DOCSTRINGS,
  sourcesOfCode,
  type Catalogue,
  type CatalogueSource,
} from './exchange/catalogue.js'
export { assessCaseFile, type CaseAssessment, type CaseVerdict } from './exchange/caseFile.js'
