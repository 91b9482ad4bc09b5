<script setup lang="ts">
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import { useBenchStore } from './benchStore'

/** The button that saves a visit, with what came of it. */
const bench = useBenchStore()
</script>

<template>
  <v-btn type="submit" :loading="bench.saveState.name === 'saving'">{{
    bench.saveState.name === 'asking'
      ? 'Save as typed'
      : bench.amending
        ? 'Save the correction'
        : 'Save the evaluation'
  }}</v-btn>
  <NoticeBox v-if="bench.saveState.name === 'failed'" tone="stop">{{ bench.saveState.message }}</NoticeBox>
  <NoticeBox v-else-if="bench.saveState.name === 'asking'" tone="care"
    ><strong>Sure?</strong> {{ bench.saveState.asks.join('; ') }}.</NoticeBox
  >
  <NoticeBox v-else-if="bench.saveState.name === 'saved'" tone="good"
    >Saved: {{ bench.saveState.readings }}
    {{ bench.saveState.readings === 1 ? 'reading' : 'readings' }}.</NoticeBox
  >
</template>
