<script setup lang="ts">
import { ANCHOR_WORDS } from '@pledge/core'
import { computed, ref } from 'vue'
import { useCaseStore } from '../../shared/case/caseStore'
import { useSessionStore } from '../../shared/sessionStore'
import { dayAndYear } from '../../shared/words'
import HomeDialog from './HomeDialog.vue'

const store = useCaseStore()
const HANDS: Readonly<Record<string, string>> = { left: 'left', right: 'right', both: 'both alike' }
const OTHER_HANDS = { well: 'can help', hurt: 'is hurt too', notAsked: 'not asked' }
const session = useSessionStore()
const isAsking = ref(false)
/** Things at home in words. */
const atHome = computed(() => {
  const things = store.data?.home?.things ?? null
  if (things === null) return 'Not asked. What an exercise needs is not known to be there.'
  return things.length === 0
    ? 'Nothing yet.'
    : things.length > 30
      ? 'All that exercises need, or what does the same.'
      : `${things.join(', ')}.`
})
async function asked() {
  isAsking.value = false
  await store.reload()
}
const facts = computed(() => {
  const data = store.data
  if (!data) return []
  const { patient, episode } = data
  return [
    ['Born', dayAndYear(patient.birthDate)],
    ['Dominant hand', HANDS[patient.dominantHand] ?? patient.dominantHand],
    ['Language', patient.language === 'es' ? 'Spanish' : 'English'],
    [
      'Allergies',
      [patient.hasLatexAllergy ? 'latex' : '', patient.hasAdhesiveAllergy ? 'adhesive' : '']
        .filter(Boolean)
        .join(', ') || 'none known to latex or adhesive',
    ],
    ['Injured', episode.injuredOn ? dayAndYear(episode.injuredOn) : 'no single day'],
    [`Day 0: ${ANCHOR_WORDS[episode.anchor]}`, dayAndYear(episode.anchorOn)],
    ['Referred by', episode.surgeon],
    ['Digits', episode.digits.join(', ') || 'not stated'],
    ['School', `${episode.protocol} (${episode.protocolId})${episode.variant ? `, ${episode.variant}` : ''}`],
    ['Evidence', episode.evidence],
    ['Sources, from memory', episode.sources.join(', ')],
    ['Other hand', data.home ? OTHER_HANDS[data.home.otherHand] : 'not asked'],
    ['Work', episode.work || 'not asked'],
    ['Note', episode.note || 'none'],
    ['Therapist', episode.therapist],
    ['Referred', dayAndYear(episode.openedOn)],
  ]
})
</script>

<template>
  <div v-if="store.data" class="step">
    <section class="sheet part">
      <h2>What the referral said</h2>
      <dl>
        <template v-for="[name, value] in facts" :key="name">
          <dt>{{ name }}</dt>
          <dd>{{ value }}</dd>
        </template>
      </dl>
    </section>
    <section class="sheet part">
      <header class="with-act">
        <h2>At home to exercise with</h2>
        <v-btn
          v-if="session.user?.role !== 'lead'"
          variant="outlined"
          size="small"
          @click="isAsking = true"
          >{{ store.data.home?.things ? 'Ask again' : 'Ask' }}</v-btn
        >
      </header>
      <p>{{ atHome }}</p>
      <h2 class="below">Surgeon’s restrictions in force</h2>
      <ul v-if="store.data.orders.length > 0">
        <li v-for="order in store.data.orders" :key="order.id" class="order">
          <strong>{{ order.label }}</strong> until
          {{ order.untilOn ? dayAndYear(order.untilOn) : 'withdrawn' }}
          <p class="soft">{{ order.why }} · {{ order.givenBy }}, {{ dayAndYear(order.dated) }}</p>
        </li>
      </ul>
      <p v-else class="soft">
        None. Restrictions and clearances are recorded under
        <router-link :to="{ name: 'phase' }">Phase</router-link>.
      </p>
      <template v-if="store.data.advice.length > 0">
        <h2 class="below">What to tell the patient</h2>
        <ul class="advice">
          <li v-for="text in store.data.advice" :key="text">{{ text }}</li>
        </ul>
      </template>
      <h2 class="below">Watch for in this condition</h2>
      <ul class="flags">
        <li v-for="flag in store.data.ownFlags" :key="flag.id" :class="{ red: flag.isRed }">
          {{ flag.text }}<small v-if="flag.isRed" class="soft"> {{ flag.todo }}</small>
        </li>
      </ul>
    </section>
    <HomeDialog v-if="isAsking" :data="store.data" @done="asked" @close="isAsking = false" />
  </div>
</template>

<style scoped>
.step {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
  gap: 14px;
  padding: 12px 18px 24px;
}
.part {
  padding: 16px;
}
h2 {
  font-size: 16.5px;
  margin-bottom: 10px;
}
.with-act {
  display: flex;
  justify-content: space-between;
  align-items: flex-start;
  gap: 12px;
}
.below {
  margin-top: 20px;
}
dl {
  display: grid;
  grid-template-columns: 130px minmax(0, 1fr);
}
dt,
dd {
  padding: 7px 0;
  border-bottom: 1px dotted var(--line);
}
dt {
  color: var(--ink-soft);
}
.order {
  padding: 8px 0;
  border-bottom: 1px dotted var(--line);
}
.advice li {
  padding: 6px 0;
  border-bottom: 1px dotted var(--line);
}
.flags li {
  padding: 7px 0 7px 20px;
  position: relative;
}
.flags li::before {
  content: '';
  position: absolute;
  left: 0;
  top: 14px;
  width: 11px;
  height: 4px;
  background: var(--ochre);
}
.flags .red::before {
  background: var(--brick);
}
.flags small {
  display: block;
}
@media (max-width: 900px) {
  .step {
    grid-template-columns: 1fr;
  }
}
</style>
