import { hash } from '@node-rs/argon2'
import { connect } from '../data/connect.js'
import { Database } from '../data/database.js'
import { newId } from '../data/ids.js'
import { migrate } from '../data/migrate.js'
import { dataOf } from '../data/data.js'
import { editsInForce } from '../data/houseEdits.js'
import { readSettings } from '../settings.js'

process.env['TZ'] = 'UTC'

/**
 * Prepares a database before the server starts: migrates it with the owner's account; `--add-user LOGIN NAME ROLE` adds a
 * person, whose password it takes from PLEDGE_NEW_PASSWORD; `--take-back ID WHY` takes back a change of the clinic's catalogue that no longer fits it.
 */
async function main(words: readonly string[]): Promise<void> {
  const settings = readSettings(process.env)
  const [ownerName, ownerPassword] = [process.env['PLEDGE_DB_OWNER'], process.env['PLEDGE_DB_OWNER_PASSWORD']]
  if (!ownerName || !ownerPassword)
    throw new Error(
      "Set PLEDGE_DB_OWNER and PLEDGE_DB_OWNER_PASSWORD: the account that may change the database's shape.",
    )
  const owner = connect({ ...settings.database, user: ownerName, password: ownerPassword }, 1)
  const done = await migrate(owner, settings.database.user)
  await owner.close()
  if (done.length > 0) process.stdout.write(`migrated: ${done.join(', ')}\n`)
  const database = new Database(settings.database, 2)
  if (words[0] === '--add-user') await addUser(database, words.slice(1))
  if (words[0] === '--take-back') await takeBack(database, words.slice(1))
  await database.close()
}

async function addUser(database: Database, [login, name, role]: readonly string[]): Promise<void> {
  const password = process.env['PLEDGE_NEW_PASSWORD'] ?? ''
  if (!login || !name || !role || !['lead', 'therapist', 'assistant'].includes(role))
    throw new Error('Usage: --add-user LOGIN "NAME" lead|therapist|assistant')
  if (password.length < 12)
    throw new Error('Set PLEDGE_NEW_PASSWORD to a password of at least 12 characters.')
  const id = newId()
  await database.rows.users.create({
    id,
    login: login.toLowerCase(),
    name,
    role: role as 'lead',
    passwordHash: await hash(password),
    isActive: true,
    createdAt: new Date(),
  })
  const told = {
    at: new Date(),
    actor: { kind: 'system', id: null },
    action: 'user.add',
    detail: { id, role },
  } as const
  await dataOf(database).journal.audit(told, null, true)
  process.stdout.write(`added ${login} (${role})\n`)
}

/** Takes back a change of the clinic that keeps the server from starting after an update of the catalogue. */
async function takeBack(database: Database, [id, ...reason]: readonly string[]): Promise<void> {
  const { house } = dataOf(database)
  const rows = await house.all()
  const edit = editsInForce(rows).find((one) => one.id === id)
  if (!edit || reason.length === 0)
    throw new Error('Usage: --take-back ID "why", with the id of a change that is in force')
  const at = new Date()
  const row = { ...edit, id: newId(), why: reason.join(' '), withdrawsId: edit.id, recordedAt: at }
  const detail = { id: edit.id, subject: edit.subject }
  await house.add(
    row,
    { takesBack: edit.id, why: row.why },
    {
      at,
      actor: { kind: 'system', id: null },
      action: 'house.takeBack',
      detail,
    },
  )
  process.stdout.write(`took back ${edit.subject}\n`)
}

main(process.argv.slice(2)).catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`)
  process.exit(1)
})
