<script setup lang="ts">
import ChoiceInput from './ChoiceInput.vue'

/** The language in which words of the catalogue are shown. */
defineProps<{ label: string }>()
const language = defineModel<'en' | 'es'>({ required: true })
</script>

<template>
  <ChoiceInput
    v-model="language"
    :label="label"
    hide-label
    :choices="[
      { value: 'en', text: 'English' },
      { value: 'es', text: 'Español' },
    ]"
  />
</template>
