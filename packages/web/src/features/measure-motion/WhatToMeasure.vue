<script setup lang="ts">
import { mdiCheckCircle, mdiCircleOutline, mdiLockOutline } from '@mdi/js'
import { placeKey } from '@pledge/core'
import { computed } from 'vue'
import { dayText } from '../../shared/words'
import { useBenchStore, type PlanItem } from './benchStore'

/** What this case needs measured, the next missing thing marked; a press goes to its first empty cell. */
const emit = defineEmits<{ go: [key: string] }>()
const bench = useBenchStore()
const TIERS: readonly { tier: PlanItem['tier']; title: string }[] = [
  { tier: 'gate', title: 'A step waits for' },
  { tier: 'skin', title: 'Before anything moves' },
  { tier: 'tell', title: 'Stiff, or lagging?' },
  { tier: 'outcome', title: 'To compare' },
]
const groups = computed(() =>
  TIERS.map(({ tier, title }) => ({ title, items: bench.items.filter((item) => item.tier === tier) })).filter(
    ({ items }) => items.length > 0,
  ),
)
/** Nothing of it may be measured: of the injured hand, where it is about both. */
function isShut({ places }: PlanItem) {
  const own = places.filter(({ side }) => side !== bench.other)
  return (own.length > 0 ? own : places).every((place) => bench.isLocked(place))
}
const isDone = (item: PlanItem) => !isShut(item) && item.missing.length === 0
const icon = (item: PlanItem) =>
  isShut(item) ? mdiLockOutline : isDone(item) ? mdiCheckCircle : mdiCircleOutline
const count = (item: PlanItem) => {
  const all = item.isOneEnough ? 1 : item.places.filter((place) => !bench.isLocked(place)).length
  return all > 1 ? `${all - item.missing.length} of ${all}` : ''
}
function go(item: PlanItem) {
  const place = item.missing[0] ?? item.places[0]
  if (place) emit('go', placeKey(place))
}
</script>

<template>
  <nav class="sheet plan" aria-label="What to measure">
    <section v-for="group in groups" :key="group.title">
      <h2>{{ group.title }}</h2>
      <button
        v-for="item in group.items"
        :key="item.id"
        type="button"
        class="item"
        :class="{ done: isDone(item), shut: isShut(item), next: item.id === bench.next?.id }"
        :disabled="isShut(item)"
        @click="go(item)"
      >
        <svg viewBox="0 0 24 24" aria-hidden="true"><path :d="icon(item)" /></svg>
        <span class="says"
          >{{ item.says }}
          <span class="sr-only">{{
            isShut(item) ? '(locked)' : isDone(item) ? '(measured)' : '(missing)'
          }}</span>
          <small>{{ item.why }}</small></span
        >
        <small class="when tabular">{{ count(item) || (item.lastOn ? dayText(item.lastOn) : '') }}</small>
      </button>
    </section>
  </nav>
</template>

<style scoped>
.plan {
  padding: 10px 8px;
}
h2 {
  margin: 4px 8px 2px;
  font-size: 13px;
  font-weight: 600;
  color: var(--ink-soft);
}
section + section {
  margin-top: 8px;
}
.item {
  display: grid;
  grid-template-columns: 18px minmax(0, 1fr) auto;
  gap: 7px;
  width: 100%;
  padding: 5px 8px;
  border: 1px solid transparent;
  border-radius: 5px;
  background: none;
  color: var(--ink);
  font: inherit;
  font-size: 14.5px;
  line-height: 1.25;
  text-align: left;
}
.item:hover:not(:disabled) {
  background: var(--paper-deep);
}
.item.next {
  border-color: var(--teal);
  background: var(--teal-wash);
}
.item svg {
  width: 18px;
  fill: var(--ink-soft);
}
.done svg {
  fill: var(--moss);
}
.shut svg {
  fill: var(--plum);
}
.says::first-letter {
  text-transform: uppercase;
}
small {
  display: block;
  font-size: 12.5px;
  color: var(--ink-soft);
}
.done .says small {
  display: none;
}
.when {
  white-space: nowrap;
}
</style>
