<script setup lang="ts">
import { EVENTS_TO_REVIEW, HAND_EVENT_KINDS, HAND_EVENT_WORDS, type HandEventKind } from '@pledge/core'
import type { HistoryAnswer } from '@pledge/contract'
import { ulid } from 'ulid'
import { computed, reactive, ref } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { messageAt } from '../../shared/api/problem'
import { useCaseStore } from '../../shared/case/caseStore'
import DialogForm from '../../shared/parts/DialogForm.vue'
import FormField from '../../shared/parts/FormField.vue'
import ReasonDialog from '../../shared/parts/ReasonDialog.vue'
import TextInput from '../../shared/parts/TextInput.vue'
import { useSending } from '../../shared/parts/useSending'
import { dayAndYear } from '../../shared/words'
import { useBenchStore } from './benchStore'

/** Everything that happened to this hand, newest first: each counts its own days. */
const bench = useBenchStore()
const cases = useCaseStore()
const api = useClinicApi()
const history = computed(() => bench.plan?.history ?? [])
const dayOf = ({ day }: HistoryAnswer) => (day < 120 ? `day ${day}` : `${Math.round(day / 30.44)} months`)

const isAdding = ref(false)
const blank = () => ({
  id: ulid(),
  kind: null as HandEventKind | null,
  happenedOn: '',
  words: '',
  givenBy: '',
})
const form = reactive(blank())
const KINDS = HAND_EVENT_KINDS.map((value) => ({ value, title: HAND_EVENT_WORDS[value] }))
const { problem, isSaving, save } = useSending(
  () => api.addEvent(cases.data!.episode.id, { ...form }),
  async () => {
    isAdding.value = false
    Object.assign(form, blank())
    await bench.lookUp()
  },
)
const isFall = computed(() => form.kind !== null && EVENTS_TO_REVIEW.includes(form.kind))
const leaving = ref<HistoryAnswer | null>(null)
async function left() {
  leaving.value = null
  await bench.lookUp()
}
</script>

<template>
  <section class="sheet" aria-labelledby="history-title">
    <header>
      <h2 id="history-title">History of this hand</h2>
      <v-btn variant="outlined" size="small" @click="isAdding = true">Add</v-btn>
    </header>
    <ol>
      <li v-for="(entry, at) in history" :key="`${entry.id}${at}`" :class="entry.source">
        <strong class="tabular">{{ dayOf(entry) }}</strong>
        <span
          >{{ entry.what }}
          <small class="soft"
            >{{ dayAndYear(entry.on) }}{{ entry.detail && `; ${entry.detail}` }}
            <button
              v-if="entry.source === 'event'"
              type="button"
              class="text-button"
              @click="leaving = entry"
            >
              Take it off
            </button></small
          ></span
        >
      </li>
    </ol>
    <DialogForm
      v-if="isAdding"
      title="What happened to this hand"
      action="Record it"
      :problem="problem"
      :is-saving="isSaving"
      @send="save"
      @close="isAdding = false"
    >
      <FormField v-slot="{ id, describedBy, isWrong }" label="What" :error="messageAt(problem, 'kind')">
        <v-select
          :id="id"
          v-model="form.kind"
          :items="KINDS"
          :error="isWrong"
          :aria-describedby="describedBy"
        />
      </FormField>
      <p v-if="isFall" class="care">
        After a fall or blow raise the flag on the Phase step as well: it holds everything until the hand is
        looked at.
      </p>
      <TextInput
        v-model="form.happenedOn"
        label="When"
        type="date"
        :error="messageAt(problem, 'happenedOn')"
      />
      <TextInput v-model="form.words" label="Of what, and how" :error="messageAt(problem, 'words')" />
      <TextInput v-model="form.givenBy" label="Who told it" :error="messageAt(problem, 'givenBy')" />
      <p class="soft">
        It stands in the list and counts its days; it opens and closes nothing. An injury or operation with a
        protocol of its own is a referral of its own: both are then judged together.
      </p>
    </DialogForm>
    <ReasonDialog
      v-if="leaving"
      title="Take it off the list"
      :explanation="`“${leaving.what}” stays on record with your reason.`"
      label="Why"
      action="Take it off"
      path="why"
      :send="
        (body) => api.takeBackEvent(cases.data!.episode.id, leaving!.id, { id: body.id, why: body.text })
      "
      @done="left"
      @close="leaving = null"
    />
  </section>
</template>

<style scoped src="./beside.css"></style>

<style scoped>
ol {
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: 74px minmax(0, 1fr);
  gap: 8px;
  padding: 5px 0;
  font-size: 14px;
  line-height: 1.3;
}
li + li {
  border-top: 1px solid var(--line);
}
.flag strong,
.slip strong {
  color: var(--brick);
}
small {
  display: block;
  font-size: 12.5px;
}
p {
  font-size: 13.5px;
}
.care {
  padding-left: 9px;
  border-left: 3px solid var(--brick);
}
</style>
