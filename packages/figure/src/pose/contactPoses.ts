import type { Finger } from '../hand/bones.js'
import type { FingerAngles, ThumbAngles } from './handAngles.js'

/**
 * Where thumb and fingers lie when the thumb reaches as far as the scale of opposition says, found on this mesh: its thumb
 * is a little short, so the angles are adjusted until the pads meet. For the picture only; no rule reads them.
 */
export interface Contact {
  readonly thumb: ThumbAngles
  readonly fingers: Partial<Readonly<Record<Finger, FingerAngles>>>
  /** Pad meets pad; elsewhere the thumb lies on a finger or in the palm. */
  readonly isTipToTip: boolean
}

const thumb = (radial: number, palmar: number, turn: number, mcp: number, ip: number): ThumbAngles => ({
  radial,
  palmar,
  turn,
  mcp,
  ip,
})
const finger = (mcp: number, pip: number, dip: number, spread = 0): FingerAngles => ({
  mcp,
  pip,
  dip,
  spread,
})

/** By the reach 1–10; 0 is a free thumb. */
const CONTACTS: readonly (Contact | null)[] = [
  null,
  { thumb: thumb(4, 22, 8, 15, 15), fingers: {}, isTipToTip: false },
  { thumb: thumb(0, 34, 16, 18, 18), fingers: {}, isTipToTip: false },
  {
    thumb: thumb(-5, 49, 44, 10, 10),
    fingers: {
      index: finger(49, 54, 21, 5),
      middle: finger(30, 32, 16),
      ring: finger(22, 26, 12),
      little: finger(16, 20, 10),
    },
    isTipToTip: true,
  },
  {
    thumb: thumb(-20, 60, 35, 16, 8),
    fingers: {
      index: finger(22, 24, 12),
      middle: finger(63, 53, 10),
      ring: finger(32, 34, 16),
      little: finger(24, 26, 12),
    },
    isTipToTip: true,
  },
  {
    thumb: thumb(-19, 60, 39, 13, 8),
    fingers: {
      index: finger(14, 16, 8),
      middle: finger(26, 28, 12),
      ring: finger(62, 41, 10, -14),
      little: finger(36, 34, 14),
    },
    isTipToTip: true,
  },
  {
    thumb: thumb(-14, 56, 37, 24, 8),
    fingers: {
      index: finger(10, 12, 5),
      middle: finger(16, 16, 6),
      ring: finger(32, 25, 10),
      little: finger(58, 22, 10, -13),
    },
    isTipToTip: true,
  },
  { thumb: thumb(-16, 52, 22, 38, 18), fingers: { little: finger(52, 30, 5, -10) }, isTipToTip: false },
  { thumb: thumb(-18, 46, 20, 45, 30), fingers: {}, isTipToTip: false },
  { thumb: thumb(-20, 42, 18, 50, 40), fingers: {}, isTipToTip: false },
  { thumb: thumb(-22, 38, 16, 55, 55), fingers: {}, isTipToTip: false },
]

/** The contact for a reach; between two whole steps the nearer one counts. */
export function contactAt(reach: number): Contact | null {
  return CONTACTS[Math.min(CONTACTS.length - 1, Math.max(0, Math.round(reach)))] ?? null
}
