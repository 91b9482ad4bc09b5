import { beforeEach, describe, expect, it, vi } from 'vitest'
import { ApiProblem } from '../../shared/api/problem'
import type { ExerciseAnswer, QuestionAnswer } from '@pledge/contract'
import {
  onScreen,
  pageText,
  pressed,
  settled,
  verdictAnswer,
  written,
} from '../../shared/testing/clinicScreen'
import DoseSchoolsDialog from './DoseSchoolsDialog.vue'
import OverrideDialog from './OverrideDialog.vue'

const school = (id: string, name: string, changes: Partial<QuestionAnswer['schools'][number]> = {}) => ({
  id,
  name,
  says: `${name} it is.`,
  source: 'TEXTBOOK-PRACTICE (medium)',
  endRangeMinutesPerDay: null,
  repetitionsPerDay: null,
  ...changes,
})
const questions: QuestionAnswer[] = [
  {
    question: 'stretchHold',
    name: 'How long a stretch is held',
    chosen: 'classic',
    schools: [
      school('short', 'Short and often', { endRangeMinutesPerDay: 3.333, repetitionsPerDay: 40 }),
      school('classic', 'Half a minute', { endRangeMinutesPerDay: 4.5, repetitionsPerDay: 9 }),
    ],
  },
  {
    question: 'nerveDose',
    name: 'How often a nerve is slid',
    chosen: null,
    schools: [school('once', 'One set a day', { repetitionsPerDay: 10 })],
  },
]

describe('the schools of dosing', () => {
  it('stand side by side with what each makes of the day, and what they rest on', () => {
    onScreen(DoseSchoolsDialog, { api: {}, props: { questions, isSaving: false } })
    for (const part of [
      '3.5 min a day at the end of the range',
      '4.5 min a day at the end of the range',
      '10 slides a day',
      'TEXTBOOK-PRACTICE (medium) for short and often, half a minute, one set a day',
    ])
      expect(pageText()).toContain(part)
    const chosen = [...document.querySelectorAll('label.chosen')].map((one) => one.textContent!.trim())
    expect(chosen[0]).toContain('Half a minute')
    expect(chosen[1]).toContain('As the catalogue has it')
  })

  it('are chosen, and given up again', async () => {
    const choose = vi.fn()
    onScreen(DoseSchoolsDialog, { api: {}, props: { questions, isSaving: false, onChoose: choose } })
    const options = [...document.querySelectorAll<HTMLInputElement>('input[type="radio"]')]
    options[1]!.dispatchEvent(new Event('change'))
    options[0]!.dispatchEvent(new Event('change'))
    await settled()
    expect(choose.mock.calls).toEqual([
      ['stretchHold', 'short'],
      ['stretchHold', null],
    ])
  })
})

describe('opening an exercise before its time', () => {
  const api = { addOverride: vi.fn() }
  const done = vi.fn()
  const dose = { sets: 1, repetitions: 10, holdSeconds: 3, boutsPerDay: 3, load: null }
  const show = (needsSurgeon: boolean) =>
    onScreen(OverrideDialog, {
      api,
      props: {
        episodeId: 'e1',
        exercise: { id: 'glide-hook', text: { name: 'Hook and open' } } as ExerciseAnswer,
        dose,
        digits: null,
        verdict: verdictAnswer('not-yet'),
        needsSurgeon,
        surgeon: 'Dr. P. Hallam-Ito',
        onDone: done,
      },
    })
  beforeEach(() => {
    api.addOverride.mockReset().mockResolvedValue({ id: 'o1' })
    done.mockReset()
  })

  it('asks for the surgeon and the document while it heals', async () => {
    show(true)
    expect(pageText()).toContain('because not-yet')
    await written('Letter or message', 'Letter of 10 April')
    await written('Reason', 'Good quality.')
    await pressed('Open it for this patient')
    expect(api.addOverride.mock.lastCall![0]).toBe('e1')
    expect(api.addOverride.mock.lastCall![1]).toMatchObject({
      exerciseId: 'glide-hook',
      dose,
      why: 'Good quality.',
      agreedBy: 'Dr. P. Hallam-Ito',
      document: 'Letter of 10 April',
    })
    expect(done).toHaveBeenCalledTimes(1)
  })

  it('asks for the reason alone where nothing heals, and sends no surgeon along', async () => {
    show(false)
    expect(pageText()).not.toContain('Letter or message')
    await written('Reason', 'No pain left.')
    await pressed('Open it for this patient')
    expect(api.addOverride.mock.lastCall![1]).toMatchObject({ agreedBy: '', document: '' })
  })

  it('keeps what was typed and shows the refusal at its field', async () => {
    api.addOverride.mockRejectedValue(
      new ApiProblem(400, 'INPUT_INVALID', 'Write the reason.', [
        { path: 'why', message: 'Write the reason.' },
      ]),
    )
    show(true)
    await written('Letter or message', 'Letter of 10 April')
    await pressed('Open it for this patient')
    await settled()
    expect(pageText()).toContain('Write the reason.')
    expect(done).not.toHaveBeenCalled()
    const typed = [...document.querySelectorAll('input')].map((one) => one.value)
    expect(typed).toContain('Letter of 10 April')
  })
})
