import { newReferral } from '@pledge/core/schemas'
import { defineStore } from 'pinia'
import { computed, reactive, ref, shallowRef } from 'vue'
import { ValidationError } from 'yup'
import { useClinicApi } from '../../shared/api/clinicApi'
import { ApiProblem } from '../../shared/api/problem'
import type { KnownPersonAnswer, SchoolAnswer } from '@pledge/contract'
import * as facts from '../../shared/case/schoolFacts'

export type SaveState = { name: 'editing' } | { name: 'saving' } | { name: 'failed'; message: string }

const EMPTY = {
  name: '',
  birthDate: '',
  /** The person who has this name and date of birth; `null`: somebody else; `undefined`: not said. */
  samePersonAs: undefined as string | null | undefined,
  dominantHand: null as string | null,
  language: 'en' as string | null,
  hasLatexAllergy: null as boolean | null,
  hasAdhesiveAllergy: null as boolean | null,
  conditionId: '',
  protocolId: '',
  variant: null as string | null,
  side: null as string | null,
  injuredOn: '',
  anchorOn: '',
  surgeon: '',
  letterOn: '',
  clearances: ['ord.therapy'] as string[],
  restrictions: [] as { restriction: string; untilOn: string | null; why: string }[],
  things: null as string[] | null,
  otherHand: 'notAsked',
  work: '',
  note: '',
}

/** A referral being taken. What was typed stays, whatever becomes of the saving. */
export const useReferralStore = defineStore('referral', () => {
  const api = useClinicApi()
  const form = reactive({
    ...EMPTY,
    clearances: [...EMPTY.clearances],
    restrictions: [] as typeof EMPTY.restrictions,
    digits: [] as string[],
    values: {} as Record<string, number | null>,
    /** Facts that decide which school fits, by name; `null` = not answered. */
    answers: {} as Record<string, boolean | number | null>,
  })
  const school = ref<SchoolAnswer | null>(null)
  const saveState = ref<SaveState>({ name: 'editing' })
  const touched = reactive(new Set<string>())
  const wasSent = ref(false)
  const serverErrors = ref<Record<string, string>>({})
  const today = ref('')
  /** Persons who have this name and date of birth already. */
  const known = shallowRef<readonly KnownPersonAnswer[]>([])
  let asked = ''

  /** Every refusal by its field, from the same shape that the server checks. */
  const errors = computed<Record<string, string>>(() => {
    try {
      newReferral.validateSync(toSend(), { abortEarly: false, context: { today: today.value } })
      return {}
    } catch (error) {
      if (!(error instanceof ValidationError)) throw error
      const found: Record<string, string> = {}
      for (const one of error.inner) if (one.path && !(one.path in found)) found[one.path] = one.message
      return found
    }
  })

  function toSend() {
    const { answers, ...rest } = form
    return {
      ...rest,
      injuredOn: (school.value?.anchor === 'injury' ? form.anchorOn : form.injuredOn) || null,
      digits:
        school.value?.digits === 'thumb' ? ['thumb'] : school.value?.digits === 'none' ? [] : form.digits,
      values: facts.valuesOf(school.value, form.values),
      clearances: form.clearances.filter(
        (what) => school.value === null || school.value.clearances.some((one) => one.what === what),
      ),
      selection: facts.selectionOf(school.value, answers),
      restrictions: form.restrictions.map((one) => ({ ...one, untilOn: one.untilOn || null })),
    }
  }
  /** The refusal to show beside a field: once it was left, or once sending was tried. */
  function errorAt(field: string): string | null {
    const isShown = wasSent.value || touched.has(field)
    return serverErrors.value[field] ?? (isShown ? (errors.value[field] ?? null) : null)
  }
  function touch(field: string) {
    touched.add(field)
    serverErrors.value = {}
    if (field === 'name' || field === 'birthDate') void lookUp()
  }
  /** Asks whether somebody of this name and date of birth is here already. Without an answer, saving asks again. */
  async function lookUp() {
    const who = { name: form.name.trim(), birthDate: form.birthDate }
    const key = `${who.name} ${who.birthDate}`
    if (key === asked || errors.value['name'] || errors.value['birthDate']) return
    asked = key
    form.samePersonAs = undefined
    try {
      const found = await api.knownPersons(who)
      if (key === asked) known.value = found
    } catch {
      asked = ''
    }
  }
  function start(day: string) {
    Object.assign(form, {
      ...EMPTY,
      clearances: [...EMPTY.clearances],
      restrictions: [],
      digits: [],
      values: {},
      answers: {},
    })
    school.value = null
    known.value = []
    asked = ''
    touched.clear()
    wasSent.value = false
    serverErrors.value = {}
    saveState.value = { name: 'editing' }
    today.value = day
  }
  const answerTo = (fact: SchoolAnswer['select'][number]) => facts.answerTo(fact, form.answers)
  const isOffered = (one: SchoolAnswer) => facts.isOffered(one, form.answers)
  function choose(one: SchoolAnswer | null) {
    school.value = one
    form.protocolId = one?.id ?? ''
    form.variant = null
    form.values = Object.fromEntries((one?.values ?? []).map(({ id, value }) => [id, value]))
    serverErrors.value = {}
  }
  async function save(): Promise<string | null> {
    wasSent.value = true
    const count = Object.keys(errors.value).length
    if (count > 0) {
      saveState.value = {
        name: 'failed',
        message: `Not saved: ${count === 1 ? 'one field needs' : `${count} fields need`} another look.`,
      }
      return null
    }
    saveState.value = { name: 'saving' }
    try {
      const { episodeId } = await api.refer(toSend())
      return episodeId
    } catch (error) {
      const message =
        error instanceof ApiProblem ? error.message : 'Not saved. What you typed is still here; try again.'
      serverErrors.value =
        error instanceof ApiProblem
          ? Object.fromEntries(error.errors.map((one) => [one.path, one.message]))
          : {}
      saveState.value = { name: 'failed', message }
      if ('samePersonAs' in serverErrors.value) {
        asked = ''
        await lookUp()
      }
      return null
    }
  }
  return { form, school, known, saveState, errors, errorAt, touch, start, answerTo, isOffered, choose, save }
})
