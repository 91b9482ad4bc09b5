<script setup lang="ts">
import { computed, ref } from 'vue'
import { useCaseStore } from '../../shared/case/caseStore'
import { dayText } from '../../shared/words'
import HealthDialog from './HealthDialog.vue'

/** Health that bars exercises: asked once, then known for every exercise. */
const cases = useCaseStore()
const data = computed(() => cases.data!)
const isAsking = ref(false)
const present = computed(() => {
  const { health, healthQuestions } = data.value
  const isPresent = new Set<string>(health?.present)
  return healthQuestions.filter(({ word }) => isPresent.has(word)).map(({ name }) => name)
})

async function finish() {
  isAsking.value = false
  await cases.reload()
}
</script>

<template>
  <section class="sheet part">
    <header class="with-act">
      <h2>Health that bars exercises</h2>
      <v-btn variant="outlined" size="small" @click="isAsking = true">{{
        data.health ? 'Ask again' : 'Ask'
      }}</v-btn>
    </header>
    <template v-if="data.health">
      <p v-if="present.length > 0">
        <strong class="present">{{ present.join(', ') }}</strong>
      </p>
      <p v-else>None of what is asked.</p>
      <p class="soft small">
        <template v-if="data.health.note">{{ data.health.note }} · </template>{{ data.health.recordedBy }},
        {{ dayText(data.health.recordedOn) }}
      </p>
    </template>
    <p v-else class="soft">Not asked yet. Exercises it could bar are “with care” until then.</p>
    <p v-for="found in data.foundHealth" :key="found.told">
      <strong class="present">{{ found.name }}</strong>, {{ found.told }}
      <span class="soft small"
        >found {{ dayText(found.on) }};
        <RouterLink :to="{ name: 'evaluate' }">look again there</RouterLink></span
      >
    </p>
    <HealthDialog v-if="isAsking" :data="data" @done="finish" @close="isAsking = false" />
  </section>
</template>

<style scoped src="./parts.css"></style>
<style scoped>
.present {
  color: var(--brick);
}
.present::first-letter {
  text-transform: uppercase;
}
</style>
