import { beforeEach, describe, expect, it, vi } from 'vitest'
import { ApiProblem } from '../../shared/api/problem'
import type { HousePreviewAnswer, ProtocolPageAnswer, RuleAnswer, SchoolsAnswer } from '@pledge/contract'
import { onScreen, pageText, pressed, settled, written } from '../../shared/testing/clinicScreen'
import HousePage from './HousePage.vue'
import ProtocolsPage from './ProtocolsPage.vue'

const both = (en: string, es = `${en} (es)`) => ({ en, es })
const rule = (id: string, kind: RuleAnswer['kind'], what: string, from = 0): RuleAnswer => ({
  id,
  key: `key-of-${id}`,
  kind,
  from,
  what: both(what),
  when: null,
  needs: [],
  why: null,
  dose: null,
})
const phase = (id: string, name: string, startDay: number, endDay: number | null, rules: RuleAnswer[]) => ({
  id,
  name: both(name),
  startDay,
  endDay,
  shippedStartDay: id === 'P2' ? 28 : startDay,
  goals: `Goals of ${name}`,
  entry: [],
  wear: [],
  rules,
})
const protocol = (id: string): ProtocolPageAnswer => ({
  id,
  title: 'Wrist sprain',
  school: `School ${id}`,
  condition: { id: 'wrist-sprain', name: both('Wrist sprain') },
  anchor: 'injury',
  evidence: 'Level IV.',
  sources: [{ key: 'A', confidence: 'medium', text: 'A book of hands' }],
  select: [both('grade one')],
  variants: [],
  variables: [],
  never: [rule('X.never.1', 'never', 'Pulling hard')],
  phases: [
    phase('P1', 'Rest', 0, 35, [rule('X.P1.allow.1', 'allow', 'Active: wrist')]),
    phase('P2', 'Load', 35, null, [rule('X.P2.forbid.1', 'forbid', 'Resisted: wrist')]),
  ],
  gates: [
    { rule: rule('X.gate.1', 'gate', 'Lifting up to 1 kg', 40), peg: 'lifting to 1 kg', shippedDay: 40 },
  ],
  openings: [
    { id: 'a', name: both('First one'), fromDay: 0, phaseId: 'P1', isWithCare: false },
    { id: 'b', name: both('Second one'), fromDay: 35, phaseId: 'P2', isWithCare: true },
    { id: 'c', name: both('Never this'), fromDay: null, phaseId: null, isWithCare: false },
  ],
  red: [both('It pops')],
  yellow: ['Sore'],
})
const conditions: SchoolsAnswer[] = [
  {
    id: 'wrist-sprain',
    name: both('Wrist sprain'),
    schools: ['S1', 'S2'].map((id) => ({
      id,
      title: 'Wrist sprain',
      school: `School ${id}`,
      anchor: 'injury',
      evidence: '',
      phases: protocol(id).phases,
      gates: [{ day: 40, peg: 'lifting to 1 kg' }],
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
      isChanged: id === 'S1',
    })),
  },
  { id: 'trigger-digit', name: both('Trigger digit'), schools: [] },
]
const preview: HousePreviewAnswer = {
  what: 'phase',
  shipped: 'day 28',
  before: 'day 35',
  after: 'day 42',
  needsSurgeon: false,
  affected: [
    {
      episodeId: 'e1',
      patient: 'Bente Okonjo',
      side: 'left',
      therapist: 'Noor Castellane',
      changes: ['"Load" from day 42 instead of day 35.'],
    },
  ],
}
const api = {
  libraryProtocols: vi.fn(),
  libraryProtocol: vi.fn(),
  previewHouseEdit: vi.fn(),
  saveHouseEdit: vi.fn(),
  houseEdits: vi.fn(),
}
async function shown(role: 'therapist' | 'lead' = 'therapist') {
  onScreen(ProtocolsPage, { api, role })
  await settled()
  await settled()
}
const press = async (key: string) => {
  window.dispatchEvent(new KeyboardEvent('keydown', { key, cancelable: true, bubbles: true }))
  await settled()
}
/** The dialog asks what would change a moment after the last key. */
const asked = () => new Promise((resolve) => setTimeout(resolve, 350))

