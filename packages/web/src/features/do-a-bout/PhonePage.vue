<script setup lang="ts">
import { SKIP_REASONS } from '@pledge/core/schemas'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import PainScale from '../../shared/parts/PainScale.vue'
import CallClinic from './CallClinic.vue'
import DoScreen from './DoScreen.vue'
import TodayScreen from './TodayScreen.vue'
import { useBoutStore } from './boutStore'
import './phone.css'

const store = useBoutStore()
const { t, tm, locale } = useI18n()
const code = ref('')
const hurtPain = ref<number | null>(null)
const painEnds = computed(() => tm('painEnds') as [string, string])
/** How often an idle phone asks what is allowed today. */
const CONTACT_EVERY_MS = 60_000
let timer: ReturnType<typeof setInterval> | undefined

function contact() {
  if (document.visibilityState === 'visible' && store.screen.name === 'today') void store.refresh()
}
onMounted(() => {
  void store.start()
  timer = setInterval(contact, CONTACT_EVERY_MS)
  window.addEventListener('online', contact)
  document.addEventListener('visibilitychange', contact)
})
onBeforeUnmount(() => {
  clearInterval(timer)
  window.removeEventListener('online', contact)
  document.removeEventListener('visibilitychange', contact)
})
watch(
  () => store.language,
  (language) => {
    locale.value = language
    document.documentElement.lang = language
  },
  { immediate: true },
)
watch(
  () => store.screen.name,
  () => {
    hurtPain.value = null
    window.scrollTo(0, 0)
  },
)
const pairProblem = computed(() => {
  if (store.screen.name !== 'pair' || store.screen.problem === null) return null
  return store.screen.problem === 'unpaired' ? t('unpaired') : store.screen.problem
})
const nothingAllowed = computed(
  () =>
    store.painBefore !== null &&
    store.painBefore < (store.today?.stopPain ?? 0) &&
    store.openItems.every((item) => item.painCap < store.painBefore!),
)
</script>

