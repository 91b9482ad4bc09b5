import type { Depicted } from '../exercise/depicted.js'
import type { Pose } from '../exercise/exercise.js'
import type { PictureHints } from '../exercise/pictureHints.js'
import type { TightnessTestId } from '../measurement/readings/tightnessTests.js'

function held(pose: Pose, region: 'fingers' | 'thumb', picture: PictureHints): Depicted {
  return {
    family: 'passive-range',
    region,
    start: pose,
    shapes: [pose],
    force: 'passive by other hand',
    grip: 'none',
    equipment: [],
    side: 'one',
    turns: 'together',
    picture,
  }
}
const finger = (pose: Pose) => held(pose, 'fingers', { view: 'thumb', helper: 'none' })
const thumb = (pose: Pose) => held(pose, 'thumb', { view: 'palm', helper: 'none' })
const OPEN = held({ wristFlexion: 0, thumbRadialAbduction: 0, thumbPalmarAbduction: 50 }, 'thumb', {
  view: 'thumb',
  helper: 'none',
})

/** The two positions of each test as they are drawn: the joint that is measured stands where a usual hand would. */
export const TIGHTNESS_PICTURES: Readonly<Record<TightnessTestId, readonly [Depicted, Depicted]>> = {
  intrinsic: [
    finger({ wristFlexion: 0, mcpFlexion: 80, pipFlexion: 95, dipFlexion: 30 }),
    finger({ wristFlexion: 0, mcpFlexion: 0, pipFlexion: 80, dipFlexion: 30 }),
  ],
  flexor: [
    finger({ wristFlexion: -50, mcpFlexion: 15, pipFlexion: 20, dipFlexion: 10 }),
    finger({ wristFlexion: 50, mcpFlexion: 0, pipFlexion: 0, dipFlexion: 0 }),
  ],
  oblique: [
    finger({ wristFlexion: 0, mcpFlexion: 0, pipFlexion: 70, dipFlexion: 60 }),
    finger({ wristFlexion: 0, mcpFlexion: 0, pipFlexion: 0, dipFlexion: 45 }),
  ],
  thumbExtensor: [
    thumb({ wristFlexion: 0, thumbMcpFlexion: 0, thumbIpFlexion: 65 }),
    thumb({ wristFlexion: 0, thumbMcpFlexion: 50, thumbIpFlexion: 45 }),
  ],
  web: [OPEN, OPEN],
}
