<script setup lang="ts">
import { EARLY_PERMISSION_NAMES, EARLY_PERMISSIONS, RESTRICTION_NAMES, RESTRICTIONS } from '@pledge/core'
import { ulid } from 'ulid'
import { computed, reactive, ref, watch } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { messageAt } from '../../shared/api/problem'
import ChoiceInput from '../../shared/parts/ChoiceInput.vue'
import FormField from '../../shared/parts/FormField.vue'
import TextInput from '../../shared/parts/TextInput.vue'
import DialogForm from '../../shared/parts/DialogForm.vue'
import { useSending } from '../../shared/parts/useSending'

/**
 * A surgeon's order. A restriction closes what it names at once, whatever the protocol says; a permission opens something
 * early, with care, and names the letter it rests on.
 */
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
  document: '',
})
const effect = ref<'forbid' | 'allow'>('forbid')
watch(effect, (now) => (form.restriction = now === 'forbid' ? 'noLoad' : 'earlyFingerActive'))
const items = computed(() =>
  effect.value === 'forbid'
    ? RESTRICTION_NAMES.map((name) => ({ value: name as string, title: RESTRICTIONS[name].label as string }))
    : EARLY_PERMISSION_NAMES.map((name) => ({
        value: name as string,
        title: EARLY_PERMISSIONS[name].label as string,
      })),
)
const { problem, isSaving, save } = useSending(
  () => api.addOrder(props.episodeId, { ...form, untilOn: form.untilOn || null }),
  () => emit('done'),
)
</script>

<template>
  <DialogForm
    title="Surgeon’s order"
    action="Record it"
    :problem="problem"
    :is-saving="isSaving"
    @send="save"
    @close="emit('close')"
  >
    <ChoiceInput
      v-model="effect"
      label="The surgeon"
      :choices="[
        { value: 'forbid', text: 'forbids' },
        { value: 'allow', text: 'allows early' },
      ]"
    />
    <p v-if="effect === 'allow'" class="soft">
      What an order opens early is “with care”, never “clear”. What is never allowed stays so.
    </p>
    <FormField
      v-slot="{ id }"
      :label="effect === 'forbid' ? 'What is forbidden' : 'What is allowed'"
      :error="messageAt(problem, 'restriction')"
    >
      <v-select :id="id" v-model="form.restriction" :items="items" />
    </FormField>
    <TextInput
      v-model="form.untilOn"
      label="Until (empty: until withdrawn)"
      type="date"
      :error="messageAt(problem, 'untilOn')"
    />
    <TextInput
      v-if="effect === 'allow'"
      v-model="form.document"
      label="Letter or message that says so"
      :error="messageAt(problem, 'document')"
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
