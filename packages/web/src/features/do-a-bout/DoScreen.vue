<script setup lang="ts">
import { movedShare, ORTHOSIS_NAMES, repetitionMoment } from '@pledge/core'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import HandFigure from '../../shared/figure/HandFigure.vue'
import HoldRing from './HoldRing.vue'
import StopRules from './StopRules.vue'
import { useBoutStore } from './boutStore'
import { useDigitWords } from './digitWords'
import { timingOfItem } from './phoneApi'

/** One exercise: how it goes, the counter, the hold ring, and the way out. */
const store = useBoutStore()
const { t, n } = useI18n()
const isShowingHow = ref(false)
const TICK_MS = 100
let timer: ReturnType<typeof setInterval> | undefined
onMounted(() => (timer = setInterval(() => store.tick(), TICK_MS)))
onBeforeUnmount(() => clearInterval(timer))
watch(
  () => store.index,
  () => {
    isShowingHow.value = false
    window.scrollTo(0, 0)
  },
)
const item = computed(() => store.item!)
const words = computed(() => item.value.text[store.language])
const moment = computed(() => store.moment!)
const timing = computed(() => timingOfItem(item.value))
/** The clock ticks ten times a second; between two ticks the picture moves on by itself. */
let tickedAt = 0
watch(
  () => store.elapsed,
  () => (tickedAt = performance.now()),
)
const MOST_BETWEEN_TICKS_SECONDS = 0.2
function pictureMoment() {
  const since = store.isRunning
    ? Math.min(MOST_BETWEEN_TICKS_SECONDS, (performance.now() - tickedAt) / 1000)
    : 0
  const now = repetitionMoment(item.value.dose, timing.value, store.elapsed + since)
  return { shape: now.shape - 1, time: movedShare(now) }
}
const { named, chosenWords } = useDigitWords()
const turns = computed(() => item.value.inTurn ?? [])
/** The place of the one whose turn it is: of the whole dose, or of this repetition where all go in each. */
const turnPlace = computed(() => {
  const isWithin = turns.value.length > timing.value.turns
  return isWithin ? Math.floor((moment.value.shape - 1) / item.value.shapes) : moment.value.turn - 1
})
const turnCount = computed(() => Math.max(timing.value.turns, turns.value.length))
/** Whose turn it is; a day kept by an earlier version of the app does not say. */
const turn = computed(() => turns.value[turnPlace.value] ?? null)
const turnName = computed(() => (turn.value ? named(turn.value) : t('digit.any')))
/** The digits that are drawn: the one whose turn it is, or those chosen for the patient. */
const drawn = computed(() => {
  if (turns.value.length > 0 && (store.hasBegun || item.value.chosen)) return turn.value ?? turns.value[0]!
  return item.value.chosen ?? null
})
/** Injured digits that were left out on purpose do not come along. */
const restsWords = computed(() => {
  const chosen = item.value.chosen ?? []
  const injured = (store.today?.digits ?? []).filter((digit) => digit !== 'thumb')
  const isLeftOut = chosen.length > 0 && !injured.some((digit) => chosen.includes(digit))
  return isLeftOut && injured.length > 0 ? t('letRest', { fingers: named(injured) }) : null
})
const isLast = computed(() => store.index + 1 === store.items.length)
/** The share of the present stage that is over: the ring fills while one holds. */
const share = computed(() => {
  const { stage, secondsLeft, stageSeconds } = moment.value
  return stage === 'done' ? 1 : Math.min(1, Math.max(0, 1 - secondsLeft / Math.max(0.1, stageSeconds)))
})
const clockText = computed(() => {
  const seconds = Math.ceil(moment.value.secondsLeft)
  return seconds >= 100
    ? `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
    : `${seconds} s`
})
const clockWords = computed(() => (moment.value.stage === 'done' ? '✓' : clockText.value))
const counted = computed(() => (store.hasBegun ? moment.value.repetition : 0))
const loadWords = computed(() =>
  item.value.loadUnit && item.value.dose.load !== null
    ? t(`with.${item.value.loadUnit}`, { n: n(item.value.dose.load) })
    : null,
)
const wear = computed(() =>
  item.value.orthosis === 'none'
    ? null
    : t('keepOn', { what: ORTHOSIS_NAMES[item.value.orthosis][store.language] }),
)
const hints = computed(() =>
  [
    store.hasBegun && turnCount.value > 1 ? null : chosenWords(item.value),
    restsWords.value,
    wear.value,
    loadWords.value,
  ].filter((one) => one !== null),
)
</script>

<template>
  <div class="do">
    <div class="top">
      <button class="link leave" @click="store.leave()">{{ t('leave') }}</button>
      <span class="dots" aria-hidden="true"
        ><i
          v-for="(one, place) in store.items"
          :key="one.itemId"
          :class="{ past: place < store.index, now: place === store.index }"
      /></span>
      <span class="small soft">{{ t('of', { n: store.index + 1, all: store.items.length }) }}</span>
    </div>
    <div>
      <h1>{{ words.name }}</h1>
      <p v-if="!store.hasBegun" class="small soft">{{ words.reason }}</p>
    </div>
    <p v-if="hints.length > 0" class="hint">{{ hints.join('. ') }}</p>

    <HandFigure
      v-if="item.depicted && store.today"
      :key="`${item.itemId} ${store.hasBegun}`"
      class="picture"
      :class="{ working: store.hasBegun }"
      :exercise="item.depicted"
      :side="store.today.side"
      :language="store.language"
      :worn="item.orthosis"
      :injured="store.today.digits ?? []"
      :chosen="drawn"
      v-bind="store.hasBegun && !store.isWorn ? { moment: pictureMoment } : {}"
    >
      <HoldRing v-if="store.hasBegun" class="clock" :share="share" :text="clockWords" />
    </HandFigure>

    <template v-if="!store.hasBegun || isShowingHow">
      <ol class="steps">
        <li v-for="(step, place) in words.steps" :key="place">
          <b>{{ place + 1 }}</b>{{ step }}
        </li>
      </ol>
      <dl class="feel">
        <dt>{{ t('feel') }}</dt>
        <dd>{{ words.shouldFeel }}</dd>
        <dt>{{ t('notFeel') }}</dt>
        <dd>{{ words.shouldNotFeel }}</dd>
        <dt>{{ t('mistake') }}</dt>
        <dd>{{ words.mistake }}</dd>
      </dl>
    </template>

    <template v-if="store.hasBegun">
      <div class="work" :class="{ alone: !item.depicted }">
        <HoldRing v-if="!item.depicted" :share="share" :text="clockWords" />
        <div class="count">
          <p v-if="!store.isWorn && item.dose.repetitions > 1" class="number tabular">
            <b data-counter>{{ counted }}</b> {{ t('of', { n: '', all: item.dose.repetitions }).trim() }}
          </p>
          <p v-if="item.dose.sets > 1" class="small soft">
            {{ t('set', { n: moment.set, all: item.dose.sets }) }}
          </p>
          <p v-if="turnCount > 1 && moment.stage !== 'done'" class="small soft">
            {{ t('turn', { finger: turnName, n: turnPlace + 1, all: turnCount }) }}
          </p>
          <p v-if="item.shapes > 1 && moment.stage !== 'done' && moment.stage !== 'rest'" class="small soft">
            {{ t('shape', { n: moment.shape, all: item.shapes }) }}
          </p>
        </div>
        <p class="cue" role="status">{{ t(`stage.${moment.stage}`) }}</p>
      </div>
    </template>

    <div class="grow" />
    <StopRules :item="item" :is-short="store.hasBegun && !isShowingHow" />
    <div class="acts">
      <button v-if="moment.stage === 'done'" class="big main" @click="store.finishItem()">
        {{ isLast ? t('finish') : t('nextOne') }}
      </button>
      <button v-else-if="store.isWorn" class="big main" @click="store.finishItem()">
        {{ t('wornDone') }}
      </button>
      <button v-else-if="!store.hasBegun" class="big main" @click="store.run()">{{ t('begin') }}</button>
      <div v-if="store.hasBegun && moment.stage !== 'done'" class="pair-row">
        <button v-if="store.isRunning" class="big" @click="store.pause()">{{ t('pause') }}</button>
        <button v-else class="big" @click="store.run()">{{ t('resume') }}</button>
        <button class="big stop" @click="store.hurts()">{{ t('hurts') }}</button>
      </div>
      <button v-else class="big stop" @click="store.hurts()">{{ t('hurts') }}</button>
      <div class="links">
        <button class="link" @click="store.cannot()">{{ t('cannot') }}</button>
        <button v-if="store.hasBegun" class="link" @click="isShowingHow = !isShowingHow">
          {{ isShowingHow ? t('hide') : t('how') }}
        </button>
      </div>
    </div>
  </div>
</template>

<style scoped>
.do {
  display: flex;
  flex: 1;
  flex-direction: column;
  gap: 14px;
}
.top {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 10px;
}
.leave {
  padding-left: 0 !important;
}
.dots {
  display: flex;
  gap: 5px;
}
.dots i {
  width: 18px;
  height: 7px;
  border-radius: 3px;
  background: var(--line);
}
.dots .past {
  background: color-mix(in srgb, var(--teal) 45%, var(--paper));
}
.dots .now {
  background: var(--teal);
}
.hint {
  padding: 8px 14px;
  border-radius: 10px;
  background: var(--teal-wash);
  font-size: 18px;
}
.steps {
  display: grid;
  gap: 10px;
}
.steps li {
  display: grid;
  grid-template-columns: 34px 1fr;
  align-items: baseline;
}
.steps b {
  color: var(--teal);
  font-size: 24px;
}
.feel {
  display: grid;
  grid-template-columns: 1fr;
  font-size: 18px;
}
.feel dt {
  margin-top: 6px;
  font-weight: 650;
}
.picture {
  height: 250px;
}
.picture.working {
  height: min(36vh, 320px);
}
.clock {
  position: absolute;
  right: 10px;
  bottom: 10px;
  width: 96px;
}
/* Between two stills, not on the name of the second. */
.picture:has(.pair span + span) .clock {
  right: calc(50% - 48px);
}
.work {
  display: flex;
  align-items: center;
  justify-content: space-evenly;
  gap: 16px;
}
.work.alone {
  padding: 18px;
  border-radius: 16px;
  background: var(--paper-deep);
}
.work.alone > svg {
  width: 150px;
}
.count {
  text-align: center;
}
.number {
  font-size: 24px;
  color: var(--ink-soft);
  white-space: nowrap;
}
.number b {
  margin-right: 4px;
  font-size: 64px;
  line-height: 1;
  color: var(--ink);
}
.cue {
  font-size: 30px;
  font-weight: 700;
  text-align: center;
}
.acts {
  display: grid;
  gap: 12px;
}
.links {
  display: flex;
  justify-content: space-between;
}
</style>
