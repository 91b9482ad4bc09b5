<script setup lang="ts">
import {
  asTyped,
  mappedColumns,
  placeWords,
  READING_COLUMNS,
  readRows,
  ROW_ASKS,
  type ReadingColumn,
  type ReadingMapping,
  type ReadRow,
} from '@pledge/core'
import { ulid } from 'ulid'
import { computed, ref, shallowRef } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { useCaseStore } from '../../shared/case/caseStore'
import ChoiceInput from '../../shared/parts/ChoiceInput.vue'
import DialogForm from '../../shared/parts/DialogForm.vue'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import { useSending } from '../../shared/parts/useSending'
import { dayText } from '../../shared/words'
import { keepMapping, keptMapping } from './benchDraft'
import { readCsv, type CsvTable } from './readCsv'

/** Readings from a file: columns named once, every row shown as it is understood, nothing taken twice. */
const emit = defineEmits<{ done: []; close: [] }>()
const api = useClinicApi()
const cases = useCaseStore()

const fileName = ref('')
const table = shallowRef<CsvTable | null>(null)
const mapping = ref<ReadingMapping>({ columns: {}, dateOrder: null, lackingIs: null })
/** One id a day, kept while the dialog is open: what was sent twice is stored once. */
const ids = new Map<string, string>()
const idOf = (on: string) => ids.get(on) ?? ids.set(on, ulid()).get(on)!

async function take(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  fileName.value = file.name
  const read = readCsv(await file.arrayBuffer())
  table.value = read
  ids.clear()
  if (read.name === 'table')
    mapping.value = keptMapping(read.header) ?? {
      columns: mappedColumns(read.header),
      dateOrder: null,
      lackingIs: null,
    }
}
const COLUMN_WORDS: Readonly<Record<ReadingColumn, string>> = {
  date: 'Date',
  measure: 'Measure or joint',
  digit: 'Digit',
  side: 'Side',
  kind: 'Active or passive',
  value: 'Value, as typed at the bench',
  extension: 'Extension',
  flexion: 'Flexion',
}
const header = computed(() => (table.value?.name === 'table' ? table.value.header : []))
function map(column: ReadingColumn, text: string) {
  const { [column]: _old, ...columns } = mapping.value.columns
  mapping.value = {
    ...mapping.value,
    columns: text === '' ? columns : { ...columns, [column]: Number(text) },
  }
}
const rows = computed<ReadRow[]>(() => {
  if (table.value?.name !== 'table' || !cases.data) return []
  const onRecord = cases.data.evaluations.map(({ evaluatedOn, readings }) => ({ on: evaluatedOn, readings }))
  return readRows(table.value.rows, mapping.value, onRecord, cases.data.today)
})
const fresh = computed(() => rows.value.flatMap((row) => (row.name === 'reading' ? [row] : [])))
const wrong = computed(() => rows.value.flatMap((row) => (row.name === 'wrong' ? [row] : [])))
const known = computed(() => rows.value.filter(({ name }) => name === 'known').length)
const days = computed(() => [...new Set(fresh.value.map(({ on }) => on))].sort())
/** What the file does not say of itself: asked where a row waits for it. */
const asks = (what: keyof typeof ROW_ASKS) =>
  mapping.value[what] !== null || wrong.value.some(({ message }) => message === ROW_ASKS[what])
const ORDERS = [
  { value: 'dayFirst' as const, text: 'day first' },
  { value: 'monthFirst' as const, text: 'month first' },
]
const SIGNS = [
  { value: 'positive' as const, text: '15 lacks 15°' },
  { value: 'negative' as const, text: '−15 lacks 15°' },
]
const SHOWN = 6

const stored = ref(0)
const { problem, isSaving, save } = useSending(
  async () => {
    if (fresh.value.length === 0) return
    keepMapping(header.value, mapping.value)
    for (const on of days.value) {
      await api.addEvaluation(cases.data!.episode.id, {
        id: idOf(on),
        evaluatedOn: on,
        note: `Imported from ${fileName.value}.`,
        readings: fresh.value.filter((row) => row.on === on).map(({ reading }) => reading),
      })
      stored.value += 1
    }
  },
  () => fresh.value.length > 0 && emit('done'),
)
const action = computed(() =>
  fresh.value.length === 0
    ? 'Nothing to take'
    : `Take ${fresh.value.length} ${fresh.value.length === 1 ? 'reading' : 'readings'} of ${days.value.length} ${days.value.length === 1 ? 'day' : 'days'}`,
)
</script>

<template>
  <DialogForm
    title="Readings from a file"
    :action="action"
    :problem="problem"
    :is-saving="isSaving"
    @send="save"
    @close="stored > 0 ? emit('done') : emit('close')"
  >
    <label class="file"
      ><span>A file of comma-separated values, with the names of its columns in the first row</span>
      <input type="file" accept=".csv,.txt,text/csv" @change="take"
    /></label>
    <NoticeBox v-if="table?.name === 'refused'" tone="stop">{{ table.message }}</NoticeBox>
    <template v-if="table?.name === 'table'">
      <div class="columns">
        <label v-for="column in READING_COLUMNS" :key="column"
          ><span>{{ COLUMN_WORDS[column] }}</span>
          <select
            :value="mapping.columns[column] ?? ''"
            @change="map(column, ($event.target as HTMLSelectElement).value)"
          >
            <option value="">not in the file</option>
            <option v-for="(name, at) in header" :key="at" :value="at">{{ name }}</option>
          </select></label
        >
      </div>
      <ChoiceInput
        v-if="asks('dateOrder')"
        :model-value="mapping.dateOrder"
        label="In its dates comes"
        :choices="ORDERS"
        @update:model-value="mapping = { ...mapping, dateOrder: $event ?? null }"
      />
      <ChoiceInput
        v-if="asks('lackingIs')"
        :model-value="mapping.lackingIs"
        label="In its extension"
        :choices="SIGNS"
        @update:model-value="mapping = { ...mapping, lackingIs: $event ?? null }"
      />
      <p v-if="table.note" class="soft">{{ table.note }}</p>
      <p>
        <strong>{{ fresh.length }} new</strong>, {{ known }} on record already, {{ wrong.length }} that cannot
        be taken.
      </p>
      <ul>
        <li v-for="row in wrong.slice(0, SHOWN)" :key="row.row" class="bad">
          Row {{ row.row }}: {{ row.message }}
        </li>
        <li v-if="wrong.length > SHOWN" class="bad">and {{ wrong.length - SHOWN }} more</li>
        <li v-for="row in fresh.slice(0, SHOWN)" :key="row.row" class="tabular">
          {{ dayText(row.on) }}: {{ placeWords(row.reading) }}
          <strong>{{ asTyped(row.reading.measure, row.reading.result) }}</strong>
        </li>
        <li v-if="fresh.length > SHOWN" class="soft">and {{ fresh.length - SHOWN }} more</li>
      </ul>
    </template>
  </DialogForm>
</template>

<style scoped>
.file {
  display: grid;
  gap: 6px;
  font-size: 14px;
}
.columns {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px 14px;
}
.columns label {
  display: grid;
  gap: 2px;
  font-size: 13px;
}
select {
  min-height: 34px;
  padding: 0 6px;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
}
ul {
  margin: 0;
  padding: 0;
  max-height: 190px;
  overflow-y: auto;
  list-style: none;
  font-size: 13.5px;
}
li {
  padding: 2px 0;
}
.bad {
  color: var(--brick);
  font-weight: 600;
}
</style>
