import { describe, expect, it } from 'vitest'
import { depicted, type Depicted, pictureKey, stillFiles } from './depicted.js'

const hook: Depicted = {
  family: 'tendon-glide',
  region: 'fingers',
  start: { mcpFlexion: 0, pipFlexion: 0, dipFlexion: 0 },
  shapes: [{ mcpFlexion: 0, pipFlexion: 95, dipFlexion: 60 }],
  force: 'active',
  grip: 'none',
  equipment: [],
  side: 'one',
  turns: 'together',
}

describe('what is drawn of an exercise', () => {
  it('leaves out all that no picture shows', () =>
    expect(depicted({ ...hook, text: 'words' } as Depicted)).toEqual(hook))

  it.each<[string, Partial<Depicted>]>([
    ['an angle', { shapes: [{ mcpFlexion: 0, pipFlexion: 94, dipFlexion: 60 }] }],
    ['who moves it', { force: 'passive by other hand' }],
    ['a thing', { equipment: ['pen'] }],
    ['the orthosis it is done in', { worn: ['TEN'] }],
    ['a hint', { picture: { view: 'thumb' } }],
    ['the order of shapes', { shapes: [hook.start, hook.shapes[0]!] }],
  ])('has another name for its still when %s differs', (_what, change) =>
    expect(pictureKey({ ...hook, ...change })).not.toBe(pictureKey(hook)),
  )

  it('has a still of its start and of each shape', () => {
    expect(stillFiles(hook)).toEqual([`${pictureKey(hook)}-0.webp`, `${pictureKey(hook)}-1.webp`])
    expect(stillFiles({ ...hook, shapes: [hook.start, hook.start, hook.start] })).toHaveLength(4)
  })

  it('has one name, in whatever order the angles are written', () => {
    const turned = { ...hook, start: { dipFlexion: 0, pipFlexion: 0, mcpFlexion: 0 } }
    expect(pictureKey(turned)).toBe(pictureKey(hook))
    expect(pictureKey(hook)).toMatch(/^[0-9a-f]{16}$/)
  })
})
