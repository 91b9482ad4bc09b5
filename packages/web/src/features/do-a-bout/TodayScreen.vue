<script setup lang="ts">
import { stillFiles } from '@pledge/core'
import { computed, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import CallClinic from './CallClinic.vue'
import { useBoutStore } from './boutStore'
import { useDigitWords } from './digitWords'

/** What is next, how long it takes, what waits on this phone. */
const store = useBoutStore()
const { t } = useI18n()
const { chosenWords } = useDigitWords()
const items = computed(() => store.today?.program?.items ?? [])
/** The stills of the program are fetched while there is signal: they stand in where nothing can be drawn. */
watch(
  items,
  (now) => {
    for (const { depicted } of now)
      for (const file of depicted ? stillFiles(depicted) : []) new Image().src = `/stills/${file}`
  },
  { immediate: true },
)
const told = computed(() =>
  [
    { title: t('aboutYourHand'), texts: store.today?.advice ?? [] },
    {
      title: t('callSameDay'),
      texts: (store.today?.redFlags ?? []).filter((flag) => flag.isOfProtocol).map((flag) => flag.says),
    },
  ]
    .map(({ title, texts }) => ({ title, texts: texts.map((text) => text[store.language]) }))
    .filter(({ texts }) => texts.length > 0),
)
const mayStartNow = computed(
  () =>
    store.openItems.length > 0 &&
    (store.contact.name === 'fresh' || store.contact.name === 'kept') &&
    !store.isLocked,
)
</script>

<template>
  <div class="today">
    <header>
      <p class="soft">{{ store.today ? t('hello', { name: store.today.firstName }) : '' }}</p>
      <h1>{{ t('today') }}</h1>
    </header>
    <NoticeBox v-if="store.contact.name === 'nothing'" tone="care">{{ store.contact.message }}</NoticeBox>
    <NoticeBox v-else-if="store.contact.name === 'tooOld'" tone="stop">{{
      t('tooOld', { n: store.contact.days })
    }}</NoticeBox>
    <NoticeBox v-else-if="store.contact.name === 'kept'" tone="plain">{{ t('offline') }}</NoticeBox>

    <template v-if="store.isLocked && store.today">
      <section class="card locked">
        <h2>{{ t('locked') }}</h2>
        <p>{{ t('lockedLead') }}</p>
        <CallClinic :clinic="store.today.clinic" />
      </section>
    </template>
    <p v-else-if="store.today && items.length === 0">{{ t('none') }}</p>
    <template v-else-if="store.today">
      <section v-if="mayStartNow" class="card next">
        <p class="soft">{{ t('next') }}</p>
        <p class="what">{{ t('count', store.openItems.length) }}, {{ t('minutes', { n: store.minutes }) }}</p>
        <button class="big main" @click="store.toBefore()">{{ t('start') }}</button>
      </section>
      <NoticeBox v-else-if="store.openItems.length === 0" tone="wait">{{ t('allPaused') }}</NoticeBox>
      <ul class="list">
        <li v-for="item in items" :key="item.itemId" :class="{ paused: item.isPaused }">
          <img
            v-if="item.depicted"
            class="still"
            :class="{ mirrored: store.today.side === 'right' }"
            :src="`/stills/${stillFiles(item.depicted).at(-1)}`"
            alt=""
            @error="($event.target as HTMLElement).style.visibility = 'hidden'"
          />
          <span class="told-as"
            >{{ item.text[store.language].name }}
            <small v-if="chosenWords(item)" class="with">{{ chosenWords(item) }}</small>
            <small v-if="item.isPaused"
              ><b>{{ t('paused') }}.</b> {{ t('pausedWhy') }}</small
            ></span
          >
        </li>
      </ul>
      <p class="soft small">{{ t('doneToday', { n: store.today.boutsToday + store.waiting }) }}</p>
    </template>
    <section v-if="told.length > 0" class="told">
      <details v-for="part in told" :key="part.title">
        <summary>{{ part.title }}</summary>
        <ul>
          <li v-for="text in part.texts" :key="text">{{ text }}</li>
        </ul>
      </details>
    </section>

    <NoticeBox v-if="store.waiting > 0" tone="plain"
      >{{ t('waiting', store.waiting) }}
      <button class="link" @click="store.refresh()">{{ t('sendAgain') }}</button></NoticeBox
    >
    <NoticeBox v-for="one in store.refused" :key="one.id" tone="stop"
      >{{ t('refused', { why: one.refusal }) }}
      <button class="link" @click="store.sendWaiting(true)">{{ t('sendAgain') }}</button></NoticeBox
    >
    <div class="grow" />
    <button v-if="store.contact.name !== 'fresh'" class="big" @click="store.refresh()">
      {{ t('retry') }}
    </button>
    <button v-if="store.today?.program && !store.isLocked" class="big stop" @click="store.somethingWrong()">
      {{ t('wrong') }}
    </button>
    <footer class="soft small">
      {{ t('caution') }}
      <span class="speak"
        ><button class="link" :aria-pressed="store.language === 'en'" @click="store.speak('en')">
          English</button
        ><button class="link" :aria-pressed="store.language === 'es'" @click="store.speak('es')">
          Español
        </button></span
      >
    </footer>
  </div>
</template>

<style scoped>
.today {
  display: flex;
  flex: 1;
  flex-direction: column;
  gap: 16px;
}
.next {
  display: grid;
  gap: 12px;
  background: var(--teal-wash) !important;
  border-color: var(--teal) !important;
}
.what {
  font-size: 24px;
  font-weight: 700;
}
.locked {
  display: grid;
  gap: 10px;
  border: 2px solid var(--brick) !important;
  background: var(--brick-wash) !important;
}
.list li {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 5px 0;
  border-bottom: 1px solid var(--line);
}
.still {
  width: 60px;
  height: 60px;
  flex: none;
  border-radius: 10px;
  background: var(--figure-ground);
}
.still.mirrored {
  transform: scaleX(-1);
}
.list small {
  display: block;
  font-size: 17px;
  color: var(--plum);
}
.list .with {
  color: var(--ink-soft);
}
.list .paused .told-as {
  color: var(--ink-soft);
}
.told summary {
  min-height: 56px;
  padding: 14px 0;
  border-bottom: 1px solid var(--line);
  color: var(--teal);
  font-weight: 700;
  cursor: pointer;
}
.told li {
  padding: 9px 0;
  border-bottom: 1px dotted var(--line);
}
.speak {
  display: flex;
  gap: 18px;
}
.speak [aria-pressed='true'] {
  font-weight: 700;
  text-decoration: none;
  color: var(--ink);
}
</style>
