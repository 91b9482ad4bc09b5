<script setup lang="ts">
import { ANCHOR_WORDS } from '@pledge/core'
import { computed, onBeforeUnmount, watch } from 'vue'
import { useRoute } from 'vue-router'
import HealingRibbon from '../shared/case/HealingRibbon.vue'
import { useCaseStore } from '../shared/case/caseStore'
import NoticeBox from '../shared/parts/NoticeBox.vue'
import { useSessionStore } from '../shared/sessionStore'
import { partText, dayText, midSentence, weekOf } from '../shared/words'

const route = useRoute()
const store = useCaseStore()
const session = useSessionStore()
const id = computed(() => String(route.params['id']))

watch(id, (next) => void store.open(next), { immediate: true })
watch(
  () => store.data,
  (data) => {
    if (data)
      session.keepTab({
        id: data.episode.id,
        label: `${data.patient.name} · ${data.episode.side === 'left' ? 'L' : 'R'} ${data.episode.digits.join(', ') || 'hand'}`,
        conditionId: data.episode.conditionId,
        protocolId: data.episode.protocolId,
      })
  },
)
onBeforeUnmount(() => store.close())

const steps = computed(() => {
  const data = store.data
  return [
    { name: 'referral', text: 'Referral', isDone: true },
    {
      name: 'evaluate',
      text: 'Evaluate',
      isDone: data !== null && data.evaluations.some((one) => one.evaluatedOn === data.today),
    },
    { name: 'phase', text: 'Phase', isDone: false },
    { name: 'program', text: 'Program', isDone: false },
    { name: 'home', text: 'At home', isDone: false },
  ]
})
const programState = computed(() => {
  const program = store.data?.program
  return program ? `program ${program.number} signed ${dayText(program.signedOn)}` : 'no program signed yet'
})
/** The program draws the ribbon itself, above rows that share its axis. */
const hasOwnRibbon = computed(() => route.name === 'program')
</script>

<template>
  <div v-if="store.state.name === 'loading'" class="waiting" aria-busy="true">
    <div class="bone wide" />
    <div class="bone" />
    <div class="bone tall" />
    <span class="sr-only">Reading the case</span>
  </div>
  <div v-else-if="store.state.name === 'failed'" class="waiting">
    <NoticeBox tone="stop"
      >{{ store.state.message }} <a href="" @click.prevent="store.reload()">Try again</a></NoticeBox
    >
  </div>
  <div v-else-if="store.data" class="case">
    <header class="head">
      <div class="who">
        <h1>{{ store.data.patient.name }}</h1>
        <p>
          {{ partText(store.data.episode.side, store.data.episode.digits) }} ·
          {{ store.data.episode.condition }} · {{ store.data.episode.protocol
          }}<template v-if="store.data.episode.variant">, {{ store.data.episode.variant }}</template>
        </p>
        <p v-if="store.data.others.length > 0" class="others">
          Judged together with
          <template v-for="(other, place) in store.data.others" :key="other.episodeId"
            ><template v-if="place > 0">, </template
            ><router-link :to="{ name: 'phase', params: { id: other.episodeId } }"
              >{{ partText(other.side, other.digits) }}: {{ other.condition }}</router-link
            >, day {{ other.day }}</template
          >
        </p>
      </div>
      <p class="when">
        {{ ANCHOR_WORDS[store.data.episode.anchor] }} {{ dayText(store.data.episode.anchorOn) }}
        <template v-if="store.data.episode.dayZeroOn !== store.data.episode.anchorOn"
          >· counted anew from {{ dayText(store.data.episode.dayZeroOn) }}</template
        >
        ·
        <strong v-if="store.data.episode.day >= 0" class="tabular"
          >day {{ store.data.episode.day }} · week {{ weekOf(store.data.episode.day) }}</strong
        >
        <strong v-else>not started</strong>
      </p>
    </header>
    <nav class="steps" aria-label="Steps of the work">
      <router-link
        v-for="step in steps"
        :key="step.name"
        :to="{ name: step.name, params: { id } }"
        class="step"
      >
        <span v-if="step.isDone" class="tick" aria-label="done today">✓</span>{{ step.text }}
      </router-link>
      <span class="state">
        <span v-if="store.data.patient.hasLatexAllergy" class="allergy">latex allergy</span>
        <span v-if="store.data.patient.hasAdhesiveAllergy" class="allergy">adhesive allergy</span>
        {{ programState }}
      </span>
    </nav>
    <div v-if="store.data.flags.length > 0" class="banner">
      <NoticeBox tone="stop">
        <strong>Everything is stopped.</strong> Red flag:
        {{ store.data.flags.map((flag) => midSentence(flag.name)).join(', ') }}.
        <router-link :to="{ name: 'phase', params: { id } }">Lift it with what was found</router-link>
      </NoticeBox>
    </div>
    <div v-if="!hasOwnRibbon" class="ribbon-row"><HealingRibbon :data="store.data" /></div>
    <p v-if="store.arrived" class="arrived" role="status">
      {{ store.arrived }}.
      <router-link :to="{ name: 'home', params: { id } }" @click="store.arrived = null">See it</router-link>
    </p>
    <router-view />
  </div>
</template>

<style scoped>
.case {
  min-width: 0;
}
.head {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  gap: 20px;
  padding: 12px 18px 0;
}
.others {
  color: var(--ink-soft);
}
.who {
  display: flex;
  align-items: baseline;
  gap: 14px;
  min-width: 0;
  flex-wrap: wrap;
}
h1 {
  font-size: 21px;
  line-height: 1.2;
}
.when {
  white-space: nowrap;
  color: var(--ink-soft);
}
.when strong {
  font-size: 19px;
  color: var(--ink);
}
.steps {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px;
  padding: 8px 18px 10px;
  border-bottom: 1px solid var(--line);
}
.step {
  padding: 5px 14px;
  border-radius: 999px;
  color: var(--ink) !important;
  text-decoration: none;
}
.step.router-link-active {
  background: var(--ink);
  color: var(--paper) !important;
  font-weight: 600;
}
.tick {
  color: var(--moss);
  margin-right: 5px;
}
.step.router-link-active .tick {
  color: inherit;
}
@media (max-width: 800px) {
  .head {
    flex-wrap: wrap;
  }
}
.state {
  margin-left: auto;
  font-size: 14px;
  color: var(--ink-soft);
}
.allergy {
  margin-right: 10px;
  padding: 2px 8px;
  border: 1px solid var(--brick);
  border-radius: 4px;
  color: var(--brick);
  font-weight: 650;
}
.banner {
  padding: 10px 18px 0;
}
.ribbon-row {
  padding: 10px 18px 0;
}
.arrived {
  margin: 6px 18px 0;
  padding: 6px 12px;
  border-radius: 5px;
  background: var(--teal-wash);
}
.waiting {
  display: grid;
  gap: 12px;
  padding: 24px 18px;
}
.bone {
  height: 26px;
  border-radius: 5px;
  background: var(--paper-deep);
  max-width: 480px;
}
.bone.wide {
  max-width: 760px;
}
.bone.tall {
  height: 320px;
  max-width: none;
}
</style>
