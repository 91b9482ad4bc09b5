import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { useClinicApi } from '../api/clinicApi'
import { ApiProblem } from '../api/problem'
import type { EpisodeAnswer } from '@pledge/contract'

type CaseState =
  { name: 'closed' } | { name: 'loading' } | { name: 'open' } | { name: 'failed'; message: string }

/** How often an open case asks whether its record has changed. */
export const WATCH_EVERY_MS = 3000

/** The case on the screen. Several tasks work on one case, so it is shared; it reads itself anew when the record changes. */
export const useCaseStore = defineStore('case', () => {
  const api = useClinicApi()
  const state = ref<CaseState>({ name: 'closed' })
  const data = shallowRef<EpisodeAnswer | null>(null)
  /** What arrived while the case was open, for a quiet word on the screen. */
  const arrived = ref<string | null>(null)
  let openId = ''
  let newest = 0
  let timer: ReturnType<typeof setInterval> | undefined

  async function open(id: string) {
    if (openId === id && state.value.name === 'open') return
    close()
    openId = id
    state.value = { name: 'loading' }
    await reload()
    timer = setInterval(() => void watch(), WATCH_EVERY_MS)
  }

  /** An answer that a later question has overtaken is dropped. */
  async function reload() {
    const id = openId
    newest += 1
    const mine = newest
    try {
      const answer = await api.episode(id)
      if (openId !== id || mine !== newest) return
      data.value = answer
      state.value = { name: 'open' }
    } catch (error) {
      if (openId === id && data.value === null) state.value = { name: 'failed', message: messageOf(error) }
    }
  }

  async function watch() {
    if (data.value === null || document.visibilityState === 'hidden') return
    const id = openId
    try {
      const { revision } = await api.revision(id)
      if (openId !== id || revision === data.value.revision) return
      const newestBefore = data.value.bouts[0]?.id
      await reload()
      const newest = data.value?.bouts[0]
      if (newest && newest.id !== newestBefore)
        arrived.value =
          newest.endedBy === 'stop' ? 'A bout was stopped at home' : 'A bout has just arrived from the phone'
    } catch {
      // No signal for a moment: the next round asks again.
    }
  }

  function close() {
    clearInterval(timer)
    openId = ''
    data.value = null
    arrived.value = null
    state.value = { name: 'closed' }
  }

  return { state, data, arrived, open, reload, close }
})

function messageOf(error: unknown): string {
  return error instanceof ApiProblem ? error.message : 'The case could not be read. Try again.'
}
