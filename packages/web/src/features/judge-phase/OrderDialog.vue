<script setup lang="ts">
import { RESTRICTION_NAMES, RESTRICTIONS } from '@pledge/core'
import { ulid } from 'ulid'
import { reactive, ref } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { ApiProblem, messageAt } from '../../shared/api/problem'
import FormField from '../../shared/parts/FormField.vue'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import TextInput from '../../shared/parts/TextInput.vue'

/** A surgeon's restriction: it closes what it names at once, whatever the protocol says. */
const props = defineProps<{ episodeId: string; today: string; surgeon: string }>()
const emit = defineEmits<{ done: []; close: [] }>()
const api = useClinicApi()
const form = reactive({
  id: ulid(),
  restriction: 'noLoad',
  untilOn: '',
  givenBy: props.surgeon,
  dated: props.today,
  why: '',
})
const problem = ref<unknown>(null)
const items = RESTRICTION_NAMES.map((name) => ({ value: name, title: RESTRICTIONS[name].label }))

async function save() {
  problem.value = null
  try {
    await api.addOrder(props.episodeId, { ...form, untilOn: form.untilOn || null })
    emit('done')
  } catch (error) {
    problem.value = error
  }
}
</script>

<template>
  <v-dialog
    :model-value="true"
    aria-label="Surgeon’s restriction"
    max-width="520"
    @update:model-value="emit('close')"
  >
    <v-card>
      <form class="form" novalidate @submit.prevent="save">
        <h2>Surgeon’s restriction</h2>
        <FormField v-slot="{ id }" label="What is forbidden" :error="messageAt(problem, 'restriction')">
          <v-select :id="id" v-model="form.restriction" :items="items" />
        </FormField>
        <TextInput
          v-model="form.untilOn"
          label="Until (empty: until withdrawn)"
          type="date"
          :error="messageAt(problem, 'untilOn')"
        />
        <TextInput v-model="form.why" label="Reason" :error="messageAt(problem, 'why')" />
        <TextInput v-model="form.givenBy" label="Given by" :error="messageAt(problem, 'givenBy')" />
        <TextInput
          v-model="form.dated"
          label="Date of the order"
          type="date"
          :error="messageAt(problem, 'dated')"
        />
        <NoticeBox v-if="problem" tone="stop">{{
          problem instanceof ApiProblem ? problem.message : 'Not saved. Try again.'
        }}</NoticeBox>
        <div class="acts">
          <v-btn variant="text" @click="emit('close')">Cancel</v-btn>
          <v-btn type="submit">Record it</v-btn>
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
}
.acts {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
}
</style>
