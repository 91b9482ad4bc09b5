<script setup lang="ts">
import type { KnownPersonAnswer } from '@pledge/contract'
import { dayText, partText } from '../../shared/words'

/** Somebody of this name and date of birth is here already: the same person, or somebody else? */
defineProps<{ known: readonly KnownPersonAnswer[]; error: string | null }>()
const chosen = defineModel<string | null | undefined>({ required: true })

function told({ episodes }: KnownPersonAnswer): string {
  return episodes
    .map((one) => `${partText(one.side, one.digits)}, ${one.condition}, since ${dayText(one.openedOn)}`)
    .join('; ')
}
</script>

<template>
  <fieldset class="known">
    <legend class="sr-only">A patient of this name and date of birth is here already</legend>
    <p aria-hidden="true"><b>A patient of this name and date of birth is here already.</b></p>
    <label v-for="person in known" :key="person.personId">
      <input
        type="radio"
        name="same-person"
        :checked="chosen === person.personId"
        @change="chosen = person.personId"
      />
      <span><b>The same person:</b> {{ told(person) }}. The injuries are judged together.</span>
    </label>
    <label>
      <input type="radio" name="same-person" :checked="chosen === null" @change="chosen = null" />
      <span><b>Somebody else</b> of the same name, born on the same day.</span>
    </label>
    <p v-if="error" class="wrong" role="alert">{{ error }}</p>
  </fieldset>
</template>

<style scoped>
.known {
  margin: 0;
  display: grid;
  gap: 8px;
  padding: 10px 12px;
  border: 1px solid var(--line);
  border-left: 4px solid var(--ochre);
  border-radius: 4px;
  background: var(--paper);
}
.known label {
  display: grid;
  grid-template-columns: 28px 1fr;
  align-items: start;
  min-height: 24px;
  cursor: pointer;
}
.known input {
  width: 18px;
  height: 18px;
  margin: 2px 0 0;
  accent-color: var(--teal);
}
.wrong {
  color: var(--brick);
}
</style>
