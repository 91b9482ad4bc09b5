import { describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import { onScreen, pageText, pressed, settled } from '../testing/clinicScreen'
import HomeFields from './HomeFields.vue'

const THINGS = [
  { id: 'putty', name: 'therapy putty', home: 'dough' },
  { id: 'mirror', name: 'mirror', home: 'mirror' },
]
/** The fields with what was answered before. */
async function shown(before: string[] | null) {
  const things = ref<string[] | null>(before)
  const otherHand = ref('notAsked')
  onScreen(
    {
      components: { HomeFields },
      setup: () => ({ things, otherHand }),
      template: '<HomeFields v-model:things="things" v-model:other-hand="otherHand" />',
    },
    { api: { things: vi.fn().mockResolvedValue(THINGS) } },
  )
  await settled()
  return { things, otherHand }
}

describe('what is at home', () => {
  it('is not asked until somebody answers', async () => {
    const { things, otherHand } = await shown(null)
    expect(things.value).toBeNull()
    await pressed('Can help')
    expect(otherHand.value).toBe('well')
  })
  it('may be all that exercises need, or only some', async () => {
    const { things } = await shown(null)
    await pressed('All needed')
    expect(things.value).toEqual(['putty', 'mirror'])
    await pressed('Only some')
    expect(things.value).toEqual([])
    expect(pageText()).toContain('What there is')
    const notAsked = [...document.querySelectorAll('label')].filter(
      (one) => one.textContent!.trim() === 'Not asked',
    )
    notAsked.at(-1)!.querySelector('input')!.click()
    await settled()
    expect(things.value).toBeNull()
  })
  it('shows an earlier answer as it was', async () => {
    await shown(['putty'])
    expect(document.querySelector('.option.chosen + .option, .option.chosen')).not.toBeNull()
    expect(pageText()).toContain('therapy putty (or dough)')
  })
})
