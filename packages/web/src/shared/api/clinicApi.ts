import type { HouseEdit } from '@pledge/core'
import { inject, type InjectionKey } from 'vue'
import { readAnswer } from './problem'
import type {
  AuditAnswer,
  CaseloadRow,
  ConditionAnswer,
  DraftAnswer,
  EpisodeAnswer,
  ExerciseAnswer,
  ExercisePageAnswer,
  HouseEditAnswer,
  HousePreviewAnswer,
  KnownPersonAnswer,
  LibraryAnswer,
  PictureAnswer,
  PermissionMapAnswer,
  ProtocolPageAnswer,
  SchoolsAnswer,
  SessionAnswer,
  ThingAnswer,
} from './types'

/** The clinic's API as the screens know it; tests hand in another one. */
export function clinicApi(send: typeof fetch = (...words) => fetch(...words)) {
  let csrfToken = ''

  function ask<T>(method: string, url: string, body?: unknown): Promise<T> {
    const headers: Record<string, string> = body === undefined ? {} : { 'content-type': 'application/json' }
    if (method !== 'GET') headers['csrf-token'] = csrfToken
    return readAnswer<T>(() =>
      send(url, { method, headers, ...(body === undefined ? {} : { body: JSON.stringify(body) }) }),
    )
  }
  async function keepToken(answer: Promise<SessionAnswer>): Promise<SessionAnswer> {
    const session = await answer
    csrfToken = session.csrfToken
    return session
  }
  const forCase = (episodeId: string | null) =>
    episodeId === null ? '' : `?episode=${encodeURIComponent(episodeId)}`
  const of = (episodeId: string) => `/api/episodes/${encodeURIComponent(episodeId)}`

  return {
    session: () => keepToken(ask<SessionAnswer>('GET', '/api/session')),
    signIn: (login: string, password: string) =>
      keepToken(ask<SessionAnswer>('POST', '/api/session', { login, password })),
    signOut: () => ask<void>('DELETE', '/api/session'),
    caseload: () => ask<{ today: string; cases: CaseloadRow[] }>('GET', '/api/caseload'),
    conditions: () => ask<ConditionAnswer[]>('GET', '/api/referrals/conditions'),
    knownPersons: (who: { name: string; birthDate: string }) =>
      ask<KnownPersonAnswer[]>('POST', '/api/referrals/known', who),
    refer: (referral: object) => ask<{ episodeId: string }>('POST', '/api/referrals', referral),
    episode: (id: string) => ask<EpisodeAnswer>('GET', of(id)),
    revision: (id: string) => ask<{ revision: string }>('GET', `${of(id)}/revision`),
    permissions: (id: string, inside: 'worn' | 'none') =>
      ask<PermissionMapAnswer>('GET', `${of(id)}/permissions?inside=${inside}`),
    chooseSchool: (id: string, choice: object) => ask<{ id: string }>('POST', `${of(id)}/school`, choice),
    addSlip: (id: string, slip: object) => ask<{ id: string }>('POST', `${of(id)}/slips`, slip),
    moveWindows: (id: string, shift: object) => ask<{ id: string }>('POST', `${of(id)}/shifts`, shift),
    moveBack: (id: string, shiftId: string, body: object) =>
      ask<{ id: string }>('POST', `${of(id)}/shifts/${shiftId}/withdrawal`, body),
    addHealth: (id: string, check: object) => ask<{ id: string }>('POST', `${of(id)}/health`, check),
    exercises: (id: string) => ask<ExerciseAnswer[]>('GET', `${of(id)}/exercises`),
    addEvaluation: (id: string, evaluation: object) =>
      ask<{ id: string }>('POST', `${of(id)}/evaluations`, evaluation),
    addFact: (id: string, fact: object) => ask<{ id: string }>('POST', `${of(id)}/facts`, fact),
    withdrawFact: (id: string, factId: string, body: object) =>
      ask<{ id: string }>('POST', `${of(id)}/facts/${factId}/withdrawal`, body),
    addOrder: (id: string, order: object) => ask<{ id: string }>('POST', `${of(id)}/orders`, order),
    withdrawOrder: (id: string, orderId: string, body: object) =>
      ask<{ id: string }>('POST', `${of(id)}/orders/${orderId}/withdrawal`, body),
    raiseFlag: (id: string, flag: object) => ask<{ id: string }>('POST', `${of(id)}/flags`, flag),
    liftFlag: (id: string, flagId: string, body: object) =>
      ask<{ id: string }>('POST', `${of(id)}/flags/${flagId}/lift`, body),
    draft: (id: string) => ask<DraftAnswer>('GET', `${of(id)}/draft`),
    saveDraft: (id: string, draft: object) => ask<DraftAnswer>('PUT', `${of(id)}/draft`, draft),
    sign: (id: string, signing: object) =>
      ask<{ id: string; number: number }>('POST', `${of(id)}/program`, signing),
    pairingCode: (id: string) => ask<{ code: string; expiresAt: string }>('POST', `${of(id)}/pairings`, {}),
    revokeDevice: (id: string, deviceId: string) =>
      ask<{ id: string }>('POST', `${of(id)}/devices/${deviceId}/revocation`, {}),
    libraryExercises: (episodeId: string | null) =>
      ask<LibraryAnswer>('GET', `/api/library/exercises${forCase(episodeId)}`),
    libraryExercise: (id: string, episodeId: string | null) =>
      ask<ExercisePageAnswer>('GET', `/api/library/exercises/${encodeURIComponent(id)}${forCase(episodeId)}`),
    pictures: () => ask<PictureAnswer[]>('GET', '/api/library/pictures'),
    libraryProtocols: () => ask<SchoolsAnswer[]>('GET', '/api/library/protocols'),
    libraryProtocol: (id: string) =>
      ask<ProtocolPageAnswer>('GET', `/api/library/protocols/${encodeURIComponent(id)}`),
    houseEdits: () => ask<HouseEditAnswer[]>('GET', '/api/house/edits'),
    previewHouseEdit: (edit: HouseEdit) =>
      ask<HousePreviewAnswer>('POST', '/api/house/edits/preview', { edit }),
    saveHouseEdit: (edit: object) => ask<{ id: string; number: number }>('POST', '/api/house/edits', edit),
    things: () => ask<ThingAnswer[]>('GET', '/api/referrals/things'),
    addHome: (id: string, check: object) => ask<{ id: string }>('POST', `${of(id)}/home`, check),
    addOverride: (id: string, override: object) =>
      ask<{ id: string }>('POST', `${of(id)}/overrides`, override),
    takeBackOverride: (id: string, overrideId: string, body: object) =>
      ask<{ id: string }>('POST', `${of(id)}/overrides/${overrideId}/withdrawal`, body),
    audit: () => ask<AuditAnswer[]>('GET', '/api/audit'),
  }
}
export type ClinicApi = ReturnType<typeof clinicApi>
export const CLINIC_API: InjectionKey<ClinicApi> = Symbol('clinic api')

export function useClinicApi(): ClinicApi {
  const api = inject(CLINIC_API)
  if (!api) throw new Error('The clinic API is provided by the application.')
  return api
}
