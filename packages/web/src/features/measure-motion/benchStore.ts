import {
  asTyped,
  bookOf,
  DIGITS,
  digitFindings,
  digitHinges,
  hingeAt,
  hingesOf,
  isLasting,
  lastAt,
  measureFacts,
  missingPlaces,
  numberFindings,
  numberOf,
  otherSideOf,
  placeKey,
  placeOfKey,
  placeWords,
  resultAt,
  typedReading,
  type Bench,
  type DeviceKind,
  type Digit,
  type DigitFindings,
  type HingeResult,
  type MeasureName,
  type NumberFindings,
  type Reading,
  type ReadingKind,
  type ReadingPlace,
  type Side,
  type TypedReading,
  type WristMotion,
} from '@pledge/core'
import type { BenchAnswer, EvaluationAnswer } from '@pledge/contract'
import { defineStore } from 'pinia'
import { ulid } from 'ulid'
import { computed, reactive, ref, shallowRef } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { ApiProblem } from '../../shared/api/problem'
import { dayText } from '../../shared/words'
import { activeMotion } from './drawnReading'
import {
  keepDraft,
  keepOrder,
  keptDraft,
  keptOrder,
  onOtherTab,
  type AmendedVisit,
  type BenchDraft,
  type MeasuredEarly,
  type MeasuringOrder,
} from './benchDraft'

export type SaveState =
  | { name: 'editing' }
  /** Unusual readings: saved only when somebody says so. */
  | { name: 'asking'; asks: readonly string[] }
  | { name: 'saving' }
  | { name: 'saved'; readings: number }
  | { name: 'failed'; message: string }
export type Lock = BenchAnswer['locks'][number]
export type PlanItem = BenchAnswer['items'][number] & { readonly missing: readonly ReadingPlace[] }

