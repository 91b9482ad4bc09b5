import { spawn } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import {
  build,
  installModules,
  installPrograms,
  refuseFullDisk,
  root,
  runToEnd,
  varDirectory,
} from './lib/install.mjs'
import { run, say } from './lib/say.mjs'

/**
 * `npm test`: lint, types, unit tests, API tests on a real MariaDB, browser tests against the built application.
 * Prints `N passed, N failed` alone on its last line; the exit code says the same.
 */
async function main() {
  refuseFullDisk(varDirectory)
  await installPrograms({ withBrowser: true })
  await installModules()
  const report = join(varDirectory, 'test')
  mkdirSync(report, { recursive: true })
  let [passed, failed] = [0, 0]
  const check = async (name, work) => {
    say(name)
    try {
      await work()
      passed += 1
    } catch (error) {
      failed += 1
      process.stdout.write(`${error.message}\n`)
    }
  }
  await Promise.all([
    check('lint, format and import rules', () =>
      runToEnd('npm', ['run', 'lint'], { log: join(report, 'lint.log') }),
    ),
    check('types', () => runToEnd('npm', ['run', 'typecheck'], { log: join(report, 'types.log') })),
  ])
  await check('build', build)
  say('unit, API and browser tests')
  const file = join(report, 'vitest.json')
  rmSync(file, { force: true })
  const code = await shown('npx', ['vitest', 'run'], { ...process.env, VITEST_JSON: file })
  let counted
  try {
    const results = JSON.parse(readFileSync(file, 'utf8'))
    counted = {
      passed: results.numPassedTests,
      failed:
        results.numFailedTests +
        results.testResults.filter((one) => one.status === 'failed' && one.assertionResults.length === 0)
          .length,
    }
  } catch {
    counted = { passed: 0, failed: 1 }
  }
  passed += counted.passed
  failed += counted.failed
  // A run that ended badly without a failing test is still a failure.
  if (code !== 0 && counted.failed === 0) failed += 1
  if (counted.passed === 0 && counted.failed === 0) failed += 1
  say('finished')
  process.stdout.write(`${passed} passed, ${failed} failed\n`)
  return failed === 0 ? 0 : 1
}

function shown(command, args, env) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { cwd: root, env, stdio: 'inherit' })
    child.on('error', reject)
    child.on('close', (code) => resolve(code ?? 1))
  })
}

await run(main)
