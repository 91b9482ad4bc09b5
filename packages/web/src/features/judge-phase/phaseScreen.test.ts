import { afterEach, describe, expect, it, vi } from 'vitest'
import { ApiProblem } from '../../shared/api/problem'
import type { EpisodeAnswer, PermissionMapAnswer, VerdictAnswer } from '@pledge/contract'
import { useCaseStore } from '../../shared/case/caseStore'
import {
  criterionAnswer,
  episodeAnswer,
  onScreen,
  pageText,
  pressed,
  settled,
  verdictAnswer,
  written,
} from '../../shared/testing/clinicScreen'
import FlagsPart from './FlagsPart.vue'
import HealthPart from './HealthPart.vue'
import OrdersPart from './OrdersPart.vue'
import PermissionMap from './PermissionMap.vue'
import PhaseStep from './PhaseStep.vue'
import SchoolPart from './SchoolPart.vue'

const mapWith = (
  verdict: VerdictAnswer,
  changes: Partial<PermissionMapAnswer> = {},
): PermissionMapAnswer => ({
  orthosis: 'none',
  orthosisName: 'no orthosis',
  modes: [{ mode: 'A', name: 'active' }],
  barredBy: null,
  rows: [{ motion: 'pip.flex', name: 'middle joint (PIP) flexion', cells: [{ mode: 'A', verdict }] }],
  ...changes,
})
const cell = () => document.querySelector<HTMLButtonElement>('.cell')!
const reload = vi.fn()
afterEach(() => void reload.mockReset())

/** The part with a case that reads itself anew as the next of the answers. */
function shown(part: Parameters<typeof onScreen>[0], api: object, data: EpisodeAnswer, role = 'therapist') {
  const wrapper = onScreen(part, {
    api: { permissions: () => Promise.resolve(mapWith(verdictAnswer('clear'))), ...api },
    data,
    role: role as 'therapist',
    props: part === SchoolPart ? { choosing: false } : { episodeId: 'e1' },
  })
  useCaseStore().reload = reload
  return wrapper
}

describe('the map of what may move', () => {
  it('says each verdict in words, the day it opens and how many criteria it still lacks', async () => {
    const verdict = verdictAnswer('not-yet', {
      fromDay: 28,
      fromDate: '2031-04-18',
      missing: [{ what: 'ord.rom', meaning: 'order' }],
      openers: [
        { kind: 'day', text: 'day 28', giver: '', what: '', date: '2031-04-18' },
        { kind: 'criterion', text: 'surgeon’s clearance', giver: 'surgeon', what: 'ord.rom', date: null },
      ],
    })
    shown(PermissionMap, { permissions: () => Promise.resolve(mapWith(verdict)) }, episodeAnswer())
    await settled()
    expect(cell().getAttribute('aria-label')).toBe(
      'middle joint (PIP) flexion, active: not yet, not before 18 Apr +1',
    )
    cell().click()
    await settled()
    expect(pageText()).toContain('because not-yet')
    expect(pageText()).toContain('its day, 18 Apr')
    expect(pageText()).toContain('the surgeon gives it')
    expect(pageText()).toContain('X.P1.allow.1')
  })

  it.each([
    ['clear', {}, 'clear'],
    ['with-care', {}, 'care'],
    ['never', {}, 'never'],
    ['not-yet', { form: 'inside the orthosis' }, 'limited'],
    ['not-yet', {}, 'decide'],
  ] as const)('%s %j is told as "%s"', async (kind, changes, short) => {
    const verdict = verdictAnswer(kind, changes)
    shown(PermissionMap, { permissions: () => Promise.resolve(mapWith(verdict)) }, episodeAnswer())
    await settled()
    expect(cell().textContent).toContain(short)
  })

  it('drops an answer that a later one has overtaken: what was closed meanwhile stays closed', async () => {
    const answers: ((map: PermissionMapAnswer) => void)[] = []
    const permissions = () => new Promise<PermissionMapAnswer>((resolve) => answers.push(resolve))
    shown(PermissionMap, { permissions }, episodeAnswer())
    await settled()
    useCaseStore().data = episodeAnswer({ revision: '2' })
    await settled()
    expect(answers).toHaveLength(2)
    answers[1]!(mapWith(verdictAnswer('not-yet')))
    await settled()
    answers[0]!(mapWith(verdictAnswer('clear')))
    await settled()
    expect(cell().getAttribute('aria-label')).toContain('not yet')
  })

  it('shows no map, and says so, where it could not be read', async () => {
    const permissions = vi
      .fn()
      .mockResolvedValueOnce(mapWith(verdictAnswer('clear')))
      .mockRejectedValueOnce(new ApiProblem(500, 'BROKEN', 'x'))
    shown(PermissionMap, { permissions }, episodeAnswer())
    await settled()
    expect(cell()).not.toBeNull()
    useCaseStore().data = episodeAnswer({ revision: '2' })
    await settled()
    expect(pageText()).toContain('The map could not be read')
    expect(cell()).toBeNull()
  })

  it('asks with and without the orthosis a phase keeps on', async () => {
    const permissions = vi
      .fn()
      .mockResolvedValue(mapWith(verdictAnswer('clear'), { orthosis: 'DBO', orthosisName: 'dorsal block' }))
    shown(PermissionMap, { permissions }, episodeAnswer())
    await settled()
    expect(pageText()).toContain('inside dorsal block')
    await pressed('without')
    expect(permissions.mock.calls).toEqual([
      ['e1', 'worn'],
      ['e1', 'none'],
    ])
  })
})

