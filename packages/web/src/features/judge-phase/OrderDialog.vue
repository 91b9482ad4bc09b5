<script setup lang="ts">
import { RESTRICTION_NAMES, RESTRICTIONS } from '@pledge/core'
import { ulid } from 'ulid'
import { reactive } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { messageAt } from '../../shared/api/problem'
import FormField from '../../shared/parts/FormField.vue'
import TextInput from '../../shared/parts/TextInput.vue'
import DialogForm from './DialogForm.vue'
import { useSending } from './useSending'

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
const items = RESTRICTION_NAMES.map((name) => ({ value: name, title: RESTRICTIONS[name].label }))
const { problem, isSaving, save } = useSending(
  () => api.addOrder(props.episodeId, { ...form, untilOn: form.untilOn || null }),
  () => emit('done'),
)
</script>

<template>
  <DialogForm
    title="Surgeon’s restriction"
    action="Record it"
    :problem="problem"
    :is-saving="isSaving"
    @send="save"
    @close="emit('close')"
  >
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
  </DialogForm>
</template>
