import { fileURLToPath } from 'node:url'
import { shippedCatalogue } from '@pledge/catalogue'
import { CoreError } from '@pledge/core'
import { buildApp, DEFAULT_LIMITS } from './app.js'
import { systemClock } from './clock.js'
import { Database } from './data/database.js'
import { dataOf } from './data/data.js'
import { checkHouseEdits, outdatedNames } from './plugins/houseCatalogue.js'
import { readSettings, SettingError } from './settings.js'

process.env['TZ'] = 'UTC'

/** Starts Pledge for a clinic. Any database error, wrong setting or broken catalogue file stops the start. */
async function main(): Promise<void> {
  const settings = readSettings(process.env)
  const catalogue = shippedCatalogue(process.env['PLEDGE_CATALOGUE'])
  const database = new Database(settings.database)
  await database.sequelize.authenticate()
  const data = dataOf(database)
  const clock = systemClock(settings.today)
  // What is stored is looked through while the routes are being made; nobody is answered before both are done.
  const [outdated, app] = await Promise.all([
    checkHouseEdits(data, catalogue).then(() => outdatedNames(data, catalogue)),
    buildApp({
      database,
      catalogue,
      clock,
      settings: { ...settings, limits: DEFAULT_LIMITS },
      webDirectory: fileURLToPath(new URL('../../web/dist', import.meta.url)),
      logLevel: process.env['PLEDGE_LOG'] ?? 'warn',
    }),
  ])
  for (const line of outdated) process.stderr.write(`look again: ${line}\n`)
  await app.listen({ host: settings.host, port: settings.port })
  process.stdout.write(`listening ${settings.host}:${settings.port}\n`)
  const cleaning = setInterval(
    () => void data.users.removeExpiredSessions(clock.now()).catch(() => {}),
    3_600_000,
  )
  const stop = async () => {
    clearInterval(cleaning)
    await app.close()
    await database.close()
    process.exit(0)
  }
  process.once('SIGTERM', () => void stop())
  process.once('SIGINT', () => void stop())
}

/** Starts, or says why not and ends. */
export function start(): void {
  main().catch((error: unknown) => {
    const isPlain = error instanceof SettingError || error instanceof CoreError
    const { code } = error as { code?: string }
    if (isPlain) process.stderr.write(`${error.message}\n`)
    else if (code === 'EADDRINUSE')
      process.stderr.write(
        'The port is taken by another program. Stop that one, or set PORT to another number.\n',
      )
    else process.stderr.write(`${error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`)
    process.exit(1)
  })
}
