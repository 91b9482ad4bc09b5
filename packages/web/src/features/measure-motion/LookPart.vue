<script setup lang="ts">
import {
  lastAt,
  LOOK_NAMES,
  lookAnswer,
  LOOKS,
  numberOf,
  placeKey,
  type LookGroup,
  type LookName,
  type ReadingPlace,
} from '@pledge/core'
import { computed } from 'vue'
import ChoiceInput from '../../shared/parts/ChoiceInput.vue'
import { dayText } from '../../shared/words'
import { useBenchStore } from './benchStore'

/** What is looked at rather than measured: one of a few words each, and what the word leads to. */
const props = defineProps<{ group: LookGroup }>()
const bench = useBenchStore()

const placeOf = (measure: LookName): ReadingPlace => ({
  measure,
  digit: null,
  side: bench.injured,
  kind: null,
})
const looks = computed(() =>
  LOOK_NAMES.filter((name) => LOOKS[name].group === props.group).map((name) => {
    const place = placeOf(name)
    const cell = bench.cellAt(place)
    const now = cell.name === 'read' ? numberOf(cell.result) : null
    const last = lastAt(bench.bench.visits, place)
    const before = numberOf(last?.result ?? null)
    return {
      name,
      key: placeKey(place),
      label: LOOKS[name].label,
      now,
      choices: LOOKS[name].answers.map(({ says }, value) => ({ value, text: says })),
      means: now === null ? null : (lookAnswer(name, now)?.means ?? null),
      last: last && before !== null ? `${dayText(last.on)}: ${lookAnswer(name, before)!.says}` : null,
    }
  }),
)
function choose(name: LookName, answer: number | null | undefined) {
  bench.enter(placeOf(name))
  bench.type(placeOf(name), answer === null || answer === undefined ? '' : String(answer))
}
</script>

<template>
  <div v-for="look in looks" :key="look.name" class="look" :data-place="look.key">
    <ChoiceInput
      :model-value="look.now"
      :label="look.label"
      :choices="look.choices"
      @update:model-value="choose(look.name, $event)"
    />
    <p v-if="look.last" class="soft tabular">{{ look.last }}</p>
    <p v-if="look.means" class="means">{{ look.means }}</p>
  </div>
</template>

<style scoped>
.look {
  padding: 6px 0;
}
.look + .look {
  border-top: 1px solid var(--line);
}
.look :deep(.option) {
  min-height: 34px;
  padding: 0 11px;
  font-size: 14px;
}
p {
  margin-top: 4px;
  font-size: 13px;
}
.means {
  padding-left: 9px;
  border-left: 3px solid var(--plum);
  font-size: 14px;
}
</style>
