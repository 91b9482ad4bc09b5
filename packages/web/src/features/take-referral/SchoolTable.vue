<script setup lang="ts">
import { ANCHOR_WORDS } from '@pledge/core'
import type { ConditionAnswer, SchoolAnswer } from '@pledge/contract'
import { computed } from 'vue'
import FactQuestions from '../../shared/case/FactQuestions.vue'
import { useReferralStore } from './referralStore'

/** The schools of a condition side by side: what must be so for each, and from which day it opens what. */
const props = defineProps<{ condition: ConditionAnswer }>()
const store = useReferralStore()

const facts = computed(() => {
  const all = props.condition.protocols.flatMap((school) => school.select)
  return all.filter((one, place) => all.findIndex((other) => other.name === one.name) === place)
})
const anchorsDiffer = computed(
  () => new Set(props.condition.protocols.map((school) => school.anchor)).size > 1,
)
const DAYS = [
  ['activeFromDay', 'Active'],
  ['passiveFromDay', 'Passive'],
  ['stretchFromDay', 'Stretch'],
  ['lightGripFromDay', 'Light grip'],
  ['heavyWorkFromDay', 'Manual work'],
] as const
function dayOf(school: SchoolAnswer, key: (typeof DAYS)[number][0]): string {
  const day = school.preview.days[key]
  return day === null ? '–' : `${day}`
}
</script>

<template>
  <section class="schools">
    <div v-if="facts.length > 0">
      <h3>Facts that decide which school fits</h3>
      <FactQuestions v-model="store.form.answers" :facts="facts" />
    </div>
    <p v-if="store.errorAt('selection')" class="wrong" role="alert">{{ store.errorAt('selection') }}</p>
    <div class="scroll">
      <table>
        <caption class="sr-only">
          Schools of
          {{
            condition.name
          }}
          side by side
        </caption>
        <thead>
          <tr>
            <th scope="col" rowspan="2">School</th>
            <th scope="colgroup" :colspan="DAYS.length" class="group">
              first day, everything recorded ·
              {{ condition.protocols[0]?.preview.motion }}
            </th>
            <th scope="col" rowspan="2">Must be so</th>
          </tr>
          <tr>
            <th v-for="[key, name] in DAYS" :key="key" scope="col" class="day">{{ name }}</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="one in condition.protocols"
            :key="one.id"
            :class="{ chosen: store.school?.id === one.id, shut: !store.isOffered(one) }"
          >
            <th scope="row">
              <label class="pick">
                <input
                  type="radio"
                  name="school"
                  :checked="store.school?.id === one.id"
                  :disabled="!store.isOffered(one)"
                  @change="store.choose(one)"
                />
                <span>
                  <strong>{{ one.school }}</strong>
                  <small class="soft"
                    >{{ one.evidence }}
                    <template v-if="anchorsDiffer">Day 0: {{ ANCHOR_WORDS[one.anchor] }}.</template></small
                  >
                </span>
              </label>
            </th>
            <td v-for="[key] in DAYS" :key="key" class="day tabular">{{ dayOf(one, key) }}</td>
            <td>
              <ul v-if="one.select.length > 0">
                <li v-for="fact in one.select" :key="fact.what" :class="store.answerTo(fact)">
                  {{ fact.meaning }}
                  <strong>{{
                    { met: 'yes', notSo: 'does not fit', open: 'answer first' }[store.answerTo(fact)]
                  }}</strong>
                </li>
              </ul>
              <span v-else class="soft">nothing special</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="soft small">
      Days for the full range without an orthosis; inside one, motion often begins earlier. All from memory of
      published work or common practice; the surgeon’s order comes first.
    </p>
  </section>
</template>

<style scoped>
.small {
  font-size: 13px;
}
.schools {
  display: grid;
  gap: 12px;
}
h3 {
  margin: 0 0 6px;
  font-size: 14px;
}
.wrong {
  font-size: 13.5px;
  font-weight: 600;
  color: var(--brick);
}
.scroll {
  overflow-x: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 14px;
}
th {
  text-align: left;
  font-weight: 600;
}
thead th {
  padding: 4px 8px;
  color: var(--ink-soft);
  font-size: 13px;
  vertical-align: bottom;
}
.group {
  text-align: center;
  font-weight: 400;
}
.day {
  text-align: right;
  width: 62px;
}
tbody th,
td {
  padding: 7px 8px;
  border-top: 1px solid var(--line);
  vertical-align: top;
}
.chosen > * {
  border-bottom: 1px solid var(--teal);
  background: var(--paper);
  border-top-color: var(--teal);
}
.shut .day {
  color: var(--ink-soft);
}
.pick {
  display: grid;
  grid-template-columns: 20px minmax(0, 1fr);
  gap: 8px;
  font-weight: 400;
  cursor: pointer;
}
.pick input {
  width: 18px;
  height: 18px;
  margin: 2px 0 0;
  accent-color: var(--teal);
}
.pick small {
  display: block;
  max-width: 46ch;
  line-height: 1.3;
}
td ul {
  display: grid;
  gap: 3px;
  font-size: 13px;
}
td li::first-letter {
  text-transform: uppercase;
}
li.met strong {
  color: var(--moss);
}
li.notSo strong {
  color: var(--brick);
}
li.open strong {
  color: var(--plum);
}
</style>
