<script setup lang="ts">
import type { DoseQuestion } from '@pledge/core'
import { computed } from 'vue'
import type { QuestionAnswer } from '@pledge/contract'
import { midSentence, minutesText } from '../../shared/words'

/** Where practice disagrees about doses: one school a question for this program, compared by what each makes of the day. */
const props = defineProps<{ questions: readonly QuestionAnswer[]; isSaving: boolean }>()
const emit = defineEmits<{ choose: [question: DoseQuestion, school: string | null]; close: [] }>()

/** "TEXTBOOK-PRACTICE (medium) for short and often, middle". */
const sources = computed(() => {
  const bySource = new Map<string, string[]>()
  for (const { schools } of props.questions)
    for (const { name, source } of schools)
      bySource.set(source, [...(bySource.get(source) ?? []), midSentence(name)])
  return [...bySource].map(([source, names]) => `${source} for ${names.join(', ')}`).join('; ')
})
function outcome({ endRangeMinutesPerDay, repetitionsPerDay }: QuestionAnswer['schools'][number]): string {
  if (endRangeMinutesPerDay !== null)
    return `${minutesText(endRangeMinutesPerDay)} a day at the end of the range`
  if (repetitionsPerDay !== null) return `${repetitionsPerDay} slides a day`
  return ''
}
</script>

<template>
  <v-dialog
    :model-value="true"
    aria-label="Schools of dosing"
    max-width="860"
    scrollable
    @update:model-value="emit('close')"
  >
    <v-card>
      <div class="body">
        <h2>Schools of dosing</h2>
        <p class="soft">
          Where practice disagrees. A choice sets the doses of the exercises it speaks of, within what each
          allows; it opens nothing. Figures are for the exercises in this program.
        </p>
        <fieldset v-for="one in questions" :key="one.question" :disabled="isSaving">
          <legend>{{ one.name }}</legend>
          <label :class="{ chosen: one.chosen === null }">
            <input
              type="radio"
              class="sr-only"
              :name="one.question"
              :checked="one.chosen === null"
              @change="emit('choose', one.question, null)"
            />
            <strong>As the catalogue has it</strong>
            <span class="soft">each exercise its own</span>
          </label>
          <label v-for="school in one.schools" :key="school.id" :class="{ chosen: one.chosen === school.id }">
            <input
              type="radio"
              class="sr-only"
              :name="one.question"
              :checked="one.chosen === school.id"
              @change="emit('choose', one.question, school.id)"
            />
            <strong>{{ school.name }}</strong>
            <span class="soft">{{ school.says }}</span>
            <span v-if="outcome(school)" class="outcome tabular">{{ outcome(school) }}</span>
          </label>
        </fieldset>
        <p class="rests soft">Rests on: {{ sources }}.</p>
        <div class="acts">
          <v-btn @click="emit('close')">Done</v-btn>
        </div>
      </div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.body {
  display: grid;
  gap: 11px;
  padding: 18px 20px 0;
  max-height: 90vh;
  overflow-y: auto;
}
h2 {
  font-size: 18px;
}
fieldset {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(142px, 1fr));
  gap: 6px;
  margin: 0;
  padding: 0;
  border: 0;
}
legend {
  padding: 0 0 4px;
  font-size: 14.5px;
  font-weight: 650;
}
label {
  position: relative;
  display: flex;
  flex-direction: column;
  gap: 1px;
  padding: 7px 10px;
  border: 1px solid var(--line);
  border-radius: 5px;
  font-size: 14px;
  line-height: 1.25;
  cursor: pointer;
}
label.chosen {
  border-color: var(--teal);
  background: var(--teal-wash);
  box-shadow: inset 3px 0 0 var(--teal);
}
label:focus-within {
  outline: 2px solid var(--teal);
  outline-offset: 2px;
}
.outcome {
  font-weight: 650;
}
.rests {
  font-size: 12.5px;
}
.acts {
  position: sticky;
  bottom: 0;
  display: flex;
  justify-content: flex-end;
  padding: 10px 0 16px;
  background: var(--sheet);
}
</style>
