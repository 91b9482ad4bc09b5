<script setup lang="ts">
import type { CriterionAnswer } from '@pledge/contract'
import CriterionRow from './CriterionRow.vue'

/** Criteria in a list, with who may record and withdraw them. */
defineProps<{
  criteria: readonly CriterionAnswer[]
  canRecord: (criterion: CriterionAnswer) => boolean
  canWithdraw: boolean
}>()
const emit = defineEmits<{ record: [criterion: CriterionAnswer]; withdraw: [criterion: CriterionAnswer] }>()
</script>

<template>
  <ul>
    <CriterionRow
      v-for="criterion in criteria"
      :key="criterion.what"
      :criterion="criterion"
      :can-record="canRecord(criterion)"
      :can-withdraw="canWithdraw"
      @record="emit('record', criterion)"
      @withdraw="emit('withdraw', criterion)"
    />
  </ul>
</template>
