import {
  caseloadQuery,
  draftSave,
  factWithdrawal,
  flagLift,
  houseEditPreview,
  knownPerson,
  libraryQuery,
  newBoutLog,
  newEvaluation,
  newFact,
  newFlag,
  newGoal,
  newHandEvent,
  newHealthCheck,
  newHomeCheck,
  newHouseEdit,
  newOrder,
  newOverride,
  newReferral,
  newSchoolChoice,
  newSlip,
  newTask,
  newWindowShift,
  pairing,
  permissionsQuery,
  programSigning,
  signIn,
} from '@pledge/core/schemas'
import type { Static, TSchema } from 'typebox'
import type { AnySchema, InferType } from 'yup'
import * as clinic from './clinic.js'
import * as episode from './episode.js'
import * as home from './home.js'
import * as library from './library.js'
import { PATHS, type PathOf, type RouteName } from './paths.js'
import * as program from './program.js'
import * as referral from './referral.js'
import { list, obj, str } from './shapes.js'
import { numbered, stored } from './shared.js'

/** What a route takes and gives: body and query are checked by core's Yup schemas, the answer drops what its shape does not list. */
export interface Route extends PathOf {
  readonly body: AnySchema | null
  readonly query?: AnySchema
  /** Status of a success. */
  readonly status: 200 | 201 | 204
  readonly answer: TSchema | null
}

const answers = <A extends TSchema>(answer: A) => ({ body: null, status: 200, answer }) as const
const asked = <Q extends AnySchema, A extends TSchema>(query: Q, answer: A) =>
  ({ ...answers(answer), query }) as const
const takes = <B extends AnySchema, A extends TSchema>(body: B, answer: A, status: 200 | 201 = 201) =>
  ({ body, status, answer }) as const
const adds = <B extends AnySchema>(body: B) => takes(body, stored)

const CONTENT = {
  session: answers(clinic.session),
  signIn: takes(signIn, clinic.session, 200),
  signOut: { body: null, status: 204, answer: null },
  caseload: asked(caseloadQuery, clinic.caseload),
  conditions: answers(list(referral.condition)),
  things: answers(list(referral.thing)),
  knownPersons: takes(knownPerson, list(referral.known), 200),
  refer: takes(newReferral, obj({ episodeId: str })),
  episode: answers(episode.episode),
  revision: answers(episode.revision),
  permissions: asked(permissionsQuery, episode.permissionMap),
  bench: answers(episode.bench),
  addEvaluation: adds(newEvaluation),
  addTask: adds(newTask),
  takeBackTask: adds(factWithdrawal),
  addGoal: adds(newGoal),
  takeBackGoal: adds(factWithdrawal),
  addEvent: adds(newHandEvent),
  takeBackEvent: adds(factWithdrawal),
  addFact: adds(newFact),
  withdrawFact: adds(factWithdrawal),
  addOrder: adds(newOrder),
  withdrawOrder: adds(factWithdrawal),
  raiseFlag: adds(newFlag),
  liftFlag: adds(flagLift),
  chooseSchool: adds(newSchoolChoice),
  addSlip: adds(newSlip),
  moveWindows: adds(newWindowShift),
  moveBack: adds(factWithdrawal),
  addHome: adds(newHomeCheck),
  addHealth: adds(newHealthCheck),
  exercises: answers(list(program.exercise)),
  draft: answers(program.draft),
  saveDraft: takes(draftSave, program.draft, 200),
  sign: takes(programSigning, numbered),
  addOverride: adds(newOverride),
  takeBackOverride: adds(factWithdrawal),
  pairingCode: { body: null, status: 201, answer: home.pairingCode },
  revokeDevice: { body: null, status: 201, answer: stored },
  pairPhone: takes(pairing, home.paired),
  phoneToday: answers(home.phoneToday),
  sendBout: takes(newBoutLog, home.boutStored),
  libraryExercises: asked(libraryQuery, library.libraryList),
  libraryExercise: asked(libraryQuery, library.exercisePage),
  pictures: answers(list(library.picture)),
  libraryProtocols: answers(list(library.schools)),
  libraryProtocol: answers(library.protocolPage),
  houseEdits: answers(list(clinic.houseEdit)),
  previewHouseEdit: takes(houseEditPreview, clinic.housePreview, 200),
  saveHouseEdit: takes(newHouseEdit, numbered),
  audit: answers(list(clinic.auditEntry)),
  apiDocument: answers(clinic.apiDocument),
} as const satisfies Readonly<Record<RouteName, Omit<Route, keyof PathOf>>>

/** The contract: every route with its method, path, who may call it, what it takes and what it answers. */
export const ROUTES = Object.fromEntries(
  Object.entries(PATHS).map(([name, path]) => [name, { ...path, ...CONTENT[name as RouteName] }]),
) as { readonly [N in RouteName]: (typeof PATHS)[N] & (typeof CONTENT)[N] }

/** What is answered to a route, as inferred from its shape. */
export type AnswerTo<N extends RouteName> = (typeof CONTENT)[N]['answer'] extends TSchema
  ? Static<(typeof CONTENT)[N]['answer']>
  : void
type Asked<N extends RouteName> = (typeof CONTENT)[N] extends { readonly query: infer Q extends AnySchema }
  ? Q
  : null
/** What may be asked behind a route's path, checked: whatever is left out has its default. */
export type QueryOf<N extends RouteName> = Asked<N> extends AnySchema ? InferType<Asked<N>> : undefined
/** What a route takes, checked. */
export type BodyOf<N extends RouteName> = (typeof CONTENT)[N]['body'] extends AnySchema
  ? InferType<(typeof CONTENT)[N]['body']>
  : undefined
