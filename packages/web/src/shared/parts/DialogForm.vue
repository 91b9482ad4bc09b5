<script setup lang="ts">
import { ApiProblem } from '../api/problem'
import NoticeBox from './NoticeBox.vue'

/** A dialog that asks and sends: its fields in the slot, its refusal above the buttons. What was typed stays. */
defineProps<{ title: string; action: string; problem: unknown; isSaving: boolean }>()
const emit = defineEmits<{ send: []; close: [] }>()
</script>

<template>
  <v-dialog :model-value="true" :aria-label="title" max-width="520" @update:model-value="emit('close')">
    <v-card>
      <form class="form" novalidate @submit.prevent="emit('send')">
        <h2>{{ title }}</h2>
        <slot />
        <NoticeBox v-if="problem" tone="stop">{{
          problem instanceof ApiProblem ? problem.message : 'Not saved. Try again.'
        }}</NoticeBox>
        <div class="acts">
          <v-btn variant="text" @click="emit('close')">Cancel</v-btn>
          <v-btn type="submit" :loading="isSaving">{{ action }}</v-btn>
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
