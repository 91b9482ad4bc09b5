import { QueryTypes, type Sequelize } from 'sequelize'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { createSchema, dropSchema, type PrivateDatabase } from '../../scripts/lib/database.mjs'
import { dataOf } from '../../packages/server/src/data/data.js'
import { connect } from '../../packages/server/src/data/connect.js'
import { Database } from '../../packages/server/src/data/database.js'
import { newId } from '../../packages/server/src/data/ids.js'
import { migrate, MIGRATIONS } from '../../packages/server/src/data/migrate.js'
import * as firstSlice from '../../packages/server/src/data/migrations/0001-first-slice.js'
import { outdatedNames } from '../../packages/server/src/plugins/houseCatalogue.js'
import { catalogue } from '../core/shippedCatalogue.js'

const schema = `pledge_migration_${process.pid}`
const [userId, patientId, episodeId, orderId, visitId] = [newId(), newId(), newId(), newId(), newId()]
let instance: PrivateDatabase
let owner: Sequelize
let database: Database
const rowsOf = (sql: string) => owner.query<Record<string, unknown>>(sql, { type: QueryTypes.SELECT })

beforeAll(async () => {
  instance = inject('database') as PrivateDatabase
  await createSchema(instance, schema)
  const at = { host: '127.0.0.1', port: instance.port, name: schema }
  owner = connect({ ...at, ...instance.accounts.owner }, 1)
  // The database as the first version left it, with a patient in it.
  await owner.query(
    'CREATE TABLE migrations (name VARCHAR(80) PRIMARY KEY, done_at DATETIME(3) NOT NULL) ENGINE=InnoDB',
  )
  for (const statement of firstSlice.statements) await owner.query(statement)
  await owner.query(`INSERT INTO migrations VALUES ('${firstSlice.name}', UTC_TIMESTAMP(3))`)
  await owner.query(
    `INSERT INTO users (id, login, name, role, password_hash, created_at)
      VALUES ('${userId}', 'noor', 'Noor Castellane', 'therapist', 'x', UTC_TIMESTAMP(3))`,
  )
  await owner.query(
    `INSERT INTO patients VALUES ('${patientId}', 'Dmitri Valcourt', '1968-02-14', 'right', 'en', 0, 0, '${userId}',
      UTC_TIMESTAMP(3))`,
  )
  await owner.query(
    `INSERT INTO episodes (id, patient_id, therapist_id, condition_id, protocol_id, side, time_zone, injured_on,
      surgery_on, surgeon, work, note, opened_on, created_at) VALUES ('${episodeId}', '${patientId}', '${userId}',
      'distal-radius-fracture', 'DRF-VLP-EARLY', 'left', 'Europe/Lisbon', '2031-02-20', '2031-02-25', 'Dr. Hallam-Ito',
      'Repairs bicycles', '', '2031-03-01', '2031-03-01 10:00:00')`,
  )
  await owner.query(
    `INSERT INTO orders (id, episode_id, restriction, until_on, given_by, dated, why, withdraws_id, recorded_by,
      recorded_at) VALUES ('${orderId}', '${episodeId}', 'noLoad', NULL, 'Dr. Hallam-Ito', '2031-03-01', 'Thin bone',
      NULL, '${userId}', UTC_TIMESTAMP(3))`,
  )
  await owner.query(
    `INSERT INTO drafts (episode_id, items, version, updated_by, updated_at)
      VALUES ('${episodeId}', '[]', 3, '${userId}', UTC_TIMESTAMP(3))`,
  )
  await owner.query(
    `INSERT INTO evaluations (id, episode_id, evaluated_on, pain_rest, pain_act, note, recorded_by, recorded_at)
      VALUES ('${visitId}', '${episodeId}', '2031-03-10', NULL, 4, '', '${userId}', UTC_TIMESTAMP(3))`,
  )
  await owner.query(`INSERT INTO readings VALUES ('${visitId}', 'wristExtension', 'left', 'active', -35)`)
  database = new Database({ ...at, ...instance.accounts.app })
})
afterAll(async () => {
  await database.close()
  await owner.close()
  await dropSchema(instance, schema)
})

