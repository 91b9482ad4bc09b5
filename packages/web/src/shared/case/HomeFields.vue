<script setup lang="ts">
import { computed, onMounted, ref, useId } from 'vue'
import { useClinicApi } from '../api/clinicApi'
import type { ThingAnswer } from '@pledge/contract'
import ChoiceInput from '../parts/ChoiceInput.vue'
import FormField from '../parts/FormField.vue'

/** What there is at home to exercise with, and whether the other hand can help. Not asked stays not asked. */
defineProps<{ error?: string | null }>()
const things = defineModel<string[] | null>('things', { required: true })
const otherHand = defineModel<string>('otherHand', { required: true })
const api = useClinicApi()
const known = ref<ThingAnswer[]>([])
const isSome = ref(false)
const id = useId()
onMounted(async () => {
  known.value = await api.things().catch(() => [])
  isSome.value = things.value !== null && things.value.length < known.value.length
})
type Way = 'notAsked' | 'all' | 'some'
const way = computed<Way>({
  get: () => (things.value === null ? 'notAsked' : isSome.value ? 'some' : 'all'),
  set(next) {
    isSome.value = next === 'some'
    things.value = next === 'notAsked' ? null : next === 'all' ? known.value.map((one) => one.id) : []
  },
})
const items = computed(() =>
  known.value
    .map((one) => ({
      value: one.id,
      title: one.home && one.home !== one.name ? `${one.name} (or ${one.home})` : one.name,
    }))
    .sort((a, b) => a.title.localeCompare(b.title)),
)
</script>

<template>
  <div class="home">
    <ChoiceInput
      v-model="otherHand"
      label="The other hand"
      :choices="[
        { value: 'well', text: 'Can help' },
        { value: 'hurt', text: 'Is hurt too' },
        { value: 'notAsked', text: 'Not asked' },
      ]"
    />
    <ChoiceInput
      v-model="way"
      label="Things to exercise with at home"
      :choices="[
        { value: 'all', text: 'All needed' },
        { value: 'some', text: 'Only some' },
        { value: 'notAsked', text: 'Not asked' },
      ]"
      :error="error ?? null"
    />
    <FormField v-if="way === 'some'" label="What there is" hint="Or what does the same">
      <v-autocomplete
        :id="id"
        v-model="things"
        :items="items"
        multiple
        chips
        closable-chips
        aria-label="What there is at home"
      />
    </FormField>
  </div>
</template>

<style scoped>
.home {
  display: grid;
  gap: 14px;
}
</style>
