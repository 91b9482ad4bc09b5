import {
  isStopPain,
  keptProgram,
  mayStart,
  repetitionMoment,
  WORN_FROM_SECONDS,
  type RedFlag,
  type RedFlagAct,
} from '@pledge/core'
import { defineStore } from 'pinia'
import { ulid } from 'ulid'
import { computed, ref, shallowRef } from 'vue'
import { ApiProblem } from '../../shared/api/problem'
import type { KeptLog } from './keptOnPhone'
import {
  timingOfItem,
  usePhoneParts,
  type BoutLog,
  type PhoneFlag,
  type PhoneItem,
  type PhoneToday,
} from './phoneApi'

/** The one thing on the screen. */
export type Screen =
  | { name: 'starting' }
  | { name: 'pair'; problem: string | null; isChecking: boolean }
  | { name: 'today' }
  | { name: 'somethingWrong'; isInBout: boolean }
  | { name: 'before' }
  | { name: 'doing' }
  | { name: 'hurt' }
  | { name: 'skip' }
  | { name: 'after' }
  | { name: 'saved'; wasSent: boolean }
  | { name: 'stopped'; act: RedFlagAct }

/** How the program on the screen came here. */
export type Contact =
  | { name: 'fresh' }
  | { name: 'kept'; at: string }
  | { name: 'tooOld'; days: number }
  | { name: 'nothing'; message: string }

type Outcome = BoutLog['items'][number]

