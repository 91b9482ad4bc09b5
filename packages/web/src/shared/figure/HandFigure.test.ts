import { mount } from '@vue/test-utils'
import { pictureKey, stillFiles } from '@pledge/core'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { settled } from '../testing/clinicScreen'
import { hookPicture } from '../testing/hookPicture'
import HandFigure from './HandFigure.vue'

/** There is no WebGL here: what a phone without it shows. */
async function show(props: Partial<InstanceType<typeof HandFigure>['$props']> = {}) {
  const wrapper = mount(HandFigure, {
    props: { exercise: hookPicture, side: 'left' as const, language: 'en' as const, ...props },
    slots: { default: '<b>ring</b>' },
  })
  await vi.waitFor(() => expect(wrapper.get('.frame').attributes('data-figure')).toBe('stills'), {
    timeout: 10_000,
  })
  await settled()
  return wrapper
}
beforeEach(() => vi.stubGlobal('fetch', () => Promise.reject(new Error('no network'))))
afterEach(() => vi.unstubAllGlobals())

describe('the drawn hand where nothing can be drawn', () => {
  it('shows the stills of these very angles, with a quiet note and all else in place', async () => {
    const wrapper = await show()
    const sources = wrapper.findAll('img').map((image) => image.attributes('src'))
    expect(sources).toEqual(stillFiles(hookPicture).map((file) => `/stills/${file}`))
    expect(wrapper.text()).toContain('this device cannot draw the moving one')
    expect(wrapper.text()).toContain('ring')
    expect(wrapper.find('.pause').exists()).toBe(false)
  })
  it('mirrors them for a right hand, not for a left one', async () => {
    expect((await show({ side: 'right' })).find('.pair.mirrored').exists()).toBe(true)
    expect((await show()).find('.pair.mirrored').exists()).toBe(false)
  })
  it('shows each shape of a series, numbered', async () => {
    const shapes = [80, 60, 40].map((mcpFlexion) => ({ ...hookPicture.start, mcpFlexion }))
    const wrapper = await show({ exercise: { ...hookPicture, shapes } })
    expect(wrapper.findAll('small').map((label) => label.text())).toEqual(['Start', '1', '2', '3'])
  })
  it('says the positions in words where there is no still', async () => {
    const wrapper = await show()
    await wrapper.get('img').trigger('error')
    expect(wrapper.text()).toContain('big knuckles straight, middle joints and end joints fully bent')
  })
  it('shows the stills of another exercise when it changes', async () => {
    const wrapper = await show()
    const other = { ...hookPicture, shapes: [{ ...hookPicture.start, mcpFlexion: 80 }] }
    await wrapper.setProps({ exercise: other })
    expect(wrapper.get('img').attributes('src')).toContain(pictureKey(other))
  })
})

describe('the text alternative', () => {
  it.each([
    ['en', 'left', 'Left hand. Start: fingers straight; wrist straight. End: fingers: big knuckles straight'],
    [
      'es',
      'right',
      'Mano derecha. Inicio: dedos rectos; muñeca recta. Final: dedos: nudillos grandes rectos',
    ],
  ] as const)('in %s is made from the angles', async (language, side, words) =>
    expect((await show({ language, side })).get('.frame').attributes('aria-label')).toContain(words),
  )
})

describe('for who wants less motion', () => {
  it('two stills stand at once, without the note', async () => {
    vi.stubGlobal('matchMedia', (query: string) => ({ matches: query.includes('reduce') }))
    const wrapper = await show()
    expect(wrapper.findAll('img')).toHaveLength(2)
    expect(wrapper.text()).not.toContain('cannot draw')
  })
})
