import { QueryTypes } from 'sequelize'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import {
  boutOf,
  newId,
  pairedPhone,
  signedIn,
  testClinic,
  type SignedIn,
  type TestClinic,
} from '../database/testClinic.js'

let clinic: TestClinic
let noor: SignedIn
let emeka: SignedIn
let sunniva: SignedIn
beforeAll(async () => {
  clinic = await testClinic()
  noor = await signedIn(clinic, 'noor')
  emeka = await signedIn(clinic, 'emeka')
  sunniva = await signedIn(clinic, 'sunniva')
})
afterAll(() => clinic.close())

const referral = (changes: object = {}) => ({
  name: 'Bente Okonjo',
  birthDate: '1970-05-01',
  samePersonAs: null,
  otherHand: 'well',
  dominantHand: 'right',
  language: 'en',
  hasLatexAllergy: false,
  hasAdhesiveAllergy: false,
  conditionId: 'distal-radius-fracture',
  protocolId: 'DRF-VLP-EARLY',
  side: 'left',
  digits: [],
  selection: [{ what: 'fix.stable', value: true }],
  injuredOn: '2031-03-25',
  anchorOn: '2031-04-01',
  surgeon: 'Dr. P. Hallam-Ito',
  letterOn: '2031-04-02',
  clearances: ['ord.therapy', 'ord.rom'],
  restrictions: [],
  work: 'Repairs bicycles',
  note: '',
  ...changes,
})
const problemAt = (answer: { json(): { errors: { path: string }[] } }) =>
  answer.json().errors.map(({ path }) => path)

describe('signing in', () => {
  it('refuses a wrong password without telling which of the two was wrong', async () => {
    const first = await clinic.app.inject({ url: '/api/session' })
    const attempt = (login: string) =>
      clinic.app.inject({
        method: 'POST',
        url: '/api/session',
        headers: { 'csrf-token': first.json().csrfToken },
        cookies: Object.fromEntries(first.cookies.map(({ name, value }) => [name, value])),
        payload: { login, password: 'wrong' },
      })
    const [known, unknown] = [await attempt('noor'), await attempt('nobody')]
    expect([known.statusCode, unknown.statusCode]).toEqual([401, 401])
    expect(known.json().detail).toBe(unknown.json().detail)
  })

  it('needs the token of the page, not the cookie alone', async () => {
    const answer = await clinic.app.inject({
      method: 'POST',
      url: '/api/referrals',
      cookies: noor.cookies,
      payload: referral(),
    })
    expect(answer.statusCode).toBe(403)
    expect(answer.json().code).toBe('CSRF_FAILED')
  })

  it('slows down whoever tries passwords', async () => {
    const slow = await testClinic({ limits: { signInPerMinute: 3 } })
    const first = await slow.app.inject({ url: '/api/session' })
    const cookies = Object.fromEntries(first.cookies.map(({ name, value }) => [name, value]))
    const statuses: number[] = []
    for (let attempt = 0; attempt < 5; attempt += 1) {
      const answer = await slow.app.inject({
        method: 'POST',
        url: '/api/session',
        headers: { 'csrf-token': first.json().csrfToken },
        cookies,
        payload: { login: 'noor', password: 'x' },
      })
      statuses.push(answer.statusCode)
    }
    await slow.close()
    expect(statuses).toEqual([401, 401, 401, 429, 429])
  })

  it('ends with signing out', async () => {
    const someone = await signedIn(clinic, 'noor')
    expect((await someone.send('DELETE', '/api/session')).statusCode).toBe(204)
    expect((await someone.send('GET', '/api/caseload')).statusCode).toBe(401)
  })
})

