import type { AngleLimits, Depicted, Orthosis } from '@pledge/core'
import type { HandMesh } from '../hand/handFile.js'
import { pictureOf } from '../picture/pictureOf.js'
import { Stage } from './stage.js'

export interface StillSize {
  readonly width: number
  readonly height: number
}
export type StillMoment = 'start' | 'end'

/** Draws stills one after another into one canvas that nobody sees. */
export class StillRenderer {
  readonly #canvas: OffscreenCanvas
  readonly #stage: Stage

  /** @throws Error where the browser has no WebGL */
  constructor(
    mesh: HandMesh,
    readonly size: StillSize,
  ) {
    this.#canvas = new OffscreenCanvas(size.width, size.height)
    this.#stage = new Stage(this.#canvas, mesh, { keepsBuffer: true })
    this.#stage.resize(size.width, size.height)
  }

  /** The picture of an exercise at its start, or at a shape with the start as a ghost and the way as an arrow. */
  render(
    exercise: Depicted,
    side: 'left' | 'right',
    moment: StillMoment,
    {
      shape = exercise.shapes.length - 1,
      worn,
      limits = {},
    }: { shape?: number; worn?: Orthosis; limits?: AngleLimits } = {},
  ): OffscreenCanvas {
    this.#stage.show(pictureOf(exercise, limits), side, worn ? { worn } : {})
    if (moment === 'start') this.#stage.draw(shape, 0)
    else this.#stage.draw(shape, 1, { ghost: true, arrow: true })
    return this.#canvas
  }

  dispose(): void {
    this.#stage.dispose()
  }
}

/** One still as a file, for the handout and where WebGL is missing. */
export async function renderStill(
  mesh: HandMesh,
  exercise: Depicted,
  side: 'left' | 'right',
  size: StillSize,
  moment: StillMoment = 'end',
): Promise<Blob> {
  const renderer = new StillRenderer(mesh, size)
  try {
    return await renderer.render(exercise, side, moment).convertToBlob({ type: 'image/webp', quality: 0.9 })
  } finally {
    renderer.dispose()
  }
}
