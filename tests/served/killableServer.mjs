// The built server, that kills itself at a named checkpoint (KILL_AT), as a power cut would.
import { buildApp, DEFAULT_LIMITS } from '../../packages/server/dist/app.js'
import { shippedCatalogue } from '../../packages/catalogue/dist/index.js'
import { systemClock } from '../../packages/server/dist/clock.js'
import { Database } from '../../packages/server/dist/data/database.js'
import { readSettings } from '../../packages/server/dist/settings.js'

const settings = readSettings(process.env)
const app = await buildApp({
  database: new Database(settings.database),
  catalogue: shippedCatalogue(),
  clock: systemClock(null),
  settings: { ...settings, limits: DEFAULT_LIMITS },
  logLevel: 'silent',
  async checkpoint(name) {
    if (name !== process.env.KILL_AT) return
    process.kill(process.pid, 'SIGKILL')
    await new Promise(() => {})
  },
})
await app.listen({ host: '127.0.0.1', port: settings.port })
process.stdout.write(`listening 127.0.0.1:${settings.port}\n`)
