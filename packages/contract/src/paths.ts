/** Who may call a route: anyone, a paired phone, or people with one of these roles. Nothing is open by accident. */
export type Role = 'lead' | 'therapist' | 'assistant'
export type Access = 'anyone' | 'device' | readonly Role[]
/** All who work at the clinic. */
export const STAFF: readonly Role[] = ['lead', 'therapist', 'assistant']
/** Those who answer for a patient's program. */
export const THERAPISTS: readonly Role[] = ['therapist']
const LEAD: readonly Role[] = ['lead']

export interface PathOf {
  readonly method: 'GET' | 'POST' | 'PUT' | 'DELETE'
  readonly path: string
  readonly who: Access
}
const get = <P extends string>(path: P, who: Access = STAFF) => ({ method: 'GET', path, who }) as const
const post = <P extends string>(path: P, who: Access = THERAPISTS) => ({ method: 'POST', path, who }) as const
const OF = '/api/episodes/:episodeId'

/** Every route of the API: how it is asked and who may ask. What is sent and answered stands in `routes.ts`. */
export const PATHS = {
  session: get('/api/session', 'anyone'),
  signIn: post('/api/session', 'anyone'),
  signOut: { method: 'DELETE', path: '/api/session', who: STAFF },
  caseload: get('/api/caseload'),
  conditions: get('/api/referrals/conditions'),
  things: get('/api/referrals/things'),
  knownPersons: post('/api/referrals/known'),
  refer: post('/api/referrals'),
  episode: get(OF),
  revision: get(`${OF}/revision`),
  permissions: get(`${OF}/permissions`),
  bench: get(`${OF}/bench`, STAFF),
  addEvaluation: post(`${OF}/evaluations`, STAFF),
  addTask: post(`${OF}/tasks`, STAFF),
  takeBackTask: post(`${OF}/tasks/:rowId/withdrawal`, STAFF),
  addGoal: post(`${OF}/goals`),
  takeBackGoal: post(`${OF}/goals/:rowId/withdrawal`),
  addEvent: post(`${OF}/events`, STAFF),
  takeBackEvent: post(`${OF}/events/:rowId/withdrawal`),
  addFact: post(`${OF}/facts`, STAFF),
  withdrawFact: post(`${OF}/facts/:factId/withdrawal`),
  addOrder: post(`${OF}/orders`),
  withdrawOrder: post(`${OF}/orders/:orderId/withdrawal`),
  raiseFlag: post(`${OF}/flags`, STAFF),
  liftFlag: post(`${OF}/flags/:flagId/lift`),
  chooseSchool: post(`${OF}/school`),
  addSlip: post(`${OF}/slips`),
  moveWindows: post(`${OF}/shifts`),
  moveBack: post(`${OF}/shifts/:shiftId/withdrawal`),
  addHome: post(`${OF}/home`, STAFF),
  addHealth: post(`${OF}/health`, STAFF),
  exercises: get(`${OF}/exercises`),
  draft: get(`${OF}/draft`),
  saveDraft: { method: 'PUT', path: `${OF}/draft`, who: THERAPISTS },
  sign: post(`${OF}/program`),
  addOverride: post(`${OF}/overrides`),
  takeBackOverride: post(`${OF}/overrides/:overrideId/withdrawal`),
  pairingCode: post(`${OF}/pairings`, STAFF),
  revokeDevice: post(`${OF}/devices/:deviceId/revocation`),
  pairPhone: post('/api/phone/pairing', 'anyone'),
  phoneToday: get('/api/phone/today', 'device'),
  sendBout: post('/api/phone/bouts', 'device'),
  libraryExercises: get('/api/library/exercises'),
  libraryExercise: get('/api/library/exercises/:exerciseId'),
  pictures: get('/api/library/pictures'),
  libraryProtocols: get('/api/library/protocols'),
  libraryProtocol: get('/api/library/protocols/:protocolId'),
  houseEdits: get('/api/house/edits'),
  previewHouseEdit: post('/api/house/edits/preview', LEAD),
  saveHouseEdit: post('/api/house/edits', LEAD),
  audit: get('/api/audit', LEAD),
  apiDocument: get('/api/openapi.json'),
} as const satisfies Readonly<Record<string, PathOf>>
export type RouteName = keyof typeof PATHS

/** The names a path asks for: `:episodeId` → `episodeId`. */
export type ParamsOf<P extends string> = P extends `${string}:${infer Name}/${infer Rest}`
  ? { readonly [K in Name]: string } & ParamsOf<Rest>
  : P extends `${string}:${infer Name}`
    ? { readonly [K in Name]: string }
    : unknown
