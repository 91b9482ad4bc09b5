import { createPinia, setActivePinia } from 'pinia'
import { createApp } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { CLINIC_API, type ClinicApi } from '../api/clinicApi'
import { ApiProblem } from '../api/problem'
import type { EpisodeAnswer } from '@pledge/contract'
import { useCaseStore, WATCH_EVERY_MS } from './caseStore'

const api = { episode: vi.fn(), revision: vi.fn() }
const answer = (revision: string, boutIds: string[] = [], endedBy = 'done') =>
  ({
    revision,
    bouts: boutIds.map((id) => ({ id, endedBy })),
    episode: { id: 'e' },
  }) as unknown as EpisodeAnswer
function open() {
  const app = createApp({})
  app.provide(CLINIC_API, api as unknown as ClinicApi)
  const pinia = createPinia()
  app.use(pinia)
  setActivePinia(pinia)
  return app.runWithContext(() => useCaseStore())
}
beforeEach(() => {
  vi.useFakeTimers()
  api.episode.mockReset()
  api.revision.mockReset()
})
afterEach(() => vi.useRealTimers())

describe('a case on the screen', () => {
  it('reads itself anew within seconds when a bout arrives, and says so', async () => {
    const store = open()
    api.episode.mockResolvedValueOnce(answer('1', ['old'])).mockResolvedValueOnce(answer('2', ['new', 'old']))
    api.revision.mockResolvedValue({ revision: '2' })
    await store.open('e')
    await vi.advanceTimersByTimeAsync(WATCH_EVERY_MS + 10)
    expect(store.data?.bouts[0]?.id).toBe('new')
    expect(store.arrived).toContain('arrived')
    store.close()
  })

  it('reads nothing more while nothing changes', async () => {
    const store = open()
    api.episode.mockResolvedValue(answer('1'))
    api.revision.mockResolvedValue({ revision: '1' })
    await store.open('e')
    await vi.advanceTimersByTimeAsync(WATCH_EVERY_MS * 5)
    expect(api.episode).toHaveBeenCalledTimes(1)
    expect(store.arrived).toBeNull()
    store.close()
  })

  it('keeps what it shows when the signal is lost, and goes on asking', async () => {
    const store = open()
    api.episode
      .mockResolvedValueOnce(answer('1', ['a']))
      .mockResolvedValueOnce(answer('2', ['b', 'a'], 'stop'))
    api.revision.mockRejectedValueOnce(new ApiProblem(0, 'OFFLINE', 'x')).mockResolvedValue({ revision: '2' })
    await store.open('e')
    await vi.advanceTimersByTimeAsync(WATCH_EVERY_MS + 10)
    expect(store.data?.revision).toBe('1')
    await vi.advanceTimersByTimeAsync(WATCH_EVERY_MS)
    expect(store.arrived).toBe('A bout was stopped at home')
    store.close()
  })

  it('asks nothing any more once it is closed', async () => {
    const store = open()
    api.episode.mockResolvedValue(answer('1'))
    await store.open('e')
    store.close()
    await vi.advanceTimersByTimeAsync(WATCH_EVERY_MS * 3)
    expect(api.revision).not.toHaveBeenCalled()
  })

  it('says what is wrong when it cannot be read at all', async () => {
    const store = open()
    api.episode.mockRejectedValue(new ApiProblem(404, 'NOT_FOUND', 'There is no such episode.'))
    await store.open('e')
    expect(store.state).toEqual({ name: 'failed', message: 'There is no such episode.' })
    store.close()
  })
})
