<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useBoutStore } from './boutStore'
import type { PhoneItem } from './phoneApi'

/** When to stop, for the exercise at hand. */
const props = defineProps<{ item: PhoneItem; isShort?: boolean }>()
const store = useBoutStore()
const { t } = useI18n()
const rules = computed(() => props.item.stop.map((code) => t(`stop.${code}`, { cap: props.item.painCap })))
</script>

<template>
  <section class="rules" :class="{ short: isShort }">
    <h2>{{ t('stopRules') }}</h2>
    <ul>
      <li v-for="rule in rules" :key="rule">{{ rule }}</li>
    </ul>
    <button class="link wrong" @click="store.somethingWrong()">{{ t('wrong') }}</button>
  </section>
</template>

<style scoped>
.rules {
  padding: 12px 16px;
  border-left: 5px solid var(--brick);
  border-radius: 0 10px 10px 0;
  background: var(--brick-wash);
  font-size: 17.5px;
}
h2 {
  font-size: 18px !important;
}
li {
  padding: 3px 0;
}
.short {
  font-size: 17px;
}
.wrong {
  padding: 0 !important;
  color: var(--brick) !important;
  font-weight: 650 !important;
}
</style>
