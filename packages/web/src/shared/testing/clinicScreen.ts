import { mount, type VueWrapper } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { h, type Component } from 'vue'
import { VApp } from 'vuetify/components'
import { createMemoryHistory, createRouter } from 'vue-router'
import { CLINIC_API, type ClinicApi } from '../api/clinicApi'
import type { CriterionAnswer, EpisodeAnswer, SessionAnswer, VerdictAnswer } from '@pledge/contract'
import { useCaseStore } from '../case/caseStore'
import { pledgeVuetify } from '../look/vuetify'
import { useSessionStore } from '../sessionStore'

/** A criterion nobody has recorded, for tests. */
export function criterionAnswer(what: string, changes: Partial<CriterionAnswer> = {}): CriterionAnswer {
  return {
    what,
    name: what,
    kind: 'yesNo',
    meaning: `meaning of ${what}`,
    question: `meaning of ${what}`,
    usualWay: 'examined',
    status: 'neverRecorded',
    isSurgeons: false,
    measured: 'never',
    staleAfterDays: null,
    latest: null,
    ...changes,
  }
}

export function verdictAnswer(
  kind: VerdictAnswer['kind'],
  changes: Partial<VerdictAnswer> = {},
): VerdictAnswer {
  return {
    kind,
    fromDay: null,
    fromDate: null,
    missing: [],
    form: null,
    conditions: [],
    told: [`because ${kind}`],
    reasons: [{ rule: 'X.P1.allow.1', atom: '', text: `because ${kind}`, source: 'A' }],
    openers: [],
    explanation: { en: '', es: '' },
    ...changes,
  }
}

/** A flexor tendon on day 21 of a school with three phases, for tests of screens. */
export function episodeAnswer(changes: Partial<EpisodeAnswer> = {}): EpisodeAnswer {
  const phase = (id: string, name: string, startDay: number, endDay: number | null, state: string) => ({
    id,
    name,
    startDay,
    endDay,
    startDate: '2031-04-01',
    goals: '',
    wear: [],
    state: state as 'current',
    entry: [],
    forbids: [],
  })
  return {
    revision: '1',
    today: '2031-04-11',
    patient: {
      name: 'Bente Okonjo',
      birthDate: '1970-05-01',
      dominantHand: 'right',
      language: 'en',
      hasLatexAllergy: false,
      hasAdhesiveAllergy: false,
    },
    others: [],
    episode: {
      id: 'e1',
      condition: 'Flexor tendon repair',
      conditionId: 'flexor-tendon-repair',
      timeZone: 'Europe/Madrid',
      protocolId: 'FT-DURAN',
      protocol: 'Passive first',
      evidence: '',
      sources: [],
      side: 'left',
      injuredOn: null,
      anchor: 'surgery',
      anchorOn: '2031-03-21',
      dayZeroOn: '2031-03-21',
      digits: ['ring'],
      variant: null,
      measuresWrist: false,
      surgeon: 'Dr. P. Hallam-Ito',
      work: '',
      note: '',
      openedOn: '2031-03-22',
      therapist: 'Noor Castellane',
      day: 21,
      lastReviewOn: '2031-04-10',
      daysSinceReview: 1,
      daysBehind: 0,
      cameLateOnDay: null,
    },
    phases: [
      phase('P0', 'Rest', 0, 3, 'passed'),
      phase('P1', 'Passive', 3, 28, 'current'),
      phase('P2', 'Active', 28, null, 'ahead'),
    ],
    gates: [
      {
        rule: 'X.gate.1',
        day: 42,
        date: '2031-05-02',
        opens: 'light self-care',
        isOpen: false,
        missing: [],
        barredBy: [],
      },
    ],
    loadBase: ['pain while moving: 3 or less'],
    standing: { phaseId: 'P1', frozen: false, heldBy: [], nextPhaseId: 'P2', nextDate: '2031-04-18' },
    criteria: [],
    wrongSchool: [],
    unanswered: [],
    advice: [],
    clock: null,
    shifts: [],
    isHealing: true,
    health: null,
    foundHealth: [],
    home: null,
    overrides: [],
    healthQuestions: [
      { word: 'clot', name: 'blood clot in the arm' },
      { word: 'raynaud', name: 'fingers that turn white in the cold' },
    ],
    schools: [
      {
        protocolId: 'FT-DURAN',
        school: 'FT-DURAN',
        anchorOn: '2031-03-21',
        why: '',
        chosenBy: 'Noor',
        chosenOn: '2031-03-22',
      },
    ],
    orders: [],
    flags: [],
    ownFlags: [],
    raisableFlags: [{ flag: 'RF.VASC', name: 'Pale, blue or cold finger', todo: 'Loosen what is tight.' }],
    milestones: [
      { act: 'drive', name: 'driving', day: 70, date: '2031-05-30', needs: 'Both hands on the wheel.' },
    ],
    limits: { stopPain: 8, boutMinutes: 15, boutExercises: 7 },
    evaluations: [],
    program: null,
    versions: [],
    bouts: [],
    devices: [],
    ...changes,
  }
}