describe('who may do what', () => {
  it.each([
    ['GET', '/api/caseload'],
    ['GET', '/api/audit'],
    ['POST', '/api/referrals'],
    ['GET', '/api/phone/today'],
    ['POST', '/api/phone/bouts'],
    ['GET', '/api/episodes/x'],
  ] as const)('nobody is let in without signing in: %s %s', async (method, url) => {
    expect(
      (await clinic.app.inject({ method, url, ...(method === 'POST' ? { payload: {} } : {}) })).statusCode,
    ).toBe(401)
  })

  it('a lead reads the audit and the cases, and signs nothing', async () => {
    const { id } = await clinic.episodeOf('Dmitri Valcourt')
    expect((await sunniva.send('GET', '/api/audit')).statusCode).toBe(200)
    expect((await noor.send('GET', '/api/audit')).statusCode).toBe(403)
    expect(
      (await sunniva.send('POST', `/api/episodes/${id}/program`, { id: newId(), version: 1 })).statusCode,
    ).toBe(403)
    expect((await sunniva.send('POST', '/api/referrals', referral())).statusCode).toBe(403)
  })

  it("a phone reads and writes its own patient's record only", async () => {
    const [mine, other] = [await clinic.episodeOf('Dmitri Valcourt'), await clinic.episodeOf('Henrike Osei')]
    const phone = await pairedPhone(clinic, noor, mine.id)
    expect((await phone.send('GET', `/api/episodes/${mine.id}`)).statusCode).toBe(401)
    const theirs = await (await pairedPhone(clinic, noor, other.id)).send('GET', '/api/phone/today')
    const answer = await phone.send('POST', '/api/phone/bouts', boutOf(theirs.json().program, clinic.clock))
    expect(answer.statusCode).toBe(400)
    expect(problemAt(answer)).toContain('programVersionId')
  })
})

describe('a referral', () => {
  it('becomes an open episode in the caseload', async () => {
    const made = await noor.send('POST', '/api/referrals', referral())
    expect(made.statusCode).toBe(201)
    const caseload = (await noor.send('GET', '/api/caseload')).json()
    const row = caseload.cases.find((one: { episodeId: string }) => one.episodeId === made.json().episodeId)
    expect(row).toMatchObject({
      patient: 'Bente Okonjo',
      day: 10,
      phase: { id: 'P1' },
      attention: expect.arrayContaining([expect.objectContaining({ kind: 'held' })]),
    })
  })

  it.each([
    ['surgery before the injury', { anchorOn: '2031-03-20' }, 'anchorOn'],
    ['surgery in the future', { anchorOn: '2031-04-12' }, 'anchorOn'],
    ['an injury in 1900', { injuredOn: '1900-03-25' }, 'injuredOn'],
    ['a birth in 1900', { birthDate: '1900-05-01' }, 'birthDate'],
    ['a day that does not exist', { injuredOn: '2031-02-30' }, 'injuredOn'],
    ['an injury before birth', { birthDate: '2031-04-01' }, 'injuredOn'],
    ['no name', { name: ' ' }, 'name'],
    ['an unknown school', { protocolId: 'DRF-X' }, 'protocolId'],
    ['a school of another condition', { protocolId: 'FT-DURAN' }, 'protocolId'],
    ['a school whose facts nobody answered', { selection: [] }, 'selection'],
    ['a school that does not fit', { selection: [{ what: 'fix.stable', value: false }] }, 'selection'],
    ['a clearance of another school', { clearances: ['button.out'] }, 'clearances'],
    ['a variant of another school', { variant: 'bony' }, 'variant'],
    ['a value of another school', { values: { xb0: 40 } }, 'values.xb0'],
    ['an unknown key', { colour: 'red' }, ''],
    ['a name of 500 letters', { name: 'x'.repeat(500) }, 'name'],
  ])('is refused beside its field: %s', async (_case, changes, path) => {
    const answer = await noor.send('POST', '/api/referrals', referral(changes))
    expect(answer.statusCode).toBe(400)
    expect(answer.headers['content-type']).toContain('application/problem+json')
    expect(problemAt(answer)).toContain(path)
  })

  it("carries the surgeon's restriction into the verdicts", async () => {
    const restriction = {
      restriction: 'noForearmRotation',
      untilOn: '2031-05-01',
      why: 'Radioulnar joint repaired',
    }
    const { episodeId } = (
      await noor.send(
        'POST',
        '/api/referrals',
        referral({ name: 'Otto Ferreira', restrictions: [restriction] }),
      )
    ).json()
    const exercises = (await noor.send('GET', `/api/episodes/${episodeId}/exercises`)).json()
    const turn = exercises.find((one: { id: string }) => one.id === 'forearm-turn-active')
    expect(turn.verdict.kind).toBe('not-yet')
    expect(turn.verdict.fromDate).toBe('2031-05-01')
    expect(turn.verdict.reasons[0].text).toContain('Radioulnar joint repaired')
  })
})

