<script setup lang="ts">
import { ANCHOR_WORDS } from '@pledge/core'
import { useCaseStore } from '../../shared/case/caseStore'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import TextInput from '../../shared/parts/TextInput.vue'
import { dayText } from '../../shared/words'
import { useBenchStore } from './benchStore'
import SaveAction from './SaveAction.vue'
import { visitNote } from './visitNote'

/** The note of the visit and the button that saves it. */
const props = defineProps<{ isFlexorTendon: boolean }>()

const cases = useCaseStore()
const bench = useBenchStore()

/** The findings as text, after what was written so far: to be read and edited before it is saved with the therapist's name. */
function writeFindings() {
  if (!cases.data) return
  const { day, anchor } = cases.data.episode
  const text = visitNote(bench.readings, bench.bench, {
    day,
    anchor: ANCHOR_WORDS[anchor],
    isFlexorTendon: props.isFlexorTendon,
    tasks: bench.plan?.tasks ?? [],
  })
  bench.writeNote(bench.note.trim() === '' ? text : `${bench.note.trimEnd()}\n\n${text}`)
}
</script>

<template>
  <section class="sheet saving">
    <NoticeBox v-if="bench.amending" tone="care"
      ><strong>Correcting {{ dayText(bench.amending.on) }}.</strong> What stands here takes the place of that
      visit; the first version stays on record.</NoticeBox
    >
    <TextInput
      :model-value="bench.note"
      :label="bench.amending ? 'Addendum: what is corrected, and why' : 'Note'"
      long
      @update:model-value="bench.writeNote($event ?? '')"
    />
    <button
      v-if="bench.readings.length > 0 && !bench.amending"
      type="button"
      class="text-button"
      @click="writeFindings"
    >
      Write the findings into it
    </button>
    <SaveAction />
    <button v-if="bench.amending" type="button" class="text-button" @click="bench.clear()">
      Leave the visit as it was
    </button>
  </section>
</template>

<style scoped>
.saving {
  display: grid;
  gap: 8px;
  padding: 10px 14px 14px;
}
.saving :deep(textarea) {
  max-height: 132px;
  overflow-y: auto;
  font-size: 14px;
  line-height: 1.4;
}
</style>