// The page that tests run in has no viewport of its own, and dialogs ask for one.
Object.assign(globalThis, {
  visualViewport: Object.assign(new EventTarget(), { width: 1280, height: 800, scale: 1 }),
})
let last: VueWrapper | null = null

/** Puts a part of a clinic's screen into a page, with the case it shows and an API that answers as the test says. */
export function onScreen(
  part: Component,
  {
    api,
    data = episodeAnswer(),
    role = 'therapist',
    props = {},
  }: {
    api: Partial<Record<keyof ClinicApi, unknown>>
    data?: EpisodeAnswer
    role?: NonNullable<SessionAnswer['user']>['role']
    props?: Record<string, unknown>
  },
): VueWrapper {
  last?.unmount()
  const place = document.createElement('div')
  document.body.replaceChildren(place)
  const pinia = createPinia()
  setActivePinia(pinia)
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [
      { path: '/', name: 'start' },
      { path: '/house', name: 'house' },
      ...['home', 'phase', 'program', 'evaluate'].map((name) => ({ path: `/case/:id?/${name}`, name })),
      { path: '/library/:exerciseId?', name: 'library' },
      { path: '/protocols/:protocolId?', name: 'protocols' },
    ].map((route) => ({ ...route, component: { template: '<div />' } })),
  })
  last = mount(
    {
      setup() {
        useCaseStore().data = data
        useSessionStore().user = { id: 'u', name: 'Noor Castellane', role }
        return () => h(VApp, null, () => h(part, props))
      },
    },
    {
      attachTo: place,
      global: { plugins: [pinia, pledgeVuetify(false), router], provide: { [CLINIC_API as symbol]: api } },
    },
  )
  return last
}

/** What a person reads on the page, dialogs included. */
export const pageText = () => document.body.textContent!.replace(/\s+/g, ' ')

/** Presses the last thing on the page that says so: a dialog lies on top of what opened it. */
export async function pressed(words: string): Promise<void> {
  const all = [...document.querySelectorAll<HTMLElement>('button, label, summary, a')]
  const found = all.filter((one) => one.textContent!.replace(/\s+/g, ' ').trim() === words).at(-1)
  if (!found) throw new Error(`Nothing to press says "${words}". The page says: ${pageText()}`)
  const box = found.querySelector<HTMLInputElement>('input')
  if (found instanceof HTMLButtonElement && found.type === 'submit' && found.form)
    found.form.dispatchEvent(new Event('submit', { cancelable: true }))
  else (box ?? found).click()
  await settled()
}

/** Writes into the field a person knows by its label. */
export async function written(label: string, value: string): Promise<void> {
  const found = [...document.querySelectorAll('label')].find((one) => one.textContent!.trim() === label)
  const field = found
    ? document.getElementById(found.htmlFor)
    : document.querySelector(`[aria-label="${label}"]`)
  if (!(field instanceof HTMLInputElement || field instanceof HTMLTextAreaElement))
    throw new Error(`No field is called "${label}".`)
  field.value = value
  field.dispatchEvent(new Event('input', { bubbles: true }))
  await settled()
}

export const settled = () => new Promise((resolve) => setTimeout(resolve, 0))
