import { spawn } from 'node:child_process'
import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { clinicEnvironment, prepareClinic } from './lib/clinic.mjs'
import { freePort, startDatabase } from './lib/database.mjs'
import { build, installModules, installPrograms, root, varDirectory } from './lib/install.mjs'
import { run } from './lib/say.mjs'

/** `npm run bench`: measures against a private, durable database that is thrown away. */
async function main() {
  await installPrograms({ withBrowser: false })
  await installModules()
  await build()
  const directory = join(varDirectory, 'bench')
  rmSync(directory, { recursive: true, force: true })
  const database = await startDatabase({ directory })
  try {
    const environment = clinicEnvironment(database, { directory, port: await freePort() })
    const { signIns } = await prepareClinic(database, environment)
    const code = await new Promise((resolve, reject) => {
      const child = spawn('node', ['--conditions=pledge-source', '--import', 'tsx', 'bench/bench.ts'], {
        cwd: root,
        stdio: 'inherit',
        env: { ...environment, BENCH_CODE: signIns.phone.code },
      })
      child.on('error', reject)
      child.on('close', resolve)
    })
    return code
  } finally {
    await database.stop()
    rmSync(directory, { recursive: true, force: true })
  }
}

await run(main)
