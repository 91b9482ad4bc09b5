import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { catalogue } from '../../../../../tests/core/shippedCatalogue.js'
import {
  newId,
  referred,
  signedIn,
  testClinic,
  type SignedIn,
  type TestClinic,
} from '../../../../../tests/database/testClinic.js'
import { checkHouseEdits } from '../../plugins/houseCatalogue.js'

let clinic: TestClinic
let noor: SignedIn
let sunniva: SignedIn
beforeAll(async () => {
  clinic = await testClinic({ startAt: '2031-04-11T12:00:00Z' })
  noor = await signedIn(clinic, 'noor')
  sunniva = await signedIn(clinic, 'sunniva')
})
afterAll(() => clinic.close())

const refer = (protocolId: string, changes: object = {}) => referred(noor, protocolId, changes)
const phase = (day: number, phaseId = 'P3') => ({ kind: 'phase', protocolId: 'UCL-REPAIR', phaseId, day })
const preview = (edit: object, by = sunniva) => by.send('POST', '/api/house/edits/preview', { edit })
const save = (edit: object, changes: object = {}, by = sunniva) =>
  by.send('POST', '/api/house/edits', {
    id: newId(),
    edit,
    why: 'Our surgeons protect longer.',
    agreedBy: '',
    document: '',
    seenEpisodes: [],
    ...changes,
  })
const startsOf = async (episodeId: string): Promise<number[]> =>
  (await noor.send('GET', `/api/episodes/${episodeId}`))
    .json()
    .phases.map((one: { startDay: number }) => one.startDay)
const edits = async () => (await noor.send('GET', '/api/house/edits')).json()

