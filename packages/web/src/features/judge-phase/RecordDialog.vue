<script setup lang="ts">
import { ulid } from 'ulid'
import { computed, reactive, ref, watch } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { ApiProblem, messageAt } from '../../shared/api/problem'
import type { CriterionAnswer } from '../../shared/api/types'
import ChoiceInput from '../../shared/parts/ChoiceInput.vue'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import PainScale from '../../shared/parts/PainScale.vue'
import TextInput from '../../shared/parts/TextInput.vue'
import { HOW_WORDS, factOf } from './words'

/** Records that a criterion holds, or does not: what, who gave it, when and how. */
const props = defineProps<{
  criterion: CriterionAnswer
  episodeId: string
  today: string
  surgeon: string
  me: string
}>()
const emit = defineEmits<{ done: []; close: [] }>()
const api = useClinicApi()
const fact = computed(() => factOf(props.criterion.what))
const form = reactive({
  id: ulid(),
  value: null as boolean | number | null,
  dated: '',
  givenBy: '',
  how: null as string | null,
  note: '',
})
const problem = ref<unknown>(null)
const isSaving = ref(false)

watch(
  () => props.criterion,
  (criterion) => {
    const how = criterion.what.startsWith('xr')
      ? 'film'
      : criterion.isSurgeons
        ? 'letter'
        : fact.value.isScore
          ? 'measured'
          : 'examined'
    Object.assign(form, {
      id: ulid(),
      value: fact.value.isScore ? null : true,
      dated: props.today,
      givenBy: criterion.isSurgeons ? props.surgeon : props.me,
      how,
      note: '',
    })
    problem.value = null
  },
  { immediate: true },
)
const ways = computed(() =>
  (props.criterion.isSurgeons
    ? ['letter', 'phone', 'inPerson', 'film']
    : ['examined', 'measured', 'phone']
  ).map((value) => ({ value, text: HOW_WORDS[value] ?? value })),
)

async function save() {
  isSaving.value = true
  problem.value = null
  try {
    await api.addFact(props.episodeId, { ...form, what: fact.value.name })
    emit('done')
  } catch (error) {
    problem.value = error
  } finally {
    isSaving.value = false
  }
}
</script>

<template>
  <v-dialog
    :model-value="true"
    :aria-label="criterion.meaning"
    max-width="520"
    @update:model-value="emit('close')"
  >
    <v-card>
      <form class="form" novalidate @submit.prevent="save">
        <h2>{{ criterion.meaning.charAt(0).toUpperCase() + criterion.meaning.slice(1) }}</h2>
        <PainScale
          v-if="fact.isScore"
          v-model="form.value as number | null"
          label="Score"
          :labels="['none', 'worst']"
          :error="messageAt(problem, 'value')"
        />
        <ChoiceInput
          v-else
          v-model="form.value as boolean | null"
          label="Is it so?"
          :choices="[
            { value: true, text: 'Yes, it holds' },
            { value: false, text: 'No' },
          ]"
          :error="messageAt(problem, 'value')"
        />
        <TextInput
          v-model="form.givenBy"
          :label="criterion.isSurgeons ? 'Given by' : 'Found by'"
          :error="messageAt(problem, 'givenBy')"
        />
        <ChoiceInput v-model="form.how" label="How" :choices="ways" :error="messageAt(problem, 'how')" />
        <TextInput v-model="form.dated" label="Date" type="date" :error="messageAt(problem, 'dated')" />
        <TextInput v-model="form.note" label="Note (optional)" :error="messageAt(problem, 'note')" />
        <p v-if="criterion.staleAfterDays" class="soft">
          Counts for {{ criterion.staleAfterDays }} days, then it is measured again.
        </p>
        <NoticeBox v-if="problem" tone="stop">{{
          problem instanceof ApiProblem ? problem.message : 'Not saved. Try again.'
        }}</NoticeBox>
        <div class="acts">
          <v-btn variant="text" @click="emit('close')">Cancel</v-btn>
          <v-btn type="submit" :loading="isSaving">Record it</v-btn>
        </div>
      </form>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.form {
  display: grid;
  gap: 14px;
  padding: 20px;
}
h2 {
  font-size: 18px;
  line-height: 1.25;
}
.acts {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
}
</style>
