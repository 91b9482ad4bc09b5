<script setup lang="ts">
import { computed } from 'vue'
import { useCaseStore } from '../../shared/case/caseStore'
import { dayText } from '../../shared/words'

/** Loads, tests and activities by their gates, and what a return to each asks besides its day. */
const cases = useCaseStore()
const data = computed(() => cases.data!)
</script>

<template>
  <section class="sheet part">
    <h2>Loads, tests and activities</h2>
    <table>
      <thead>
        <tr>
          <th scope="col">From</th>
          <th scope="col">Opens</th>
          <th scope="col">State</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="gate in data.gates" :key="gate.rule" :class="{ closed: !gate.isOpen }">
          <td class="tabular">
            day {{ gate.day }}<span class="soft"> · {{ dayText(gate.date) }}</span>
          </td>
          <td>{{ gate.opens }}</td>
          <td>
            <strong v-if="gate.isOpen" class="open">open</strong>
            <template v-else
              ><strong class="shut">closed</strong
              ><span v-if="gate.missing.length > 0" class="soft"
                >: {{ gate.missing.map((one) => one.meaning).join('; ') }}</span
              ><span v-else-if="gate.barredBy.length > 0" class="soft"
                >: {{ gate.barredBy.join(' ') }}</span
              ></template
            >
          </td>
        </tr>
      </tbody>
    </table>
    <details class="returns">
      <summary>Back to daily life, work and sport: what each asks besides its day</summary>
      <dl>
        <template v-for="one in data.milestones" :key="one.act">
          <dt>
            {{ one.name
            }}<small class="soft tabular">{{
              one.day === null ? 'never by time alone' : `day ${one.day} · ${dayText(one.date!)}`
            }}</small>
          </dt>
          <dd>{{ one.needs }}</dd>
        </template>
      </dl>
    </details>
    <p class="soft small">
      Loading needs besides: {{ data.loadBase.join('; ') }}. Windows are defaults (common practice); the
      surgeon’s order and licensed practice come first.
    </p>
  </section>
</template>

<style scoped src="./parts.css"></style>
<style scoped>
table {
  width: 100%;
  margin-top: 6px;
  border-collapse: collapse;
  font-size: 14px;
}
th {
  text-align: left;
  font-weight: 600;
  color: var(--ink-soft);
  padding: 4px 8px 4px 0;
}
td {
  padding: 5px 8px 5px 0;
  border-top: 1px dotted var(--line);
  vertical-align: top;
}
td:first-child {
  white-space: nowrap;
}
.open {
  color: var(--moss);
}
.shut {
  color: var(--plum);
}
.returns {
  margin-top: 8px;
  font-size: 14px;
}
summary {
  cursor: pointer;
  color: var(--teal);
}
dl {
  display: grid;
  grid-template-columns: 150px minmax(0, 1fr);
  margin-top: 6px;
}
dt,
dd {
  padding: 5px 8px 5px 0;
  border-top: 1px dotted var(--line);
}
dt::first-letter {
  text-transform: uppercase;
}
dt small {
  display: block;
}
</style>
