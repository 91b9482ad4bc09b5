import { createHash } from 'node:crypto'
import { answerTo, referralFor } from '../../builders/referral.js'
import { catalogue } from '../../core/shippedCatalogue.js'
import {
  boutOf,
  newId,
  pairedPhone,
  signedIn,
  type SignedIn,
  type TestClinic,
} from '../../database/testClinic.js'

/** One request with its answer, as it is kept in `answers.json`. */
export interface RecordedAnswer {
  readonly who: string
  readonly method: string
  readonly url: string
  readonly status: number
  readonly answer: unknown
}

/** The catalogue's own text, and what is made from parts that stand beside it: kept as a mark of their contents. */
const MARKED = [
  'text',
  'depicted',
  'equipment',
  'sources',
  'steps',
  'cells',
  'schools',
  'explanation',
  'openers',
]
const SECRET = ['csrfToken', 'token', 'code', 'expiresAt', 'revision']

const mark = (value: unknown) =>
  `<${createHash('sha256').update(JSON.stringify(value)).digest('hex').slice(0, 8)}>`

/** An answer without what differs from run to run: ids become their place, secrets a word. */
export function comparable(answer: unknown, places: Map<string, string>): unknown {
  const of = (value: unknown, key: string): unknown => {
    if (SECRET.includes(key) && typeof value === 'string') return `<${key}>`
    if (typeof value === 'string')
      return value.replace(/\b[0-7][0-9A-HJKMNP-TV-Z]{25}\b/g, (id) => {
        if (!places.has(id)) places.set(id, `<id ${places.size + 1}>`)
        return places.get(id)!
      })
    // Reasons fill most of an answer: their rules are kept, their words as a mark.
    if (key === 'reasons' && Array.isArray(value))
      return value.map(({ rule, atom, ...words }) => `${rule} ${atom} ${mark(words)}`)
    if (MARKED.includes(key) && typeof value === 'object' && value !== null) return mark(of(value, ''))
    if (Array.isArray(value)) return value.map((one) => of(one, ''))
    if (typeof value !== 'object' || value === null) return value
    return Object.fromEntries(Object.entries(value).map(([name, inner]) => [name, of(inner, name)]))
  }
  return of(answer, '')
}

/**
 * A clinic's day: every route is asked at least once, most refusals too, by therapist, lead and phone. The answers were recorded
 * before the server was put in order, so that whatever changes for a screen or a phone shows here.
 */