describe('a database of the first version', () => {
  it('comes to the newest shape once, and a second start changes nothing', async () => {
    expect(await migrate(owner, instance.accounts.app.user)).toEqual([
      '0002-every-school',
      '0003-windows-and-health',
      '0004-house-and-overrides',
      '0005-one-person',
      '0006-digits-of-overrides',
      '0007-rule-names',
      '0008-order-of-records',
      '0009-measurements',
      '0010-whole-hand',
      '0011-measured-early',
    ])
    expect(await migrate(owner, instance.accounts.app.user)).toEqual([])
  })

  it('keeps each episode with its school, its day 0 and its orders', async () => {
    const record = await dataOf(database).records.of(episodeId)
    expect(record.school).toMatchObject({
      protocolId: 'DRF-VLP-EARLY',
      anchorOn: '2031-02-25',
      variant: null,
    })
    expect(record.patient).toMatchObject({ id: patientId, personId: patientId })
    expect(record.others).toEqual([])
    expect(record.episode).toMatchObject({ injuredOn: '2031-02-20', side: 'left', digits: [] })
    expect(await rowsOf('SELECT restriction, document FROM orders')).toEqual([
      { restriction: 'noLoad', document: '' },
    ])
  })

  it('keeps what was measured at a visit, pain as a reading like any other', async () => {
    const { evaluations } = await dataOf(database).records.of(episodeId)
    expect(evaluations).toHaveLength(1)
    const none = { digit: null, side: null, kind: null }
    expect(evaluations[0]!.readings).toHaveLength(2)
    expect(evaluations[0]!.readings).toEqual(
      expect.arrayContaining([
        { ...none, measure: 'wristExtension', side: 'left', kind: 'active', result: -35 },
        { ...none, measure: 'painAct', result: 4 },
      ]),
    )
  })

  it('keeps a draft, dosed by no school, and knows neither things at home nor exceptions', async () => {
    const draft = (await database.rows.drafts.findByPk(episodeId))!.get()
    expect(draft).toMatchObject({ version: 3, items: [], schools: {} })
    expect(await dataOf(database).records.of(episodeId)).toMatchObject({ home: null, overrides: [] })
  })

  it('lets the application add a school and a slip, and change neither', async () => {
    const choice = {
      id: newId(),
      episodeId,
      seq: 99,
      digest: '',
      protocolId: 'DRF-VLP-DELAYED',
      variant: null,
      patientValues: {},
      anchorOn: '2031-02-25',
      why: 'The plate is less sure than thought.',
      chosenBy: userId,
      chosenAt: new Date('2031-03-10T10:00:00Z'),
    }
    await database.rows.schoolChoices.create(choice)
    expect((await dataOf(database).records.of(episodeId)).school.protocolId).toBe('DRF-VLP-DELAYED')
    await expect(
      database.rows.schoolChoices.update({ why: 'else' }, { where: { id: choice.id } }),
    ).rejects.toThrow(/denied/)
    await expect(database.rows.slips.destroy({ where: {} })).rejects.toThrow(/denied/)
  })
})

