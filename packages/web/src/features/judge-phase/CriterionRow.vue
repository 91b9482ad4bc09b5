<script setup lang="ts">
import type { CriterionAnswer } from '@pledge/contract'
import { STATUS_WORDS, whoGave } from './words'

/** A criterion with its state, who gave it, and what can be done about it. */
defineProps<{ criterion: CriterionAnswer; canRecord: boolean; canWithdraw: boolean }>()
const emit = defineEmits<{ record: []; withdraw: [] }>()
</script>

<template>
  <li class="row">
    <svg width="14" height="14" viewBox="0 0 14 14" aria-hidden="true">
      <path
        v-if="criterion.status === 'met'"
        d="M2 7.5l3.4 3.5L12 3.5"
        fill="none"
        stroke="var(--moss)"
        stroke-width="2.2"
      />
      <circle
        v-else-if="criterion.status === 'stale'"
        cx="7"
        cy="7"
        r="5"
        fill="none"
        stroke="var(--ochre)"
        stroke-width="2"
        stroke-dasharray="3 2.4"
      />
      <path
        v-else-if="criterion.status === 'withdrawn' || criterion.status === 'notSo'"
        d="M3 3l8 8M11 3l-8 8"
        stroke="var(--brick)"
        stroke-width="2"
      />
      <circle v-else cx="7" cy="7" r="5" fill="none" stroke="var(--plum)" stroke-width="1.8" />
    </svg>
    <div class="text">
      <span>{{ criterion.meaning.charAt(0).toUpperCase() + criterion.meaning.slice(1) }}</span>
      <small
        ><strong :class="criterion.status">{{ STATUS_WORDS[criterion.status] }}</strong
        ><template v-if="criterion.latest"> · {{ whoGave(criterion) }}</template
        ><template v-else-if="criterion.isSurgeons"> · the surgeon gives it</template></small
      >
    </div>
    <button
      v-if="canWithdraw && criterion.status === 'met' && criterion.latest?.id"
      class="plain"
      @click="emit('withdraw')"
    >
      Withdraw
    </button>
    <span v-else-if="canRecord" class="acts">
      <router-link
        v-if="criterion.measured !== 'never'"
        class="plain act"
        :to="{ name: 'evaluate', query: { measure: criterion.name } }"
        >{{ criterion.latest ? 'Measure again' : 'Measure' }}</router-link
      >
      <button v-if="criterion.measured !== 'always'" class="plain act" @click="emit('record')">
        {{ criterion.status === 'stale' ? 'Confirm again' : criterion.latest ? 'Record anew' : 'Record' }}
      </button>
    </span>
  </li>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 14px minmax(0, 1fr) auto;
  gap: 10px;
  align-items: center;
  min-height: 44px;
  padding: 4px 0;
  border-bottom: 1px dotted var(--line);
}
.row:last-child {
  border-bottom: 0;
}
.text {
  display: flex;
  flex-direction: column;
  line-height: 1.3;
}
small {
  font-size: 13px;
  color: var(--ink-soft);
}
.met {
  color: var(--moss);
}
.stale {
  color: var(--ochre);
}
.withdrawn,
.notSo {
  color: var(--brick);
}
.neverRecorded {
  color: var(--plum);
}
.acts {
  display: flex;
  gap: 6px;
}
.plain {
  min-height: 32px;
  padding: 0 10px;
  border: 1px solid transparent;
  border-radius: 4px;
  background: none;
  color: var(--ink-soft);
  font: inherit;
  font-size: 14px;
  line-height: 30px;
  text-decoration: none;
  cursor: pointer;
}
.plain:hover {
  text-decoration: underline;
}
.plain.act {
  border-color: var(--teal);
  color: var(--teal);
  font-weight: 600;
}
</style>
