import { beforeEach, describe, expect, it, vi } from 'vitest'
import { ApiProblem } from '../../shared/api/problem'
import type { ExercisePageAnswer, LibraryAnswer } from '@pledge/contract'
import { useSessionStore } from '../../shared/sessionStore'
import { onScreen, pageText, pressed, settled, verdictAnswer } from '../../shared/testing/clinicScreen'
import { hookPicture } from '../../shared/testing/hookPicture'
import LibraryPage from './LibraryPage.vue'

const words = (name: string) => ({
  name,
  reason: `${name} helps.`,
  steps: ['Bend it.', 'Open it.'],
  shouldFeel: 'A pull.',
  shouldNotFeel: 'No pain.',
  mistake: 'Too fast.',
  before: 'The wound is closed.',
})
const page = (id: string, changes: Partial<ExercisePageAnswer> = {}): ExercisePageAnswer => ({
  id,
  family: 'tendon-glide',
  region: 'fingers',
  aims: ['glide'],
  slot: 'glide',
  demand: 'free',
  force: 'active',
  evidence: 'laboratory',
  side: 'one',
  otherHand: 'none',
  turns: 'together',
  digits: [],
  choosableDigits: [],
  oneAtATime: null,
  holdKind: 'kept',
  text: { en: words(`Hook ${id}`), es: words(`Gancho ${id}`) },
  positions: [
    { en: 'fingers straight', es: 'dedos rectos' },
    { en: 'fingers: middle joints fully bent', es: 'dedos: nudillos del medio del todo doblados' },
  ],
  depicted: hookPicture,
  angles: [{ name: 'pipFlexion', start: 0, shapes: [95] }],
  dose: { sets: 1, repetitions: 10, holdSeconds: 3, boutsPerDay: 3, load: null },
  range: { sets: [1, 1], repetitions: [5, 15], holdSeconds: [1, 5], boutsPerDay: [2, 8] },
  load: null,
  painCap: 3,
  maxRise: 2,
  stop: ['S0', 'ST'],
  equipment: [],
  worn: [{ en: 'no orthosis', es: 'sin férula' }],
  stress: [{ structure: 'FDP', mode: 'glide', level: 'med' }],
  contraindications: ['latex'],
  careWith: [],
  weeks: [{ conditionId: 'wrist-sprain', condition: { en: 'Wrist sprain', es: 'Esguince' }, week: 2 }],
  easier: [{ id: 'below', name: { en: 'Below', es: 'Abajo' }, step: ['load'] }],
  harder: [],
  signature: [{ en: 'Active: PIP flexion', es: 'Activa: flexión IFP' }],
  doseChanges: [],
  travelMm: { FDP: 24.4, EDC: 0.1 },
  differentialMm: 0,
  nerve: null,
  minutesPerBout: 1.2,
  endRangeMinutesPerDay: 0,
  sources: [{ key: 'A', confidence: 'medium', text: 'A book of hands' }],
  verdict: null,
  ...changes,
})
const library: LibraryAnswer = {
  exercises: ['a', 'b', 'c'].map((id) => ({
    id,
    family: 'tendon-glide',
    aims: ['glide'],
    region: 'fingers',
    slot: 'glide',
    equipment: [],
    conditions: id === 'c' ? ['trigger-digit'] : ['wrist-sprain'],
    structures: ['FDP'],
    name: { en: `Hook ${id}`, es: `Gancho ${id}` },
    reason: { en: 'Why.', es: 'Por qué.' },
    kind: 'clear',
  })),
  conditions: [
    { id: 'wrist-sprain', name: { en: 'Wrist sprain', es: 'Esguince' } },
    { id: 'trigger-digit', name: { en: 'Trigger digit', es: 'Gatillo' } },
  ],
  equipment: [],
}
const api = { libraryExercises: vi.fn(), libraryExercise: vi.fn() }
const CASE = { id: 'e1', label: 'Bente Okonjo · L hand', conditionId: 'wrist-sprain', protocolId: 'SPR-12' }

/** The library, read for an open case or for nobody. */
async function shown({
  role = 'therapist',
  open = false,
}: { role?: 'therapist' | 'lead'; open?: boolean } = {}) {
  const wrapper = onScreen(
    {
      setup() {
        if (open) useSessionStore().openCases = [CASE]
        return {}
      },
      components: { LibraryPage },
      template: '<LibraryPage />',
    },
    { api, role },
  )
  await settled()
  await settled()
  return wrapper
}
const rows = () => [...document.querySelectorAll('.list .row')].map((one) => one.textContent!.trim())
const press = async (key: string) => {
  window.dispatchEvent(new KeyboardEvent('keydown', { key, cancelable: true, bubbles: true }))
  await settled()
  await settled()
}

