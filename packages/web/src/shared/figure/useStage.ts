import handUrl from '@pledge/figure/hand.bin?url'
import type { Zone } from '@pledge/core'
import type * as FigureModule from '@pledge/figure'
import type { HandMesh, PictureMoment, Stage } from '@pledge/figure'
import { onBeforeUnmount, onMounted, ref, shallowRef, type Ref } from 'vue'

export type Figure = typeof FigureModule
/** Drawn, or not to be drawn here: no WebGL, a lost context, a failed download. */
export type StageState = 'loading' | 'drawn' | 'failed'

export const wantsLessMotion = () => window.matchMedia?.('(prefers-reduced-motion: reduce)').matches ?? false

/** The drawing code and the hand, fetched when the first figure is asked for. */
export async function fetchFigure(): Promise<{ figure: Figure; mesh: HandMesh }> {
  const figure = await import('@pledge/figure')
  return { figure, mesh: await figure.loadHand(handUrl) }
}

/**
 * A stage in a canvas: it follows the size of its frame, is turned by dragging and by keys, and is given up quietly.
 *
 * @param prepare - what to show once the stage stands
 * @param momentNow - where the movement is; asked for with every frame, drawn when it differs from the last
 * @param onFailed - called once when nothing can be drawn (any more)
 */
export function useStage(
  frame: Ref<HTMLElement | undefined>,
  canvas: Ref<HTMLCanvasElement | undefined>,
  prepare: (stage: Stage, figure: Figure) => void,
  momentNow: (figure: Figure) => PictureMoment,
  parts: { ghost: boolean; arrow: boolean },
  onFailed: () => void = () => {},
) {
  const state = ref<StageState>('loading')
  const stage = shallowRef<Stage | null>(null)
  let figure: Figure | null = null
  let waiting = 0
  let watcher: ResizeObserver | undefined
  let isGone = false
  let drawn = ''
  let drawnAt = 0

  async function begin() {
    try {
      const fetched = await fetchFigure()
      if (isGone) return
      figure = fetched.figure
      stage.value = new figure.Stage(canvas.value!, fetched.mesh)
      canvas.value!.addEventListener('webglcontextlost', fail)
      watcher = new ResizeObserver(fit)
      watcher.observe(frame.value!)
      fit()
      again()
      state.value = 'drawn'
      run()
    } catch {
      fail()
    }
  }
  /** The exercise goes on without its picture. */
  function fail() {
    if (isGone || state.value === 'failed') return
    stop()
    state.value = 'failed'
    onFailed()
  }
  function fit() {
    const box = frame.value
    if (!box || !stage.value || box.clientWidth === 0) return
    stage.value.resize(box.clientWidth, box.clientHeight, Math.min(2, window.devicePixelRatio))
    // A canvas that changes its size is empty until it is drawn again.
    drawn = ''
    draw()
  }
  function run(now = performance.now()) {
    waiting = requestAnimationFrame(run)
    if (document.hidden || now - drawnAt < LEAST_MS_A_FRAME) return
    drawnAt = now
    draw()
  }
  function draw() {
    if (!stage.value || !figure) return
    const { shape, time } = momentNow(figure)
    if (drawn === `${shape} ${time}`) return
    drawn = `${shape} ${time}`
    stage.value.draw(shape, time, parts)
  }
  /** Shows something else on the same stage. */
  function again() {
    if (stage.value && figure) prepare(stage.value, figure)
    drawn = ''
  }
  function stop() {
    cancelAnimationFrame(waiting)
    watcher?.disconnect()
    canvas.value?.removeEventListener('webglcontextlost', fail)
    const old = stage.value
    stage.value = null
    old?.dispose()
  }
  onMounted(() => {
    if (canvas.value) void begin()
  })
  onBeforeUnmount(() => {
    isGone = true
    stop()
  })
  function repaint(colors: ReadonlyMap<Zone, string>) {
    stage.value?.paint(colors)
    drawn = ''
  }
  /** The zone of the skin under a pointer; `null` beside the hand. */
  function zoneAt(event: PointerEvent): Zone | null {
    const box = frame.value?.getBoundingClientRect()
    if (!box || !stage.value) return null
    return stage.value.zoneAt((event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height)
  }
  return {
    state,
    again,
    repaint,
    zoneAt,
    ...turning(frame, (around, over) => {
      stage.value?.turn(around, over)
      drawn = ''
    }),
  }
}

/** About thirty pictures a second: movements are slow, and a phone's battery is not for pictures. */
const LEAST_MS_A_FRAME = 28

const DEGREES_A_PIXEL = 0.5
const KEY_DEGREES = 15
const STILL_PIXELS = 4
const KEYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/** Dragging and arrow keys turn the figure; a double tap or Home turns it back. */
function turning(frame: Ref<HTMLElement | undefined>, turn: (around: number, over: number) => void) {
  let turned: readonly [number, number] = [0, 0]
  let grabbed: { x: number; y: number; from: readonly [number, number]; hasMoved: boolean } | null = null
  const turnTo = (around: number, over: number) => {
    turned = [around, over]
    turn(around, over)
  }
  return {
    grab(event: PointerEvent) {
      grabbed = { x: event.clientX, y: event.clientY, from: turned, hasMoved: false }
      frame.value?.setPointerCapture?.(event.pointerId)
    },
    drag(event: PointerEvent) {
      if (!grabbed) return
      const [x, y] = [event.clientX - grabbed.x, event.clientY - grabbed.y]
      // A hand that trembles while it presses does not turn.
      if (Math.hypot(x, y) < STILL_PIXELS && !grabbed.hasMoved) return
      grabbed.hasMoved = true
      turnTo(grabbed.from[0] + x * DEGREES_A_PIXEL, grabbed.from[1] + y * DEGREES_A_PIXEL)
    },
    /** @returns whether the figure was turned */
    drop(): boolean {
      const hasMoved = grabbed?.hasMoved ?? false
      grabbed = null
      return hasMoved
    },
    turnBack: () => turnTo(0, 0),
    turnByKey(event: KeyboardEvent) {
      const step = KEYS[event.key]
      if (event.key === 'Home') turnTo(0, 0)
      else if (step) turnTo(turned[0] + step[0] * KEY_DEGREES, turned[1] + step[1] * KEY_DEGREES)
      else return
      event.preventDefault()
      event.stopPropagation()
    },
  }
}