describe('what the clinic does otherwise', () => {
  it('lists the open cases that would change, is refused until they were seen, then moves their windows', async () => {
    const id = await refer('UCL-REPAIR')
    const shown = await preview(phase(49))
    expect(shown.statusCode, shown.body).toBe(200)
    expect(shown.json()).toMatchObject({
      shipped: 'day 42',
      before: 'day 42',
      after: 'day 49',
      needsSurgeon: false,
    })
    const own = shown.json().affected.find((one: { episodeId: string }) => one.episodeId === id)
    expect(own.changes).toContain(
      '"Gentle passive, supported side pinch" from day 49, 2031-05-09, instead of day 42.',
    )
    expect(
      await clinic.database.rows.audit.count({ where: { episodeId: id, action: 'house.preview' } }),
    ).toBe(1)
    expect(await startsOf(id)).toEqual([0, 28, 42, 56, 84])
    const unseen = await save(phase(49))
    expect(unseen.statusCode).toBe(409)
    expect(unseen.json().detail).toMatch(/1 more open case would change/)
    const saved = await save(phase(49), { seenEpisodes: [id] })
    expect(saved.statusCode, saved.body).toBe(201)
    expect(await startsOf(id)).toEqual([0, 28, 49, 56, 84])
    const [edit] = await edits()
    expect(edit).toMatchObject({
      before: 'day 42',
      after: 'day 49',
      by: 'Sunniva Aldous',
      why: 'Our surgeons protect longer.',
      isInForce: true,
    })
    expect(edit.what).toContain('Gentle passive, supported side pinch')
  })

  it('opens earlier while it heals only with the surgeon and the document, also back to the shipped day', async () => {
    const id = await refer('UCL-REPAIR')
    const { affected, needsSurgeon, before } = (await preview(phase(42))).json()
    expect([before, needsSurgeon]).toEqual(['day 49', true])
    const seenEpisodes = affected.map((one: { episodeId: string }) => one.episodeId)
    expect(seenEpisodes).toContain(id)
    expect((await save(phase(42), { seenEpisodes })).json().errors[0].path).toBe('agreedBy')
    const half = await save(phase(42), { seenEpisodes, agreedBy: 'Dr. P. Hallam-Ito' })
    expect(half.json().errors[0].path).toBe('document')
    const whole = { seenEpisodes, agreedBy: 'Dr. P. Hallam-Ito', document: 'Meeting of 3 April' }
    expect((await save(phase(42), whole)).statusCode).toBe(201)
    expect(await startsOf(id)).toEqual([0, 28, 42, 56, 84])
    const list = await edits()
    expect(list.map((one: { after: string }) => one.after).slice(0, 2)).toEqual(['day 42', 'day 49'])
  })

  it('changes a usual dose for new items; a signed program stays as it was signed', async () => {
    const { dose, range } = catalogue.exercises.get('fist-gentle')!
    const edit = { kind: 'dose', exerciseId: 'fist-gentle', dose: { ...dose, repetitions: 12 }, range }
    const { affected, after } = (await preview(edit)).json()
    expect(after).toContain('× 12 ×')
    const told = affected.flatMap((one: { changes: string[] }) => one.changes)
    expect(told.join(' ')).toContain('stays at the dose it was signed with')
    const seenEpisodes = affected.map((one: { episodeId: string }) => one.episodeId)
    expect((await save(edit, { seenEpisodes })).statusCode).toBe(201)
    const id = await refer('DRF-VLP-EARLY')
    const exercises = (await noor.send('GET', `/api/episodes/${id}/exercises`)).json()
    expect(exercises.find((one: { id: string }) => one.id === 'fist-gentle').dose.repetitions).toBe(12)
    const holder = affected.find((one: { changes: string[] }) => one.changes[0]!.startsWith('Signed'))
    const { program } = (await noor.send('GET', `/api/episodes/${holder.episodeId}`)).json()
    const signed = program.items.find((one: { exerciseId: string }) => one.exerciseId === 'fist-gentle')
    expect(signed.dose.repetitions).not.toBe(12)
  })

  it.each([
    ['a window that does not exist', phase(49, 'P9'), 'phaseId'],
    ['a phase that would vanish', phase(56), 'day'],
    ['half a day', phase(44.5), 'edit.day'],
    ['no kind', { protocolId: 'UCL-REPAIR' }, 'edit.kind'],
    ['a word nobody knows', { ...phase(49), surprise: 1 }, 'edit'],
    [
      'a dose out of range',
      { kind: 'dose', exerciseId: 'glide-hook', dose: {}, range: {} },
      'edit.dose.sets',
    ],
  ])('refuses %s at its field, whole', async (_what, edit, path) => {
    const count = (await edits()).length
    for (const answer of [await preview(edit), await save(edit)]) {
      expect(answer.statusCode, answer.body).toBe(400)
      expect(answer.json().errors.map((one: { path: string }) => one.path)).toContain(path)
    }
    expect((await edits()).length).toBe(count)
  })

  it('is for the clinic lead alone to change, for the staff to read', async () => {
    expect((await preview(phase(50), noor)).statusCode).toBe(403)
    expect((await save(phase(50), {}, noor)).statusCode).toBe(403)
    expect((await noor.send('GET', '/api/house/edits')).statusCode).toBe(200)
  })

  it('is stored once for one id, and numbers name the state of the catalogue', async () => {
    const edit = { kind: 'week', exerciseId: 'glide-hook', conditionId: 'carpal-tunnel-syndrome', week: 1 }
    const id = newId()
    const seenEpisodes = (await preview(edit))
      .json()
      .affected.map((one: { episodeId: string }) => one.episodeId)
    const first = await save(edit, { id, seenEpisodes })
    const again = await save(edit, { id, seenEpisodes })
    expect([first.statusCode, again.statusCode]).toEqual([201, 201])
    expect(again.json()).toEqual(first.json())
    const { rows } = clinic.database
    expect(await rows.houseEdits.count({ where: { id } })).toBe(1)
    await expect(rows.houseEdits.destroy({ where: { id } })).rejects.toThrow(/denied/)
  })

  it('keeps the server from starting with a sentence when an update no longer fits a change', async () => {
    await expect(checkHouseEdits(clinic.data, catalogue)).resolves.toBeUndefined()
    const without = { ...catalogue, protocols: new Map(catalogue.protocols) }
    without.protocols.delete('UCL-REPAIR')
    await expect(checkHouseEdits(clinic.data, without)).rejects.toThrow(
      /no longer fits the catalogue.*--take-back ID.*phase UCL-REPAIR\.P3/s,
    )
  })
})

