<script setup lang="ts">
import { useI18n } from 'vue-i18n'

/** Whom to call, by day and by night: one tap each. */
defineProps<{ clinic: { name: string; phone: string; outOfHours: string } }>()
const { t } = useI18n()
const dial = (number: string) => `tel:${number.replace(/[^\d+]/g, '')}`
</script>

<template>
  <div class="call">
    <a class="big stop main" :href="dial(clinic.phone)"
      ><span
        ><small>{{ t('stopOpen') }}</small
        ><br />{{ clinic.phone }}</span
      ></a
    >
    <a class="big stop" :href="dial(clinic.outOfHours)"
      ><span
        ><small>{{ t('stopNight') }}</small
        ><br />{{ clinic.outOfHours }}</span
      ></a
    >
  </div>
</template>

<style scoped>
.call {
  display: grid;
  gap: 12px;
  text-align: center;
}
small {
  font-size: 17px;
  font-weight: 500;
}
span {
  font-size: 24px;
  line-height: 1.2;
}
</style>
