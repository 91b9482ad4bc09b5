import { QueryTypes, type Sequelize } from 'sequelize'
import { Umzug } from 'umzug'
import * as firstSlice from './migrations/0001-first-slice.js'
import * as everySchool from './migrations/0002-every-school.js'
import * as windowsAndHealth from './migrations/0003-windows-and-health.js'
import * as houseAndOverrides from './migrations/0004-house-and-overrides.js'
import * as onePerson from './migrations/0005-one-person.js'
import * as digitsOfOverrides from './migrations/0006-digits-of-overrides.js'
import * as ruleNames from './migrations/0007-rule-names.js'
import * as orderOfRecords from './migrations/0008-order-of-records.js'
import * as measurements from './migrations/0009-measurements.js'
import * as wholeHand from './migrations/0010-whole-hand.js'
import * as measuredEarly from './migrations/0011-measured-early.js'

/** One step from a shape of the database to the next: statements, then what of the stored rows is rewritten. */
export interface Migration {
  readonly name: string
  readonly statements: readonly string[]
  readonly rewrite?: (
    read: <Row extends object>(sql: string) => Promise<Row[]>,
    write: (sql: string, values: readonly unknown[]) => Promise<void>,
  ) => Promise<void>
}

export const MIGRATIONS: readonly Migration[] = [
  firstSlice,
  everySchool,
  windowsAndHealth,
  houseAndOverrides,
  onePerson,
  digitsOfOverrides,
  ruleNames,
  orderOfRecords,
  measurements,
  wholeHand,
  measuredEarly,
]

/**
 * What the application's account may do with each table. Records of what happened can be added to and read, never
 * changed: a correction is a new row.
 */
const APP_PRIVILEGES: Readonly<Record<string, string>> = {
  users: 'SELECT, INSERT, UPDATE',
  sessions: 'SELECT, INSERT, UPDATE, DELETE',
  patients: 'SELECT, INSERT',
  episodes: 'SELECT, INSERT',
  facts: 'SELECT, INSERT',
  orders: 'SELECT, INSERT',
  school_choices: 'SELECT, INSERT',
  slips: 'SELECT, INSERT',
  window_shifts: 'SELECT, INSERT',
  health_checks: 'SELECT, INSERT',
  house_edits: 'SELECT, INSERT',
  overrides: 'SELECT, INSERT',
  home_checks: 'SELECT, INSERT',
  evaluations: 'SELECT, INSERT',
  measurements: 'SELECT, INSERT',
  tasks: 'SELECT, INSERT',
  goals: 'SELECT, INSERT',
  hand_events: 'SELECT, INSERT',
  drafts: 'SELECT, INSERT, UPDATE, DELETE',
  program_versions: 'SELECT, INSERT',
  pairings: 'SELECT, INSERT, UPDATE',
  devices: 'SELECT, INSERT, UPDATE',
  bout_logs: 'SELECT, INSERT',
  bout_log_items: 'SELECT, INSERT',
  flags: 'SELECT, INSERT',
  audit: 'SELECT, INSERT',
  episode_sequences: 'SELECT, INSERT, UPDATE',
  withdrawals: 'SELECT, INSERT',
}

/**
 * Brings a database to the newest shape, forward only, with the owner's account, and grants the application's account
 * its rights table by table.
 */
export async function migrate(owner: Sequelize, appUser: string): Promise<string[]> {
  await owner.query(
    'CREATE TABLE IF NOT EXISTS migrations (name VARCHAR(80) PRIMARY KEY, done_at DATETIME(3) NOT NULL) ENGINE=InnoDB',
  )
  const umzug = new Umzug({
    migrations: MIGRATIONS.map(({ name, statements, rewrite }) => ({
      name,
      up: async () => {
        for (const statement of statements) await owner.query(statement)
        await rewrite?.(
          (sql) => owner.query(sql, { type: QueryTypes.SELECT }) as Promise<never[]>,
          async (sql, values) => void (await owner.query(sql, { replacements: [...values] })),
        )
      },
    })),
    storage: {
      async logMigration({ name }) {
        await owner.query('INSERT INTO migrations (name, done_at) VALUES (?, UTC_TIMESTAMP(3))', {
          replacements: [name],
        })
      },
      async unlogMigration() {
        throw new Error('Migrations go forward only.')
      },
      async executed() {
        const rows = await owner.query<{ name: string }>('SELECT name FROM migrations', {
          type: QueryTypes.SELECT,
        })
        return rows.map((row) => row.name)
      },
    },
    logger: undefined,
  })
  const done = await umzug.up()
  for (const [table, privileges] of Object.entries(APP_PRIVILEGES)) {
    await owner.query(`GRANT ${privileges} ON ${table} TO '${appUser}'@'127.0.0.1'`)
  }
  return done.map(({ name }) => name)
}
