import { QueryTypes, type Sequelize } from 'sequelize'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { createSchema, dropSchema, type PrivateDatabase } from '../../scripts/lib/database.mjs'
import { readRecord } from '../../packages/server/src/cases/episodeRecord.js'
import { connect } from '../../packages/server/src/data/connect.js'
import { Database } from '../../packages/server/src/data/database.js'
import { newId } from '../../packages/server/src/data/ids.js'
import { migrate } from '../../packages/server/src/data/migrate.js'
import * as firstSlice from '../../packages/server/src/data/migrations/0001-first-slice.js'

const schema = `pledge_migration_${process.pid}`
const [userId, patientId, episodeId, orderId] = [newId(), newId(), newId(), newId()]
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
    ])
    expect(await migrate(owner, instance.accounts.app.user)).toEqual([])
  })

  it('keeps each episode with its school, its day 0 and its orders', async () => {
    const record = await readRecord(database, episodeId)
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

  it('keeps a draft, dosed by no school, and knows neither things at home nor exceptions', async () => {
    const draft = (await database.rows.drafts.findByPk(episodeId))!.get()
    expect(draft).toMatchObject({ version: 3, items: [], schools: {} })
    expect(await readRecord(database, episodeId)).toMatchObject({ home: null, overrides: [] })
  })

  it('lets the application add a school and a slip, and change neither', async () => {
    const choice = {
      id: newId(),
      episodeId,
      protocolId: 'DRF-VLP-DELAYED',
      variant: null,
      patientValues: {},
      anchorOn: '2031-02-25',
      why: 'The plate is less sure than thought.',
      chosenBy: userId,
      chosenAt: new Date('2031-03-10T10:00:00Z'),
    }
    await database.rows.schoolChoices.create(choice)
    expect((await readRecord(database, episodeId)).school.protocolId).toBe('DRF-VLP-DELAYED')
    await expect(
      database.rows.schoolChoices.update({ why: 'else' }, { where: { id: choice.id } }),
    ).rejects.toThrow(/denied/)
    await expect(database.rows.slips.destroy({ where: {} })).rejects.toThrow(/denied/)
  })
})
