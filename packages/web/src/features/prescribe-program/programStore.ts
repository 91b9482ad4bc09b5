import {
  inHandOrder,
  questionOf,
  VERDICT_KINDS,
  type Digit,
  type Dose,
  type DoseQuestion,
} from '@pledge/core'
import { defineStore } from 'pinia'
import { ulid } from 'ulid'
import { computed, ref, shallowRef } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { ApiProblem } from '../../shared/api/problem'
import type { DraftAnswer, ExerciseAnswer } from '@pledge/contract'

export interface DraftItem {
  itemId: string
  exerciseId: string
  dose: Dose
  /** The digits chosen for the patient; `null`: as the exercise is. */
  digits: Digit[] | null
}
export type SaveState =
  | { name: 'reading' }
  | { name: 'saved' }
  | { name: 'unsaved' }
  | { name: 'saving' }
  | { name: 'signing' }
  | { name: 'signed'; number: number }
  | { name: 'failed'; message: string; errors: readonly { path: string; message: string }[] }
  /** Somebody else saved the draft meanwhile: nothing of theirs is overwritten. */
  | { name: 'overtaken'; message: string }

/** How long the store waits for the next keystroke before it saves. */
const AUTOSAVE_MS = 500

/** The draft of a program: items in order with their doses, saved as they change, judged by the server's core. */
export const useProgramStore = defineStore('program', () => {
  const api = useClinicApi()
  const exercises = shallowRef<readonly ExerciseAnswer[]>([])
  const items = ref<DraftItem[]>([])
  const answer = shallowRef<DraftAnswer | null>(null)
  const state = ref<SaveState>({ name: 'reading' })
  const selectedId = ref<string | null>(null)
  /** The chosen school of dosing by question; a question left out is dosed as the catalogue has it. */
  const schools = ref<Partial<Record<DoseQuestion, string>>>({})
  /** Items added since the last save: they take the dose of the chosen schools. */
  const fresh = new Set<string>()
  let episodeId = ''
  let version = 0
  let timer: ReturnType<typeof setTimeout> | undefined
  let lastSave: Promise<boolean> = Promise.resolve(true)
  let signingId = ulid()

  const byId = computed(() => new Map(exercises.value.map((exercise) => [exercise.id, exercise])))
  const judged = computed(() => new Map((answer.value?.items ?? []).map((item) => [item.itemId, item])))
  const selected = computed(() => (selectedId.value ? (byId.value.get(selectedId.value) ?? null) : null))
  const selectedItem = computed(
    () => items.value.find((item) => item.exerciseId === selectedId.value) ?? null,
  )
  /** Best first, so that what may be chosen stands on top. */
  const ranked = computed(() =>
    [...exercises.value].sort(
      (a, b) =>
        VERDICT_KINDS.indexOf(a.verdict.kind) - VERDICT_KINDS.indexOf(b.verdict.kind) ||
        (a.verdict.fromDay ?? 999) - (b.verdict.fromDay ?? 999),
    ),
  )

  async function open(id: string) {
    // What was changed in the last case is saved there, before this one is read.
    if (state.value.name === 'unsaved') await save()
    else await lastSave
    episodeId = id
    state.value = { name: 'reading' }
    try {
      const [catalogue, draft] = await Promise.all([api.exercises(id), api.draft(id)])
      exercises.value = catalogue
      take(draft)
      items.value = draft.items.map(({ itemId, exerciseId, dose, digits }) => ({
        itemId,
        exerciseId,
        dose: { ...dose },
        digits,
      }))
      schools.value = { ...draft.schools }
      selectedId.value = items.value[0]?.exerciseId ?? ranked.value[0]?.id ?? null
      state.value = { name: 'saved' }
    } catch (error) {
      state.value = { name: 'failed', message: messageOf(error), errors: [] }
    }
  }
  /** Reads the verdicts anew, when the record has changed under an open draft; what is being edited stays. */
  async function judgeAgain() {
    if (!episodeId || state.value.name !== 'saved') return
    const [catalogue, draft] = await Promise.all([api.exercises(episodeId), api.draft(episodeId)])
    exercises.value = catalogue
    if (draft.version === version) take(draft)
  }
  function take(draft: DraftAnswer) {
    answer.value = draft
    version = draft.version
  }
  function changed() {
    state.value = { name: 'unsaved' }
    clearTimeout(timer)
    timer = setTimeout(() => void save(), AUTOSAVE_MS)
  }
  function add(exerciseId: string) {
    const exercise = byId.value.get(exerciseId)
    if (!exercise || items.value.some((item) => item.exerciseId === exerciseId)) return
    const { dose, digitsToBegin } = exercise
    const item = { itemId: ulid(), exerciseId, dose: { ...dose }, digits: digitsToBegin }
    items.value = [...items.value, item]
    fresh.add(item.itemId)
    selectedId.value = exerciseId
    changed()
  }
  function remove(exerciseId: string) {
    items.value = items.value.filter((item) => item.exerciseId !== exerciseId)
    changed()
  }
  function move(exerciseId: string, by: -1 | 1) {
    const from = items.value.findIndex((item) => item.exerciseId === exerciseId)
    const to = from + by
    if (from < 0 || to < 0 || to >= items.value.length) return
    const next = [...items.value]
    const [item] = next.splice(from, 1)
    next.splice(to, 0, item!)
    items.value = next
    changed()
  }
  /** Adds a digit to those that do the exercise, or takes it out; with the last one out it is as the exercise is again. */
  function toggleDigit(exerciseId: string, digit: Digit) {
    items.value = items.value.map((item) => {
      if (item.exerciseId !== exerciseId) return item
      const former = item.digits ?? []
      const next = former.includes(digit) ? former.filter((one) => one !== digit) : [...former, digit]
      return { ...item, digits: next.length > 0 ? inHandOrder(next) : null }
    })
    changed()
  }
  function setDose(exerciseId: string, change: Partial<Dose>) {
    items.value = items.value.map((item) =>
      item.exerciseId === exerciseId ? { ...item, dose: { ...item.dose, ...change } } : item,
    )
    changed()
  }
  /**
   * Chooses a school of dosing, or none: the exercises it speaks of take its dose or order at once, and the catalogue's
   * own dose again where none is chosen.
   */
  async function chooseSchool(question: DoseQuestion, school: string | null): Promise<void> {
    const { [question]: _former, ...others } = schools.value
    schools.value = school === null ? others : { ...others, [question]: school }
    if (!(await save())) return
    const order = answer.value?.schoolOrder ?? []
    if (question === 'boutOrder' && school !== null)
      items.value = [...items.value].sort((a, b) => order.indexOf(a.itemId) - order.indexOf(b.itemId))
    else items.value = items.value.map((item) => ({ ...item, dose: doseUnder(question, item) }))
    await save()
  }
  function doseUnder(question: DoseQuestion, item: DraftItem): Dose {
    const exercise = byId.value.get(item.exerciseId)
    if (!exercise) return item.dose
    const dose = judged.value.get(item.itemId)?.schoolDose ?? exercise.dose
    if (question === 'earlyLoad') return { ...item.dose, load: dose.load }
    return questionOf(exercise) === question ? { ...dose, load: item.dose.load } : item.dose
  }
  /** One after the other: a save sent before the last was answered would name the version before it, and find itself overtaken. */
  function save(): Promise<boolean> {
    clearTimeout(timer)
    lastSave = lastSave.then(saveNow)
    return lastSave
  }
  async function saveNow(): Promise<boolean> {
    clearTimeout(timer)
    state.value = { name: 'saving' }
    const sent = JSON.stringify(items.value)
    try {
      take(await api.saveDraft(episodeId, { version, items: items.value, schools: schools.value }))
      doseFresh()
      // Typed on meanwhile: that is saved next.
      if (sent !== JSON.stringify(items.value)) changed()
      else state.value = { name: 'saved' }
      return true
    } catch (error) {
      if (error instanceof ApiProblem && error.code === 'EDITED_MEANWHILE')
        state.value = { name: 'overtaken', message: error.message }
      else
        state.value = {
          name: 'failed',
          message: messageOf(error),
          errors: error instanceof ApiProblem ? error.errors : [],
        }
      return false
    }
  }
  function doseFresh() {
    if (fresh.size === 0) return
    items.value = items.value.map((item) => {
      const dose = fresh.has(item.itemId) ? judged.value.get(item.itemId)?.schoolDose : null
      return dose ? { ...item, dose: { ...dose } } : item
    })
    fresh.clear()
  }
  async function sign(): Promise<boolean> {
    if (['unsaved', 'failed'].includes(state.value.name) && !(await save())) return false
    state.value = { name: 'signing' }
    try {
      const { number } = await api.sign(episodeId, { id: signingId, version })
      signingId = ulid()
      state.value = { name: 'signed', number }
      return true
    } catch (error) {
      state.value = {
        name: 'failed',
        message: messageOf(error),
        errors: error instanceof ApiProblem ? error.errors : [],
      }
      return false
    }
  }
  /** The refusal of a field of an item: `dose.sets`, `digits`. */
  function errorAt(exerciseId: string, field: string): string | null {
    if (state.value.name !== 'failed') return null
    const index = items.value.findIndex((item) => item.exerciseId === exerciseId)
    return state.value.errors.find((one) => one.path === `items.${index}.${field}`)?.message ?? null
  }
  return {
    exercises,
    items,
    answer,
    state,
    selectedId,
    byId,
    judged,
    selected,
    selectedItem,
    ranked,
    schools,
    chooseSchool,
    open,
    judgeAgain,
    add,
    remove,
    move,
    setDose,
    toggleDigit,
    save,
    sign,
    errorAt,
  }
})

function messageOf(error: unknown): string {
  return error instanceof ApiProblem ? error.message : 'Not saved. Your program is still here; try again.'
}
