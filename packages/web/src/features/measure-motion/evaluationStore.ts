import {
  changeSince,
  isUnusual,
  percentOfOtherSide,
  shortOfOtherSideDeg,
  signedDeg,
  WRIST_MOTION_NAMES,
  type Change,
  type WristMotion,
} from '@pledge/core'
import { defineStore } from 'pinia'
import { computed, reactive, ref } from 'vue'
import { ulid } from 'ulid'
import { useClinicApi } from '../../shared/api/clinicApi'
import { ApiProblem } from '../../shared/api/problem'
import type { EvaluationAnswer, ReadingAnswer } from '@pledge/contract'

export type Side = 'left' | 'right'
export type Kind = 'active' | 'passive'
export type SaveState =
  { name: 'editing' } | { name: 'saving' } | { name: 'saved' } | { name: 'failed'; message: string }
/** What stands in a cell of the bench. */
export type Cell =
  { name: 'empty' } | { name: 'read'; deg: number; isUnusual: boolean } | { name: 'wrong'; message: string }

export interface MotionRow {
  readonly motion: WristMotion
  /** Degrees short of the other side, active. */
  readonly shortDeg: number | null
  readonly percent: number | null
  readonly change: Change | null
}

const key = (motion: WristMotion, side: Side, kind: Kind) => `${motion}.${side}.${kind}`

/** Reads what was typed into a cell: nothing is unknown, not 0. */
export function cellOf(motion: WristMotion, typed: string): Cell {
  const text = typed.trim().replace('−', '-')
  if (text === '') return { name: 'empty' }
  if (!/^-?\d{1,3}$/.test(text)) return { name: 'wrong', message: 'Whole degrees, as 45 or -10.' }
  const deg = Number(text)
  try {
    signedDeg(motion, deg)
  } catch (error) {
    return { name: 'wrong', message: error instanceof Error ? error.message : 'Check the reading.' }
  }
  return { name: 'read', deg, isUnusual: isUnusual(motion, deg) }
}

/** One evaluation at the measuring bench. Differences are derived by core; the readings stay when saving fails. */
export const useEvaluationStore = defineStore('evaluation', () => {
  const api = useClinicApi()
  const typed = reactive<Record<string, string>>({})
  const painRest = ref<number | null>(null)
  const painAct = ref<number | null>(null)
  const note = ref('')
  const saveState = ref<SaveState>({ name: 'editing' })
  const injured = ref<Side>('left')
  const earlier = ref<readonly EvaluationAnswer[]>([])
  const rater = ref('')
  let id = ulid()

  const other = computed<Side>(() => (injured.value === 'left' ? 'right' : 'left'))

  /** @param by - who measures: an error between two raters is larger than within one */
  function start(side: Side, evaluations: readonly EvaluationAnswer[], by: string) {
    for (const name of Object.keys(typed)) delete typed[name]
    injured.value = side
    earlier.value = evaluations
    rater.value = by
    painRest.value = null
    painAct.value = null
    note.value = ''
    saveState.value = { name: 'editing' }
    id = ulid()
  }
  function type(motion: WristMotion, side: Side, kind: Kind, text: string) {
    typed[key(motion, side, kind)] = text
    if (saveState.value.name !== 'saving') saveState.value = { name: 'editing' }
  }
  function textAt(motion: WristMotion, side: Side, kind: Kind): string {
    return typed[key(motion, side, kind)] ?? ''
  }
  function cellAt(motion: WristMotion, side: Side, kind: Kind): Cell {
    return cellOf(motion, textAt(motion, side, kind))
  }
  function readAt(motion: WristMotion, side: Side, kind: Kind): number | null {
    const cell = cellAt(motion, side, kind)
    return cell.name === 'read' ? cell.deg : null
  }
  /** The last reading on record; the healthy side is often measured once only. */
  function lastRead(motion: WristMotion, side: Side, kind: Kind): { deg: number; recordedBy: string } | null {
    for (const { readings: taken, recordedBy } of [...earlier.value].reverse()) {
      const found = taken.find((one) => one.motion === motion && one.side === side && one.kind === kind)
      if (found) return { deg: found.readingDeg, recordedBy }
    }
    return null
  }
  function lastReading(motion: WristMotion, side: Side, kind: Kind): number | null {
    return lastRead(motion, side, kind)?.deg ?? null
  }

  const rows = computed<MotionRow[]>(() =>
    WRIST_MOTION_NAMES.map((motion) => {
      const now = readAt(motion, injured.value, 'active')
      const last = lastRead(motion, injured.value, 'active')
      const healthy = readAt(motion, other.value, 'active') ?? lastReading(motion, other.value, 'active')
      return {
        motion,
        shortDeg: shortOfOtherSideDeg(now, healthy),
        percent: percentOfOtherSide(now, healthy),
        change: changeSince(
          motion,
          last?.deg ?? null,
          now,
          last?.recordedBy === rater.value ? 'same' : 'other',
        ),
      }
    }),
  )
  const readings = computed<ReadingAnswer[]>(() =>
    WRIST_MOTION_NAMES.flatMap((motion) =>
      (['left', 'right'] as const).flatMap((side) =>
        (['active', 'passive'] as const).flatMap((kind) => {
          const deg = readAt(motion, side, kind)
          return deg === null ? [] : [{ motion, side, kind, readingDeg: deg }]
        }),
      ),
    ),
  )
  const wrongCells = computed(
    () =>
      WRIST_MOTION_NAMES.flatMap((motion) =>
        (['left', 'right'] as const).flatMap((side) =>
          (['active', 'passive'] as const).filter((kind) => cellAt(motion, side, kind).name === 'wrong'),
        ),
      ).length,
  )

  async function save(episodeId: string, evaluatedOn: string): Promise<boolean> {
    if (wrongCells.value > 0) {
      saveState.value = {
        name: 'failed',
        message: 'Not saved: a reading marked in red cannot be. Correct it first.',
      }
      return false
    }
    saveState.value = { name: 'saving' }
    try {
      await api.addEvaluation(episodeId, {
        id,
        evaluatedOn,
        painRest: painRest.value,
        painAct: painAct.value,
        note: note.value,
        readings: readings.value,
      })
      saveState.value = { name: 'saved' }
      return true
    } catch (error) {
      // The readings stay: the therapist must not measure the hand again.
      const message =
        error instanceof ApiProblem ? error.message : 'Not saved. The readings are still here; try again.'
      saveState.value = { name: 'failed', message }
      return false
    }
  }
  return {
    typed,
    painRest,
    painAct,
    note,
    saveState,
    injured,
    other,
    rows,
    readings,
    start,
    type,
    textAt,
    cellAt,
    readAt,
    lastReading,
    save,
  }
})
