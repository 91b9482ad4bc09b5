import type { FastifyRequest } from 'fastify'
import type { Clock } from './clock.js'
import type { Data } from './data/data.js'
import type { Told } from './data/journal.js'
import type { ClinicSettings } from './settings.js'

/** Places where a test may stop the server to see that nothing is lost. */
export type Checkpoint = 'bout.beforeInsert' | 'bout.whileWriting' | 'bout.afterCommit' | 'bout.afterAnswer'

export interface AppSettings {
  readonly clinic: ClinicSettings
  readonly sessionSecret: string
  readonly isSecure: boolean
  readonly devicesUrl: string | null
  readonly showsLowBands: boolean
  readonly limits: {
    readonly signInPerMinute: number
    readonly pairingPerMinute: number
    readonly requestsPerMinute: number
  }
}

/** What every route is handed. */
export interface AppContext {
  readonly data: Data
  readonly clock: Clock
  readonly settings: AppSettings
  readonly checkpoint: (name: Checkpoint) => Promise<void>
}

/** The clinical day in the clinic's time zone. */
export function todayOf({ clock, settings }: Pick<AppContext, 'clock' | 'settings'>): string {
  return clock.today(settings.clinic.timeZone)
}

/** Who does what now, for the audit. */
export function told(
  { clock }: Pick<AppContext, 'clock'>,
  request: FastifyRequest,
  action: string,
  detail: Readonly<Record<string, unknown>> = {},
): Told {
  return { actor: request.actor(), at: clock.now(), action, detail }
}

/** The episode a request is about: every path under `/api/episodes/:episodeId` has it. */
export function episodeIdOf(request: FastifyRequest): string {
  return (request.params as { episodeId: string }).episodeId
}

/** What was sent to the episode of a request: stored once under its id, and told to the audit. */
export function sentTo<Content extends { readonly id: string }>(
  context: AppContext,
  request: FastifyRequest,
  content: Content,
  action: string,
  detail: Readonly<Record<string, unknown>> = {},
) {
  const { id } = content
  return {
    id,
    episodeId: episodeIdOf(request),
    content,
    told: told(context, request, action, { id, ...detail }),
  }
}

/** Who writes a row, and when. */
export function writtenBy({ clock }: Pick<AppContext, 'clock'>, request: FastifyRequest) {
  return { recordedBy: request.me().id, recordedAt: clock.now() }
}