describe('the library', () => {
  beforeEach(() => {
    api.libraryExercises.mockReset().mockResolvedValue(library)
    api.libraryExercise.mockReset().mockImplementation((id: string) => Promise.resolve(page(id)))
  })

  it('shows all exercises, and everything about the first', async () => {
    await shown()
    expect(rows()).toHaveLength(3)
    expect(pageText()).toContain('3 of 3 exercises')
    for (const part of [
      'Hook a',
      'The wound is closed.',
      'Active: PIP flexion',
      'fingers: middle joints fully bent',
      '24 mm',
      'deep finger flexor (FDP): gliding (moderate)',
      'A book of hands',
      'week 2',
      'latex',
      'pain 3 of 10',
    ])
      expect(pageText()).toContain(part)
    // Half a millimeter is no travel.
    expect(pageText()).not.toContain('extensors EDC')
  })

  it.each([
    ['kept', 'none', 'Hold3 s', /The other hand/],
    ['going on', 'helps', 'Goes on for3 s', /helps, steadies or rubs/],
    ['on the way', 'resists', 'Lowered over3 s', /holds against the effort/],
    ['left alone', 'the same', 'Left for3 s', /does the same movement/],
  ] as const)(
    'says what the seconds are (%s) and what the other hand does (%s)',
    async (holdKind, otherHand, told, hand) => {
      api.libraryExercise.mockResolvedValue(page('a', { holdKind, otherHand }))
      await shown()
      expect(pageText()).toContain(told)
      if (otherHand === 'none') expect(pageText()).not.toMatch(hand)
      else expect(pageText()).toMatch(hand)
    },
  )

  it.each<[Partial<ExercisePageAnswer>, string]>([
    [{ digits: ['thumb', 'index'] }, 'thumb and index finger'],
    [{ turns: 'neighbors in turn' }, 'neighboring pairs, one after the other'],
    [{ choosableDigits: ['ring'] }, 'together; chosen for each patient'],
    [
      { choosableDigits: ['ring'], oneAtATime: 'others rest' },
      'one at a time, the others rest; chosen for each patient',
    ],
    [
      { choosableDigits: ['ring'], oneAtATime: 'others have a part', turns: 'digits in turn' },
      'one after the other, the others are held or go along; chosen for each patient',
    ],
  ])('says which digits do it: %j', async (changes, told) => {
    api.libraryExercise.mockResolvedValue(page('a', changes))
    await shown()
    expect(pageText()).toContain(`Digits ${told}`)
  })

  it('moves by keys, and a slash goes to the search', async () => {
    await shown()
    await press('j')
    expect(api.libraryExercise).toHaveBeenLastCalledWith('b', null)
    await press('k')
    expect(api.libraryExercise).toHaveBeenLastCalledWith('a', null)
    await press('/')
    expect(document.activeElement?.getAttribute('type')).toBe('search')
  })

  it('read for an open case shows what is usual after its injury first, with the verdicts', async () => {
    api.libraryExercise.mockImplementation((id: string) =>
      Promise.resolve(
        page(id, { verdict: verdictAnswer('not-yet', { fromDay: 42, fromDate: '2031-05-02' }) }),
      ),
    )
    await shown({ open: true })
    expect(api.libraryExercises).toHaveBeenCalledWith('e1')
    expect(rows()).toHaveLength(2)
    expect(pageText()).toContain('not yet today for Bente Okonjo · L hand, not before 2 May (day 42)')
    await pressed('show all')
    expect(rows()).toHaveLength(3)
  })

  it('says when an exercise is not usual after the injury of the case', async () => {
    api.libraryExercise.mockImplementation((id: string) =>
      Promise.resolve(page(id, { verdict: verdictAnswer('clear'), weeks: [] })),
    )
    await shown({ open: true })
    expect(pageText()).toContain('Not usual after this injury')
  })

  it('changes the language of the patient’s words', async () => {
    await shown()
    await pressed('Español')
    expect(pageText()).toContain('Gancho a')
    expect(rows()[0]).toContain('Gancho a')
  })

  it('lets only the clinic lead change a dose', async () => {
    await shown()
    expect(pageText()).not.toContain('Change for this clinic')
    await shown({ role: 'lead' })
    expect(pageText()).toContain('Change for this clinic')
  })

  it('says what went wrong, and tries again', async () => {
    api.libraryExercises.mockRejectedValueOnce(new ApiProblem(503, 'DATABASE_AWAY', 'The record is away.'))
    await shown()
    expect(pageText()).toContain('The record is away.')
    await pressed('Try again')
    await settled()
    expect(rows()).toHaveLength(3)
  })
})