/** A patient's day: what is next, one bout at a time, and what has not reached the clinic yet. */
export const useBoutStore = defineStore('bout', () => {
  const { api, kept, now } = usePhoneParts()
  const screen = ref<Screen>({ name: 'starting' })
  const today = shallowRef<PhoneToday | null>(null)
  const contact = ref<Contact>({ name: 'fresh' })
  const language = ref<'en' | 'es'>('en')
  const unsent = shallowRef<readonly KeptLog[]>([])
  const items = shallowRef<readonly PhoneItem[]>([])
  const leftOut = shallowRef<readonly PhoneItem[]>([])
  const index = ref(0)
  const outcomes = shallowRef<readonly Outcome[]>([])
  const painBefore = ref<number | null>(null)
  const painWorst = ref<number | null>(null)
  const painAfter = ref<number | null>(null)
  const elapsed = ref(0)
  const isRunning = ref(false)
  const hasBegun = ref(false)
  let token: string | null = null
  let startedAt = ''
  let boutId = ''
  let lastTick = 0
  let isSending = false

  const item = computed<PhoneItem | null>(() => items.value[index.value] ?? null)
  const moment = computed(() =>
    item.value ? repetitionMoment(item.value.dose, timingOfItem(item.value), elapsed.value) : null,
  )
  const isWorn = computed(() => (item.value?.dose.holdSeconds ?? 0) >= WORN_FROM_SECONDS)
  const openItems = computed(() => today.value?.program?.items.filter((one) => !one.isPaused) ?? [])
  const minutes = computed(() =>
    Math.max(1, Math.round(openItems.value.reduce((sum, one) => sum + one.minutesPerBout, 0))),
  )
  const waiting = computed(() => unsent.value.filter((log) => log.refusal === null).length)
  /** Stopped by the clinic, or by a bout that the clinic has not taken yet: nobody there knows, so nobody can open it. */
  const isLocked = computed(
    () => (today.value?.redLock ?? false) || unsent.value.some(({ log }) => log.endedBy === 'stop'),
  )
  const refused = computed(() => unsent.value.filter((log) => log.refusal !== null))

  async function start() {
    token = await kept.token()
    language.value = (await kept.language()) ?? 'en'
    unsent.value = await kept.logs()
    if (!token) screen.value = { name: 'pair', problem: null, isChecking: false }
    else {
      screen.value = { name: 'today' }
      await refresh()
    }
  }
  async function speak(next: 'en' | 'es') {
    language.value = next
    await kept.keepLanguage(next)
  }
  async function pair(code: string) {
    screen.value = { name: 'pair', problem: null, isChecking: true }
    try {
      const answer = await api.pair(code)
      token = answer.token
      await kept.keepToken(token)
      await speak(answer.language)
      await refresh()
      screen.value = { name: 'today' }
    } catch (error) {
      screen.value = {
        name: 'pair',
        problem: error instanceof ApiProblem ? error.message : String(error),
        isChecking: false,
      }
    }
  }

  /** Contact with the clinic: sends what waits, then asks what is allowed today. */
  async function refresh() {
    if (!token) return
    await sendWaiting()
    try {
      today.value = await api.today(token)
      contact.value = { name: 'fresh' }
      await kept.keepToday(today.value, now())
    } catch (error) {
      if (error instanceof ApiProblem && error.status === 401) return unpair()
      const last = await kept.today()
      // A day that an earlier version kept does not say what to report: then it does not count.
      if (!last?.today.redFlags) {
        contact.value = {
          name: 'nothing',
          message: error instanceof ApiProblem ? error.message : String(error),
        }
        return
      }
      today.value = last.today
      const { days, counts } = keptProgram(last.at, now())
      contact.value = counts ? { name: 'kept', at: last.at } : { name: 'tooOld', days }
    }
  }
  async function unpair() {
    token = null
    await kept.keepToken(null)
    // Nothing covers up a screen that tells the patient to stop.
    if (screen.value.name === 'today') askForCode()
  }

  function askForCode() {
    screen.value = { name: 'pair', problem: 'unpaired', isChecking: false }
  }

  /** Sends every log that waits. A refused one stays on the phone with its reason. */
  async function sendWaiting(alsoRefused = false) {
    if (!token || isSending) return
    isSending = true
    try {
      for (const one of await kept.logs()) {
        if (one.refusal !== null && !alsoRefused) continue
        try {
          await api.sendBout(token, one.log)
          await kept.dropLog(one.id)
        } catch (error) {
          if (!(error instanceof ApiProblem) || error.isPassing || error.status === 401) break
          await kept.keepLog({ ...one, refusal: error.errors[0]?.message ?? error.message })
        }
      }
    } finally {
      isSending = false
      unsent.value = await kept.logs()
    }
  }

  function toBefore() {
    painBefore.value = null
    screen.value = { name: 'before' }
  }
  /** Begins a bout with the items that the pain at rest allows; a pain at the stop line ends it at once. */
  async function begin() {
    const pain = painBefore.value
    if (pain === null) return
    boutId = ulid(now().getTime())
    startedAt = now().toISOString()
    painWorst.value = null
    painAfter.value = null
    const allowed = openItems.value.filter((one) => mayStart(pain, one.painCap))
    leftOut.value = openItems.value.filter((one) => !mayStart(pain, one.painCap))
    items.value = allowed
    outcomes.value = leftOut.value.map((one) => ({
      itemId: one.itemId,
      outcome: 'skipped',
      repetitionsDone: 0,
      reason: 'cannot',
    }))
    if (isStopPain(pain, stopPain())) {
      painWorst.value = pain
      return stop([])
    }
    if (allowed.length === 0) return
    index.value = 0
    openItem()
    screen.value = { name: 'doing' }
  }
  /** Without a day from the clinic any pain stops. */
  const stopPain = () => today.value?.stopPain ?? 0
  function openItem() {
    elapsed.value = 0
    isRunning.value = false
    hasBegun.value = false
  }
  function run() {
    hasBegun.value = true
    isRunning.value = true
    lastTick = now().getTime()
  }
  function pause() {
    tick()
    isRunning.value = false
  }
  /** Called often while an exercise runs; counts real time, so that a slow phone counts no slower. */
  function tick() {
    if (!isRunning.value) return
    const at = now().getTime()
    elapsed.value += Math.min(2, Math.max(0, (at - lastTick) / 1000))
    lastTick = at
    if (moment.value?.stage === 'done') isRunning.value = false
  }
  function close(outcome: Outcome['outcome'], reason: Outcome['reason'] = '') {
    const current = item.value
    if (!current) return
    const all = current.dose.sets * current.dose.repetitions
    const repetitionsDone = outcome === 'done' ? all : (moment.value?.finished ?? 0)
    outcomes.value = [...outcomes.value, { itemId: current.itemId, outcome, repetitionsDone, reason }]
    if (index.value + 1 < items.value.length) {
      index.value += 1
      openItem()
      screen.value = { name: 'doing' }
    } else screen.value = { name: 'after' }
  }
  const finishItem = () => close('done')
  function hurts() {
    pause()
    screen.value = { name: 'hurt' }
  }
  /** "That hurts" ends the item; a pain at the stop line ends the bout. */
  async function hurtScored(pain: number) {
    painWorst.value = Math.max(painWorst.value ?? 0, pain)
    close('hurt')
    if (isStopPain(pain, stopPain())) await stop([])
  }
  function cannot() {
    pause()
    screen.value = { name: 'skip' }
  }
  function leave() {
    isRunning.value = false
    screen.value = { name: 'after' }
  }
  function somethingWrong() {
    const isInBout = screen.value.name === 'doing'
    if (isInBout) pause()
    screen.value = { name: 'somethingWrong', isInBout }
  }
  async function flagged({ flag, act }: Pick<PhoneFlag, 'flag' | 'act'>) {
    if (startedAt === '' || (screen.value.name === 'somethingWrong' && !screen.value.isInBout)) {
      boutId = ulid(now().getTime())
      startedAt = now().toISOString()
      painBefore.value = null
      painWorst.value = null
      painAfter.value = null
      items.value = today.value?.program?.items ?? []
      outcomes.value = []
    }
    await stop([flag], act)
  }
  /** Stops the bout: what was done is logged, and the phone says whom to call. */
  async function stop(flags: RedFlag[], act: RedFlagAct = 'call') {
    isRunning.value = false
    screen.value = { name: 'stopped', act }
    // The day kept for times without signal is locked as well, until the clinic says otherwise.
    const last = await kept.today()
    if (last) await kept.keepToday({ ...last.today, redLock: true }, new Date(last.at))
    await log('stop', flags)
  }
  async function save() {
    if (isStopPain(painWorst.value, stopPain()) || isStopPain(painAfter.value, stopPain())) return stop([])
    const done = outcomes.value.filter((one) => one.outcome === 'done').length
    const isComplete = done + leftOut.value.length === items.value.length + leftOut.value.length
    const wasSent = await log(isComplete ? 'done' : 'left', [])
    screen.value = { name: 'saved', wasSent }
    return undefined
  }
  /** Keeps the log on the phone first, then tries to send it. */
  async function log(endedBy: BoutLog['endedBy'], redFlags: RedFlag[]): Promise<boolean> {
    const program = today.value?.program
    if (!program) return false
    const told = new Set(outcomes.value.map((one) => one.itemId))
    const rest = items.value
      .filter((one) => !told.has(one.itemId))
      .map((one): Outcome => ({ itemId: one.itemId, outcome: 'notReached', repetitionsDone: 0, reason: '' }))
    const entry: BoutLog = {
      id: boutId,
      programVersionId: program.id,
      startedAt,
      endedAt: now().toISOString(),
      painBefore: painBefore.value,
      painWorst: painWorst.value,
      painAfter: painAfter.value,
      endedBy,
      redFlags,
      items: [...outcomes.value, ...rest],
    }
    await kept.keepLog({ id: boutId, log: entry, refusal: null })
    unsent.value = await kept.logs()
    const id = boutId
    startedAt = ''
    await refresh()
    return !unsent.value.some((one) => one.id === id)
  }
  async function toToday() {
    if (!token) return askForCode()
    screen.value = { name: 'today' }
    return refresh()
  }

  return {
    screen,
    today,
    contact,
    language,
    unsent,
    items,
    leftOut,
    index,
    item,
    moment,
    elapsed,
    isWorn,
    isRunning,
    hasBegun,
    openItems,
    minutes,
    waiting,
    refused,
    isLocked,
    outcomes,
    painBefore,
    painWorst,
    painAfter,
    start,
    speak,
    pair,
    refresh,
    sendWaiting,
    toBefore,
    begin,
    run,
    pause,
    tick,
    finishItem,
    hurts,
    hurtScored,
    cannot,
    skip: (reason: Outcome['reason']) => close('skipped', reason),
    backToItem: () => (screen.value = { name: 'doing' }),
    leave,
    somethingWrong,
    flagged,
    save,
    toToday,
  }
})
