<script setup lang="ts">
import type { ExerciseAnswer } from '@pledge/contract'

/** What the patient reads of an exercise, with what it is done with, and what it rests on. */
defineProps<{ exercise: ExerciseAnswer }>()
</script>

<template>
  <section>
    <h3>What the patient reads</h3>
    <ol class="steps">
      <li v-for="step in exercise.text.steps" :key="step">{{ step }}</li>
    </ol>
    <dl class="words">
      <dt>Should feel</dt>
      <dd>{{ exercise.text.shouldFeel }}</dd>
      <dt>Make sure</dt>
      <dd>{{ exercise.text.shouldNotFeel }}</dd>
      <dt>Mistake</dt>
      <dd>{{ exercise.text.mistake }}</dd>
      <dt>Before it</dt>
      <dd>{{ exercise.text.before }}</dd>
      <template v-if="exercise.equipment.length > 0">
        <dt>With</dt>
        <dd>
          <span v-for="thing in exercise.equipment" :key="thing.name" class="thing"
            >{{ thing.name }}<template v-if="thing.home"> (at home: {{ thing.home }})</template></span
          >
        </dd>
      </template>
    </dl>
    <p class="soft source">
      {{ exercise.sources.map((one) => `${one.key}, ${one.confidence} confidence`).join('; ') }}. Not reviewed
      by a clinician.
    </p>
  </section>
</template>

<style scoped>
h3 {
  margin: 16px 0 4px;
  font-size: 14px;
  color: var(--ink-soft);
}
.thing {
  display: block;
}
.steps {
  list-style: decimal;
  padding-left: 20px;
  font-size: 14px;
}
.steps li {
  padding: 2px 0;
}
.words {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  gap: 3px 8px;
  margin-top: 6px;
  font-size: 14px;
}
dt {
  color: var(--ink-soft);
}
.source {
  margin-top: 10px;
  font-size: 12.5px;
}
</style>