export async function clinicDay(clinic: TestClinic): Promise<RecordedAnswer[]> {
  const recorded: RecordedAnswer[] = []
  const places = new Map<string, string>()
  const [noor, sunniva] = [await signedIn(clinic, 'noor'), await signedIn(clinic, 'sunniva')]

  async function ask(
    who: string,
    by: Pick<SignedIn, 'send'>,
    method: 'GET' | 'POST' | 'PUT' | 'DELETE',
    url: string,
    body?: object,
  ) {
    const answer = await by.send(method, url, body)
    const json = answer.body === '' ? null : answer.json()
    recorded.push({
      who,
      method,
      url: comparable(url, places) as string,
      status: answer.statusCode,
      answer: comparable(json, places),
    })
    return json
  }
  const noorAsks = (method: 'GET' | 'POST' | 'PUT' | 'DELETE', url: string, body?: object) =>
    ask('therapist', noor, method, url, body)
  const leadAsks = (method: 'GET' | 'POST' | 'PUT' | 'DELETE', url: string, body?: object) =>
    ask('lead', sunniva, method, url, body)
  const nobody = {
    send: (method: 'GET' | 'POST' | 'PUT' | 'DELETE', url: string, payload?: object) =>
      clinic.app.inject({ method, url, ...(payload ? { payload } : {}) }),
  }

  async function readCase(id: string) {
    for (const part of ['', '/exercises', '/permissions', '/permissions?inside=none', '/bench', '/draft'])
      await noorAsks('GET', `/api/episodes/${id}${part}`)
  }
  const fact = (what: string, value: unknown) => ({
    id: newId(),
    what,
    value,
    dated: '2031-04-11',
    givenBy: 'Noor Castellane',
    how: 'examined',
    note: '',
  })
  const dose = (exerciseId: string) => catalogue.exercises.get(exerciseId)!.dose

  await ask('nobody', nobody, 'GET', '/api/session')
  await ask('nobody', nobody, 'GET', '/api/caseload')
  await ask('nobody', nobody, 'POST', '/api/session', { login: 'noor', password: 'wrong' })
  await noorAsks('GET', '/api/session')
  await noorAsks('GET', '/api/caseload')
  await noorAsks('GET', '/api/audit')
  await noorAsks('GET', '/api/referrals/conditions')
  await noorAsks('GET', '/api/referrals/things')

  // The demo's patients as they are: early, held, resisted, with a red flag, late.
  for (const name of ['Rosalind Mbeki', 'Dmitri Valcourt', 'Henrike Osei', 'Ji-ho Marchetti', 'Aurelio Tan'])
    await readCase((await clinic.episodeOf(name)).id)

  // A tendon repair: school, windows, slips, health, home, orders, exceptions.
  const tendon = referralFor(catalogue.protocols.get('EXT34-SAM')!, { name: 'Recorded Tendon' })
  await noorAsks('POST', '/api/referrals/known', { name: tendon.name, birthDate: tendon.birthDate })
  await noorAsks('POST', '/api/referrals', { ...tendon, protocolId: 'NOT-A-SCHOOL' })
  await noorAsks('POST', '/api/referrals', { ...tendon, digits: [] })
  const { episodeId: id } = await noorAsks('POST', '/api/referrals', { ...tendon, samePersonAs: undefined })
  await noorAsks('POST', '/api/referrals/known', { name: tendon.name, birthDate: tendon.birthDate })
  await noorAsks('GET', `/api/episodes/${id}/revision`)
  await readCase(id)
  const pain = fact('pain.rest', 2)
  await noorAsks('POST', `/api/episodes/${id}/facts`, pain)
  await noorAsks('POST', `/api/episodes/${id}/facts`, fact('wound.ok', true))
  await noorAsks('POST', `/api/episodes/${id}/facts`, fact('state.flare', true))
  await noorAsks('POST', `/api/episodes/${id}/facts`, { ...fact('wound.ok', true), dated: '2031-05-01' })
  await readCase(id)
  await noorAsks('POST', `/api/episodes/${id}/facts/${pain.id}/withdrawal`, {
    id: newId(),
    why: 'Wrong patient',
  })
  await noorAsks('POST', `/api/episodes/${id}/facts`, fact('state.flare', false))
  await noorAsks('POST', `/api/episodes/${id}/evaluations`, {
    id: newId(),
    evaluatedOn: '2031-04-11',
    note: 'Stiff in the morning',
    readings: [
      { measure: 'wristFlexion', digit: null, side: 'left', kind: 'active', result: 30 },
      { measure: 'painRest', digit: null, side: null, kind: null, result: 1 },
      { measure: 'painAct', digit: null, side: null, kind: null, result: 3 },
    ],
  })
  await noorAsks('POST', `/api/episodes/${id}/evaluations`, {
    id: newId(),
    evaluatedOn: '2031-04-11',
    note: '',
    readings: [],
  })
  const order = {
    id: newId(),
    restriction: 'noLoad',
    untilOn: '2031-05-20',
    givenBy: 'Dr. P. Hallam-Ito',
    dated: '2031-04-10',
    why: 'Repair under tension',
  }
  await noorAsks('POST', `/api/episodes/${id}/orders`, order)
  await noorAsks('POST', `/api/episodes/${id}/orders`, { ...order, id: newId(), restriction: 'noSuch' })
  await readCase(id)
  await noorAsks('POST', `/api/episodes/${id}/orders/${order.id}/withdrawal`, {
    id: newId(),
    why: 'Letter of today',
  })
  await noorAsks('POST', `/api/episodes/${id}/orders/${newId()}/withdrawal`, {
    id: newId(),
    why: 'Letter of today',
  })
  await noorAsks('POST', `/api/episodes/${id}/home`, {
    id: newId(),
    things: ['towel', 'no-such-thing'],
    otherHand: 'hurt',
  })
  await noorAsks('POST', `/api/episodes/${id}/home`, { id: newId(), things: [], otherHand: 'hurt' })
  await noorAsks('POST', `/api/episodes/${id}/health`, { id: newId(), present: ['anticoagulant'], note: '' })
  const shift = { id: newId(), days: 7, afterDay: 21, why: 'Slow gliding', agreedBy: '', document: '' }
  await noorAsks('POST', `/api/episodes/${id}/shifts`, { ...shift, id: newId(), days: -7 })
  await noorAsks('POST', `/api/episodes/${id}/shifts`, shift)
  await readCase(id)
  await noorAsks('POST', `/api/episodes/${id}/shifts/${shift.id}/withdrawal`, {
    id: newId(),
    why: 'Glides well',
  })
  await noorAsks('POST', `/api/episodes/${id}/shifts/${shift.id}/withdrawal`, {
    id: newId(),
    why: 'Glides well',
  })
  await noorAsks('POST', `/api/episodes/${id}/slips`, {
    id: newId(),
    slippedOn: '2031-04-09',
    creditDays: 0,
    why: 'Bent in sleep',
  })
  const bend = 'middle-joint-bend-passive'
  const exception = {
    id: newId(),
    exerciseId: bend,
    dose: dose(bend),
    why: 'Tight already',
    agreedBy: '',
    document: '',
  }
  await noorAsks('POST', `/api/episodes/${id}/overrides`, exception)
  await noorAsks('POST', `/api/episodes/${id}/overrides`, {
    ...exception,
    agreedBy: 'Dr. P. Hallam-Ito',
    document: 'Letter of 10 April',
  })
  const items = [bend, 'edema-elevate', 'shoulder-raise-active'].map((exerciseId) => ({
    itemId: newId(),
    exerciseId,
    dose: dose(exerciseId),
  }))
  await noorAsks('PUT', `/api/episodes/${id}/draft`, { version: 0, schools: {}, items })
  await noorAsks('PUT', `/api/episodes/${id}/draft`, { version: 0, schools: {}, items })
  await noorAsks('PUT', `/api/episodes/${id}/draft`, {
    version: 1,
    schools: { stretchHold: 'no-such' },
    items,
  })
  await noorAsks('POST', `/api/episodes/${id}/program`, { id: newId(), version: 9 })
  const signed = await noorAsks('POST', `/api/episodes/${id}/program`, { id: newId(), version: 1 })
  await noorAsks('POST', `/api/episodes/${id}/program`, { id: signed.id, version: 1 })
  await noorAsks('POST', `/api/episodes/${id}/overrides/${exception.id}/withdrawal`, {
    id: newId(),
    why: 'Not tight',
  })
  await readCase(id)

  // The phone: pairing, today, a bout, the same bout again, a bout that hurts, a flag.
  await noorAsks('POST', `/api/episodes/${id}/pairings`)
  const phone = await pairedPhone(clinic, noor, id)
  await ask('nobody', nobody, 'POST', '/api/phone/pairing', { code: '0000 0000' })
  await ask('nobody', nobody, 'GET', '/api/phone/today')
  const { program } = await ask('phone', phone, 'GET', '/api/phone/today')
  const bout = boutOf(program, clinic.clock)
  await ask('phone', phone, 'POST', '/api/phone/bouts', bout)
  await ask('phone', phone, 'POST', '/api/phone/bouts', bout)
  await ask('phone', phone, 'POST', '/api/phone/bouts', { ...bout, painWorst: 4 })
  await ask(
    'phone',
    phone,
    'POST',
    '/api/phone/bouts',
    boutOf(program, clinic.clock, { painWorst: 9, endedBy: 'stop' }),
  )
  await ask('phone', phone, 'POST', '/api/phone/bouts', {
    ...bout,
    id: newId(),
    items: [{ ...bout.items[0], itemId: newId() }],
  })
  await ask('phone', phone, 'GET', '/api/phone/today')
  await readCase(id)
  const { flags, devices } = await noorAsks('GET', `/api/episodes/${id}`)
  for (const { id: flagId } of flags as { id: string }[])
    await noorAsks('POST', `/api/episodes/${id}/flags/${flagId}/lift`, {
      id: newId(),
      outcome: 'Pain of the joint, gone at rest',
      answeredBy: '',
    })
  await noorAsks('POST', `/api/episodes/${id}/flags`, { id: newId(), flag: 'RF.TENDON' })
  await readCase(id)
  const revoked = (devices as { id: string }[])[0]!
  await noorAsks('POST', `/api/episodes/${id}/devices/${revoked.id}/revocation`)
  await ask('phone', phone, 'GET', '/api/phone/today')

  // Another school for the same injury, and a second injury of the same hand.
  const other = catalogue.protocols.get('EXT34-IMM')!
  await noorAsks('POST', `/api/episodes/${id}/school`, {
    id: newId(),
    protocolId: other.id,
    variant: null,
    values: {},
    selection: other.select.map(answerTo),
    anchorOn: '2031-03-21',
    why: 'Does not manage the program',
  })
  const persons = await noorAsks('POST', '/api/referrals/known', {
    name: tendon.name,
    birthDate: tendon.birthDate,
  })
  const second = referralFor(catalogue.protocols.get('DRF-VLP-EARLY')!, {
    name: tendon.name,
    samePersonAs: persons[0].personId,
  })
  const { episodeId: secondId } = await noorAsks('POST', '/api/referrals', second)
  await readCase(id)
  await readCase(secondId)

  // The house: seen, refused unseen, saved, read.
  const gate = catalogue.protocols.get('DRF-VLP-EARLY')!.gates[0]!
  const edits = [
    { kind: 'phase', protocolId: 'DRF-VLP-EARLY', phaseId: 'P2', day: 9 },
    { kind: 'gate', protocolId: 'DRF-VLP-EARLY', key: gate.key, day: gate.from + 7 },
    {
      kind: 'dose',
      exerciseId: 'fist-gentle',
      dose: { ...dose('fist-gentle'), repetitions: 8 },
      range: catalogue.exercises.get('fist-gentle')!.range,
    },
    { kind: 'week', exerciseId: 'fist-gentle', conditionId: 'distal-radius-fracture', week: 2 },
  ]
  for (const edit of edits) {
    const { affected } = await leadAsks('POST', '/api/house/edits/preview', { edit })
    const asked = { id: newId(), edit, why: 'Our surgeons wait', agreedBy: '', document: '' }
    await leadAsks('POST', '/api/house/edits', { ...asked, seenEpisodes: [] })
    const seenEpisodes = (affected as { episodeId: string }[]).map(({ episodeId }) => episodeId)
    await leadAsks('POST', '/api/house/edits', { ...asked, seenEpisodes })
  }
  await noorAsks('GET', '/api/house/edits')
  await readCase(secondId)
  await noorAsks('GET', '/api/library/exercises?protocol=DRF-VLP-EARLY')
  await noorAsks('GET', '/api/library/exercises/fist-gentle')
  await noorAsks('GET', '/api/library/exercises/no-such')
  await noorAsks('GET', '/api/library/pictures')
  await noorAsks('GET', '/api/library/protocols')
  await noorAsks('GET', '/api/library/protocols/EXT34-SAM')
  await noorAsks('GET', '/api/caseload')
  await leadAsks('GET', '/api/audit')
  // What the patient wants to do again, and what happened to the hand.
  const aims = [
    ['tasks', { id: newId(), words: 'Tie the apron behind my back' }],
    [
      'goals',
      {
        id: newId(),
        words: 'Push a door open',
        series: 'wristFlexion..left.active',
        target: 40,
        dueOn: '2031-06-06',
      },
    ],
    [
      'events',
      {
        id: newId(),
        kind: 'injection',
        happenedOn: '2031-03-01',
        words: 'Steroid',
        givenBy: 'Dr. P. Hallam-Ito',
      },
    ],
  ] as const
  for (const [what, row] of aims) await noorAsks('POST', `/api/episodes/${id}/${what}`, row)
  await noorAsks('GET', `/api/episodes/${id}/bench`)
  for (const [what, row] of aims)
    await noorAsks('POST', `/api/episodes/${id}/${what}/${row.id}/withdrawal`, {
      id: newId(),
      why: 'For another patient',
    })
  await noorAsks('GET', '/api/no-such-route')
  await noorAsks('DELETE', '/api/session')
  await noorAsks('GET', '/api/caseload')
  return recorded
}
