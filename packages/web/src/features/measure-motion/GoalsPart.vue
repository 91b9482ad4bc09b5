<script setup lang="ts">
import type { GoalAnswer } from '@pledge/contract'
import { computed, ref } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { useCaseStore } from '../../shared/case/caseStore'
import ReasonDialog from '../../shared/parts/ReasonDialog.vue'
import { dayText } from '../../shared/words'
import { useBenchStore } from './benchStore'
import GoalDialog from './GoalDialog.vue'
import { goalText, seriesLabel, targetText } from './goalWords'

/** What the patient wants to do again, by when, and how far it is: from the first reading to the value it takes. */
const bench = useBenchStore()
const cases = useCaseStore()
const api = useClinicApi()
const goals = computed(() => bench.plan?.goals ?? [])
const isSetting = ref(false)
const leaving = ref<GoalAnswer | null>(null)
const tone = (goal: GoalAnswer) =>
  goal.state === 'reached' ? 'good' : goal.state === 'behind' || goal.state === 'overdue' ? 'care' : ''
async function finish() {
  isSetting.value = false
  leaving.value = null
  await bench.lookUp()
}
</script>

<template>
  <section class="sheet" aria-labelledby="goals-title">
    <header>
      <h2 id="goals-title">Goals</h2>
      <v-btn variant="outlined" size="small" @click="isSetting = true">Set a goal</v-btn>
    </header>
    <p v-if="goals.length === 0" class="soft">
      None yet. A goal is something to do again, by a day, told by a measure.
    </p>
    <article v-for="goal in goals" :key="goal.id">
      <h3>{{ goal.words }}</h3>
      <p class="soft tabular">
        {{ seriesLabel(goal.series, bench.plan!.tasks) }}: {{ targetText(goal) }} by {{ dayText(goal.dueOn) }}
      </p>
      <div
        v-if="goal.percent !== null"
        class="way"
        role="img"
        :aria-label="`${Math.round(goal.percent)} % of the way`"
      >
        <i :style="{ width: `${goal.percent}%` }" :class="tone(goal)" />
      </div>
      <p class="state" :class="tone(goal)">{{ goalText(goal) }}</p>
      <p class="soft small">
        {{ goal.setBy }}, {{ dayText(goal.setOn) }}
        <button type="button" class="text-button" @click="leaving = goal">Take it off</button>
      </p>
    </article>
    <GoalDialog v-if="isSetting" @done="finish" @close="isSetting = false" />
    <ReasonDialog
      v-if="leaving"
      title="Take the goal off"
      :explanation="`“${leaving.words}” stays on record with your reason.`"
      label="Why"
      action="Take it off"
      path="why"
      :send="(body) => api.takeBackGoal(cases.data!.episode.id, leaving!.id, { id: body.id, why: body.text })"
      @done="finish"
      @close="leaving = null"
    />
  </section>
</template>

<style scoped src="./beside.css"></style>

<style scoped>
h3 {
  font-size: 15px;
  line-height: 1.3;
}
article {
  padding: 8px 0 4px;
}
article + article {
  border-top: 1px solid var(--line);
}
p {
  font-size: 13.5px;
  line-height: 1.35;
}
.way {
  height: 8px;
  margin: 5px 0;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--paper-deep);
  overflow: hidden;
}
.way i {
  display: block;
  height: 100%;
  background: var(--teal);
}
.way i.good {
  background: var(--moss);
}
.way i.care {
  background: var(--ochre);
}
.state.good {
  color: var(--moss);
  font-weight: 600;
}
.state.care {
  font-weight: 600;
}
.small {
  display: flex;
  justify-content: space-between;
  font-size: 13px;
}
</style>
