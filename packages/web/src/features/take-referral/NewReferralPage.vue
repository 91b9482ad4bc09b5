<script setup lang="ts">
import { mdiClose, mdiPlus } from '@mdi/js'
import {
  ANCHOR_WORDS,
  daysBetween,
  DIGITS,
  isClinicalDay,
  RESTRICTION_NAMES,
  RESTRICTIONS,
} from '@pledge/core'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useClinicApi } from '../../shared/api/clinicApi'
import type { ConditionAnswer } from '@pledge/contract'
import HomeFields from '../../shared/case/HomeFields.vue'
import ChoiceInput from '../../shared/parts/ChoiceInput.vue'
import FormField from '../../shared/parts/FormField.vue'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import TextInput from '../../shared/parts/TextInput.vue'
import { useSessionStore } from '../../shared/sessionStore'
import { weekOf } from '../../shared/words'
import KnownPerson from './KnownPerson.vue'
import SchoolTable from './SchoolTable.vue'
import { useReferralStore } from './referralStore'

const api = useClinicApi()
const store = useReferralStore()
const session = useSessionStore()
const router = useRouter()
const conditions = ref<ConditionAnswer[]>([])
const form = store.form

onMounted(async () => {
  store.start(session.today)
  conditions.value = await api.conditions()
})
const condition = computed(() => conditions.value.find((one) => one.id === form.conditionId) ?? null)
watch(
  () => form.conditionId,
  () => {
    const [only, ...others] = condition.value?.protocols ?? []
    store.choose(only && others.length === 0 && store.isOffered(only) ? only : null)
  },
)
// An answer that no longer holds takes the school back: waiting would not mend it.
watch(
  () => ({ ...form.answers }),
  () => {
    if (store.school && !store.isOffered(store.school)) store.choose(null)
    const [only, ...others] = condition.value?.protocols ?? []
    if (!store.school && only && others.length === 0 && store.isOffered(only)) store.choose(only)
  },
)
const anchorWord = computed(() => (store.school ? ANCHOR_WORDS[store.school.anchor] : null))
const dayToday = computed(() =>
  isClinicalDay(form.anchorOn) ? daysBetween(form.anchorOn, session.today) : null,
)
function toggleDigit(digit: string) {
  form.digits = DIGITS.filter((one) => (one === digit) !== form.digits.includes(one))
}
const restrictionItems = RESTRICTION_NAMES.map((name) => ({ value: name, title: RESTRICTIONS[name].label }))
const YES_NO = [
  { value: true, text: 'Yes' },
  { value: false, text: 'No' },
]

function toggleClearance(what: string) {
  const has = form.clearances.includes(what)
  form.clearances = has ? form.clearances.filter((one) => one !== what) : [...form.clearances, what]
}
async function save() {
  const episodeId = await store.save()
  if (episodeId) return router.push({ name: 'evaluate', params: { id: episodeId } })
  await nextTick()
  document.querySelector<HTMLElement>('[role="alert"]')?.scrollIntoView({ block: 'center' })
  return undefined
}
</script>

