<script setup lang="ts">
import {
  hingesOf,
  placeKey,
  placeWords,
  type Digit,
  type ReadingKind,
  type ReadingPlace,
  type Side,
} from '@pledge/core'
import { computed } from 'vue'
import BenchCell from './BenchCell.vue'
import { digitTexts } from './findingWords'
import { useBenchStore } from './benchStore'

/** Joints × digits, active and passive, both sides, with what the readings of each digit tell beneath them. */
defineProps<{ isFlexorTendon: boolean }>()

const bench = useBenchStore()
const sides = computed<readonly Side[]>(() => [bench.injured, bench.other])
const KINDS: readonly ReadingKind[] = ['active', 'passive']
const nameOf = (digit: Digit) => digit.charAt(0).toUpperCase() + digit.slice(1)
const sideWord = (side: Side) => (side === 'left' ? 'Left' : 'Right')

const rows = computed(() =>
  bench.findings.map((found) => ({
    found,
    digit: found.digit,
    places: Object.fromEntries(
      KINDS.map((kind) => [
        kind,
        sides.value.map((side) =>
          [0, 1, 2].map((joint): ReadingPlace | null => {
            const measure = hingesOf(found.digit)[joint]
            return measure ? { measure, digit: found.digit, side, kind } : null
          }),
        ),
      ]),
    ) as Record<ReadingKind, (ReadingPlace | null)[][]>,
  })),
)
const placesOf = (row: (typeof rows.value)[number]) =>
  KINDS.flatMap((kind) => row.places[kind].flat()).filter((place) => place !== null)
const wrongOf = (row: (typeof rows.value)[number]) =>
  placesOf(row).flatMap((place) => {
    const wrong = bench.wrongAt(place)
    return wrong ? [{ place, ...wrong }] : []
  })
const total = (deg: number | null) => (deg === null ? '–' : `${deg}°`)

/** Tab and Enter go in the order in which one measures; past the last cell Tab leaves the table as anywhere. */
function move(place: ReadingPlace, step: 1 | -1, event: KeyboardEvent) {
  const keys = bench.gridOrder.map(placeKey)
  const next = keys[keys.indexOf(placeKey(place)) + step]
  if (event.key === 'Enter') event.preventDefault()
  if (!next) return
  event.preventDefault()
  focusPlace(next)
}
function focusPlace(key: string) {
  const cell = document.querySelector<HTMLInputElement>(`[data-place="${key}"]`)
  cell?.focus()
  cell?.select()
}
</script>

<template>
  <table>
    <colgroup>
      <col class="names" />
      <template v-for="side in sides" :key="side"
        ><col span="3" />
        <col class="sum"
      /></template>
    </colgroup>
    <thead>
      <tr>
        <td />
        <th
          v-for="(side, place) in sides"
          :key="side"
          colspan="4"
          scope="colgroup"
          :class="{ injured: place === 0 }"
        >
          {{ sideWord(side) }} <span v-if="place === 0">injured</span>
        </th>
      </tr>
      <tr class="joints">
        <td />
        <template v-for="(side, place) in sides" :key="side">
          <th scope="col" :class="{ injured: place === 0 }">MCP</th>
          <th scope="col" :class="{ injured: place === 0 }">PIP, IP</th>
          <th scope="col" :class="{ injured: place === 0 }">DIP</th>
          <th scope="col" class="num" :class="{ injured: place === 0 }">total</th>
        </template>
      </tr>
    </thead>
    <tbody v-for="row in rows" :key="row.digit">
      <tr v-for="kind in KINDS" :key="kind" :class="kind">
        <th scope="row">
          <strong v-if="kind === 'active'">{{ nameOf(row.digit) }}</strong> {{ kind }}
        </th>
        <template v-for="(places, at) in row.places[kind]" :key="at">
          <td v-for="(place, joint) in places" :key="joint" :class="{ injured: at === 0 }">
            <BenchCell v-if="place" :place="place" @move="(step, event) => move(place, step, event)" />
          </td>
          <td class="num tabular" :class="{ injured: at === 0 }">
            <template v-if="at === 0">{{
              total((kind === 'active' ? row.found.tam : row.found.tpm).totalDeg)
            }}</template>
            <template v-else-if="kind === 'active'">{{ total(row.found.otherTamDeg) }}</template>
          </td>
        </template>
      </tr>
      <tr class="told">
        <td colspan="9">
          <p v-for="one in wrongOf(row)" :key="placeKey(one.place)" class="bad" role="alert">
            {{ placeWords(one.place) }}: {{ one.message }}
            <button
              v-if="one.instead"
              type="button"
              class="text-button"
              @click="bench.type(one.place, one.instead)"
            >
              {{ one.instead }}
            </button>
            <button
              v-if="bench.goneSince(one.place)"
              type="button"
              class="text-button"
              @click="bench.isThere(one.place)"
            >
              It is there
            </button>
          </p>
          <span
            v-for="one in digitTexts(row.found, isFlexorTendon)"
            :key="one.text"
            class="finding"
            :class="one.tone"
            >{{ one.text }}</span
          >
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped src="./tables.css"></style>

<style scoped>
thead span,
.joints th,
tbody th {
  font-weight: 400;
  color: var(--ink-soft);
}
tbody th {
  line-height: 1.15;
}
tbody th strong {
  display: block;
  font-size: 15px;
  color: var(--ink);
}
.joints th {
  text-align: center;
}
td {
  padding: 2px 3px;
}
col.names {
  width: 76px;
}
col.sum {
  width: 52px;
}
.num {
  text-align: right;
  font-size: 15px;
}
tr.active td,
tr.active th {
  padding-top: 6px;
}
tbody {
  border-top: 1px solid var(--line);
}
.told td {
  padding: 3px 4px 7px;
}
.finding {
  display: inline-block;
  margin-right: 14px;
  font-size: 13.5px;
  line-height: 1.4;
}
.bad {
  font-size: 13.5px;
}
.care {
  color: var(--plum);
  font-weight: 600;
}
</style>
