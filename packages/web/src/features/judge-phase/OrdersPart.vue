<script setup lang="ts">
import { computed, ref } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { useCaseStore } from '../../shared/case/caseStore'
import { useSessionStore } from '../../shared/sessionStore'
import { dayAndYear, dayText } from '../../shared/words'
import OrderDialog from './OrderDialog.vue'
import ReasonDialog from '../../shared/parts/ReasonDialog.vue'

/** The surgeon's orders in force. */
const api = useClinicApi()
const cases = useCaseStore()
const session = useSessionStore()
const data = computed(() => cases.data!)
const isTherapist = computed(() => session.user?.role === 'therapist')
const isAdding = ref(false)
const withdrawn = ref<{ id: string; label: string } | null>(null)

async function finish() {
  isAdding.value = false
  withdrawn.value = null
  await cases.reload()
}
</script>

<template>
  <section class="sheet part">
    <header class="with-act">
      <h2>Surgeon’s orders</h2>
      <v-btn v-if="isTherapist" variant="outlined" size="small" @click="isAdding = true">Add</v-btn>
    </header>
    <p v-if="data.orders.length === 0" class="soft">None in force.</p>
    <ul>
      <li v-for="order in data.orders" :key="order.id" class="entry">
        <div>
          <strong>{{ order.label }}</strong> until {{ order.untilOn ? dayAndYear(order.untilOn) : 'withdrawn'
          }}<br /><small class="soft"
            ><template v-if="order.document">{{ order.document }} · </template>{{ order.why }} ·
            {{ order.givenBy }}, {{ dayText(order.dated) }}</small
          >
        </div>
        <button v-if="isTherapist" class="link" @click="withdrawn = { id: order.id, label: order.label }">
          Withdraw
        </button>
      </li>
    </ul>
    <OrderDialog
      v-if="isAdding"
      :episode-id="data.episode.id"
      :today="data.today"
      :surgeon="data.episode.surgeon"
      @done="finish"
      @close="isAdding = false"
    />
    <ReasonDialog
      v-if="withdrawn"
      :title="`Withdraw: ${withdrawn.label}`"
      explanation="What it closed is judged by the protocol again from now on. The order stays on record."
      label="Why it no longer holds, and who said so"
      action="Withdraw it"
      path="why"
      :send="({ id, text }) => api.withdrawOrder(data.episode.id, withdrawn!.id, { id, why: text })"
      @done="finish"
      @close="withdrawn = null"
    />
  </section>
</template>

<style scoped src="./parts.css"></style>
