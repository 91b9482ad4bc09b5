<script setup lang="ts">
import { ANCHOR_WORDS } from '@pledge/core'
import { ulid } from 'ulid'
import { computed, onMounted, reactive, ref } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { messageAt } from '../../shared/api/problem'
import type { EpisodeAnswer, SchoolAnswer } from '@pledge/contract'
import FactQuestions from '../../shared/case/FactQuestions.vue'
import * as facts from '../../shared/case/schoolFacts'
import FormField from '../../shared/parts/FormField.vue'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import TextInput from '../../shared/parts/TextInput.vue'
import DialogForm from '../../shared/parts/DialogForm.vue'
import { useSending } from '../../shared/parts/useSending'

/** Another school for the episode, with its day 0 and the reason; what was recorded stays. */
const props = defineProps<{ data: EpisodeAnswer }>()
const emit = defineEmits<{ done: []; close: [] }>()
const api = useClinicApi()
const schools = ref<SchoolAnswer[]>([])
const form = reactive({
  id: ulid(),
  protocolId: props.data.episode.protocolId,
  variant: null as string | null,
  anchorOn: props.data.episode.anchorOn,
  why: '',
})
onMounted(async () => {
  const all = await api.conditions()
  schools.value = all.find((one) => one.id === props.data.episode.conditionId)?.protocols ?? []
})
const chosen = computed(() => schools.value.find((one) => one.id === form.protocolId) ?? null)
const answers = ref<facts.FactAnswers>({})
const values = reactive<Record<string, number | null>>({})
const wrong = computed(() =>
  (chosen.value?.select ?? []).filter((fact) => facts.answerTo(fact, answers.value) === 'notSo'),
)
const { problem, isSaving, save } = useSending(
  () =>
    api.chooseSchool(props.data.episode.id, {
      ...form,
      selection: facts.selectionOf(chosen.value, answers.value),
      values: facts.valuesOf(chosen.value, values),
    }),
  () => emit('done'),
)
</script>

<template>
  <DialogForm
    title="Another school"
    action="Follow this school"
    :problem="problem"
    :is-saving="isSaving"
    @send="save"
    @close="emit('close')"
  >
    <FormField
      v-slot="{ id }"
      label="School"
      :error="messageAt(problem, 'protocolId')"
      :hint="chosen?.evidence"
    >
      <v-select
        :id="id"
        v-model="form.protocolId"
        :items="schools.map((one) => ({ value: one.id, title: one.school }))"
        @update:model-value="form.variant = null"
      />
    </FormField>
    <template v-if="chosen && chosen.select.length > 0">
      <p class="soft">This school rests on:</p>
      <FactQuestions v-model="answers" :facts="chosen.select" />
      <NoticeBox v-if="wrong.length > 0" tone="stop"
        >It does not fit, because this does not hold: {{ wrong.map((fact) => fact.meaning).join('; ') }}.
        Choose another.</NoticeBox
      >
      <p v-else-if="messageAt(problem, 'selection')" class="missing" role="alert">
        {{ messageAt(problem, 'selection') }}
      </p>
    </template>
    <FormField
      v-if="chosen && chosen.variants.length > 0"
      v-slot="{ id }"
      label="Variant"
      :error="messageAt(problem, 'variant')"
    >
      <v-select
        :id="id"
        v-model="form.variant"
        clearable
        placeholder="none of these"
        :items="chosen.variants.map((one) => ({ value: one.id, title: one.name }))"
      />
    </FormField>
    <TextInput
      v-model="form.anchorOn"
      :label="`Day 0${chosen ? `: ${ANCHOR_WORDS[chosen.anchor]}` : ''}`"
      type="date"
      :error="messageAt(problem, 'anchorOn')"
    />
    <TextInput
      v-for="value in chosen?.values ?? []"
      :key="value.id"
      :model-value="String(values[value.id] ?? value.value)"
      :label="`${value.name} (°)`"
      :error="messageAt(problem, `values.${value.id}`)"
      @update:model-value="values[value.id] = $event === '' || $event === null ? null : Number($event)"
    />
    <TextInput v-model="form.why" label="Why, and who agreed" :error="messageAt(problem, 'why')" />
    <p class="soft">
      The signed program stays as it is; what the new school does not allow is paused on the phone.
    </p>
  </DialogForm>
</template>

<style scoped>
.missing {
  font-size: 13.5px;
  font-weight: 600;
  color: var(--brick);
}
</style>