it('one cause that bars everything is told once; the single motions are shown on demand', async () => {
  const map = mapWith(verdictAnswer('not-yet'), { barredBy: 'A red flag is open.' })
  shown(PermissionMap, { permissions: () => Promise.resolve(map) }, episodeAnswer())
  await settled()
  expect(pageText()).toContain('Nothing here moves today. A red flag is open.')
  expect(document.querySelectorAll('.cell')).toHaveLength(0)
  await pressed('Show the single motions')
  expect(document.querySelectorAll('.cell')).toHaveLength(1)
})

describe('the phase screen', () => {
  it.each<[string, Partial<EpisodeAnswer>, string]>([
    ['a school that does not fit', { wrongSchool: ['core strands: 4 or more'] }, 'This school does not fit'],
    [
      'facts nobody recorded',
      { unanswered: [criterionAnswer('rel.ok')] },
      'rests on facts nobody has recorded',
    ],
    ['a frozen case', { standing: { ...episodeAnswer().standing, frozen: true } }, 'Frozen.'],
    [
      'a case far behind',
      { episode: { ...episodeAnswer().episode, day: 60, daysBehind: 32 } },
      '32 days behind. Active was planned for 1 Apr and still waits. Talk it over with the surgeon.',
    ],
    [
      'a patient who came late',
      { episode: { ...episodeAnswer().episode, day: 60, cameLateOnDay: 55 } },
      'Came on day 55. Active would have begun on 1 Apr. Record below what is already so',
    ],
  ])('says %s in words', async (_what, changes, words) => {
    shown(PhaseStep, {}, episodeAnswer(changes))
    await settled()
    expect(pageText()).toContain(words)
  })

  it('asks a patient who came late for every phase whose day has come, each fact once', async () => {
    const [rest, passive, active] = episodeAnswer().phases
    const both = criterionAnswer('ord.rom')
    const data = episodeAnswer({
      episode: { ...episodeAnswer().episode, day: 60, cameLateOnDay: 55 },
      phases: [
        { ...rest!, state: 'current' },
        { ...passive!, state: 'held', entry: [both, criterionAnswer('wound.ok')] },
        { ...active!, entry: [both, criterionAnswer('xr.union')] },
        { ...active!, id: 'P9', startDay: 90, entry: [criterionAnswer('ord.sport')] },
      ],
      standing: { ...episodeAnswer().standing, nextPhaseId: 'P1' },
    })
    shown(PhaseStep, {}, data)
    await settled()
    const asked = document.querySelector('.next')!.textContent.toLowerCase()
    expect(
      ['ord.rom', 'wound.ok', 'xr.union'].map((what) => asked.split(criterionAnswer(what).meaning).length),
    ).toEqual([2, 2, 2])
    expect(asked).not.toContain(criterionAnswer('ord.sport').meaning)
  })

  it('lists what the next phase lacks, who gives it, and what may not be recorded by whom', async () => {
    const [rest, passive, active] = episodeAnswer().phases
    const entry = [
      criterionAnswer('ord.rom', { isSurgeons: true }),
      criterionAnswer('edema.stable', { status: 'stale' }),
      criterionAnswer('wound.ok', { status: 'met' }),
    ]
    const data = episodeAnswer({ phases: [rest!, passive!, { ...active!, entry }] })
    shown(PhaseStep, {}, data, 'assistant')
    await settled()
    expect(pageText()).toContain('2 criteria are missing')
    expect(pageText()).toContain('the surgeon gives it')
    const buttons = [...document.querySelectorAll('.next button')].map((one) => one.textContent!.trim())
    // An assistant measures swelling, but records no order of the surgeon.
    expect(buttons).toEqual(['Confirm again'])
  })

  it('what is open red stands first', async () => {
    const flag = {
      id: 'f1',
      flag: 'RF.VASC',
      name: 'Pale, blue or cold finger',
      todo: 'Loosen what is tight.',
      raisedAt: '2031-04-11T08:00:00Z',
      needsSurgeon: true,
      fromPhone: true,
    }
    shown(PhaseStep, {}, episodeAnswer({ flags: [flag] }))
    await settled()
    expect(document.querySelector('.first')!.textContent).toContain('Pale, blue or cold finger')
  })
})

