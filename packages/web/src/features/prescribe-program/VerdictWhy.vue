<script setup lang="ts">
import type { ExerciseAnswer, OpeningsAnswer, VerdictAnswer } from '@pledge/contract'
import { computed } from 'vue'
import { firstOpenDay } from '../../shared/case/closedStretches'
import RulesFold from '../../shared/parts/RulesFold.vue'
import { dayText } from '../../shared/words'

/** Why an exercise is open or not, from when, what it takes, and what is open instead. */
const props = defineProps<{
  verdict: VerdictAnswer
  openings: OpeningsAnswer
  /** What is open today in its place; `null`: nothing, or it is open itself. */
  instead: ExerciseAnswer['instead']
}>()
const emit = defineEmits<{ select: [id: string] }>()

/** What the runs say besides the day that time alone gives. */
const asRecorded = computed(() => {
  const { fromDay } = props.verdict
  if (fromDay === null) return ''
  const opens = firstOpenDay(props.openings.asTheRecordStands, -Infinity)
  if (opens === null) return 'As the record stands it stays closed.'
  return opens === fromDay ? 'As the record stands, too.' : `As the record stands: from day ${opens}.`
})
/** The first sentence of a "not yet" stands above, with its date. */
const why = computed(() => props.verdict.told.slice(props.verdict.kind === 'not-yet' ? 1 : 0).slice(0, 3))
const tone = computed(
  () => ({ clear: 'good', 'with-care': 'care', 'not-yet': 'wait', never: 'stop' })[props.verdict.kind],
)
</script>

<template>
  <div class="why" :class="tone">
    <p v-if="verdict.kind === 'not-yet'">
      <strong v-if="verdict.told[0]">{{ verdict.told[0] }}</strong>
      {{
        verdict.fromDate ? `Not before ${dayText(verdict.fromDate)}.` : 'By time alone no day can be given.'
      }}
      {{ asRecorded }}
    </p>
    <template v-if="verdict.missing.length > 0">
      <p>It takes besides:</p>
      <ul class="missing">
        <li v-for="one in verdict.openers.filter((opener) => opener.kind === 'criterion')" :key="one.what">
          {{ one.text }} <small class="soft">{{ one.giver === 'surgeon' ? 'surgeon' : 'you' }}</small>
        </li>
      </ul>
    </template>
    <p v-for="one in verdict.openers.filter((opener) => opener.kind === 'decision')" :key="one.text">
      {{ one.text }}
    </p>
    <p v-if="verdict.form">
      <strong>{{ verdict.form.charAt(0).toUpperCase() + verdict.form.slice(1) }}.</strong>
    </p>
    <ul class="texts">
      <li v-for="one in why" :key="one">{{ one }}</li>
    </ul>
    <p v-if="instead" class="instead">
      Open today instead:
      <button type="button" @click="emit('select', instead.id)">
        {{ instead.name }}
      </button>
      <small class="soft">{{
        instead.rungsDown === null
          ? 'same aim, same part'
          : instead.rungsDown === 1
            ? 'one rung below'
            : `${instead.rungsDown} rungs below`
      }}</small>
    </p>
    <RulesFold :reasons="verdict.reasons" />
  </div>
</template>

<style scoped>
.instead {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  margin: 8px 0;
}
.instead button {
  padding: 0;
  border: 0;
  background: none;
  color: var(--teal);
  font: inherit;
  font-weight: 600;
  text-align: left;
  text-decoration: underline;
  cursor: pointer;
}
.why {
  margin-top: 10px;
  padding: 9px 12px;
  border-left: 4px solid var(--line);
  border-radius: 0 5px 5px 0;
  font-size: 14px;
  line-height: 1.4;
}
.why.good {
  border-color: var(--moss);
  background: var(--moss-wash);
}
.why.care {
  border-color: var(--ochre);
  background: var(--ochre-wash);
}
.why.wait {
  border-color: var(--plum);
  background: var(--plum-wash);
}
.why.stop {
  border-color: var(--brick);
  background: var(--brick-wash);
}
.missing li {
  padding-left: 14px;
  position: relative;
}
.missing li::before {
  content: '';
  position: absolute;
  left: 1px;
  top: 7px;
  width: 6px;
  height: 6px;
  border: 1.5px solid var(--plum);
  border-radius: 50%;
}
</style>
