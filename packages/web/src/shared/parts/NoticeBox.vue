<script setup lang="ts">
/** A sentence that matters: what is wrong, what it means, what to do. */
defineProps<{ tone: 'stop' | 'care' | 'wait' | 'good' | 'plain' }>()
</script>

<template>
  <div class="notice" :class="tone" :role="tone === 'stop' ? 'alert' : undefined"><slot /></div>
</template>

<style scoped>
.notice {
  padding: 10px 14px;
  border-left: 4px solid var(--line);
  border-radius: 0 5px 5px 0;
  background: var(--paper-deep);
  line-height: 1.4;
}
.stop {
  border-color: var(--brick);
  background: var(--brick-wash);
}
.care {
  border-color: var(--ochre);
  background: var(--ochre-wash);
}
.wait {
  border-color: var(--plum);
  background: var(--plum-wash);
}
.good {
  border-color: var(--moss);
  background: var(--moss-wash);
}
</style>