const WRIST_BACK = { measure: 'wristExtension', digit: null, side: 'right', kind: 'active', result: -30 }
const RING_PIP = { measure: 'pip', digit: 'ring', side: 'left', kind: 'active' }
const PAIN = { measure: 'painAct', digit: null, side: null, kind: null, result: 3 }

describe('an evaluation', () => {
  const evaluation = (changes: object = {}) => ({
    id: newId(),
    evaluatedOn: '2031-04-11',
    note: '',
    readings: [WRIST_BACK],
    ...changes,
  })

  it('is stored in the signs of core and read back as it was measured', async () => {
    const { id } = await clinic.episodeOf('Dmitri Valcourt')
    const ring = { ...RING_PIP, result: { flexedEndDeg: 85, extendedEndDeg: 10 } }
    const other = { ...RING_PIP, side: 'right', result: 'absent' }
    const half = { ...RING_PIP, kind: 'passive', result: { flexedEndDeg: null, extendedEndDeg: -5 } }
    const grip = { measure: 'grip', digit: null, side: 'left', kind: null, result: [31, 29.5, 30] }
    const sent = evaluation({ readings: [WRIST_BACK, ring, other, half, grip, PAIN] })
    expect((await noor.send('POST', `/api/episodes/${id}/evaluations`, sent)).statusCode).toBe(201)
    expect((await noor.send('POST', `/api/episodes/${id}/evaluations`, sent)).statusCode).toBe(201)
    const stored = await clinic.database.sequelize.query<{ measure: string; deg: number }>(
      `SELECT measure, JSON_VALUE(result, '$.flexedEndDeg') - JSON_VALUE(result, '$.extendedEndDeg') deg
        FROM measurements WHERE evaluation_id = ? AND digit = 'ring' AND side = 'left' AND kind = 'active'`,
      { replacements: [sent.id], type: QueryTypes.SELECT },
    )
    expect(stored).toEqual([{ measure: 'pip', deg: 75 }])
    const overview = (await noor.send('GET', `/api/episodes/${id}`)).json()
    const { readings } = overview.evaluations.at(-1)
    expect(readings).toHaveLength(6)
    expect(readings).toEqual(expect.arrayContaining([WRIST_BACK, ring, other, half, grip, PAIN]))
  })

  it.each([
    ['a reading no wrist can give', { readings: [{ ...WRIST_BACK, result: -180 }] }, 'readings.0.result'],
    ['half a degree', { readings: [{ ...WRIST_BACK, result: -30.5 }] }, 'readings.0.result'],
    ['a pain of 11', { readings: [{ ...PAIN, result: 11 }] }, 'readings.0.result'],
    [
      'a joint that bends less than it lacks',
      { readings: [{ ...RING_PIP, result: { flexedEndDeg: 10, extendedEndDeg: 85 } }] },
      'readings.0.result',
    ],
    [
      'a joint of nobody',
      { readings: [{ ...RING_PIP, digit: 'thumb', result: 'absent' }] },
      'readings.0.result',
    ],
    ['neither active nor passive', { readings: [{ ...WRIST_BACK, kind: null }] }, 'readings.0.result'],
    ['a day ahead', { evaluatedOn: '2031-04-12' }, 'evaluatedOn'],
    ['nothing measured', { readings: [] }, 'readings'],
  ])('is refused at its field: %s', async (_case, changes, path) => {
    const { id } = await clinic.episodeOf('Dmitri Valcourt')
    const answer = await noor.send('POST', `/api/episodes/${id}/evaluations`, evaluation(changes))
    expect(answer.statusCode).toBe(400)
    expect(problemAt(answer)).toContain(path)
  })
})

