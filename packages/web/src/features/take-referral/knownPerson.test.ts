import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import KnownPerson from './KnownPerson.vue'

const known = [
  {
    personId: 'p1',
    episodes: [
      {
        episodeId: 'e1',
        side: 'right' as const,
        digits: ['ring' as const],
        condition: 'Flexor tendon repair',
        openedOn: '2031-04-01',
      },
    ],
  },
]

it('tells what the person is treated for, and chooses nobody by itself', async () => {
  const part = mount(KnownPerson, { props: { known, error: 'Say which.', modelValue: undefined } })
  expect(part.text()).toMatch(/right ring finger, Flexor tendon repair, since/)
  expect(part.get('[role="alert"]').text()).toBe('Say which.')
  const [same, other] = part.findAll('input')
  expect([same, other].map((input) => (input!.element as HTMLInputElement).checked)).toEqual([false, false])
  await same!.trigger('change')
  await other!.trigger('change')
  expect(part.emitted('update:modelValue')).toEqual([['p1'], [null]])
})
