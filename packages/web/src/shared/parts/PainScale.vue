<script setup lang="ts">
import { useId } from 'vue'

/** Pain, or what one can do, 0–10 as eleven targets. Nothing chosen is unknown, not 0. */
const props = defineProps<{
  label: string
  labels: readonly [string, string]
  large?: boolean
  error?: string | null
  /** More is better: no score stops anything. */
  isAbility?: boolean
}>()
const value = defineModel<number | null>({ required: true })
const name = useId()
const scores = Array.from({ length: 11 }, (_, score) => score)
const isStop = (score: number) => !props.isAbility && score >= 8
</script>

<template>
  <fieldset class="pain" :class="{ large }">
    <legend class="legend">{{ label }}</legend>
    <div class="row">
      <label
        v-for="score in scores"
        :key="score"
        class="score tabular"
        :class="{ chosen: value === score, high: isStop(score) }"
      >
        <input v-model="value" type="radio" :name="name" :value="score" class="sr-only" />
        {{ score }}
      </label>
    </div>
    <div class="ends" aria-hidden="true">
      <span>{{ labels[0] }}</span><span>{{ labels[1] }}</span>
    </div>
    <p v-if="error" class="wrong" role="alert">{{ error }}</p>
  </fieldset>
</template>

<style scoped>
.pain {
  border: 0;
  margin: 0;
  padding: 0;
}
.legend {
  font-size: 13.5px;
  font-weight: 600;
  padding: 0;
  margin-bottom: 4px;
}
.row {
  display: flex;
  gap: 3px;
}
.score {
  position: relative;
  flex: 1;
  display: grid;
  place-items: center;
  min-width: 26px;
  height: 36px;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--sheet);
  cursor: pointer;
}
.score.high {
  border-color: var(--brick);
}
.score.chosen {
  background: var(--ink);
  border-color: var(--ink);
  color: var(--sheet);
  font-weight: 700;
}
.score.high.chosen {
  background: var(--brick);
  border-color: var(--brick);
}
.score:focus-within {
  outline: 2px solid var(--teal);
  outline-offset: 2px;
}
.ends {
  display: flex;
  justify-content: space-between;
  margin-top: 3px;
  font-size: 12.5px;
  color: var(--ink-soft);
}
.large .legend {
  font-size: 24px;
  line-height: 1.25;
  margin-bottom: 16px;
}
.large .row {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 8px;
}
.large .score {
  height: 60px;
  font-size: 24px;
  font-weight: 650;
  border-width: 2px;
  border-radius: 10px;
}
.large .ends {
  font-size: 17px;
  margin-top: 8px;
}
.wrong {
  color: var(--brick);
  font-size: 13px;
  font-weight: 600;
}
</style>