describe('a program', () => {
  const dose = { sets: 1, repetitions: 10, holdSeconds: 5, boutsPerDay: 4, load: null }
  const draftOf = async (episodeId: string) =>
    (await noor.send('GET', `/api/episodes/${episodeId}/draft`)).json()

  it('edited by two at once keeps the first and tells the second', async () => {
    const { id } = await clinic.episodeOf('Consuelo Iribarne')
    const { version } = await draftOf(id)
    const save = (who: SignedIn, exerciseId: string) =>
      who.send('PUT', `/api/episodes/${id}/draft`, {
        version,
        items: [{ itemId: newId(), exerciseId, dose }],
      })
    expect((await save(noor, 'wrist-updown-active')).statusCode).toBe(200)
    const second = await save(emeka, 'glide-hook')
    expect(second.statusCode).toBe(409)
    expect(second.json().detail).toContain('Noor Castellane')
    expect((await draftOf(id)).items.map((item: { exerciseId: string }) => item.exerciseId)).toEqual([
      'wrist-updown-active',
    ])
  })

  it('is not signed with an exercise that is not yet allowed', async () => {
    const { id } = await clinic.episodeOf('Ji-ho Marchetti')
    const { version } = await draftOf(id)
    const items = [{ itemId: newId(), exerciseId: 'prayer-stretch', dose: { ...dose, holdSeconds: 20 } }]
    const saved = (await noor.send('PUT', `/api/episodes/${id}/draft`, { version, items })).json()
    const answer = await noor.send('POST', `/api/episodes/${id}/program`, {
      id: newId(),
      version: saved.version,
    })
    expect(answer.statusCode).toBe(409)
    expect(answer.json().code).toBe('NOT_CLEARED')
    expect(problemAt(answer)).toEqual(['items.0'])
  })

  it('counts minutes and refuses a dose beyond its bounds at the field', async () => {
    const { id } = await clinic.episodeOf('Aurelio Tan')
    const { version } = await draftOf(id)
    const item = (changes: object) => [
      { itemId: newId(), exerciseId: 'wrist-updown-active', dose: { ...dose, ...changes } },
    ]
    const bad = await noor.send('PUT', `/api/episodes/${id}/draft`, {
      version,
      items: item({ repetitions: 0 }),
    })
    expect(problemAt(bad)).toEqual(['items.0.dose.repetitions'])
    const loaded = await noor.send('PUT', `/api/episodes/${id}/draft`, { version, items: item({ load: 2 }) })
    expect(problemAt(loaded)).toEqual(['items.0.dose.load'])
    const good = (
      await noor.send('PUT', `/api/episodes/${id}/draft`, { version, items: item({ sets: 2 }) })
    ).json()
    // 2 sets x 10 x (5 + 4) s + 30 s rest = 210 s, four times a day.
    expect(good.burden).toMatchObject({ minutesPerBout: 3.5, minutesPerDay: 14, boutsPerDay: 4 })
  })

  it('signed twice with one id is one version, and can never be changed in the database', async () => {
    const { id } = await clinic.episodeOf('Henrike Osei')
    const { version } = await draftOf(id)
    const signing = { id: newId(), version }
    const [first, second] = [
      await noor.send('POST', `/api/episodes/${id}/program`, signing),
      await noor.send('POST', `/api/episodes/${id}/program`, signing),
    ]
    expect([first.json().number, second.json().number]).toEqual([2, 2])
    await expect(clinic.database.sequelize.query('UPDATE program_versions SET number = 9')).rejects.toThrow(
      /denied/,
    )
  })
})

describe('pairing a phone', () => {
  it('works once, within its time, with the right code only', async () => {
    const { id } = await clinic.episodeOf('Dmitri Valcourt')
    const phone = await pairedPhone(clinic, noor, id)
    const again = (code: string) =>
      clinic.app.inject({ method: 'POST', url: '/api/phone/pairing', payload: { code } })
    expect((await again(phone.code)).statusCode).toBe(401)
    expect((await again('0000 0000')).statusCode).toBe(401)
    expect((await again('hello')).statusCode).toBe(400)
    const made = await noor.send('POST', `/api/episodes/${id}/pairings`)
    const before = clinic.clock.now().toISOString()
    clinic.clock.set(new Date(Date.parse(before) + 31 * 60_000).toISOString())
    expect((await again(made.json().code)).statusCode).toBe(401)
    clinic.clock.set(before)
  })

  it('ends when the therapist takes the phone back', async () => {
    const { id } = await clinic.episodeOf('Dmitri Valcourt')
    const phone = await pairedPhone(clinic, noor, id)
    const device = (await noor.send('GET', `/api/episodes/${id}`)).json().devices.at(-1)
    expect((await phone.send('GET', '/api/phone/today')).statusCode).toBe(200)
    await noor.send('POST', `/api/episodes/${id}/devices/${device.id}/revocation`, {})
    expect((await phone.send('GET', '/api/phone/today')).statusCode).toBe(401)
  })
})

