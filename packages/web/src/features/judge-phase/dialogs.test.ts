import { beforeEach, describe, expect, it, vi } from 'vitest'
import { ApiProblem } from '../../shared/api/problem'
import type { ConditionAnswer, SchoolAnswer } from '@pledge/contract'
import {
  episodeAnswer,
  onScreen,
  pageText,
  pressed,
  settled,
  written,
} from '../../shared/testing/clinicScreen'
import HealthDialog from './HealthDialog.vue'
import SchoolDialog from './SchoolDialog.vue'
import ShiftDialog from './ShiftDialog.vue'

const refusal = (path: string, message: string) =>
  new ApiProblem(400, 'INPUT_INVALID', message, [{ path, message }])

describe('moving the windows ahead', () => {
  const moveWindows = vi.fn()
  const open = (data = episodeAnswer()) =>
    onScreen(ShiftDialog, { api: { moveWindows }, data, props: { data } })
  const sent = () => moveWindows.mock.calls.at(-1)![1] as Record<string, unknown>
  beforeEach(() => void moveWindows.mockReset().mockResolvedValue({ id: 'x' }))

  it('shows beforehand what lies ahead and where it comes to lie; what is open is not in the list', async () => {
    open()
    await settled()
    expect(pageText()).toContain('Phase: Active')
    expect(pageText()).toMatch(/Phase: Active\s*day 28 → 35/)
    expect(pageText()).toMatch(/light self-care\s*day 42 → 49/)
    expect(pageText()).not.toContain('Phase: Passive')
  })

  it('later asks for no surgeon and sends none', async () => {
    open()
    expect(pageText()).not.toContain('Surgeon who agreed')
    await written('By', '10')
    await written('Reason', 'Adhesions absent.')
    await pressed('Move them')
    expect(sent()).toMatchObject({
      days: 10,
      afterDay: 21,
      why: 'Adhesions absent.',
      agreedBy: '',
      document: '',
    })
  })

  it('earlier while it heals names the surgeon, and never brings a window before today', async () => {
    open()
    await pressed('earlier')
    expect(pageText()).toContain('Surgeon who agreed')
    await written('By', '20')
    expect(pageText()).toMatch(/Phase: Active\s*day 28 → 21/)
    await written('Letter or message', 'Letter of 10 April')
    await written('Reason', 'Adhesions do not respond.')
    await pressed('Move them')
    expect(sent()).toMatchObject({ days: -20, agreedBy: 'Dr. P. Hallam-Ito', document: 'Letter of 10 April' })
  })

  it('earlier where nothing heals asks for no surgeon', async () => {
    open(episodeAnswer({ isHealing: false }))
    await pressed('earlier')
    expect(pageText()).not.toContain('Surgeon who agreed')
  })

  it('says so where nothing moves, and sends what was left empty as empty', async () => {
    open()
    await written('Only windows after day', '300')
    expect(pageText()).toContain('No window ahead moves.')
    await written('By', '')
    await pressed('Move them')
    expect(sent()).toMatchObject({ days: null, afterDay: 300 })
  })

  it('a refusal stands at its field and what was written stays', async () => {
    moveWindows.mockRejectedValue(refusal('document', 'Say which letter or message allows it.'))
    open()
    await pressed('earlier')
    await written('Reason', 'Adhesions do not respond.')
    await pressed('Move them')
    expect(pageText()).toContain('Say which letter or message allows it.')
    expect([...document.querySelectorAll('input')].map((one) => one.value)).toContain(
      'Adhesions do not respond.',
    )
  })
})

