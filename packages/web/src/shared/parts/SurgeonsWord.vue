<script setup lang="ts">
import { messageAt } from '../api/problem'
import NoticeBox from './NoticeBox.vue'
import TextInput from './TextInput.vue'

/** What opens something earlier while it heals takes: who of the surgeons agreed, and which document says so. */
defineProps<{ problem: unknown }>()
const agreedBy = defineModel<string>('agreedBy', { required: true })
const document = defineModel<string>('document', { required: true })
</script>

<template>
  <NoticeBox tone="care"><slot /></NoticeBox>
  <div class="pair">
    <TextInput v-model="agreedBy" label="Surgeon who agreed" :error="messageAt(problem, 'agreedBy')" />
    <TextInput v-model="document" label="Letter or message" :error="messageAt(problem, 'document')" />
  </div>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 12px;
  align-items: start;
}
</style>
