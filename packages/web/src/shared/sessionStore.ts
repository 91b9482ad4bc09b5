import { defineStore } from 'pinia'
import { ref } from 'vue'
import { useClinicApi } from './api/clinicApi'
import type { SessionAnswer } from '@pledge/contract'

/** A case open in this session; the library and the protocols are read for it. */
export interface OpenCase {
  readonly id: string
  readonly label: string
  readonly conditionId: string
  readonly protocolId: string
}

/** Who is signed in, and the cases open in this session, like tabs on a folder. */
export const useSessionStore = defineStore('session', () => {
  const api = useClinicApi()
  const user = ref<SessionAnswer['user']>(null)
  const clinic = ref<SessionAnswer['clinic']>({ name: '', timeZone: 'UTC' })
  const today = ref('')
  const devicesUrl = ref<string | null>(null)
  const showsLowBands = ref(false)
  const openCases = ref<OpenCase[]>([])

  function take(answer: SessionAnswer) {
    user.value = answer.user
    clinic.value = answer.clinic
    today.value = answer.today
    devicesUrl.value = answer.devicesUrl
    showsLowBands.value = answer.showsLowBands
  }
  async function load() {
    take(await api.session())
  }
  async function signIn(login: string, password: string) {
    take(await api.signIn(login, password))
  }
  async function signOut() {
    await api.signOut()
    openCases.value = []
    take(await api.session())
  }
  function keepTab(open: OpenCase) {
    const isKnown = openCases.value.some(({ id }) => id === open.id)
    openCases.value = isKnown
      ? openCases.value.map((one) => (one.id === open.id ? open : one))
      : [...openCases.value, open].slice(-5)
  }
  function closeTab(id: string) {
    openCases.value = openCases.value.filter((one) => one.id !== id)
  }
  return {
    user,
    clinic,
    today,
    devicesUrl,
    showsLowBands,
    openCases,
    load,
    signIn,
    signOut,
    keepTab,
    closeTab,
  }
})
