import { fileURLToPath } from 'node:url'
import { landmarks, pictureOf } from '@pledge/figure'
import { describe, expect, it } from 'vitest'
import { loadCatalogue } from '../../packages/catalogue/src/loadCatalogue.js'

/** Key pictures checked by where the fingertips are seen, not by pixels. */
const { exercises } = loadCatalogue(fileURLToPath(new URL('../../catalogue', import.meta.url)))
const seen = (id: string, side: 'left' | 'right', shape = 0, time = 1) =>
  landmarks(pictureOf(exercises.get(id)!), side, shape, time)

describe('in the picture', () => {
  it('an open hand points up, the middle finger highest, the little finger lowest', () => {
    const open = seen('fist-gentle', 'left', 0, 0)
    expect(open.middle.y).toBeGreaterThan(open.little.y)
    expect(open.index.y).toBeGreaterThan(0.2)
  })
  it('a fist brings the fingertips far down, into the palm', () => {
    const [open, closed] = [seen('fist-gentle', 'left', 0, 0), seen('fist-gentle', 'left')]
    for (const finger of ['index', 'middle', 'ring', 'little'] as const)
      expect(open[finger].y - closed[finger].y).toBeGreaterThan(0.2)
  })
  it('a hook stays above the fist', () =>
    expect(seen('glide-hook', 'left').index.y).toBeGreaterThan(
      seen('glide-full-fist', 'left').index.y + 0.05,
    ))
  it('a table top reaches out to the palm’s side', () => {
    const table = seen('tabletop-bend', 'left')
    expect(table.index.x - seen('tabletop-bend', 'left', 0, 0).index.x).toBeGreaterThan(0.2)
  })
  it('seen half from the palm at the thumb’s side, thumb and index lie before the little finger', () => {
    const open = seen('fist-gentle', 'left', 0, 0)
    expect(open.thumb.nearness).toBeGreaterThan(open.little.nearness)
    expect(open.index.nearness).toBeGreaterThan(open.little.nearness)
  })
  it('a left palm has its thumb on the left, a right palm on the right', () => {
    const [left, right] = [seen('finger-spread-close', 'left'), seen('finger-spread-close', 'right')]
    expect(left.thumb.x).toBeLessThan(left.little.x)
    expect(right.thumb.x).toBeGreaterThan(right.little.x)
    for (const digit of ['thumb', 'index', 'middle', 'ring', 'little'] as const) {
      expect(right[digit].x).toBeCloseTo(-left[digit].x, 4)
      expect(right[digit].y).toBeCloseTo(left[digit].y, 4)
      expect(right[digit].nearness).toBeCloseTo(left[digit].nearness, 4)
    }
  })
  it('a thumb that reaches across comes to the little finger’s side', () => {
    const [free, across] = [seen('thumb-reach-across', 'left', 0, 0), seen('thumb-reach-across', 'left')]
    expect(across.thumb.x - free.thumb.x).toBeGreaterThan(0.1)
  })
  it('a round O brings thumb and index together', () => {
    const o = seen('thumb-o-index', 'left')
    expect(Math.hypot(o.thumb.x - o.index.x, o.thumb.y - o.index.y)).toBeLessThan(0.09)
  })
  it('a wrist over the table’s edge goes from hanging to lifted', () => {
    const [down, up] = [seen('wrist-updown-active', 'left', 0, 0), seen('wrist-updown-active', 'left')]
    expect(up.middle.y - down.middle.y).toBeGreaterThan(0.4)
  })
  it('a palm that turns up shows its thumb on the other side', () => {
    const [down, up] = [seen('forearm-turn-active', 'left', 0, 0), seen('forearm-turn-active', 'left')]
    const across = (at: typeof up) => at.thumb.x - at.little.x
    expect(Math.abs(across(up) - across(down)) + Math.abs(up.thumb.y - down.thumb.y)).toBeGreaterThan(0.15)
  })
  it('nothing leaves its picture, in any exercise', () => {
    for (const exercise of exercises.values()) {
      const shapes = exercise.shapes.length
      for (const at of [0, 1]) {
        const tips = seen(exercise.id, 'left', shapes - 1, at)
        for (const [digit, { x, y }] of Object.entries(tips)) {
          // A near picture is of one digit; the others may lie beyond its edge.
          if (exercise.picture?.digits?.length === 1 || exercise.region === 'thumb') continue
          expect(Math.max(Math.abs(x), Math.abs(y)), `${exercise.id} ${digit}`).toBeLessThan(0.5)
        }
      }
    }
  })
})
