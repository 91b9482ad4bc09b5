<script setup lang="ts">
import { computed } from 'vue'
import { useCaseStore } from '../../shared/case/caseStore'
import { ANCHOR_WORDS, dayAndYear } from '../../shared/words'

const store = useCaseStore()
const HANDS: Readonly<Record<string, string>> = { left: 'left', right: 'right', both: 'both alike' }
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
      <h2>Surgeon’s restrictions in force</h2>
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
