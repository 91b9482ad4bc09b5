// Dates
export {
  addDays,
  ageInYears,
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
export * from './vocabulary/vocabulary.js'
export * from './vocabulary/zones.js'
export { zoneWords } from './words/zoneNames.js'
export * from './words/names.js'
export {
  answerKind,
  criterionOf,
  isMetBy,
  usualWay,
  giverOf,
  isSurgeonsToGive,
  type AnswerKind,
  type Criterion,
  LOAD_BASE_CRITERIA,
} from './vocabulary/criterion.js'
export { criterionMeaning, criterionQuestion } from './words/criterionWords.js'
export {
  factBook,
  hoursStillCounted,
  latestFacts,
  staleAfterDays,
  type CriterionStatus,
  type FactBook,
  type FactLimits,
  type LoggedPain,
  type RecordedFact,
} from './protocol/facts.js'
export { bindProtocol, UNBOUND, type Binding } from './protocol/bindProtocol.js'
export { lintProtocol, type Finding } from './protocol/lintProtocol.js'
export { motionsOfConcern, ruleKey, rulesOf } from './protocol/protocol.js'
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
export {
  daysBehind,
  isReferredLate,
  phaseOn,
  reviewOverdueDays,
  type PhaseStanding,
} from './protocol/phaseOn.js'
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
export { digitsAsked, hasSlipClock, surgeonsClearances, type DigitsAsked } from './record/askedAtReferral.js'
export { causeOfAll, MAP_MODES, permissionMap, type MapCell, type MapRow } from './verdict/permissionMap.js'
export { schoolPreview, type SchoolPreview } from './verdict/schoolPreview.js'
export { milestones, type Milestone } from './verdict/milestones.js'
export { NO_WEIGHT_LIMIT_KG, ruleWords, type RuleTale } from './protocol/ruleWords.js'
// Verdicts
export { assess, openingDay, verdictKind } from './verdict/assess.js'
export { atomsOf, atomText, type Atom } from './verdict/atoms.js'
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
export { explainVerdict, toldReasons } from './verdict/explainVerdict.js'
export { gateStandings, type GateStanding } from './verdict/gateStanding.js'
export {
  coveringOverride,
  isOverridden,
  overrideTerms,
  type OverrideTerms,
  type RecordedOverride,
} from './verdict/override.js'
export { whatWouldOpen, type Opener } from './verdict/whatWouldOpen.js'
export { readOrder, type Order } from './protocol/order.js'
export { readSignature, type Signature } from './exercise/signature.js'
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
export { resistanceOf } from './exercise/resistanceOf.js'
export { signatureOf } from './exercise/signatureOf.js'
export {
  changesByDose,
  derivedFacts,
  signatureText,
  type ChangeByDose,
  type DerivedFacts,
} from './dose/derivedFacts.js'
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
export * from './measurement/motion/wristMotion.js'
// At home
export * from './rules/response.js'
export * from './adherence/keptProgram.js'
// The record
export * from './record/measuredFacts.js'
export * from './record/painFacts.js'
export * from './record/whatToMeasure.js'
export * from './record/foundAtVisits.js'
export * from './record/goals.js'
export * from './record/goalTemplates.js'
export * from './record/handHistory.js'
export * from './record/expectedBands.js'
export { dayZero, patientCaseOf, type CaseRecord } from './record/patientCaseOf.js'
export * from './record/reviews.js'
export * from './record/boutAtHome.js'
// The program
export * from './program/signedItem.js'
export * from './program/judgedItem.js'
export * from './program/needs.js'
export * from './program/boutSize.js'
export * from './program/nerveSlides.js'
// Rules for every protocol
export * from './rules/crossCutting.js'
export { joinRules, readRuleFile, type RuleFile } from './rules/readCrossCutting.js'
// Readings and what is computed from them
export * from './anatomy/constant.js'
export * from './anatomy/jointReading.js'
export * from './measurement/motion/signConvention.js'
export * from './measurement/motion/totalActiveMotion.js'
export * from './measurement/motion/motionGrade.js'
export * from './measurement/motion/twoJointFormula.js'
export * from './measurement/motion/pointScore.js'
export * from './measurement/motion/tendonGrades.js'
export * from './measurement/motion/activePassiveDifference.js'
export * from './measurement/motion/adhesionResponse.js'
export * from './measurement/motion/webSpan.js'
export * from './measurement/motion/torqueRange.js'
export * from './measurement/motion/tissueTightness.js'
export * from './measurement/motion/functionalCoverage.js'
export * from './measurement/motion/dartThrow.js'
export * from './measurement/motion/opposition.js'
export * from './measurement/motion/normalMotion.js'
export * from './measurement/motion/hypermobility.js'
export * from './measurement/motion/collateralOpening.js'
export * from './measurement/strength/forceUnits.js'
export * from './measurement/strength/gripTrials.js'
export * from './measurement/strength/otherSide.js'
export * from './measurement/strength/strengthNorms.js'
export type { Norm, Norms } from './measurement/strength/norm.js'
export { NORMS_1985 } from './measurement/strength/norms1985.js'
export { NORMS_2011 } from './measurement/strength/norms2011.js'
export * from './measurement/strength/strengthTest.js'
export * from './measurement/symptoms/painChange.js'
export * from './measurement/symptoms/painTrend.js'
export * from './measurement/symptoms/irritability.js'
export * from './measurement/symptoms/patientSpecificScale.js'
export * from './measurement/symptoms/edema.js'
export * from './measurement/symptoms/sensation.js'
export * from './measurement/symptoms/advancingTinel.js'
export * from './measurement/symptoms/likelihood.js'
export * from './measurement/symptoms/provocativeTests.js'
export * from './measurement/symptoms/carpalTunnelScore.js'
export * from './measurement/symptoms/scarScale.js'
export * from './measurement/change/measurementError.js'
export * from './measurement/change/measureErrors.js'
export * from './measurement/change/changeThatMatters.js'
export * from './measurement/change/robustSlope.js'
export * from './measurement/change/plateau.js'
export * from './measurement/change/trajectory.js'
export * from './measurement/looks/looks.js'
export * from './measurement/readings/measures.js'
export * from './measurement/readings/reading.js'
export * from './measurement/readings/typedReading.js'
export * from './measurement/readings/visits.js'
export * from './measurement/readings/digitTotal.js'
export * from './measurement/readings/digitFindings.js'
export * from './measurement/readings/numberFindings.js'
export * from './measurement/readings/change.js'
export * from './measurement/readings/tightnessTests.js'
export * from './record/tightnessPictures.js'
export * from './measurement/readings/series.js'
export * from './measurement/readings/feltFindings.js'
export * from './measurement/kinematics/segmentLengths.js'
export * from './measurement/kinematics/fingertip.js'
export * from './tissue/tendonExcursion.js'
export * from './tissue/repairMargin.js'
export * from './tissue/thumbLoad.js'
export * from './tissue/boneHealing.js'
export * from './tissue/response.js'
export * from './tissue/dose.js'
export * from './exercise/exerciseTravel.js'
export * from './nerve/nerveBed.js'
export * from './nerve/nerveMove.js'
export * from './nerve/nerveBudget.js'
export { recordedIrritability } from './protocol/recordedIrritability.js'
// Exchange
export {
  editedProtocol,
  houseCatalogue,
  opensEarlier,
  subjectOf,
  type HouseEdit,
} from './house/houseCatalogue.js'
export { calculated, type CalcAnswer } from './exchange/calc.js'
export {
  checkCatalogue,
  SOURCES_OF_DOCSTRINGS,
  sourcesOfCode,
  type Catalogue,
  type CatalogueSource,
} from './catalogue/catalogue.js'
export { criteriaOfCase, criteriaOfProtocol } from './verdict/criteriaOfCase.js'
export { withListed } from './catalogue/listedWeeks.js'
export { assessCaseFile, type CaseAssessment, type CaseVerdict } from './exchange/caseFile.js'
export * from './exchange/device/deviceLine.js'
export * from './exchange/device/deviceReceiver.js'
export * from './exchange/csv/readingRows.js'

export * from './progression/course.js'
export { contingencyOf, easyDose } from './progression/contingency.js'
export { rungStatus, type RungStatus } from './progression/rungStatus.js'
export { planCourse } from './progression/planCourse.js'
export { courseAnswer, COURSE_PLAN_FORMAT, type CourseAnswer } from './exchange/courseFile.js'
export { COURSE_FORMAT, readCourseFile } from './exchange/readCourseFile.js'