/** One visit at the measuring bench. What readings mean is derived by core; they stay when saving fails. */
export const useBenchStore = defineStore('bench', () => {
  const api = useClinicApi()
  const typed = reactive<Record<string, string>>({})
  const note = ref('')
  const saveState = ref<SaveState>({ name: 'editing' })
  const injured = ref<Side>('left')
  const bench = shallowRef<Bench>({ side: 'left', by: '', visits: [] })
  const plan = shallowRef<BenchAnswer | null>(null)
  const shownDigits = ref<Digit[]>([])
  const order = ref<MeasuringOrder>(keptOrder())
  /** Joints found absent at an earlier visit that somebody says are there. */
  const presentAgain = reactive(new Set<string>())
  const undoable = ref<{ key: string; before: string }[]>([])
  const amending = ref<AmendedVisit | null>(null)
  /** What is measured at this visit before its time: its locks are off. */
  const early = ref<readonly MeasuredEarly[]>([])
  let recorded: readonly EvaluationAnswer[] = []
  let edited: { key: string; isKept: boolean } | null = null
  let episodeId = ''
  let id = ulid()
  let deafen = () => {}

  const other = computed<Side>(() => otherSideOf(injured.value))

  /** @param by - who measures: an error between two raters is larger than within one */
  async function start(
    episode: { id: string; side: Side },
    evaluations: readonly EvaluationAnswer[],
    by: string,
  ) {
    deafen()
    episodeId = episode.id
    injured.value = episode.side
    bench.value = {
      side: episode.side,
      by,
      visits: [],
    }
    recorded = evaluations
    saveState.value = { name: 'editing' }
    undoable.value = []
    presentAgain.clear()
    take(keptDraft(episodeId, by))
    deafen = onOtherTab(episodeId, by, take)
    plan.value = null
    shownDigits.value = [...(await lookUp()).digits]
  }
  /** What to measure, as the record stands now. */
  async function lookUp(): Promise<BenchAnswer> {
    const asked = episodeId
    const answered = await api.bench(asked)
    if (asked === episodeId) plan.value = answered
    return answered
  }
  function stop() {
    deafen()
  }
  /** A visit to correct: its readings and nothing of today. Refused while something of another visit is typed. */
  function amend(visit: EvaluationAnswer): boolean {
    if (isTyped.value)
      return failed('Save or clear what is typed first: a correction takes the place of the whole bench.')
    const { id: amended, evaluatedOn: on, readings, early: opened } = visit
    take({
      id: ulid(),
      typed: Object.fromEntries(readings.map((one) => [placeKey(one), asTyped(one.measure, one.result)])),
      note: '',
      amends: { id: amended, on },
      early: opened ?? [],
    })
    shownDigits.value = DIGITS.filter(
      (digit) => shownDigits.value.includes(digit) || readings.some((one) => one.digit === digit),
    )
    saveState.value = { name: 'editing' }
    keep()
    return true
  }
  /** Gives up what is typed: a correction, or the readings of today. */
  function clear() {
    keepDraft(episodeId, bench.value.by, null)
    undoable.value = []
    take(null)
    saveState.value = { name: 'editing' }
  }
  const isTyped = computed(
    () => amending.value !== null || note.value !== '' || Object.values(typed).some((text) => text !== ''),
  )
  /** What was measured before the visit that is typed: of a correction, the visits before that one. */
  function countVisits() {
    const at = recorded.findIndex(({ id: one }) => one === amending.value?.id)
    const before = at < 0 ? recorded : recorded.slice(0, at)
    bench.value = {
      ...bench.value,
      visits: before.map(({ evaluatedOn, recordedBy, readings }) => ({
        on: evaluatedOn,
        by: recordedBy,
        readings,
      })),
    }
  }
  /** The visits as they are on record now. */
  function setRecorded(evaluations: readonly EvaluationAnswer[]) {
    recorded = evaluations
    countVisits()
  }
  function take(draft: BenchDraft | null) {
    for (const name of Object.keys(typed)) delete typed[name]
    Object.assign(typed, draft?.typed ?? {})
    note.value = draft?.note ?? ''
    id = draft?.id ?? ulid()
    early.value = draft?.early ?? []
    // Somebody else may have corrected it meanwhile: then what was typed is a visit of today.
    amending.value = recorded.some(({ id: one }) => one === draft?.amends?.id) ? draft!.amends! : null
    countVisits()
  }
  function keep() {
    keepDraft(episodeId, bench.value.by, {
      id,
      typed: { ...typed },
      note: note.value,
      ...(amending.value ? { amends: amending.value } : {}),
      ...(early.value.length > 0 ? { early: early.value } : {}),
    })
  }
  /** Takes the locks off what is measured before its time, with the reason. */
  function measureEarly(one: MeasuredEarly) {
    early.value = [...early.value, one]
    keep()
  }
  function setOrder(next: MeasuringOrder) {
    order.value = next
    keepOrder(next)
  }

  /** The cell one is in: what stands there is not called wrong before it is left. */
  const entered = ref<string | null>(null)
  /** A cell is entered: what is typed until it is left is one step to undo. */
  function enter(place: ReadingPlace) {
    edited = { key: placeKey(place), isKept: false }
    entered.value = placeKey(place)
    aimed.value = place
  }
  function leave() {
    entered.value = null
  }
  /** The cell a device fills: the one somebody was in last. */
  const aimed = ref<ReadingPlace | null>(null)
  /**
   * Takes a reading of a device into the cell one is in: into a hinge one end after the other, into trials the next one.
   *
   * @returns what was taken and where, or why it was not
   */
  function fill(device: DeviceKind, value: number): { isTaken: boolean; text: string } {
    const place = aimed.value
    if (!place) return { isTaken: false, text: 'Stand in a cell first, then measure.' }
    const { unit, shape, label } = measureFacts(place.measure)
    if (unit !== (device === 'goniometer' ? 'degrees' : 'kgf'))
      return { isTaken: false, text: `${label} is not measured with a ${device}. Stand in another cell.` }
    if (isLocked(place)) return { isTaken: false, text: `${label} is locked today.` }
    const before = textAt(place)
    const text =
      shape === 'hinge'
        ? nextEnd(before, value)
        : shape === 'trials'
          ? nextTrial(before, value)
          : String(value)
    enter(place)
    type(place, text)
    return { isTaken: true, text: `${placeWords(place)}: ${text}.` }
  }
  /** What is wrong with a cell that was left; `null`: nothing, or still being typed. */
  function wrongAt(place: ReadingPlace) {
    const cell = cellAt(place)
    return cell.name === 'wrong' && entered.value !== placeKey(place) ? cell : null
  }
  function type(place: ReadingPlace, text: string) {
    const key = placeKey(place)
    if (edited?.key !== key || !edited.isKept) {
      undoable.value = [...undoable.value, { key, before: typed[key] ?? '' }]
      edited = { key, isKept: true }
    }
    write(key, text)
  }
  function write(key: string, text: string) {
    typed[key] = text
    if (saveState.value.name !== 'saving') saveState.value = { name: 'editing' }
    keep()
  }
  function writeNote(text: string) {
    note.value = text
    keep()
  }
  /** Takes back the last cell that was changed, and tells which. */
  function undo(): string | null {
    const last = undoable.value.at(-1)
    if (!last) return null
    undoable.value = undoable.value.slice(0, -1)
    edited = null
    write(last.key, last.before)
    return last.key
  }
  /** What was read here last time, as it would be typed; `null` where nothing was. */
  function lastTyped(place: ReadingPlace): string | null {
    const last = lastAt(bench.value.visits, place)
    return last && asTyped(place.measure, last.result)
  }
  /** What the other side is, as it would be typed: today, else when it was last measured. */
  function otherTyped(place: ReadingPlace): string | null {
    if (place.side === null) return null
    const mirrored: ReadingPlace = { ...place, side: otherSideOf(place.side) }
    return typed[placeKey(mirrored)] || lastTyped(mirrored)
  }

  const cells = computed(() => {
    const read = new Map<string, TypedReading>()
    for (const [key, text] of Object.entries(typed)) {
      const place = placeOfKey(key)
      const cell = typedReading(place.measure, text)
      if (cell.name !== 'empty') read.set(key, barred(place, cell) ?? cell)
    }
    return read
  })
  /** Why a reading cannot be where it was typed: the joint is gone, or the repair forbids that end. */
  function barred(place: ReadingPlace, cell: TypedReading): TypedReading | null {
    if (cell.name !== 'read' || typeof cell.result !== 'object' || Array.isArray(cell.result)) return null
    const gone = goneSince(place)
    if (gone) return { name: 'wrong', message: `Found absent on ${dayText(gone)}. Check digit and side.` }
    if ('fusedAtDeg' in cell.result) return null
    const { flexedEndDeg, extendedEndDeg } = cell.result as {
      flexedEndDeg: number | null
      extendedEndDeg: number | null
    }
    const locked = locksAt(place).filter(({ state }) => state === 'locked')
    if (flexedEndDeg !== null && locked.some(({ end }) => end === 'flexed'))
      return { name: 'wrong', message: 'Bending is not measured yet: only how far it straightens, as 10/.' }
    if (extendedEndDeg !== null && locked.some(({ end }) => end === 'extended'))
      return { name: 'wrong', message: 'Straightening is not measured yet: only how far it bends, as /60.' }
    return null
  }
  function goneSince(place: ReadingPlace): string | null {
    if (measureFacts(place.measure).shape !== 'hinge' || presentAgain.has(placeKey(place))) return null
    const last = lastAt(bench.value.visits, place) ?? lastAt(bench.value.visits, otherWay(place))
    return last?.result === 'absent' ? last.on : null
  }
  const otherWay = (place: ReadingPlace): ReadingPlace => ({
    ...place,
    kind: place.kind === 'active' ? 'passive' : 'active',
  })
  function isThere(place: ReadingPlace) {
    presentAgain.add(placeKey(place))
  }
  const EMPTY: TypedReading = { name: 'empty' }
  function cellAt(place: ReadingPlace): TypedReading {
    return cells.value.get(placeKey(place)) ?? EMPTY
  }
  function textAt(place: ReadingPlace): string {
    return typed[placeKey(place)] ?? ''
  }
  /** Absent or fused, found today in the other way or at an earlier visit: typed once. */
  function lastingAt(place: ReadingPlace): string | null {
    if (textAt(place) !== '' || measureFacts(place.measure).shape !== 'hinge') return null
    const found = hingeAt(now.value, bench.value.visits, place) as HingeResult | null
    return isLasting(found) ? asTyped(place.measure, found!) : null
  }

  const locksByMeasure = computed(() => {
    const found = new Map<string, Lock[]>()
    for (const lock of plan.value?.locks ?? [])
      found.set(lock.measure, [...(found.get(lock.measure) ?? []), lock])
    return found
  })
  function locksAt({ measure, digit, side, kind }: ReadingPlace): Lock[] {
    // What was measured once is corrected whatever may be measured today.
    if (side !== injured.value || amending.value) return []
    return (locksByMeasure.value.get(measure) ?? []).filter(
      (lock) =>
        lock.kind === kind &&
        (lock.digits === null || (digit !== null && lock.digits.includes(digit))) &&
        // What is open in a form only is still asked about.
        !(lock.state === 'locked' && isEarly(measure)),
    )
  }
  function isEarly(measure: MeasureName): boolean {
    return early.value.some(({ measures }) => measures.includes(measure))
  }
  /** Nothing of it may be measured today. */
  function isLocked(place: ReadingPlace): boolean {
    const locked = locksAt(place).filter(({ state }) => state === 'locked')
    return measureFacts(place.measure).shape === 'hinge' ? locked.length >= 2 : locked.length > 0
  }

  const readings = computed<Reading[]>(() =>
    [...cells.value].flatMap(([key, cell]) =>
      cell.name === 'read' ? [{ ...placeOfKey(key), result: cell.result }] : [],
    ),
  )
  const now = computed(() => bookOf(readings.value))
  const findings = computed<DigitFindings[]>(() =>
    shownDigits.value.map((digit) => digitFindings(digit, now.value, bench.value)),
  )
  function numbersAt(place: ReadingPlace): NumberFindings {
    return numberFindings(place, now.value, bench.value)
  }
  /** The angle of a motion of the other side, active: today, else when it was last measured. */
  function otherAngle(measure: WristMotion): number | null {
    const place = activeMotion(measure, other.value)
    return numberOf(resultAt(now.value, place) ?? lastAt(bench.value.visits, place)?.result ?? null)
  }
  function hingesAt(digit: Digit, side: Side, kind: ReadingKind) {
    return digitHinges(digit, side, kind, now.value, bench.value.visits)
  }
  const items = computed<PlanItem[]>(() =>
    (plan.value?.items ?? []).map((item) => ({
      ...item,
      missing: missingPlaces(item, (key) => now.value.has(key) || lastingAt(placeOfKey(key)) !== null).filter(
        (place) => !isLocked(place),
      ),
    })),
  )
  const next = computed(() => items.value.find(({ missing }) => missing.length > 0) ?? null)

  /** The cells of the grid of digits in the order in which one measures. */
  const gridOrder = computed<ReadingPlace[]>(() => {
    const places = ([injured.value, other.value] as const).flatMap((side) =>
      (order.value === 'digit' ? shownDigits.value : [null]).flatMap((only) =>
        (['active', 'passive'] as const).flatMap((kind) =>
          only ? hingePlaces([only], side, kind) : byJoint(shownDigits.value, side, kind),
        ),
      ),
    )
    return places.filter((place) => !isLocked(place))
  })

  const wrong = computed(() =>
    [...cells.value].filter(([, cell]) => cell.name === 'wrong').map(([key]) => key),
  )
  /** Readings of what is open in a form only: whether it was kept to is asked, once a form. */
  const limitedAsks = computed<string[]>(() => {
    const asked = new Map<string, string[]>()
    for (const [key, cell] of cells.value) {
      if (cell.name !== 'read') continue
      const place = placeOfKey(key)
      const ends = cell.result as Partial<Record<'flexedEndDeg' | 'extendedEndDeg', number | null>>
      const form = locksAt(place).find(
        ({ state, end }) => state === 'limited' && (end === null || (ends[`${end}EndDeg`] ?? null) !== null),
      )?.verdict.form
      if (form) asked.set(form, [...(asked.get(form) ?? []), placeWords(place)])
    }
    return [...asked].map(
      ([form, places]) => `open only in a form (${form}), was it kept to at ${places.join('; ')}?`,
    )
  })
  /** What is possible and unusual: asked about before it is saved. */
  const asks = computed<string[]>(() => [
    ...limitedAsks.value,
    ...[...cells.value].flatMap(([key, cell]) =>
      cell.name === 'read' && cell.isUnusual
        ? [`${placeWords(placeOfKey(key))}: ${typed[key]} is unusual`]
        : [],
    ),
    ...findings.value.flatMap(({ digit, joints }) =>
      joints.flatMap(({ measure, needsAnotherLook }) =>
        needsAnotherLook
          ? [
              `${digit === 'thumb' ? '' : `${digit} `}${measureFacts(measure).label}: active goes beyond passive by more than the error`,
            ]
          : [],
      ),
    ),
  ])

  /** Exceptions something was measured by; one that was not used is none. */
  const usedEarly = computed<MeasuredEarly[]>(() =>
    early.value.flatMap((one) => {
      const measures = one.measures.filter((name) => readings.value.some(({ measure }) => measure === name))
      return measures.length > 0 ? [{ ...one, measures }] : []
    }),
  )

  /** @returns whether the visit is stored */
  async function save(evaluatedOn: string): Promise<boolean> {
    const isAnswered = saveState.value.name === 'asking'
    if (wrong.value.length > 0)
      return failed('Not saved: a reading marked in red cannot be. Correct it first.')
    if (amending.value && note.value.trim() === '')
      return failed('Say in the note what is corrected, and why.')
    if (readings.value.length === 0) return failed('Nothing is measured yet.')
    if (asks.value.length > 0 && !isAnswered) {
      saveState.value = { name: 'asking', asks: asks.value }
      return false
    }
    saveState.value = { name: 'saving' }
    const visit = {
      id,
      evaluatedOn: amending.value?.on ?? evaluatedOn,
      note: note.value,
      readings: readings.value,
    }
    const amends = amending.value
    const exceptions = usedEarly.value.map((one) => ({ ...one, measures: [...one.measures] }))
    try {
      await api.addEvaluation(episodeId, {
        ...visit,
        early: exceptions,
        amendsId: amends?.id ?? null,
      })
      // What is typed from here on is another visit; these readings are the last ones now.
      const stored = { ...visit, early: exceptions, recordedBy: bench.value.by, before: [] }
      recorded = amends ? recorded.map((one) => (one.id === amends.id ? stored : one)) : [...recorded, stored]
      clear()
      saveState.value = { name: 'saved', readings: visit.readings.length }
      return true
    } catch (error) {
      // The readings stay: the therapist must not measure the hand again.
      return failed(
        error instanceof ApiProblem ? error.message : 'Not saved. The readings are still here; try again.',
      )
    }
  }
  function failed(message: string): false {
    saveState.value = { name: 'failed', message }
    return false
  }
  return {
    typed,
    note,
    saveState,
    injured,
    other,
    bench,
    plan,
    shownDigits,
    order,
    undoable,
    entered,
    readings,
    findings,
    items,
    next,
    gridOrder,
    wrong,
    asks,
    amending,
    early,
    usedEarly,
    isTyped,
    start,
    amend,
    clear,
    setRecorded,
    lookUp,
    stop,
    setOrder,
    measureEarly,
    isEarly,
    enter,
    leave,
    wrongAt,
    type,
    writeNote,
    undo,
    lastTyped,
    otherTyped,
    cellAt,
    textAt,
    lastingAt,
    locksAt,
    isLocked,
    isThere,
    goneSince,
    numbersAt,
    hingesAt,
    otherAngle,
    fill,
    save,
  }
})