<template>
  <form class="page" novalidate @submit.prevent="save">
    <header class="bar">
      <div>
        <h1>New referral</h1>
        <p class="soft">From the surgeon’s letter: about a minute. The rest is asked when it is needed.</p>
      </div>
      <div class="count">
        <template v-if="dayToday !== null && dayToday >= 0"
          ><strong class="tabular">day {{ dayToday }}</strong> · week {{ weekOf(dayToday) }} since
          {{ anchorWord ?? 'day 0' }}</template
        >
        <template v-else-if="anchorWord">Day 0: {{ anchorWord }}</template>
        <template v-else>Choose a condition and a school</template>
      </div>
      <v-btn variant="text" :to="{ name: 'caseload' }">Cancel</v-btn>
      <v-btn type="submit" :loading="store.saveState.name === 'saving'">Open the episode</v-btn>
    </header>
    <NoticeBox v-if="store.saveState.name === 'failed'" tone="stop">{{ store.saveState.message }}</NoticeBox>
    <div class="columns">
      <div class="stack">
        <section class="sheet group">
          <h2>The patient</h2>
          <TextInput
            v-model="form.name"
            label="Name"
            :error="store.errorAt('name')"
            @focusout="store.touch('name')"
          />
          <div class="pair">
            <TextInput
              v-model="form.birthDate"
              label="Date of birth"
              type="date"
              :error="store.errorAt('birthDate')"
              @focusout="store.touch('birthDate')"
            />
            <ChoiceInput
              v-model="form.language"
              label="Language"
              :choices="[
                { value: 'en', text: 'English' },
                { value: 'es', text: 'Español' },
              ]"
              :error="store.errorAt('language')"
            />
          </div>
          <ChoiceInput
            v-model="form.dominantHand"
            label="Dominant hand"
            :choices="[
              { value: 'left', text: 'Left' },
              { value: 'right', text: 'Right' },
              { value: 'both', text: 'Both' },
            ]"
            :error="store.errorAt('dominantHand')"
          />
          <div class="pair">
            <ChoiceInput
              v-model="form.hasLatexAllergy"
              label="Latex allergy"
              :choices="YES_NO"
              :error="store.errorAt('hasLatexAllergy')"
            />
            <ChoiceInput
              v-model="form.hasAdhesiveAllergy"
              label="Adhesive allergy"
              :choices="YES_NO"
              :error="store.errorAt('hasAdhesiveAllergy')"
            />
          </div>
          <TextInput
            v-model="form.work"
            label="Work and what the hand must do again"
            :error="store.errorAt('work')"
          />
          <!-- Last of the group: it comes while one fills in what stands above, and must not move that. -->
          <KnownPerson
            v-if="store.known.length > 0"
            v-model="form.samePersonAs"
            :known="store.known"
            :error="store.errorAt('samePersonAs')"
          />
        </section>
        <section class="sheet group">
          <h2>The letter and its orders</h2>
          <div class="pair">
            <TextInput
              v-model="form.surgeon"
              label="Surgeon or referrer"
              :error="store.errorAt('surgeon')"
              @focusout="store.touch('surgeon')"
            />
            <TextInput
              v-model="form.letterOn"
              label="Date of the letter"
              type="date"
              :error="store.errorAt('letterOn')"
              @focusout="store.touch('letterOn')"
            />
          </div>
          <fieldset class="clearances">
            <legend>The letter clears</legend>
            <label v-for="one in store.school?.clearances ?? []" :key="one.what" class="clearance">
              <input
                type="checkbox"
                :checked="form.clearances.includes(one.what)"
                @change="toggleClearance(one.what)"
              />
              <span>{{ one.meaning }}</span>
            </label>
            <p v-if="store.school" class="soft">What is not ticked counts as not cleared.</p>
            <p v-else class="soft">Choose a school first: each asks for its own.</p>
            <p v-if="store.errorAt('clearances')" class="wrong" role="alert">
              {{ store.errorAt('clearances') }}
            </p>
          </fieldset>
          <fieldset class="clearances">
            <legend>The letter forbids</legend>
            <div v-for="(restriction, index) in form.restrictions" :key="index" class="restriction">
              <FormField
                v-slot="{ id }"
                label="Restriction"
                :error="store.errorAt(`restrictions[${index}].restriction`)"
              >
                <v-select :id="id" v-model="restriction.restriction" :items="restrictionItems" />
              </FormField>
              <TextInput
                v-model="restriction.untilOn"
                label="Until (empty: until withdrawn)"
                type="date"
                :error="store.errorAt(`restrictions[${index}].untilOn`)"
              />
              <TextInput
                v-model="restriction.why"
                label="Reason"
                :error="store.errorAt(`restrictions[${index}].why`)"
              />
              <v-btn
                variant="text"
                :icon="mdiClose"
                size="small"
                aria-label="Remove this restriction"
                @click="form.restrictions.splice(index, 1)"
              />
            </div>
            <v-btn
              variant="outlined"
              size="small"
              :prepend-icon="mdiPlus"
              @click="form.restrictions.push({ restriction: 'noLoad', untilOn: null, why: '' })"
            >
              Add a restriction
            </v-btn>
          </fieldset>
        </section>
        <section class="sheet group">
          <h2>At home</h2>
          <HomeFields
            v-model:things="form.things"
            v-model:other-hand="form.otherHand"
            :error="store.errorAt('things')"
          />
        </section>
      </div>
      <section class="sheet group wide">
        <h2>The injury and the school</h2>
        <div class="line">
          <FormField v-slot="{ id }" label="Condition" :error="store.errorAt('conditionId')">
            <v-autocomplete
              :id="id"
              v-model="form.conditionId"
              :items="conditions.map((one) => ({ value: one.id, title: one.name }))"
              placeholder="Type a word of it"
              auto-select-first
            />
          </FormField>
          <ChoiceInput
            v-model="form.side"
            label="Injured side"
            :choices="[
              { value: 'left', text: 'Left' },
              { value: 'right', text: 'Right' },
            ]"
            :error="store.errorAt('side')"
          />
        </div>
        <p v-if="!condition" class="soft">
          {{ conditions.length }} conditions. Their schools appear here side by side, with the facts each one
          rests on.
        </p>
        <template v-else>
          <SchoolTable :condition="condition" />
          <p v-if="store.errorAt('protocolId') && !store.school" class="wrong" role="alert">
            Choose a school.
          </p>
        </template>
        <div v-if="store.school" class="line dates">
          <fieldset v-if="store.school.digits === 'fingers'" class="clearances">
            <legend>Injured digits</legend>
            <div class="digits">
              <label
                v-for="digit in DIGITS"
                :key="digit"
                class="digit"
                :class="{ on: form.digits.includes(digit) }"
              >
                <input
                  type="checkbox"
                  class="sr-only"
                  :checked="form.digits.includes(digit)"
                  @change="toggleDigit(digit)"
                />
                {{ digit }}
              </label>
            </div>
            <p v-if="store.errorAt('digits')" class="wrong" role="alert">{{ store.errorAt('digits') }}</p>
          </fieldset>
          <TextInput
            v-if="store.school.anchor !== 'injury'"
            v-model="form.injuredOn"
            label="Day of injury (if there was one)"
            type="date"
            :error="store.errorAt('injuredOn')"
            @focusout="store.touch('injuredOn')"
          />
          <TextInput
            v-model="form.anchorOn"
            :label="`Day 0: ${anchorWord}`"
            type="date"
            :error="store.errorAt('anchorOn')"
            @focusout="store.touch('anchorOn')"
          />
          <FormField v-if="store.school.variants.length > 0" v-slot="{ id }" label="Variant">
            <v-select
              :id="id"
              v-model="form.variant"
              clearable
              placeholder="none of these"
              :items="store.school.variants.map((one) => ({ value: one.id, title: one.name }))"
            />
          </FormField>
          <TextInput
            v-for="value in store.school.values"
            :key="value.id"
            :model-value="String(form.values[value.id] ?? '')"
            :label="`${value.name} (°)`"
            :error="store.errorAt(`values.${value.id}`)"
            @update:model-value="form.values[value.id] = $event === '' ? null : Number($event)"
          />
        </div>
        <TextInput v-model="form.note" label="Note" :error="store.errorAt('note')" />
      </section>
    </div>
  </form>