describe('the protocols', () => {
  beforeEach(() => {
    for (const call of Object.values(api)) call.mockReset()
    api.libraryProtocols.mockResolvedValue(conditions)
    api.libraryProtocol.mockImplementation((id: string) => Promise.resolve(protocol(id)))
    api.previewHouseEdit.mockResolvedValue(preview)
    api.saveHouseEdit.mockResolvedValue({ id: 'x', number: 1 })
  })

  it('show the schools of a condition side by side, and the first phase in sentences', async () => {
    await shown()
    for (const part of [
      'School S1',
      'School S2',
      'changed here',
      '2 schools',
      'Active: wrist',
      'X.P1.allow.1',
    ])
      expect(pageText()).toContain(part)
    expect(pageText()).toContain('Goals of Rest')
    expect(pageText()).toContain('First one')
    expect(pageText()).not.toContain('Second one')
    expect(pageText()).toContain('Never by time in this school: Never this.')
    expect(pageText()).toContain('A book of hands')
  })

  it('walk through phases by keys; gates stand in the phase of their day', async () => {
    await shown()
    expect(pageText()).not.toContain('Lifting up to 1 kg')
    await press('ArrowRight')
    for (const part of ['Resisted: wrist', 'Second one', 'Lifting up to 1 kg', 'day 40', 'shipped: day 28'])
      expect(pageText()).toContain(part)
    await press('ArrowLeft')
    expect(pageText()).toContain('Active: wrist')
  })

  it('are told in Spanish too', async () => {
    await shown()
    await pressed('Español')
    expect(pageText()).toContain('Active: wrist (es)')
  })

  it('are found by name, and say when none fits', async () => {
    await shown()
    const search = document.querySelector<HTMLInputElement>('input[type="search"]')!
    search.value = 'trig'
    search.dispatchEvent(new Event('input'))
    await settled()
    expect([...document.querySelectorAll('aside li')].map((one) => one.textContent!.trim())).toHaveLength(1)
    search.value = 'anvil'
    search.dispatchEvent(new Event('input'))
    await settled()
    expect(pageText()).toContain('No condition fits.')
  })

  it('are changed by the clinic lead alone', async () => {
    await shown()
    await press('ArrowRight')
    expect(pageText()).not.toContain('Change the day')
    await shown('lead')
    await press('ArrowRight')
    await pressed('Change the day')
    expect(pageText()).toContain('as shipped: day 28')
  })

  it('list the open cases before a change is saved, and send the list along', async () => {
    await shown('lead')
    await press('ArrowRight')
    await pressed('Change the day')
    await written('Day', '42')
    await asked()
    expect(api.previewHouseEdit).toHaveBeenCalledWith({
      kind: 'phase',
      protocolId: 'S1',
      phaseId: 'P2',
      day: 42,
    })
    expect(pageText()).toContain('day 42 instead of day 35 (as shipped: day 28)')
    expect(pageText()).toContain('1 open case changes: Bente Okonjo')
    await written('Reason', 'Our surgeons protect longer.')
    await pressed('Save for this clinic')
    expect(api.saveHouseEdit.mock.lastCall![0]).toMatchObject({
      why: 'Our surgeons protect longer.',
      agreedBy: '',
      seenEpisodes: ['e1'],
    })
  })

  it('ask for the surgeon where the change opens earlier, and keep what was typed when it is refused', async () => {
    api.previewHouseEdit.mockResolvedValue({ ...preview, needsSurgeon: true, affected: [] })
    api.saveHouseEdit.mockRejectedValue(
      new ApiProblem(400, 'INPUT_INVALID', 'Say which document allows it.', [
        { path: 'document', message: 'Say which document allows it.' },
      ]),
    )
    await shown('lead')
    await press('ArrowRight')
    await pressed('Change the day')
    await written('Day', '20')
    await asked()
    expect(pageText()).toContain('No open case changes.')
    await written('Surgeon who agreed', 'Dr. P. Hallam-Ito')
    await written('Reason', 'Earlier here.')
    await pressed('Save for this clinic')
    await settled()
    expect(pageText()).toContain('Say which document allows it.')
    expect(api.saveHouseEdit.mock.lastCall![0].agreedBy).toBe('Dr. P. Hallam-Ito')
  })

  it('say at the field why a day does not fit, and save nothing', async () => {
    api.previewHouseEdit.mockRejectedValue(
      new ApiProblem(400, 'INPUT_INVALID', 'Expected a whole day from 1 to 41.', [
        { path: 'day', message: 'Expected a whole day from 1 to 41.' },
      ]),
    )
    await shown('lead')
    await press('ArrowRight')
    await pressed('Change the day')
    await written('Day', '99')
    await asked()
    expect(pageText()).toContain('Expected a whole day from 1 to 41.')
    await pressed('Save for this clinic')
    await settled()
    expect(api.saveHouseEdit).not.toHaveBeenCalled()
  })

  it('show the new list when other cases would change than those seen', async () => {
    api.saveHouseEdit.mockRejectedValue(new ApiProblem(409, 'EDITED_MEANWHILE', 'Look at the list again.'))
    await shown('lead')
    await press('ArrowRight')
    await pressed('Change the day')
    await written('Day', '42')
    await asked()
    await written('Reason', 'Longer.')
    await pressed('Save for this clinic')
    await settled()
    expect(pageText()).toContain('Look at the list again.')
    expect(api.previewHouseEdit).toHaveBeenCalledTimes(2)
  })
})

describe('what the clinic does otherwise', () => {
  const edit = {
    id: 'h1',
    number: 1,
    what: 'Wrist sprain: phase "Load" begins',
    before: 'day 28',
    after: 'day 35',
    why: 'Our surgeons protect longer.',
    agreedBy: 'Dr. P. Hallam-Ito',
    document: 'Meeting of 3 April',
    by: 'Sunniva Aldous',
    on: '2031-04-11',
    isInForce: true,
    isTakenBack: false,
  }
  const list = async () => {
    onScreen(HousePage, { api })
    await settled()
    await settled()
  }
  it('stands with value, reason, document and name', async () => {
    api.houseEdits.mockResolvedValue([edit])
    await list()
    for (const part of [
      'day 28',
      'day 35',
      'Our surgeons protect longer.',
      'Meeting of 3 April',
      'Sunniva Aldous',
    ])
      expect(pageText()).toContain(part)
  })
  it('says when there is nothing, and when it cannot be read', async () => {
    api.houseEdits.mockResolvedValue([])
    await list()
    expect(pageText()).toContain('everything is as it was shipped')
    api.houseEdits.mockRejectedValue(new Error('x'))
    await list()
    expect(pageText()).toContain('The list could not be read.')
  })
})
