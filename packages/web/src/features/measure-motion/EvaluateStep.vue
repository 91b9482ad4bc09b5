<script setup lang="ts">
import { WRIST_MOTIONS, type WristMotion } from '@pledge/core'
import { computed, onMounted, ref } from 'vue'
import { useCaseStore } from '../../shared/case/caseStore'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import PainScale from '../../shared/parts/PainScale.vue'
import TextInput from '../../shared/parts/TextInput.vue'
import { dayText } from '../../shared/words'
import MeasuredHand from './MeasuredHand.vue'
import RangeFan from './RangeFan.vue'
import { useSessionStore } from '../../shared/sessionStore'
import { useEvaluationStore, type Kind, type Side } from './evaluationStore'

const cases = useCaseStore()
const bench = useEvaluationStore()
const session = useSessionStore()

onMounted(() => {
  if (cases.data) bench.start(cases.data.episode.side, cases.data.evaluations, session.user?.id ?? '')
})
/** The motion whose cell the therapist is in: it is the one that is drawn. */
const drawn = ref<WristMotion>('wristExtension')
const columns = computed<{ side: Side; kind: Kind; head: string }[]>(() => [
  { side: bench.injured, kind: 'active', head: 'active' },
  { side: bench.injured, kind: 'passive', head: 'passive' },
  { side: bench.other, kind: 'active', head: 'active' },
  { side: bench.other, kind: 'passive', head: 'passive' },
])
const PLANES: readonly {
  title: string
  motions: readonly [WristMotion, WristMotion]
  ends: readonly [string, string]
  upright: boolean
}[] = [
  {
    title: 'Flexion arc',
    motions: ['wristExtension', 'wristFlexion'],
    ends: ['extension', 'flexion'],
    upright: false,
  },
  {
    title: 'Deviation arc',
    motions: ['radialDeviation', 'ulnarDeviation'],
    ends: ['radial', 'ulnar'],
    upright: false,
  },
  {
    title: 'Rotation arc',
    motions: ['supination', 'pronation'],
    ends: ['supination', 'pronation'],
    upright: true,
  },
]
const pairOf = (
  motions: readonly [WristMotion, WristMotion],
  read: (motion: WristMotion) => number | null,
): [number | null, number | null] => [read(motions[0]), read(motions[1])]
const fans = computed(() =>
  PLANES.map((plane) => ({
    ...plane,
    now: pairOf(plane.motions, (motion) => bench.readAt(motion, bench.injured, 'active')),
    last: pairOf(plane.motions, (motion) => bench.lastReading(motion, bench.injured, 'active')),
    other: pairOf(
      plane.motions,
      (motion) =>
        bench.readAt(motion, bench.other, 'active') ?? bench.lastReading(motion, bench.other, 'active'),
    ),
  })),
)
const lastDate = computed(() => cases.data?.evaluations.at(-1)?.evaluatedOn ?? null)
const sideWord = (side: Side) => (side === 'left' ? 'Left' : 'Right')
const signed = (deg: number) => (deg > 0 ? `+${deg}` : deg < 0 ? `−${-deg}` : '0')

async function save() {
  if (!cases.data) return
  if (await bench.save(cases.data.episode.id, cases.data.today)) await cases.reload()
}
function again() {
  if (cases.data) bench.start(cases.data.episode.side, cases.data.evaluations, session.user?.id ?? '')
}
</script>

