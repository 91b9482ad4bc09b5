<script setup lang="ts">
import type { RuleAnswer } from '@pledge/contract'
import VerdictMark from '../../shared/parts/VerdictMark.vue'

/** One rule as a sentence, with when it holds, what it takes, why, and its id. */
defineProps<{ rule: RuleAnswer; language: 'en' | 'es' }>()
const MARKS = {
  allow: 'clear',
  caution: 'with-care',
  forbid: 'not-yet',
  never: 'never',
  gate: 'clear',
} as const
const KINDS = {
  allow: 'Open',
  caution: 'With care',
  forbid: 'Not yet',
  never: 'Never',
  gate: 'Opens',
} as const
</script>

<template>
  <li class="rule" :lang="language">
    <VerdictMark :kind="MARKS[rule.kind]" />
    <div>
      <p>
        <span class="sr-only" lang="en">{{ KINDS[rule.kind] }}: </span>{{ rule.what[language]
        }}<template v-if="rule.when && rule.kind !== 'gate'">, {{ rule.when[language] }}</template
        >.
      </p>
      <p v-if="rule.why" class="why">{{ rule.why[language] }}</p>
      <p v-if="rule.needs.length > 0" class="why">
        <span lang="en">Once recorded:</span> {{ rule.needs.map((one) => one[language]).join('; ') }}.
      </p>
      <small
        ><template v-if="rule.dose">{{ rule.dose }} · </template>{{ rule.id }}</small
      >
    </div>
    <slot />
  </li>
</template>

<style scoped>
.rule {
  display: grid;
  grid-template-columns: 16px minmax(0, 1fr) auto;
  gap: 8px;
  padding: 6px 0;
  border-top: 1px dotted var(--line);
}
.rule svg {
  margin-top: 4px;
}
.why {
  font-size: 14px;
  color: var(--ink-soft);
}
small {
  font-size: 12.5px;
  color: var(--ink-soft);
}
</style>
