<script setup lang="ts">
import { AIMS, isOpen, type Aim } from '@pledge/core'
import { computed, ref } from 'vue'
import type { ExerciseAnswer } from '@pledge/contract'
import VerdictMark from '../../shared/parts/VerdictMark.vue'
import { AIM_WORDS, dayText, VERDICT_WORDS } from '../../shared/words'

/** The exercises of the condition with today's verdict, open ones first. */
const props = defineProps<{
  exercises: readonly ExerciseAnswer[]
  chosen: ReadonlySet<string>
  selected: string | null
}>()
const emit = defineEmits<{ select: [id: string]; add: [id: string] }>()
const wanted = ref('')
const aim = ref<Aim | ''>('')
/** Aims that some exercise of the condition has, with how many. */
const aims = computed(() =>
  AIMS.map((word) => ({
    word,
    count: props.exercises.filter((one) => one.aims.includes(word)).length,
  })).filter(({ count }) => count > 0),
)
const shown = computed(() => {
  const word = wanted.value.trim().toLowerCase()
  return props.exercises.filter(
    (one) =>
      (aim.value === '' || one.aims.includes(aim.value)) &&
      `${one.text.name} ${one.text.reason} ${one.family} ${one.region} ${VERDICT_WORDS[one.verdict.kind]}`
        .toLowerCase()
        .includes(word),
  )
})
function short({ verdict, override }: ExerciseAnswer): string {
  if (override) return 'not yet · opened with a reason'
  switch (verdict.kind) {
    case 'clear':
      return 'clear'
    case 'with-care':
      return 'with care'
    case 'never':
      return 'never here'
    case 'not-yet': {
      const from = verdict.fromDate ? `not yet · from ${dayText(verdict.fromDate)}` : 'not yet'
      const count = verdict.missing.length
      return count > 0 ? `${from}, ${count} missing` : from
    }
  }
}
</script>

<template>
  <div class="finder">
    <label class="search"
      ><span class="sr-only">Find an exercise</span
      ><input v-model="wanted" type="search" class="plain-field" placeholder="Find an exercise"
    /></label>
    <label class="aim"
      >For
      <select v-model="aim" class="plain-field">
        <option value="">everything ({{ exercises.length }})</option>
        <option v-for="{ word, count } in aims" :key="word" :value="word">
          {{ AIM_WORDS[word] }} ({{ count }})
        </option>
      </select>
    </label>
    <ul class="list">
      <li v-for="one in shown" :key="one.id" class="row" :class="{ selected: one.id === selected }">
        <button class="pick" :aria-pressed="one.id === selected" @click="emit('select', one.id)">
          <VerdictMark :kind="one.verdict.kind" />
          <span class="text"
            ><span class="name">{{ one.text.name }}</span
            ><small>{{ short(one) }}</small></span
          >
        </button>
        <span v-if="chosen.has(one.id)" class="in" title="In the program">in</span>
        <button
          v-else-if="isOpen(one.verdict.kind) || one.override"
          class="add"
          :aria-label="`Add ${one.text.name}`"
          @click="emit('add', one.id)"
        >
          Add
        </button>
      </li>
      <li v-if="shown.length === 0" class="soft empty">No exercise fits.</li>
    </ul>
  </div>
</template>

<style scoped>
.finder {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.search {
  padding: 12px 12px 8px;
}
.search input {
  width: 100%;
}
.aim {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 0 12px 8px;
  font-size: 14px;
  color: var(--ink-soft);
}
.aim select {
  flex: 1;
}
.list {
  overflow-y: auto;
  min-height: 0;
  padding: 0 6px 12px;
}
.row {
  display: flex;
  align-items: center;
  border-bottom: 1px solid var(--line);
}
.row.selected {
  background: var(--teal-wash);
}
.pick {
  display: flex;
  flex: 1;
  gap: 10px;
  align-items: flex-start;
  min-width: 0;
  padding: 7px 6px;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.pick svg {
  margin-top: 3px;
}
.text {
  display: flex;
  flex-direction: column;
  min-width: 0;
  line-height: 1.25;
}
.name {
  font-size: 14.5px;
}
small {
  font-size: 12.5px;
  color: var(--ink-soft);
}
.add,
.in {
  flex: none;
  min-width: 40px;
  padding: 5px 8px;
  font: inherit;
  font-size: 13px;
}
.add {
  border: 1px solid var(--teal);
  border-radius: 4px;
  background: none;
  color: var(--teal);
  font-weight: 600;
  cursor: pointer;
}
.in {
  color: var(--ink);
  font-weight: 650;
  text-align: center;
}
.empty {
  padding: 16px;
}
</style>