<template>
  <form v-if="cases.data" class="step" novalidate @submit.prevent="save">
    <section class="sheet bench">
      <header>
        <h2>{{ cases.data.episode.measuresWrist ? 'Range of motion' : 'Today' }}</h2>
        <p v-if="cases.data.episode.measuresWrist" class="soft">
          Degrees from neutral; short of neutral is negative: <kbd>-10</kbd>. Not measured stays empty.
        </p>
      </header>
      <p v-if="!cases.data.episode.measuresWrist" class="elsewhere">
        The bench measures wrist and forearm. For this condition record what its phases ask for, such as an
        extension lag, under <router-link :to="{ name: 'phase' }">Phase</router-link>, and the pain here.
      </p>
      <table v-if="cases.data.episode.measuresWrist">
        <thead>
          <tr>
            <th rowspan="2" scope="col">Motion</th>
            <th colspan="2" scope="colgroup" class="injured">
              {{ sideWord(bench.injured) }} <span>injured</span>
            </th>
            <th colspan="2" scope="colgroup">{{ sideWord(bench.other) }}</th>
            <th rowspan="2" scope="col" class="num">short of<br />other side</th>
            <th rowspan="2" scope="col" class="num">
              since<br />{{ lastDate ? dayText(lastDate) : 'last time' }}
            </th>
          </tr>
          <tr>
            <th
              v-for="column in columns"
              :key="`${column.side}${column.kind}`"
              scope="col"
              :class="{ injured: column.side === bench.injured }"
              class="kind"
            >
              {{ column.head }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in bench.rows" :key="row.motion">
            <th scope="row">{{ WRIST_MOTIONS[row.motion].label }}</th>
            <td
              v-for="column in columns"
              :key="`${column.side}${column.kind}`"
              :class="{ injured: column.side === bench.injured }"
            >
              <input
                :value="bench.textAt(row.motion, column.side, column.kind)"
                inputmode="numeric"
                class="cell tabular"
                :class="bench.cellAt(row.motion, column.side, column.kind).name"
                :placeholder="bench.lastReading(row.motion, column.side, column.kind)?.toString() ?? ''"
                :aria-label="`${WRIST_MOTIONS[row.motion].label}, ${column.side} side, ${column.kind}, degrees`"
                :aria-invalid="bench.cellAt(row.motion, column.side, column.kind).name === 'wrong'"
                @focus="drawn = row.motion"
                @input="
                  bench.type(row.motion, column.side, column.kind, ($event.target as HTMLInputElement).value)
                "
              />
              <p
                v-if="bench.cellAt(row.motion, column.side, column.kind).name === 'wrong'"
                class="wrong"
                role="alert"
              >
                {{ (bench.cellAt(row.motion, column.side, column.kind) as { message: string }).message }}
              </p>
              <p
                v-else-if="
                  (bench.cellAt(row.motion, column.side, column.kind) as { isUnusual?: boolean }).isUnusual
                "
                class="ask"
              >
                unusual: sure?
              </p>
            </td>
            <td class="num tabular">
              <template v-if="row.shortDeg !== null"
                >{{ row.shortDeg }}°
                <span class="soft">{{
                  row.percent === null ? '' : `${Math.round(row.percent)} %`
                }}</span></template
              >
              <span v-else class="soft">–</span>
            </td>
            <td class="num tabular">
              <span v-if="row.change" :class="['change', row.change.verdict.replace(' ', '-')]"
                >{{ signed(row.change.deg) }}°
                <small
                  >{{ row.change.verdict === 'within error' ? 'within' : 'beyond' }} the error of ±{{
                    row.change.errorDeg.toFixed(0)
                  }}°{{ row.change.isUnverified ? ', unverified' : '' }}</small
                ></span
              >
              <span v-else class="soft">–</span>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="cases.data.episode.measuresWrist" class="soft foot">
        Grey figures are the last readings. A change within the error of the goniometer is no change; the
        error is larger where another therapist took the last reading. Its figures are from memory;
        “unverified” marks the unsure ones.
      </p>
      <div class="saving">
        <TextInput v-model="bench.note" label="Note" />
        <v-btn
          v-if="bench.saveState.name !== 'saved'"
          type="submit"
          :loading="bench.saveState.name === 'saving'"
          >Save the evaluation</v-btn
        >
        <NoticeBox v-if="bench.saveState.name === 'failed'" tone="stop">{{
          bench.saveState.message
        }}</NoticeBox>
        <NoticeBox v-else-if="bench.saveState.name === 'saved'" tone="good"
          >Saved. <a href="" @click.prevent="again">Measure again</a></NoticeBox
        >
      </div>
    </section>
    <aside class="side">
      <section v-if="cases.data.episode.measuresWrist" class="sheet">
        <MeasuredHand
          :side="bench.injured"
          :motion="drawn"
          :reading-deg="bench.readAt(drawn, bench.injured, 'active')"
          :other-deg="
            bench.readAt(drawn, bench.other, 'active') ?? bench.lastReading(drawn, bench.other, 'active')
          "
        />
      </section>
      <section v-if="cases.data.episode.measuresWrist" class="sheet fans">
        <RangeFan
          v-for="fan in fans"
          :key="fan.title"
          :title="fan.title"
          :ends="fan.ends"
          :now="fan.now"
          :last="fan.last"
          :other="fan.other"
          :upright="fan.upright"
        />
        <p class="legend soft">
          <i class="key now" /> today <i class="key last" /> last time <i class="key ghost" /> other side
        </p>
      </section>
      <section class="sheet pains">
        <h2>Pain, worst of the last 24 hours</h2>
        <PainScale v-model="bench.painRest" label="At rest" :labels="['none', 'worst']" />
        <PainScale v-model="bench.painAct" label="While moving" :labels="['none', 'worst']" />
      </section>
    </aside>
  </form>
</template>

<style scoped>
.step {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(380px, 1fr);
  gap: 14px;
  padding: 8px 18px 24px;
  align-items: start;
}
.bench {
  padding: 14px 16px;
}
header {
  display: flex;
  align-items: baseline;
  gap: 14px;
  margin-bottom: 8px;
}
header p {
  font-size: 13.5px;
}
.elsewhere {
  max-width: 62ch;
  padding: 6px 0 14px;
}
h2 {
  font-size: 16.5px;
  white-space: nowrap;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  text-align: left;
  font-weight: 600;
  padding: 4px 6px;
  font-size: 13.5px;
  line-height: 1.25;
}
thead .injured span {
  font-weight: 400;
  color: var(--ink-soft);
}
.kind {
  font-weight: 400;
  color: var(--ink-soft);
}
tbody th {
  font-size: 15px;
  white-space: nowrap;
}
tbody tr {
  border-top: 1px solid var(--line);
}
td {
  padding: 4px 6px;
  vertical-align: middle;
}
.injured {
  background: var(--teal-wash);
}
.num {
  text-align: right;
  white-space: nowrap;
}
.cell {
  width: 100%;
  min-width: 54px;
  height: 34px;
  padding: 0 8px;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
  font-size: 17px;
  text-align: right;
}
.cell::placeholder {
  color: var(--ink-soft);
  opacity: 0.75;
}
.cell.wrong {
  border-color: var(--brick);
  border-width: 2px;
}
p.wrong,
.ask {
  font-size: 12.5px;
  line-height: 1.25;
  color: var(--brick);
  font-weight: 600;
}
.ask {
  color: var(--ochre);
}
.change.gained {
  color: var(--moss);
  font-weight: 650;
}
.change.lost {
  color: var(--brick);
  font-weight: 650;
}
.change small {
  font-size: 12px;
  color: var(--ink-soft);
}
.foot {
  margin-top: 10px;
  font-size: 13px;
}
/* The bar that saves stays in sight, however low the window. */
.saving {
  position: sticky;
  bottom: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 10px 14px;
  align-items: end;
  margin-top: 8px;
  padding: 8px 0 2px;
  background: var(--sheet);
}
.saving .notice {
  grid-column: 1 / -1;
}
.side {
  display: grid;
  gap: 14px;
}
.fans {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  padding: 12px 8px 8px;
}
.legend {
  grid-column: 1 / -1;
  display: flex;
  align-items: center;
  justify-content: center;
  gap: 6px;
  margin-top: 6px;
  font-size: 13px;
}
.key {
  width: 18px;
  height: 10px;
  margin-left: 10px;
}
.key.now {
  border: 1.5px solid var(--teal);
  background: color-mix(in srgb, var(--teal) 28%, transparent);
}
.key.last {
  height: 0;
  border-top: 2px dashed var(--ochre);
}
.key.ghost {
  border: 1px dashed var(--ink-soft);
  background: var(--paper-deep);
}
.pains {
  display: grid;
  gap: 12px;
  padding: 14px 16px;
}
kbd {
  padding: 0 5px;
  border: 1px solid var(--line);
  border-radius: 3px;
  font: inherit;
}
@media (max-width: 1080px) {
  .step {
    grid-template-columns: 1fr;
  }
}
</style>
