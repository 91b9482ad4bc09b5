<script setup lang="ts">
import type { SchoolAnswer } from '@pledge/contract'
import ChoiceInput from '../parts/ChoiceInput.vue'

/** Questions about the facts that a school rests on: yes or no, or a number. */
type Answers = Record<string, boolean | number | null>
defineProps<{ facts: SchoolAnswer['select'] }>()
const answers = defineModel<Answers>({ required: true })

const YES_NO = [
  { value: true, text: 'Yes' },
  { value: false, text: 'No' },
]
function answer(name: string, value: boolean | number | null) {
  answers.value = { ...answers.value, [name]: value }
}
function answerNumber(name: string, text: string) {
  const value = Number(text)
  answer(name, text.trim() === '' || !Number.isFinite(value) ? null : value)
}
</script>

<template>
  <div class="facts">
    <div v-for="fact in facts" :key="fact.name" class="fact">
      <span class="asked"
        >{{ fact.question }}
        <small class="soft">{{ fact.giver === 'surgeon' ? 'from the letter' : 'you find it' }}</small></span
      >
      <ChoiceInput
        v-if="fact.kind === 'yesNo'"
        :model-value="(answers[fact.name] as boolean | null | undefined) ?? null"
        :label="fact.question"
        hide-label
        :choices="YES_NO"
        @update:model-value="answer(fact.name, $event ?? null)"
      />
      <input
        v-else
        class="number"
        inputmode="numeric"
        :aria-label="fact.question"
        :value="answers[fact.name] ?? ''"
        @input="answerNumber(fact.name, ($event.target as HTMLInputElement).value)"
      />
    </div>
  </div>
</template>

<style scoped>
.facts {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(340px, 1fr));
  gap: 6px 18px;
}
.fact :deep(.row) {
  flex-wrap: nowrap;
}
.fact {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 10px;
}
.asked {
  flex: 1;
  min-width: 0;
  line-height: 1.25;
  font-size: 14px;
}
.asked::first-letter {
  text-transform: uppercase;
}
.asked small {
  display: block;
}
.number {
  width: 64px;
  min-height: 40px;
  padding: 0 10px;
  border: 1px solid var(--line);
  border-radius: 5px;
  background: var(--sheet);
  font: inherit;
  text-align: right;
}
</style>
