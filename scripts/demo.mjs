import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { clinicEnvironment, prepareClinic, refuseBusyPort, startDevices, startServer } from './lib/clinic.mjs'
import { freePort, startDatabase } from './lib/database.mjs'
import { build, installModules, installPrograms, refuseFullDisk, varDirectory } from './lib/install.mjs'
import { Refusal, run, say } from './lib/say.mjs'

/** `npm run demo`: from a bare machine to a working sign-in. `-- --reset` starts afresh. */
async function main() {
  const port = Number(process.env.PORT ?? 8080)
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    throw new Refusal(`PORT is "${process.env.PORT}"; set it to a number from 1 to 65535.`)
  await refuseBusyPort(port)
  refuseFullDisk(varDirectory)
  await installPrograms({ withBrowser: false })
  await installModules()
  await build()
  const directory = join(varDirectory, 'demo')
  let database
  let server
  let devices
  let isStopping = false
  const stop = async () => {
    if (isStopping) return
    isStopping = true
    process.stdout.write('\n')
    say('stopping')
    await server?.stop()
    await devices?.stop()
    await database?.stop()
    process.exit(0)
  }
  process.on('SIGINT', () => void stop())
  process.on('SIGTERM', () => void stop())
  try {
    if (process.argv.includes('--reset')) await reset(directory)
    say('starting the private database')
    database = await startDatabase({ directory })
    const environment = clinicEnvironment(database, { directory, port })
    say('preparing the clinic')
    const { notes, signIns } = await prepareClinic(database, environment)
    for (const note of notes) say(note)
    devices = await startDevices(await freePort())
    environment.PLEDGE_DEVICES_URL = `ws://127.0.0.1:${devices.port}`
    server = await startServer(environment)
    server.child.removeAllListeners('exit')
    server.child.once('exit', () => void stop())
    announce(port, signIns, devices.port)
  } catch (error) {
    await server?.stop()
    await devices?.stop()
    await database?.stop()
    throw error
  }
}

/** Throws the demo's data away; refuses while another instance uses it. */
async function reset(directory) {
  say('starting afresh: the demo’s data is thrown away')
  const database = await startDatabase({ directory })
  await database.stop()
  rmSync(directory, { recursive: true, force: true })
}

function announce(port, { users, phone }, devicesPort) {
  const address = `http://127.0.0.1:${port}`
  process.stdout.write(`
  Pledge is ready:  ${address}

  ${users.map((user) => `${user.role.padEnd(10)} ${user.login.padEnd(8)} ${user.password.padEnd(18)} ${user.name}`).join('\n  ')}
${phone ? `\n  patient's phone:  ${address}/phone   code ${phone.code} for ${phone.patient} (once, within 30 minutes)\n` : ''}
  simulated devices: http://127.0.0.1:${devicesPort} (a goniometer and a dynamometer one plays oneself)

  No clinician has reviewed the rules in Pledge. It defers to the surgeon and to licensed practice.
  Ctrl-C stops everything it started.
`)
}

await run(main)
