<script setup lang="ts">
import FormField from './FormField.vue'

defineProps<{
  label: string
  error?: string | null
  hint?: string
  type?: string
  autocomplete?: string
  long?: boolean
  suffix?: string
}>()
const value = defineModel<string | null>()
</script>

<template>
  <FormField v-slot="{ id, describedBy, isWrong }" :label="label" :error="error ?? null" :hint="hint">
    <v-textarea v-if="long" :id="id" v-model="value" :error="isWrong" :aria-describedby="describedBy" />
    <v-text-field
      v-else
      :id="id"
      v-model="value"
      :type="type ?? 'text'"
      :autocomplete="autocomplete ?? 'off'"
      :error="isWrong"
      :aria-describedby="describedBy"
      :suffix="suffix"
    />
  </FormField>
</template>
