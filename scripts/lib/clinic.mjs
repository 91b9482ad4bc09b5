import { spawn } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { join } from 'node:path'
import { createSchema } from './database.mjs'
import { root, runToEnd } from './install.mjs'
import { Refusal } from './say.mjs'

/** The invented clinic of the demonstration. */
const DEMO = {
  PLEDGE_CLINIC_NAME: 'Upper Tram Hand Clinic',
  PLEDGE_TIME_ZONE: process.env.PLEDGE_TIME_ZONE ?? Intl.DateTimeFormat().resolvedOptions().timeZone,
  PLEDGE_CLINIC_PHONE: '555 0142',
  PLEDGE_OUT_OF_HOURS: '555 0190',
  PLEDGE_LOW_BANDS: 'yes',
}

/** Refuses before anything is started when the port is taken. */
export function refuseBusyPort(port) {
  return new Promise((resolve, reject) => {
    const probe = createServer()
    probe.once('error', (error) => {
      const why =
        error.code === 'EACCES'
          ? `Port ${port} may not be used by this account.`
          : `Port ${port} is in use by another program.`
      reject(new Refusal(`${why} Stop that one, or choose another: PORT=8090 npm run demo`))
    })
    probe.listen(port, '127.0.0.1', () => probe.close(resolve))
  })
}

/** Environment of a server on a private database. */
export function clinicEnvironment(database, { directory, port, name = 'pledge' }) {
  const secretFile = join(directory, 'session-secret')
  if (!existsSync(secretFile))
    writeFileSync(secretFile, randomBytes(32).toString('base64url'), { mode: 0o600 })
  return {
    ...process.env,
    ...DEMO,
    TZ: 'UTC',
    PORT: String(port),
    PLEDGE_SESSION_SECRET: readFileSync(secretFile, 'utf8'),
    PLEDGE_DB_HOST: '127.0.0.1',
    PLEDGE_DB_PORT: String(database.port),
    PLEDGE_DB_NAME: name,
    PLEDGE_DB_USER: database.accounts.app.user,
    PLEDGE_DB_PASSWORD: database.accounts.app.password,
    PLEDGE_DB_OWNER: database.accounts.owner.user,
    PLEDGE_DB_OWNER_PASSWORD: database.accounts.owner.password,
  }
}

/** Migrates, loads the demo clinic into an empty database, and answers its sign-ins. */
export async function prepareClinic(database, environment) {
  await createSchema(database, environment.PLEDGE_DB_NAME)
  const env = withoutDaemonNoise(environment)
  const migrated = await runToEnd('node', ['packages/server/dist/cli/prepare.js'], { env })
  const loaded = await runToEnd('node', ['packages/demo/dist/prepareDemo.js'], { env })
  const lines = `${migrated}${loaded}`.trim().split('\n')
  return { notes: lines.slice(0, -1), signIns: JSON.parse(lines.at(-1)) }
}

/** Starts the simulated devices of the demo and waits until they listen; `port` 0 takes any that is free. */
export function startDevices(port) {
  const env = { ...process.env, PLEDGE_DEVICES_PORT: String(port) }
  return new Promise((resolve, reject) => {
    const child = spawn('node', ['packages/standins/dist/main.js'], {
      cwd: root,
      env,
      stdio: ['ignore', 'pipe', 'inherit'],
    })
    child.stdout.on('data', (chunk) => {
      const found = /devices (\d+)/.exec(String(chunk))
      if (found) resolve({ child, port: Number(found[1]), stop: () => stopChild(child) })
    })
    child.once('exit', (code) => reject(new Refusal(`The simulated devices stopped (exit code ${code}).`)))
  })
}

/** Starts the built server and waits until it listens. */
export function startServer(environment, { entry = ['packages/server/dist/server.js'] } = {}) {
  const { PLEDGE_DB_OWNER: _owner, PLEDGE_DB_OWNER_PASSWORD: _password, ...appOnly } = environment
  return new Promise((resolve, reject) => {
    const child = spawn('node', entry, { cwd: root, env: appOnly, stdio: ['ignore', 'pipe', 'pipe'] })
    let errors = ''
    child.stdout.on('data', (chunk) => {
      const listening = /listening \S+:(\d+)/.exec(String(chunk))
      if (listening) resolve({ child, port: Number(listening[1]), stop: () => stopChild(child) })
    })
    child.stderr.on('data', (chunk) => (errors += chunk))
    child.once('exit', (code) =>
      reject(new Refusal(`The server stopped (exit code ${code}).\n${errors.trim()}`)),
    )
  })
}

function stopChild(child) {
  if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve()
  return new Promise((resolve) => {
    child.removeAllListeners('exit')
    const timer = setTimeout(() => child.kill('SIGKILL'), 5000)
    child.once('exit', () => {
      clearTimeout(timer)
      resolve()
    })
    child.kill('SIGTERM')
  })
}

/** Variables of npm itself say nothing to Pledge. */
function withoutDaemonNoise(environment) {
  return Object.fromEntries(Object.entries(environment).filter(([name]) => !name.startsWith('npm_')))
}