describe('a bout from the phone', () => {
  async function phoneOf(patient: string) {
    const { id } = await clinic.episodeOf(patient)
    const phone = await pairedPhone(clinic, noor, id)
    return { episodeId: id, phone, program: (await phone.send('GET', '/api/phone/today')).json().program }
  }

  it('sent three times, twice at once, is there once', async () => {
    const { phone, program, episodeId } = await phoneOf('Consuelo Iribarne')
    const log = boutOf(program, clinic.clock)
    const answers = await Promise.all([
      phone.send('POST', '/api/phone/bouts', log),
      phone.send('POST', '/api/phone/bouts', log),
    ])
    answers.push(await phone.send('POST', '/api/phone/bouts', log))
    expect(answers.map((answer) => answer.statusCode).sort()).toEqual([200, 200, 201])
    expect(await clinic.database.rows.boutLogs.count({ where: { id: log.id } })).toBe(1)
    const overview = (await noor.send('GET', `/api/episodes/${episodeId}`)).json()
    expect(overview.bouts[0]).toMatchObject({ id: log.id, painWorst: 2, endedBy: 'done' })
  })

  it('with the same id but other contents is refused', async () => {
    const { phone, program } = await phoneOf('Consuelo Iribarne')
    const log = boutOf(program, clinic.clock)
    await phone.send('POST', '/api/phone/bouts', log)
    const answer = await phone.send('POST', '/api/phone/bouts', { ...log, painWorst: 5 })
    expect([answer.statusCode, answer.json().code]).toEqual([409, 'ID_TAKEN'])
  })

  it.each([
    [
      'an unknown item',
      (log: ReturnType<typeof boutOf>) => ({ ...log, items: [{ ...log.items[0], itemId: newId() }] }),
      'items.0.itemId',
    ],
    [
      'a future time',
      (log: ReturnType<typeof boutOf>) => ({ ...log, endedAt: '2031-04-11T12:30:00.000Z' }),
      'endedAt',
    ],
    [
      'an end before the start',
      (log: ReturnType<typeof boutOf>) => ({ ...log, endedAt: '2031-04-11T10:00:00.000Z' }),
      'endedAt',
    ],
    ['a pain of 11', (log: ReturnType<typeof boutOf>) => ({ ...log, painWorst: 11 }), 'painWorst'],
    [
      'a program never signed',
      (log: ReturnType<typeof boutOf>) => ({ ...log, programVersionId: newId() }),
      'programVersionId',
    ],
    [
      'a year long past',
      (log: ReturnType<typeof boutOf>) => ({ ...log, startedAt: '2029-04-11T10:00:00.000Z' }),
      'startedAt',
    ],
  ])('is refused with a reason: %s', async (_case, change, path) => {
    const { phone, program } = await phoneOf('Consuelo Iribarne')
    const answer = await phone.send('POST', '/api/phone/bouts', change(boutOf(program, clinic.clock)))
    expect(answer.statusCode).toBe(400)
    expect(problemAt(answer)).toContain(path)
    expect(answer.json().errors[0].message.length).toBeGreaterThan(10)
  })

  it('with a pain of 8 stops everything until a therapist lifts it', async () => {
    const { phone, program, episodeId } = await phoneOf('Rosalind Mbeki')
    await phone.send(
      'POST',
      '/api/phone/bouts',
      boutOf(program, clinic.clock, { painWorst: 8, endedBy: 'stop' }),
    )
    const stopped = (await phone.send('GET', '/api/phone/today')).json()
    expect(stopped.redLock).toBe(true)
    expect(stopped.program.items.every((item: { isPaused: boolean }) => item.isPaused)).toBe(true)
    expect(stopped.clinic).toMatchObject({ phone: '555 0100', outOfHours: '555 0199' })
    const [flag] = (await noor.send('GET', `/api/episodes/${episodeId}`)).json().flags
    expect(flag).toMatchObject({ flag: 'RF.PAIN', fromPhone: true })
    expect(
      (
        await noor.send('POST', `/api/episodes/${episodeId}/flags/${flag.id}/lift`, {
          id: newId(),
          outcome: '',
          answeredBy: '',
        })
      ).statusCode,
    ).toBe(400)
    const lift = { id: newId(), outcome: 'Orthosis strap too tight; loosened, pain 2.', answeredBy: '' }
    expect(
      (await noor.send('POST', `/api/episodes/${episodeId}/flags/${flag.id}/lift`, lift)).statusCode,
    ).toBe(201)
    expect((await phone.send('GET', '/api/phone/today')).json().redLock).toBe(false)
  })

  it("a fall needs the surgeon's word before it is lifted", async () => {
    const { id } = await clinic.episodeOf('Ji-ho Marchetti')
    const [flag] = (await noor.send('GET', `/api/episodes/${id}`)).json().flags
    expect(flag).toMatchObject({ flag: 'RF.BONE', needsSurgeon: true })
    const lift = (answeredBy: string) =>
      noor.send('POST', `/api/episodes/${id}/flags/${flag.id}/lift`, {
        id: newId(),
        outcome: 'New film: position kept.',
        answeredBy,
      })
    expect(problemAt(await lift(''))).toEqual(['answeredBy'])
    expect((await lift('Dr. P. Hallam-Ito')).statusCode).toBe(201)
    expect((await lift('Dr. P. Hallam-Ito')).statusCode).toBe(409)
  })

  it('a clearance withdrawn after signing pauses the item on the phone and tells the therapist', async () => {
    const { phone, episodeId } = await phoneOf('Dmitri Valcourt')
    const state = async () => {
      const { program } = (await phone.send('GET', '/api/phone/today')).json()
      return Object.fromEntries(
        program.items.map((item: { exerciseId: string; isPaused: boolean }) => [
          item.exerciseId,
          item.isPaused,
        ]),
      )
    }
    expect(await state()).toMatchObject({ 'wrist-updown-side': false, 'fist-gentle': false })
    const overview = (await noor.send('GET', `/api/episodes/${episodeId}`)).json()
    const order = overview.criteria.find((one: { what: string }) => one.what === 'ord.rom').latest
    const answer = await noor.send('POST', `/api/episodes/${episodeId}/facts/${order.id}/withdrawal`, {
      id: newId(),
      why: 'Surgeon called: screw prominent',
    })
    expect(answer.statusCode).toBe(201)
    expect(await state()).toMatchObject({
      'wrist-updown-side': true,
      'forearm-turn-active': true,
      'fist-gentle': false,
    })
    // Signed with the orthosis off; on again day and night, the fist is made inside it.
    const { program } = (await phone.send('GET', '/api/phone/today')).json()
    expect(
      program.items.find((one: { exerciseId: string }) => one.exerciseId === 'fist-gentle').orthosis,
    ).toBe('WRO')
    const { cases } = (await noor.send('GET', '/api/caseload')).json()
    const row = cases.find((one: { episodeId: string }) => one.episodeId === episodeId)
    expect(row.attention.map((one: { kind: string }) => one.kind)).toContain('paused')
    expect(row.phase.id).toBe('P1')
  })
})

