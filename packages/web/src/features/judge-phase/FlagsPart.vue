<script setup lang="ts">
import { ulid } from 'ulid'
import { computed, ref } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { useCaseStore } from '../../shared/case/caseStore'
import { useSessionStore } from '../../shared/sessionStore'
import { momentText } from '../../shared/words'
import ReasonDialog from '../../shared/parts/ReasonDialog.vue'

/** Red flags that are open, with what each asks for; raising one stops everything. */
const api = useClinicApi()
const cases = useCaseStore()
const session = useSessionStore()
const data = computed(() => cases.data!)
const isTherapist = computed(() => session.user?.role === 'therapist')
const chosen = ref<string | null>(null)
const lifted = ref<{ id: string; name: string; needsSurgeon: boolean } | null>(null)
const raisable = computed(() =>
  data.value.raisableFlags.map(({ flag, name }) => ({ value: flag, title: name })),
)
const todo = computed(() => data.value.raisableFlags.find(({ flag }) => flag === chosen.value)?.todo ?? null)

async function raise() {
  if (!chosen.value) return
  await api.raiseFlag(data.value.episode.id, { id: ulid(), flag: chosen.value })
  chosen.value = null
  await cases.reload()
}
async function finish() {
  lifted.value = null
  await cases.reload()
}
</script>

<template>
  <section class="sheet part">
    <h2>Red flags</h2>
    <ul>
      <li v-for="flag in data.flags" :key="flag.id" class="entry">
        <div>
          <strong>{{ flag.name }}</strong><br />{{ flag.todo }}<br /><small class="soft"
            >{{ flag.fromPhone ? 'from the phone' : 'raised here' }}, {{ momentText(flag.raisedAt) }}</small
          >
        </div>
        <v-btn v-if="isTherapist" size="small" color="error" @click="lifted = flag">Lift it</v-btn>
      </li>
    </ul>
    <p v-if="data.flags.length === 0" class="soft">None open.</p>
    <div class="raise">
      <v-select
        v-model="chosen"
        :items="raisable"
        placeholder="Raise a red flag"
        aria-label="Raise a red flag"
      />
      <v-btn color="error" variant="outlined" :disabled="!chosen" @click="raise">Stop all</v-btn>
    </div>
    <p v-if="todo" class="small">{{ todo }}</p>
    <ReasonDialog
      v-if="lifted"
      :title="`Lift: ${lifted.name}`"
      explanation="Exercises open again as the protocol says. What you write here stays on record."
      label="What was found and decided"
      action="Lift the flag"
      path="outcome"
      :answer-label="
        lifted.needsSurgeon ? 'Who of the surgeons or the emergency department answered' : undefined
      "
      :send="
        ({ id, text, answeredBy }) =>
          api.liftFlag(data.episode.id, lifted!.id, { id, outcome: text, answeredBy })
      "
      @done="finish"
      @close="lifted = null"
    />
  </section>
</template>

<style scoped src="./parts.css"></style>
<style scoped>
.raise {
  display: flex;
  gap: 8px;
  margin-top: 10px;
}
</style>