describe('asking about health', () => {
  const addHealth = vi.fn()
  const open = (data = episodeAnswer()) =>
    onScreen(HealthDialog, { api: { addHealth }, data, props: { data } })
  beforeEach(() => void addHealth.mockReset().mockResolvedValue({ id: 'x' }))

  it('one press says that nothing of it is so', async () => {
    open()
    await pressed('None of these')
    expect(addHealth.mock.calls[0]).toEqual(['e1', expect.objectContaining({ present: [], note: '' })])
  })

  it('what is ticked is sent; the press then no longer says "none"', async () => {
    open()
    await pressed('blood clot in the arm')
    expect(pageText()).not.toContain('None of these')
    await pressed('Record it')
    expect(addHealth.mock.calls[0]![1]).toMatchObject({ present: ['clot'] })
  })

  it('asked again it starts from what was answered last', async () => {
    open(
      episodeAnswer({
        health: { present: ['raynaud'], note: 'Since childhood', recordedBy: '', recordedOn: '' },
      }),
    )
    await pressed('Record it')
    expect(addHealth.mock.calls[0]![1]).toMatchObject({ present: ['raynaud'], note: 'Since childhood' })
  })
})

const school = (id: string, changes: Partial<SchoolAnswer> = {}): SchoolAnswer => ({
  id,
  title: id,
  school: `School ${id}`,
  evidence: `Evidence of ${id}`,
  sources: [],
  anchor: 'surgery',
  digits: 'fingers',
  select: [],
  clearances: [],
  variants: [],
  values: [],
  phases: [],
  preview: {
    motion: '',
    days: {
      activeFromDay: null,
      passiveFromDay: null,
      stretchFromDay: null,
      lightGripFromDay: null,
      heavyWorkFromDay: null,
    },
  },
  ...changes,
})
const fact = (what: string, kind: 'yesNo' | 'number', meaning: string) => ({
  what,
  name: what.replace(/[<>].*/, ''),
  kind,
  meaning,
  question: meaning.split(':')[0]!,
  giver: 'surgeon' as const,
})

describe('choosing another school', () => {
  const chooseSchool = vi.fn()
  const conditions: ConditionAnswer[] = [
    {
      id: 'flexor-tendon-repair',
      name: 'Flexor tendon repair',
      protocols: [
        school('FT-DURAN', {
          select: [
            fact('rel.ok', 'yesNo', 'reliable'),
            fact('strands>=4', 'number', 'core strands: 4 or more'),
          ],
          values: [{ id: 'xb0', name: 'Angle of the block', unit: 'deg', value: 40, least: 0, most: 90 }],
        }),
      ],
    },
  ]
  const open = async () => {
    const data = episodeAnswer()
    onScreen(SchoolDialog, {
      api: { chooseSchool, conditions: () => Promise.resolve(conditions) },
      data,
      props: { data },
    })
    await settled()
  }
  beforeEach(() => void chooseSchool.mockReset().mockResolvedValue({ id: 'x' }))

  it('asks for its facts and sends the answers, the values of the school and the reason', async () => {
    await open()
    expect(pageText()).toContain('Evidence of FT-DURAN')
    await pressed('Yes')
    await written('core strands', '6')
    await written('Angle of the block (°)', '35')
    await written('Why, and who agreed', 'The operation note came late.')
    await pressed('Follow this school')
    expect(chooseSchool.mock.calls[0]).toEqual([
      'e1',
      expect.objectContaining({
        protocolId: 'FT-DURAN',
        selection: [
          { what: 'rel.ok', value: true },
          { what: 'strands', value: 6 },
        ],
        values: { xb0: 35 },
        why: 'The operation note came late.',
      }),
    ])
  })

  it('says at once which fact does not hold', async () => {
    await open()
    await pressed('No')
    expect(pageText()).toContain('It does not fit, because this does not hold: reliable.')
    await written('core strands', '2')
    expect(pageText()).toContain('reliable; core strands: 4 or more')
    await pressed('Yes')
    await written('core strands', '4')
    expect(pageText()).not.toContain('It does not fit')
  })

  it('a fact left open is refused where it is asked; a value nobody changed is the school’s own', async () => {
    chooseSchool.mockRejectedValue(refusal('selection', 'Answer first, for this school: reliable.'))
    await open()
    await written('Why, and who agreed', 'x')
    await pressed('Follow this school')
    expect(chooseSchool.mock.calls[0]![1]).toMatchObject({ selection: [], values: { xb0: 40 } })
    expect(pageText()).toContain('Answer first, for this school: reliable.')
  })
})