</template>

<style scoped>
.page {
  display: grid;
  gap: 14px;
  max-width: 1400px;
  margin: 0 auto;
  padding: 18px;
}
.bar {
  display: flex;
  align-items: center;
  gap: 12px;
}
.bar > div:first-child {
  flex: 1;
}
h1 {
  font-size: 24px;
  line-height: 1.2;
}
h2 {
  font-size: 16.5px;
}
.count {
  padding-right: 14px;
  color: var(--ink-soft);
}
.count strong {
  color: var(--ink);
  font-size: 17px;
}
.columns {
  display: grid;
  grid-template-columns: minmax(340px, 400px) minmax(0, 1fr);
  gap: 14px;
  align-items: start;
}
.stack {
  display: grid;
  gap: 14px;
}
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 14px;
  align-items: start;
}
.dates {
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  padding-top: 6px;
}
.digits {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.digit {
  display: inline-flex;
  align-items: center;
  min-height: 40px;
  padding: 0 10px;
  border: 1px solid var(--line);
  border-radius: 5px;
  cursor: pointer;
}
.digit.on {
  background: var(--teal);
  border-color: var(--teal);
  color: var(--sheet);
  font-weight: 600;
}
.digit:focus-within {
  outline: 2px solid var(--teal);
  outline-offset: 2px;
}
.wrong {
  font-size: 13px;
  font-weight: 600;
  color: var(--brick);
}
.group {
  display: grid;
  gap: 14px;
  padding: 16px;
}
.pair {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 12px;
  align-items: start;
}
.clearances > .v-btn {
  justify-self: start;
}
.clearances {
  display: grid;
  gap: 8px;
  margin: 0;
  padding: 0;
  border: 0;
  min-width: 0;
}
legend {
  padding: 0;
  margin-bottom: 6px;
  font-size: 13.5px;
  font-weight: 600;
}
.clearance {
  display: flex;
  gap: 9px;
  align-items: flex-start;
  cursor: pointer;
}
.clearance input {
  width: 18px;
  height: 18px;
  margin: 1px 0 0;
  accent-color: var(--teal);
}
.clearance span::first-letter {
  text-transform: uppercase;
}
.restriction {
  position: relative;
  display: grid;
  gap: 8px;
  padding: 10px;
  border: 1px solid var(--line);
  border-radius: 5px;
}
.restriction > .v-btn {
  position: absolute;
  right: 2px;
  top: 2px;
}
@media (max-width: 1080px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
</style>