describe('the audit', () => {
  it('holds sign-ins, reads and changes, without what was read', async () => {
    const rows = (await sunniva.send('GET', '/api/audit')).json() as {
      action: string
      detail: string
      isChange: boolean
    }[]
    const actions = new Set(rows.map((row) => row.action))
    for (const action of [
      'signIn',
      'signIn.refused',
      'caseload.read',
      'episode.read',
      'referral.create',
      'bout.log',
      'fact.withdraw',
      'flag.lift',
      'draft.save',
      'draft.read',
      'verdicts.read',
    ]) {
      expect(actions).toContain(action)
    }
    expect(JSON.stringify(rows.map((row) => row.detail))).not.toMatch(/Bente|screw prominent|loosened/)
  })

  it.each([
    ['UPDATE audit SET action = "x"'],
    ['DELETE FROM audit'],
    ['TRUNCATE audit'],
    ['UPDATE facts SET value = "true"'],
    ['DELETE FROM bout_logs'],
    ['UPDATE measurements SET result = 0'],
  ])('and records cannot be rewritten by the application: %s', async (statement) => {
    await expect(clinic.database.sequelize.query(statement)).rejects.toThrow(/denied/)
  })

  it('stops even the owner from rewriting audit rows', async () => {
    await expect(clinic.owner.query('UPDATE audit SET action = "x"')).rejects.toThrow(/never changed/)
    await expect(clinic.owner.query('DELETE FROM audit')).rejects.toThrow(/never deleted/)
  })
})
