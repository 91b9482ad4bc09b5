import { spawn } from 'node:child_process'
import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { clinicEnvironment, prepareClinic } from './lib/clinic.mjs'
import { freePort, startDatabase } from './lib/database.mjs'
import { build, installModules, installPrograms, root, varDirectory } from './lib/install.mjs'
import { run } from './lib/say.mjs'

/** `npm run bench`, or `npm run bench -- uploads`: measures against a private, durable database that is thrown away. */
const asked = process.argv.slice(2)

async function main() {
  await installPrograms({ withBrowser: true })
  await installModules()
  await build()
  const directory = join(varDirectory, 'bench')
  rmSync(directory, { recursive: true, force: true })
  const database = await startDatabase({ directory })
  try {
    const environment = clinicEnvironment(database, { directory, port: await freePort() })
    const { signIns } = await prepareClinic(database, environment)
    const measure = (file, env) =>
      new Promise((resolve, reject) => {
        const child = spawn('node', ['--conditions=pledge-source', '--import', 'tsx', file, ...asked], {
          cwd: root,
          stdio: 'inherit',
          env,
        })
        child.on('error', reject)
        child.on('close', resolve)
      })
    const code = await measure('bench/bench.ts', {
      ...environment,
      BENCH_CODE: signIns.phone.code,
      BENCH_USER: JSON.stringify(signIns.users.find(({ role }) => role === 'therapist')),
    })
    const isFigureAsked = asked.length === 0 || asked.includes('figure')
    return code || (isFigureAsked ? await measure('bench/figureBench.mjs', process.env) : 0)
  } finally {
    await database.stop()
    rmSync(directory, { recursive: true, force: true })
  }
}

await run(main)
