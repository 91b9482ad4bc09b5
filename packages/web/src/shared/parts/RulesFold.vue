<script setup lang="ts">
import type { VerdictAnswer } from '@pledge/contract'

/** The rules a verdict rests on, with the atoms they speak of and their sources, folded. */
defineProps<{ reasons: VerdictAnswer['reasons'] }>()
</script>

<template>
  <details v-if="reasons.length > 0">
    <summary>Rules and sources</summary>
    <p v-for="(one, index) in reasons" :key="index">
      <code>{{ one.rule }}</code><template v-if="one.atom"> on {{ one.atom }}</template
      ><br />{{ one.source }}
    </p>
  </details>
</template>

<style scoped>
summary {
  margin-top: 4px;
  cursor: pointer;
  color: var(--teal);
}
p {
  margin-top: 4px;
  font-size: 12.5px;
  overflow-wrap: anywhere;
}
</style>
