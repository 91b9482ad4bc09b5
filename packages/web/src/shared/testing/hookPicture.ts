import type { Depicted } from '@pledge/core'

/** What a hook fist is drawn from, for tests of screens that show a figure. */
export const hookPicture: Depicted = {
  family: 'tendon-glide',
  region: 'fingers',
  start: { wristFlexion: 0, mcpFlexion: 0, pipFlexion: 0, dipFlexion: 0 },
  shapes: [{ wristFlexion: 0, mcpFlexion: 0, pipFlexion: 95, dipFlexion: 60 }],
  force: 'active',
  grip: 'none',
  equipment: [],
  side: 'one',
  turns: 'together',
}