describe('a database in which rules were known by their places', () => {
  const before = `${schema}_6`
  const [editId, againId, overrideId, backId, twiceId, clearanceId, withdrawnId] = Array.from(
    { length: 7 },
    () => newId(),
  )
  let then: Sequelize
  let now: Database
  const read = (sql: string) => then.query<Record<string, unknown>>(sql, { type: QueryTypes.SELECT })

  beforeAll(async () => {
    await createSchema(instance, before)
    const at = { host: '127.0.0.1', port: instance.port, name: before }
    then = connect({ ...at, ...instance.accounts.owner }, 1)
    await then.query(
      'CREATE TABLE migrations (name VARCHAR(80) PRIMARY KEY, done_at DATETIME(3) NOT NULL) ENGINE=InnoDB',
    )
    for (const { name, statements } of MIGRATIONS.filter((one) => one.name < '0007')) {
      for (const statement of statements) await then.query(statement)
      await then.query(`INSERT INTO migrations VALUES ('${name}', UTC_TIMESTAMP(3))`)
    }
    const insert = (table: string, row: Record<string, unknown>) =>
      then.query(
        `INSERT INTO ${table} (${Object.keys(row).join(', ')}) VALUES (${Object.keys(row)
          .map(() => '?')
          .join(', ')})`,
        { replacements: Object.values(row) },
      )
    await insert('users', {
      id: userId,
      login: 'noor',
      name: 'Noor',
      role: 'therapist',
      password_hash: 'x',
      created_at: '2031-03-01',
    })
    await insert('patients', {
      id: patientId,
      person_id: patientId,
      name: 'Dmitri Valcourt',
      birth_date: '1968-02-14',
      dominant_hand: 'right',
      language: 'en',
      has_latex_allergy: 0,
      has_adhesive_allergy: 0,
      created_by: userId,
      created_at: '2031-03-01',
    })
    await insert('episodes', {
      id: episodeId,
      patient_id: patientId,
      therapist_id: userId,
      condition_id: 'distal-radius-fracture',
      side: 'left',
      time_zone: 'Europe/Lisbon',
      injured_on: null,
      surgeon: 'Dr. Hallam-Ito',
      work: '',
      note: '',
      opened_on: '2031-03-01',
      created_at: '2031-03-01',
      digits: '[]',
    })
    await insert('school_choices', {
      id: episodeId,
      episode_id: episodeId,
      protocol_id: 'DRF-VLP-EARLY',
      variant: null,
      patient_values: '{}',
      anchor_on: '2031-02-25',
      why: '',
      chosen_by: userId,
      chosen_at: '2031-03-01',
    })
    const edit = (id: string, number: number, what: object, subject: string) =>
      insert('house_edits', {
        id,
        number,
        subject,
        edit: JSON.stringify(what),
        before_value: '"day 1"',
        why: 'w',
        agreed_by: '',
        document: '',
        withdraws_id: null,
        recorded_by: userId,
        recorded_at: '2031-03-02',
      })
    await edit(
      editId!,
      1,
      { kind: 'gate', protocolId: 'DRF-VLP-EARLY', ruleId: 'DRF-VLP-EARLY.gate.3', day: 50 },
      'gate DRF-VLP-EARLY.gate.3',
    )
    await edit(
      againId!,
      2,
      { kind: 'week', exerciseId: 'fist-gentle', conditionId: 'distal-radius-fracture', week: 2 },
      'week fist-gentle distal-radius-fracture',
    )
    const override = (id: string, withdraws: string | null, at: string) =>
      insert('overrides', {
        id,
        episode_id: episodeId,
        exercise_id: 'prayer-stretch',
        dose: '{}',
        digits: null,
        barred_by: JSON.stringify([
          'DRF-VLP-EARLY.P1.forbid.1 S wrist.ext',
          'default A wrist.flex',
          'needs ord.passive',
        ]),
        why: 'w',
        agreed_by: '',
        document: '',
        withdraws_id: withdraws,
        recorded_by: userId,
        recorded_at: at,
      })
    await override(overrideId!, null, '2031-03-03')
    await override(backId!, overrideId!, '2031-03-05')
    await override(twiceId!, overrideId!, '2031-03-06')
    const fact = (id: string, isWithdrawn: number, corrects: string | null, at: string) =>
      insert('facts', {
        id,
        episode_id: episodeId,
        what: 'xr.union',
        value: 'true',
        is_withdrawn: isWithdrawn,
        dated: '2031-03-04',
        given_by: 'x',
        how: 'film',
        note: '',
        corrects_id: corrects,
        recorded_by: userId,
        recorded_at: at,
      })
    await fact(clearanceId!, 0, null, '2031-03-04 10:00:00')
    await fact(withdrawnId!, 1, clearanceId!, '2031-03-04 11:00:00')
    await migrate(then, instance.accounts.app.user)
    now = new Database({ ...at, ...instance.accounts.app })
  })
  afterAll(async () => {
    await now.close()
    await then.close()
    await dropSchema(instance, before)
  })

  it('names the gate an edit moves and what an exception covers, and the version both were made for', async () => {
    const gates = catalogue.protocols.get('DRF-VLP-EARLY')!
    const edits = (await now.rows.houseEdits.findAll({ order: [['number', 'ASC']] })).map((row) => row.get())
    expect(edits.map(({ edit, subject, protocolVersion }) => ({ edit, subject, protocolVersion }))).toEqual([
      {
        edit: { kind: 'gate', protocolId: 'DRF-VLP-EARLY', day: 50, key: gates.gates[2]!.key },
        subject: `gate DRF-VLP-EARLY#${gates.gates[2]!.key}`,
        protocolVersion: 1,
      },
      {
        edit: { kind: 'week', exerciseId: 'fist-gentle', conditionId: 'distal-radius-fracture', week: 2 },
        subject: 'week fist-gentle distal-radius-fracture',
        protocolVersion: null,
      },
    ])
    const override = (await now.rows.overrides.findByPk(overrideId!))!.get()
    expect(override.barredBy).toEqual([
      `DRF-VLP-EARLY#${gates.phases.find(({ id }) => id === 'P1')!.forbid[0]!.key} S wrist.ext`,
      'default A wrist.flex',
      'needs ord.passive',
    ])
    expect(override.protocolVersions).toEqual({ 'DRF-VLP-EARLY': 1 })
  })

  it('keeps the order of what was written, and of two withdrawals the first', async () => {
    const order = await read(
      `SELECT id, seq FROM facts UNION ALL SELECT id, seq FROM overrides UNION ALL SELECT id, seq FROM school_choices ORDER BY seq`,
    )
    expect(order.map(({ id }) => id)).toEqual([
      episodeId,
      overrideId,
      clearanceId,
      withdrawnId,
      backId,
      twiceId,
    ])
    expect(order.map(({ seq }) => seq)).toEqual([1, 2, 3, 4, 5, 6])
    expect(await read('SELECT last FROM episode_sequences')).toEqual([{ last: 6 }])
    expect(
      await read(`SELECT target_id, withdrawal_id FROM withdrawals ORDER BY target_id = '${overrideId}'`),
    ).toEqual([
      { target_id: clearanceId, withdrawal_id: withdrawnId },
      { target_id: overrideId, withdrawal_id: backId },
    ])
  })

  it('says at the start what was made for another version, or for a rule that is no more', async () => {
    const data = dataOf(now)
    expect(await outdatedNames(data, catalogue)).toEqual([])
    const drf = catalogue.protocols.get('DRF-VLP-EARLY')!
    const newer = {
      ...catalogue,
      protocols: new Map(catalogue.protocols).set(drf.id, { ...drf, version: 2 }),
    }
    expect(await outdatedNames(data, newer)).toEqual([
      expect.stringContaining(`change ${editId} (gate DRF-VLP-EARLY#`),
    ])
  })
})