/** One end of a hinge, then the other: the smaller is how far it straightens. A full cell begins anew. */
function nextEnd(before: string, deg: number): string {
  const first = /^(-?\d+)\/$/.exec(before)
  if (!first) return `${deg}/`
  const ends = [Number(first[1]), deg].sort((a, b) => a - b)
  return ends.join('/')
}

const TRIALS = 3
/** Three trials, then anew. */
function nextTrial(before: string, kgf: number): string {
  const trials = before.split(/[\s/;]+/).filter(Boolean)
  return [...(trials.length < TRIALS ? trials : []), kgf.toFixed(1)].join(' ')
}

function hingePlaces(digits: readonly Digit[], side: Side, kind: ReadingKind): ReadingPlace[] {
  return digits.flatMap((digit) => hingesOf(digit).map((measure) => ({ measure, digit, side, kind })))
}

/** One joint of all digits after another; the thumb's MCP and IP go with the MCP and PIP of the fingers. */
function byJoint(digits: readonly Digit[], side: Side, kind: ReadingKind): ReadingPlace[] {
  return [0, 1, 2].flatMap((joint) =>
    digits.flatMap((digit) => {
      const measure = hingesOf(digit)[joint]
      return measure ? [{ measure, digit, side, kind }] : []
    }),
  )
}