<template>
  <main class="phone">
    <p v-if="store.screen.name === 'starting'" class="soft" role="status">{{ t('reading') }}</p>

    <form v-else-if="store.screen.name === 'pair'" class="column" @submit.prevent="store.pair(code)">
      <p class="wordmark">Pledge</p>
      <h1>{{ t('pair.title') }}</h1>
      <p>{{ t('pair.lead') }}</p>
      <label class="code"
        ><span>{{ t('pair.label') }}</span
        ><input v-model="code" inputmode="numeric" autocomplete="one-time-code" maxlength="9" class="tabular"
      /></label>
      <NoticeBox v-if="pairProblem" tone="stop">{{ pairProblem }}</NoticeBox>
      <button class="big main" :disabled="store.screen.isChecking">
        {{ store.screen.isChecking ? t('pair.checking') : t('pair.go') }}
      </button>
      <div class="pair-row">
        <button type="button" class="link" @click="store.speak('en')">English</button
        ><button type="button" class="link" @click="store.speak('es')">Español</button>
      </div>
      <div class="grow" />
      <p class="soft small">{{ t('caution') }}</p>
    </form>

    <TodayScreen v-else-if="store.screen.name === 'today'" />
    <DoScreen v-else-if="store.screen.name === 'doing' && store.item" />

    <div v-else-if="store.screen.name === 'before'" class="column">
      <h1 class="sr-only">{{ t('next') }}</h1>
      <PainScale v-model="store.painBefore" :label="t('before')" :labels="painEnds" large />
      <NoticeBox v-if="nothingAllowed" tone="care">{{ t('tooSore') }}</NoticeBox>
      <div class="grow" />
      <button class="big main" :disabled="store.painBefore === null || nothingAllowed" @click="store.begin()">
        {{ t('go') }}
      </button>
      <button class="big stop" @click="store.somethingWrong()">{{ t('wrong') }}</button>
      <button class="link" @click="store.toToday()">{{ t('back') }}</button>
    </div>

    <div v-else-if="store.screen.name === 'somethingWrong'" class="column">
      <h1>{{ t('wrongTitle') }}</h1>
      <button
        v-for="flag in store.today?.redFlags ?? []"
        :key="flag.id"
        class="big stop flag"
        @click="store.flagged(flag)"
      >
        {{ flag.says[store.language] }}
      </button>
      <div class="grow" />
      <button class="big" @click="store.screen.isInBout ? store.backToItem() : store.toToday()">
        {{ t('wrongNone') }}
      </button>
    </div>

    <div v-else-if="store.screen.name === 'hurt'" class="column">
      <h1>{{ t('hurtTitle') }}</h1>
      <PainScale v-model="hurtPain" :label="t('hurtAsk')" :labels="painEnds" large />
      <div class="grow" />
      <button class="big main" :disabled="hurtPain === null" @click="store.hurtScored(hurtPain!)">
        {{ t('go') }}
      </button>
      <button class="big stop" @click="store.somethingWrong()">{{ t('wrong') }}</button>
    </div>

    <div v-else-if="store.screen.name === 'skip'" class="column">
      <h1>{{ t('skipTitle') }}</h1>
      <button v-for="reason in SKIP_REASONS" :key="reason" class="big" @click="store.skip(reason)">
        {{ t(`skip.${reason}`) }}
      </button>
      <div class="grow" />
      <button class="link" @click="store.backToItem()">{{ t('back') }}</button>
    </div>

    <div v-else-if="store.screen.name === 'after'" class="column">
      <h1 class="sr-only">{{ t('next') }}</h1>
      <NoticeBox v-if="store.leftOut.length > 0" tone="plain">{{
        t('leaveOut', { names: store.leftOut.map((item) => item.text[store.language].name).join(', ') })
      }}</NoticeBox>
      <PainScale v-model="store.painWorst" :label="t('after.worst')" :labels="painEnds" large />
      <PainScale v-model="store.painAfter" :label="t('after.now')" :labels="painEnds" large />
      <div class="grow" />
      <button
        class="big main"
        :disabled="store.painWorst === null || store.painAfter === null"
        @click="store.save()"
      >
        {{ t('save') }}
      </button>
    </div>

    <div v-else-if="store.screen.name === 'saved'" class="column">
      <div class="grow" />
      <svg viewBox="0 0 80 80" width="96" aria-hidden="true">
        <circle cx="40" cy="40" r="36" fill="var(--moss-wash)" stroke="var(--moss)" stroke-width="4" />
        <path d="M24 41l12 12 21-26" fill="none" stroke="var(--moss)" stroke-width="6" />
      </svg>
      <h1>{{ t('saved') }}</h1>
      <p>{{ store.screen.wasSent ? t('savedSent') : t('savedKept') }}</p>
      <NoticeBox v-for="one in store.refused" :key="one.id" tone="stop">{{
        t('refused', { why: one.refusal })
      }}</NoticeBox>
      <div class="grow" />
      <button class="big main" @click="store.toToday()">{{ t('close') }}</button>
    </div>

    <div v-else-if="store.screen.name === 'stopped' && store.today" class="column stopped" role="alert">
      <h1>{{ t('stopTitle') }}</h1>
      <template v-if="store.screen.act === 'emergency'">
        <p class="lead">{{ t('stopEmergencyNow') }}</p>
        <p>{{ t('stopLoosen') }}</p>
        <p>{{ t('stopThenClinic') }}</p>
        <CallClinic :clinic="store.today.clinic" />
      </template>
      <template v-else>
        <p class="lead">{{ t('stopLead') }}</p>
        <CallClinic :clinic="store.today.clinic" />
        <NoticeBox tone="stop"
          ><strong>{{ t('stopEmergency') }}</strong></NoticeBox
        >
      </template>
      <div class="grow" />
      <button class="big" @click="store.toToday()">{{ t('close') }}</button>
    </div>
  </main>
</template>

<style scoped>
.column {
  display: flex;
  flex: 1;
  flex-direction: column;
  gap: 14px;
}
.wordmark {
  font-size: 22px;
  font-weight: 800;
  color: var(--teal);
}
.code {
  display: grid;
  gap: 6px;
  font-weight: 650;
}
.code input {
  width: 100%;
  height: 68px;
  box-sizing: border-box;
  border: 2px solid var(--line);
  border-radius: 12px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
  font-size: 34px;
  font-weight: 700;
  letter-spacing: 0.08em;
  text-align: center;
}
.flag {
  justify-content: flex-start !important;
  text-align: left;
  font-weight: 550 !important;
  font-size: 19px !important;
}
.stopped h1 {
  color: var(--brick);
  font-size: 34px;
}
.lead {
  font-size: 24px;
}
</style>
