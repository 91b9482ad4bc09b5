import type { HouseEdit } from '@pledge/core'
import type { QueryOf, SessionAnswer } from '@pledge/contract'
import { inject, type InjectionKey } from 'vue'
import { asking } from './asking'

/** The clinic's API as the screens know it; tests hand in another one. */
export function clinicApi(send: typeof fetch = (...words) => fetch(...words)) {
  let csrfToken = ''
  const ask = asking(send, (method) => (method === 'GET' ? {} : { 'csrf-token': csrfToken }))

  async function keepToken(answer: Promise<SessionAnswer>): Promise<SessionAnswer> {
    const session = await answer
    csrfToken = session.csrfToken
    return session
  }
  const forCase = (episodeId: string | null) => (episodeId === null ? {} : { query: { episode: episodeId } })

  return {
    session: () => keepToken(ask('session', {})),
    signIn: (login: string, password: string) => keepToken(ask('signIn', {}, { login, password })),
    signOut: () => ask('signOut', {}),
    caseload: (query: Partial<QueryOf<'caseload'>>) => ask('caseload', { query }),
    conditions: () => ask('conditions', {}),
    things: () => ask('things', {}),
    knownPersons: (who: { name: string; birthDate: string }) => ask('knownPersons', {}, who),
    refer: (referral: object) => ask('refer', {}, referral),
    episode: (episodeId: string) => ask('episode', { episodeId }),
    revision: (episodeId: string) => ask('revision', { episodeId }),
    permissions: (episodeId: string, inside: 'worn' | 'none') =>
      ask('permissions', { episodeId, query: { inside } }),
    chooseSchool: (episodeId: string, choice: object) => ask('chooseSchool', { episodeId }, choice),
    addSlip: (episodeId: string, slip: object) => ask('addSlip', { episodeId }, slip),
    moveWindows: (episodeId: string, shift: object) => ask('moveWindows', { episodeId }, shift),
    moveBack: (episodeId: string, shiftId: string, body: object) =>
      ask('moveBack', { episodeId, shiftId }, body),
    addHealth: (episodeId: string, check: object) => ask('addHealth', { episodeId }, check),
    addHome: (episodeId: string, check: object) => ask('addHome', { episodeId }, check),
    exercises: (episodeId: string) => ask('exercises', { episodeId }),
    bench: (episodeId: string) => ask('bench', { episodeId }),
    addEvaluation: (episodeId: string, evaluation: object) => ask('addEvaluation', { episodeId }, evaluation),
    addTask: (episodeId: string, task: object) => ask('addTask', { episodeId }, task),
    takeBackTask: (episodeId: string, rowId: string, body: object) =>
      ask('takeBackTask', { episodeId, rowId }, body),
    addGoal: (episodeId: string, goal: object) => ask('addGoal', { episodeId }, goal),
    takeBackGoal: (episodeId: string, rowId: string, body: object) =>
      ask('takeBackGoal', { episodeId, rowId }, body),
    addEvent: (episodeId: string, event: object) => ask('addEvent', { episodeId }, event),
    takeBackEvent: (episodeId: string, rowId: string, body: object) =>
      ask('takeBackEvent', { episodeId, rowId }, body),
    addFact: (episodeId: string, fact: object) => ask('addFact', { episodeId }, fact),
    withdrawFact: (episodeId: string, factId: string, body: object) =>
      ask('withdrawFact', { episodeId, factId }, body),
    addOrder: (episodeId: string, order: object) => ask('addOrder', { episodeId }, order),
    withdrawOrder: (episodeId: string, orderId: string, body: object) =>
      ask('withdrawOrder', { episodeId, orderId }, body),
    raiseFlag: (episodeId: string, flag: object) => ask('raiseFlag', { episodeId }, flag),
    liftFlag: (episodeId: string, flagId: string, body: object) =>
      ask('liftFlag', { episodeId, flagId }, body),
    draft: (episodeId: string) => ask('draft', { episodeId }),
    saveDraft: (episodeId: string, draft: object) => ask('saveDraft', { episodeId }, draft),
    sign: (episodeId: string, signing: object) => ask('sign', { episodeId }, signing),
    addOverride: (episodeId: string, override: object) => ask('addOverride', { episodeId }, override),
    takeBackOverride: (episodeId: string, overrideId: string, body: object) =>
      ask('takeBackOverride', { episodeId, overrideId }, body),
    pairingCode: (episodeId: string) => ask('pairingCode', { episodeId }, {}),
    revokeDevice: (episodeId: string, deviceId: string) => ask('revokeDevice', { episodeId, deviceId }, {}),
    libraryExercises: (episodeId: string | null) => ask('libraryExercises', forCase(episodeId)),
    libraryExercise: (exerciseId: string, episodeId: string | null) =>
      ask('libraryExercise', { exerciseId, ...forCase(episodeId) }),
    pictures: () => ask('pictures', {}),
    libraryProtocols: () => ask('libraryProtocols', {}),
    libraryProtocol: (protocolId: string) => ask('libraryProtocol', { protocolId }),
    houseEdits: () => ask('houseEdits', {}),
    previewHouseEdit: (edit: HouseEdit) => ask('previewHouseEdit', {}, { edit }),
    saveHouseEdit: (edit: object) => ask('saveHouseEdit', {}, edit),
    audit: () => ask('audit', {}),
  }
}
export type ClinicApi = ReturnType<typeof clinicApi>
export const CLINIC_API: InjectionKey<ClinicApi> = Symbol('clinic api')

export function useClinicApi(): ClinicApi {
  const api = inject(CLINIC_API)
  if (!api) throw new Error('The clinic API is provided by the application.')
  return api
}