describe('the library', () => {
  it('lists every exercise in both languages, with the verdict of an open case where one is asked about', async () => {
    const plain = (await noor.send('GET', '/api/library/exercises')).json()
    expect(plain.exercises).toHaveLength(catalogue.exercises.size)
    expect(plain.exercises.every((one: { kind: unknown }) => one.kind === null)).toBe(true)
    const id = await refer('UCL-REPAIR')
    const judged = (await noor.send('GET', `/api/library/exercises?episode=${id}`)).json().exercises
    const kindOf = (exercise: string) => judged.find((one: { id: string }) => one.id === exercise).kind
    // Day 21 of a thumb ligament repair: pinch work waits, raising the hand does not.
    expect([kindOf('putty-key-pinch'), kindOf('edema-elevate')]).toEqual(['not-yet', 'with-care'])
    const page = (await noor.send('GET', `/api/library/exercises/putty-key-pinch?episode=${id}`)).json()
    expect(page.verdict).toMatchObject({ kind: 'not-yet', fromDay: 56 })
    expect(page.text.es.name.length).toBeGreaterThan(3)
  })

  it('tells everything about each exercise, and refuses one nobody knows', async () => {
    for (const exerciseId of catalogue.exercises.keys()) {
      const answer = await noor.send('GET', `/api/library/exercises/${exerciseId}`)
      expect(answer.statusCode, exerciseId).toBe(200)
    }
    const page = (await noor.send('GET', '/api/library/exercises/glide-hook')).json()
    expect(page.signature.map(({ en }: { en: string }) => en)).toEqual([
      'Active: middle joint (PIP) and end joint (DIP) flexion and extension; PIP 0 to 95° of flexion; DIP 0 to 60° of flexion',
      'Hook fist (active)',
      'Kept: wrist at 0°, MCP at 0°',
    ])
    expect(page.travelMm.FDP).toBeGreaterThan(10)
    expect(page.angles.find((one: { name: string }) => one.name === 'pipFlexion')).toEqual({
      name: 'pipFlexion',
      start: 0,
      shapes: [95],
    })
    expect((await noor.send('GET', '/api/library/exercises/nothing')).statusCode).toBe(404)
  })

  it('tells a protocol: phases, gates, rules in both languages with their sources, what opens when', async () => {
    const page = (await noor.send('GET', '/api/library/protocols/UCL-REPAIR')).json()
    expect(page.phases.map((one: { startDay: number }) => one.startDay)).toEqual([0, 28, 42, 56, 84])
    expect(page.gates.at(-1).rule.what.es).toContain('levantar sin límite')
    expect(page.sources.every((one: { text: string }) => one.text !== '')).toBe(true)
    expect(page.openings.find((one: { id: string }) => one.id === 'putty-key-pinch')).toMatchObject({
      fromDay: 56,
      phaseId: 'P4',
    })
    expect((await noor.send('GET', '/api/library/protocols/NOTHING')).statusCode).toBe(404)
    const conditions = (await noor.send('GET', '/api/library/protocols')).json()
    expect(conditions.flatMap((one: { schools: unknown[] }) => one.schools)).toHaveLength(
      catalogue.protocols.size,
    )
  })

  it('is not for a stranger', async () => {
    for (const url of ['/api/library/exercises', '/api/library/protocols', '/api/house/edits'])
      expect((await clinic.app.inject({ url })).statusCode).toBe(401)
  })
})
