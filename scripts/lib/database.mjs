import { execFile, spawn, spawnSync } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { existsSync, mkdirSync, openSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { userInfo } from 'node:os'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { Refusal } from './say.mjs'

const execute = promisify(execFile)
const LOCKED = 75
const LONGEST_SOCKET_PATH = 107

/** A port of 127.0.0.1 that nobody listens on now. */
export function freePort() {
  return new Promise((resolve, reject) => {
    const server = createServer()
    server.once('error', reject)
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address()
      server.close(() => resolve(port))
    })
  })
}

/**
 * Starts a private MariaDB on 127.0.0.1 with its own data directory, and stops it with its parent.
 *
 * @param directory holds data, socket, log and accounts; nothing outside it is touched
 * @param durable false only for tests: then commits are not flushed to disk
 * @returns {Promise<{port: number, socket: string, accounts: object, pid: number, stop: () => Promise<void>}>}
 */
export async function startDatabase({ directory, durable = true }) {
  mkdirSync(directory, { recursive: true, mode: 0o700 })
  const [data, socket, log, pidFile] = ['data', 'db.sock', 'error.log', 'db.pid'].map((name) =>
    join(directory, name),
  )
  if (socket.length > LONGEST_SOCKET_PATH)
    throw new Refusal(
      `The path ${socket} is too long for a database socket. Move Pledge to a shorter path, or set PLEDGE_VAR to one.`,
    )
  const user = userInfo().username
  const doneMark = join(directory, '.init-done')
  const lock = join(directory, 'lock')
  writeFileSync(lock, '', { flag: 'a' })
  if (spawnSync('flock', ['-n', lock, 'true']).status !== 0) {
    throw new Refusal(
      `The data directory ${directory} is in use by another running Pledge. Stop that one first (Ctrl-C in its window), or set PLEDGE_VAR to another directory.`,
    )
  }
  if (!existsSync(doneMark)) {
    // A directory whose set-up was cut short is worth nothing.
    rmSync(data, { recursive: true, force: true })
    const args = [
      '--no-defaults',
      `--datadir=${data}`,
      `--user=${user}`,
      '--auth-root-authentication-method=socket',
      `--auth-root-socket-user=${user}`,
      '--skip-test-db',
      '--skip-name-resolve',
    ]
    const made = spawnSync('mariadb-install-db', args, { encoding: 'utf8' })
    if (made.status !== 0)
      throw new Refusal(
        `The database could not be set up in ${directory}:\n${made.stderr.trim().split('\n').slice(-8).join('\n')}`,
      )
  }
  const port = await freePort()
  const config = join(directory, 'my.cnf')
  writeFileSync(config, configuration({ user, data, socket, log, pidFile, port, durable }))
  const output = openSync(join(directory, 'start.log'), 'a')
  const child = spawn(
    'setpriv',
    [
      '--pdeathsig',
      'TERM',
      'flock',
      '-w',
      '5',
      '-F',
      '-E',
      String(LOCKED),
      lock,
      'mariadbd',
      `--defaults-file=${config}`,
    ],
    { stdio: ['ignore', output, output], detached: true },
  )
  let exitCode = null
  child.on('exit', (code) => (exitCode = code ?? 1))
  const deadline = Date.now() + 60_000
  for (;;) {
    if (exitCode === LOCKED)
      throw new Refusal(
        `The data directory ${directory} is in use by another running Pledge. Stop that one first.`,
      )
    if (exitCode !== null || Date.now() > deadline) {
      if (exitCode === null) child.kill('SIGKILL')
      const lines = existsSync(log) ? readFileSync(log, 'utf8').trim().split('\n').slice(-8).join('\n') : ''
      throw new Refusal(`The database did not start. The end of ${log}:\n${lines}`)
    }
    const isOurs = existsSync(pidFile) && readFileSync(pidFile, 'utf8').trim() === String(child.pid)
    if (isOurs && (await answers(socket, user))) break
    await new Promise((resolve) => setTimeout(resolve, 50))
  }
  const accounts = await prepareAccounts({ directory, socket, user })
  if (!existsSync(doneMark)) writeFileSync(doneMark, '')
  return {
    port,
    socket,
    accounts,
    pid: child.pid,
    async stop() {
      if (exitCode !== null) return
      const stopped = new Promise((resolve) => child.once('exit', resolve))
      child.kill('SIGTERM')
      const timer = setTimeout(() => child.kill('SIGKILL'), 20_000)
      await stopped
      clearTimeout(timer)
    },
  }
}

async function answers(socket, user) {
  try {
    await sql(socket, user, 'SELECT 1')
    return true
  } catch {
    return false
  }
}

function sql(socket, user, statements) {
  return execute('mariadb', [
    '--no-defaults',
    `--socket=${socket}`,
    `--user=${user}`,
    '--batch',
    '--skip-column-names',
    '-e',
    statements,
  ])
}

/** Creates a database with its two accounts' rights: the owner migrates, the application is granted table by table. */
export async function createSchema(database, name) {
  const user = userInfo().username
  const { owner } = database.accounts
  await sql(
    database.socket,
    user,
    `CREATE DATABASE IF NOT EXISTS \`${name}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;
    GRANT ALL PRIVILEGES ON \`${name}\`.* TO '${owner.user}'@'127.0.0.1' WITH GRANT OPTION;`,
  )
}

export async function dropSchema(database, name) {
  await sql(database.socket, userInfo().username, `DROP DATABASE IF EXISTS \`${name}\``)
}

async function prepareAccounts({ directory, socket, user }) {
  const file = join(directory, 'accounts.json')
  if (!existsSync(file)) {
    const account = (name) => ({ user: name, password: randomBytes(24).toString('base64url') })
    writeFileSync(file, JSON.stringify({ app: account('pledge_app'), owner: account('pledge_owner') }), {
      mode: 0o600,
    })
  }
  const accounts = JSON.parse(readFileSync(file, 'utf8'))
  for (const { user: name, password } of Object.values(accounts)) {
    await sql(
      socket,
      user,
      `CREATE USER IF NOT EXISTS '${name}'@'127.0.0.1' IDENTIFIED BY '${password}'; ALTER USER '${name}'@'127.0.0.1' IDENTIFIED BY '${password}';`,
    )
  }
  return accounts
}

function configuration({ user, data, socket, log, pidFile, port, durable }) {
  return `[mariadbd]
user=${user}
datadir=${data}
socket=${socket}
log-error=${log}
pid-file=${pidFile}
port=${port}
bind-address=127.0.0.1
skip-name-resolve
default-time-zone=+00:00
character-set-server=utf8mb4
collation-server=utf8mb4_unicode_ci
transaction-isolation=READ-COMMITTED
sql-mode=STRICT_TRANS_TABLES,STRICT_ALL_TABLES,NO_ZERO_IN_DATE,NO_ZERO_DATE,ERROR_FOR_DIVISION_BY_ZERO,NO_ENGINE_SUBSTITUTION,ONLY_FULL_GROUP_BY,NO_AUTO_CREATE_USER
innodb-lock-wait-timeout=10
log-bin-trust-function-creators=ON
local-infile=OFF
open-files-limit=16384
table-open-cache=1000
${durable ? 'innodb-flush-log-at-trx-commit=1\nlog-bin\nbinlog-format=ROW\nsync-binlog=1\nexpire-logs-days=14' : 'innodb-flush-log-at-trx-commit=0\nskip-log-bin\ninnodb-buffer-pool-size=64M'}
`
}