describe('the parts of the phase screen', () => {
  it('a red flag is raised only when one is chosen, and says beforehand what it asks for', async () => {
    const raiseFlag = vi.fn().mockResolvedValue({ id: 'x' })
    const wrapper = shown(FlagsPart, { raiseFlag }, episodeAnswer())
    const stop = [...document.querySelectorAll('button')].find((one) =>
      one.textContent!.includes('Stop all'),
    )!
    expect(stop.disabled).toBe(true)
    wrapper.findComponent({ name: 'VSelect' }).vm.$emit('update:modelValue', 'RF.VASC')
    await settled()
    expect(pageText()).toContain('Loosen what is tight.')
    await pressed('Stop all')
    expect(raiseFlag.mock.calls[0]).toEqual(['e1', expect.objectContaining({ flag: 'RF.VASC' })])
    expect(reload).toHaveBeenCalled()
  })

  it('lifting one that needs the surgeon asks whose word it rests on', async () => {
    const liftFlag = vi.fn().mockResolvedValue({ id: 'x' })
    const flag = {
      id: 'f1',
      flag: 'RF.RUPTURE',
      name: 'Pop or sudden loss of a movement',
      todo: 'Stop.',
      raisedAt: '2031-04-11T08:00:00Z',
      needsSurgeon: true,
      fromPhone: false,
    }
    shown(FlagsPart, { liftFlag }, episodeAnswer({ flags: [flag] }))
    await pressed('Lift it')
    await written('What was found and decided', 'Tendon glides.')
    await written('Who of the surgeons or the emergency department answered', 'Dr. P. Hallam-Ito')
    await pressed('Lift the flag')
    expect(liftFlag.mock.calls[0]).toEqual([
      'e1',
      'f1',
      expect.objectContaining({ outcome: 'Tendon glides.', answeredBy: 'Dr. P. Hallam-Ito' }),
    ])
  })

  it('moved windows stand with their reason, and are taken back with one', async () => {
    const moveBack = vi.fn().mockResolvedValue({ id: 'x' })
    const shift = {
      id: 's1',
      days: -7,
      afterDay: 21,
      why: 'Adhesions do not respond.',
      agreedBy: 'Dr. P. Hallam-Ito',
      document: 'Letter of 10 April',
      recordedBy: 'Noor Castellane',
      recordedOn: '2031-04-11',
    }
    shown(
      SchoolPart,
      { moveBack },
      episodeAnswer({ shifts: [shift, { ...shift, id: 's2', days: 1, document: '' }] }),
    )
    expect(pageText()).toContain('7 days earlier after day 21')
    expect(pageText()).toContain('Dr. P. Hallam-Ito, Letter of 10 April')
    expect(pageText()).toContain('1 day later after day 21')
    document.querySelector<HTMLButtonElement>('.entry .link')!.click()
    await settled()
    await written('Why', 'Scar felt today.')
    await pressed('Take it back')
    expect(moveBack.mock.calls[0]).toEqual(['e1', 's1', expect.objectContaining({ why: 'Scar felt today.' })])
  })

  it('who is no therapist changes neither school nor windows nor orders', () => {
    shown(SchoolPart, {}, episodeAnswer(), 'assistant')
    expect([...document.querySelectorAll('button')]).toEqual([])
    shown(OrdersPart, {}, episodeAnswer(), 'lead')
    expect([...document.querySelectorAll('button')]).toEqual([])
  })

  it('health nobody asked about is told as such; what is present stands out', async () => {
    shown(HealthPart, {}, episodeAnswer())
    expect(pageText()).toContain('Not asked yet.')
    const health: NonNullable<EpisodeAnswer['health']> = {
      present: ['clot'],
      note: 'Left arm, 2029',
      recordedBy: 'Noor',
      recordedOn: '2031-04-01',
    }
    shown(HealthPart, {}, episodeAnswer({ health }))
    expect(document.querySelector('.present')!.textContent).toBe('blood clot in the arm')
    expect(pageText()).toContain('Left arm, 2029')
    shown(HealthPart, {}, episodeAnswer({ health: { ...health, present: [] } }))
    expect(pageText()).toContain('None of what is asked.')
  })

  it('an order is withdrawn with who said so', async () => {
    const withdrawOrder = vi.fn().mockResolvedValue({ id: 'x' })
    const order = {
      id: 'o1',
      restriction: 'noLoad',
      label: 'No load',
      isEarly: false,
      document: '',
      untilOn: null,
      givenBy: 'Dr. P. Hallam-Ito',
      dated: '2031-04-01',
      why: 'Thin bone',
    }
    shown(OrdersPart, { withdrawOrder }, episodeAnswer({ orders: [order] }))
    expect(pageText()).toContain('No load until withdrawn')
    await pressed('Withdraw')
    await written('Why it no longer holds, and who said so', 'Film is good, Dr. Hallam-Ito.')
    await pressed('Withdraw it')
    expect(withdrawOrder.mock.calls[0]!.slice(0, 2)).toEqual(['e1', 'o1'])
    expect(reload).toHaveBeenCalledTimes(1)
  })
})
