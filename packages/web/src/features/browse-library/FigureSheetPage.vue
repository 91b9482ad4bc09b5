<script setup lang="ts">
import { FAMILY_NAMES, positionWords } from '@pledge/core'
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { ApiProblem } from '../../shared/api/problem'
import type { PictureAnswer } from '@pledge/contract'
import { fetchFigure } from '../../shared/figure/useStage'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import TextInput from '../../shared/parts/TextInput.vue'
import SideChoice from './SideChoice.vue'

/** Every exercise at its start and at its end, to be looked over by eye; drawn one after another on one canvas. */
const api = useClinicApi()
const pictures = shallowRef<readonly PictureAnswer[] | null>(null)
const problem = ref<string | null>(null)
const cannotDraw = ref(false)
const side = ref<'left' | 'right'>('left')
const filter = ref('')
const drawn = ref(0)
let run = 0

const shown = computed(() => {
  const words = filter.value.trim().toLowerCase()
  return (pictures.value ?? []).filter(
    ({ id, name, depicted }) =>
      words === '' ||
      `${id} ${name.en} ${name.es} ${FAMILY_NAMES[depicted.family].en}`.toLowerCase().includes(words),
  )
})
const SIZE = { width: 232, height: 232 }

onMounted(async () => {
  try {
    pictures.value = await api.pictures()
    await draw()
  } catch (error) {
    problem.value = error instanceof ApiProblem ? error.message : 'The pictures could not be read. Try again.'
  }
})
onBeforeUnmount(() => (run += 1))

/** A picture a turn of the event loop: the page stays usable while it draws. */
async function draw() {
  const own = ++run
  drawn.value = 0
  const { figure, mesh } = await fetchFigure()
  let renderer
  try {
    renderer = new figure.StillRenderer(mesh, SIZE)
  } catch {
    cannotDraw.value = true
    return
  }
  for (const { id, depicted } of pictures.value ?? []) {
    for (const moment of ['start', 'end'] as const) {
      const canvas = document.getElementById(`${id}-${moment}`)
      if (!(canvas instanceof HTMLCanvasElement)) continue
      const ink = canvas.getContext('2d')
      ink?.clearRect(0, 0, canvas.width, canvas.height)
      ink?.drawImage(renderer.render(depicted, side.value, moment), 0, 0, canvas.width, canvas.height)
    }
    drawn.value += 1
    await new Promise((resolve) => setTimeout(resolve))
    if (own !== run) break
  }
  renderer.dispose()
}
watch(side, () => void draw())
const told = (picture: PictureAnswer) =>
  positionWords(picture.depicted)
    .map(({ en }) => en)
    .join('; then ')
</script>

<template>
  <div class="sheet-view">
    <header>
      <h1>Figure sheet</h1>
      <p class="soft">
        Every exercise at its start and its end, as patients see it. {{ drawn }} of
        {{ pictures?.length ?? '…' }} drawn.
      </p>
      <TextInput v-model="filter" label="Find by name or family" />
      <SideChoice v-model="side" />
    </header>
    <NoticeBox v-if="problem" tone="stop">{{ problem }}</NoticeBox>
    <NoticeBox v-if="cannotDraw" tone="care">This browser cannot draw here (no WebGL).</NoticeBox>
    <ul v-if="pictures" class="grid" :aria-busy="drawn < pictures.length">
      <li v-for="picture in pictures" v-show="shown.includes(picture)" :key="picture.id">
        <router-link :to="{ name: 'library', params: { exerciseId: picture.id } }">{{
          picture.name.en
        }}</router-link>
        <span class="pair" role="img" :aria-label="told(picture)">
          <canvas :id="`${picture.id}-start`" :width="SIZE.width" :height="SIZE.height" />
          <canvas :id="`${picture.id}-end`" :width="SIZE.width" :height="SIZE.height" />
        </span>
        <code>{{ picture.id }}</code>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.sheet-view {
  padding: 16px 20px 40px;
}
header {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 18px;
  margin-bottom: 14px;
}
h1 {
  font-size: 22px;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(228px, 1fr));
  gap: 10px;
  padding: 0;
  list-style: none;
}
.grid li {
  min-width: 0;
  padding: 8px 10px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--sheet);
}
.grid a {
  display: block;
  overflow: hidden;
  font-weight: 600;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px;
  margin: 6px 0 2px;
}
.pair canvas {
  width: 100%;
  border-radius: 5px;
  background: var(--figure-ground);
}
code {
  display: block;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  color: var(--ink-soft);
  font-size: 12.5px;
}
</style>
