import type { EvaluationAnswer } from '@pledge/contract'
import { createPinia, setActivePinia } from 'pinia'
import { createApp } from 'vue'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { CLINIC_API, type ClinicApi } from '../../shared/api/clinicApi'
import { ApiProblem } from '../../shared/api/problem'
import { cellOf, useEvaluationStore } from './evaluationStore'

const addEvaluation = vi.fn<ClinicApi['addEvaluation']>()
function bench() {
  const app = createApp({})
  app.provide(CLINIC_API, { addEvaluation } as unknown as ClinicApi)
  const pinia = createPinia()
  app.use(pinia)
  setActivePinia(pinia)
  return app.runWithContext(() => useEvaluationStore())
}
const evaluation = (readingDeg: number, side: 'left' | 'right' = 'left'): EvaluationAnswer => ({
  id: '1',
  evaluatedOn: '2031-04-01',
  painRest: 1,
  painAct: 2,
  note: '',
  recordedBy: 'noor',
  readings: [{ motion: 'wristExtension', side, kind: 'active', readingDeg }],
})

describe('a cell of the bench', () => {
  it.each([
    ['', { name: 'empty' }],
    ['  ', { name: 'empty' }],
    ['45', { name: 'read', deg: 45, isUnusual: false }],
    ['-10', { name: 'read', deg: -10, isUnusual: true }],
    ['−10', { name: 'read', deg: -10, isUnusual: true }],
    ['0', { name: 'read', deg: 0, isUnusual: false }],
    ['95', { name: 'read', deg: 95, isUnusual: true }],
  ])('reads "%s"', (typed, cell) => {
    expect(cellOf('wristExtension', typed)).toEqual(cell)
  })
  it.each([['45.5'], ['abc'], ['180'], ['-70']])('refuses "%s" with what to do', (typed) => {
    expect(cellOf('wristExtension', typed)).toMatchObject({
      name: 'wrong',
      message: expect.stringMatching(/degrees|between/),
    })
  })
})

describe('an evaluation', () => {
  beforeEach(() => {
    addEvaluation.mockReset()
  })

  it('compares with the other side measured today, else with its last reading', () => {
    const store = bench()
    store.start('left', [evaluation(70, 'right')], 'noor')
    store.type('wristExtension', 'left', 'active', '42')
    expect(store.rows[1]).toMatchObject({ motion: 'wristExtension', shortDeg: 28, percent: 60 })
    store.type('wristExtension', 'right', 'active', '84')
    expect(store.rows[1]).toMatchObject({ shortDeg: 42, percent: 50 })
  })

  it('tells a gain from the error of the goniometer', () => {
    const store = bench()
    store.start('left', [evaluation(30)], 'noor')
    store.type('wristExtension', 'left', 'active', '36')
    expect(store.rows[1]?.change).toMatchObject({ deg: 6, verdict: 'within error' })
    store.type('wristExtension', 'left', 'active', '37')
    expect(store.rows[1]?.change).toMatchObject({ deg: 7, verdict: 'gained' })
    store.type('wristExtension', 'left', 'active', '')
    expect(store.rows[1]?.change).toBeNull()
  })

  it('asks more of a change since somebody else measured', () => {
    const store = bench()
    store.start('left', [{ ...evaluation(30), recordedBy: 'ines' }], 'noor')
    store.type('wristExtension', 'left', 'active', '37')
    expect(store.rows[1]?.change).toMatchObject({ verdict: 'within error' })
    store.type('wristExtension', 'left', 'active', '40')
    expect(store.rows[1]?.change).toMatchObject({ verdict: 'gained' })
  })

  it('keeps the readings when saving fails, and sends them under the same id again', async () => {
    const store = bench()
    store.start('left', [], 'noor')
    store.type('wristFlexion', 'left', 'active', '40')
    addEvaluation.mockRejectedValueOnce(new ApiProblem(0, 'OFFLINE', 'No connection.'))
    expect(await store.save('e', '2031-04-11')).toBe(false)
    expect(store.saveState).toEqual({ name: 'failed', message: 'No connection.' })
    expect(store.textAt('wristFlexion', 'left', 'active')).toBe('40')
    addEvaluation.mockResolvedValueOnce({ id: 'x' })
    expect(await store.save('e', '2031-04-11')).toBe(true)
    const ids = addEvaluation.mock.calls.map(([, body]) => (body as { id: string }).id)
    expect(ids[0]).toBe(ids[1])
  })

  it('is not sent with a reading that cannot be', async () => {
    const store = bench()
    store.start('left', [], 'noor')
    store.type('wristFlexion', 'left', 'active', '400')
    expect(await store.save('e', '2031-04-11')).toBe(false)
    expect(addEvaluation).not.toHaveBeenCalled()
  })
})
