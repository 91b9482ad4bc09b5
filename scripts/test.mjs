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

/** Seconds of test files a project may take, added up over both cores of an idle machine; over it the end of a run says so. */
const BUDGETS = { core: 420, server: 240, figure: 60, web: 120, built: 330, served: 90 }
/** What belongs to each project; the first that fits. */
const PROJECTS = [
  ['built', /tests\/built\//],
  ['served', /tests\/served\//],
  ['server', /tests\/server\/|packages\/server\//],
  ['web', /packages\/web\//],
  ['figure', /figure\//],
  ['core', /./],
]
const SLOWEST_SHOWN = 3
/** What does not run: the build, which reads the types of what it compiles, the types of the rest, lint. The slow ones first. */
const STANDING = [
  ['build', build],
  ...['types:web', 'types:tests', 'lint:format', 'lint:code', 'types:figure', 'lint:imports'].map(
    (script) => [
      script,
      () =>
        runToEnd('npm', ['run', script], {
          log: join(varDirectory, 'test', `${script.replace(':', '-')}.log`),
        }),
    ],
  ),
]
/** Projects that drive what was built. */
const NEED_BUILD = ['built', 'served']
/** So many of them at a time. */
const AT_ONCE = 2

/**
 * `npm test`: lint, types, unit tests, API tests on a real MariaDB, browser tests against the built application.
 * `npm run test:core` and its like run one project alone, without lint and types.
 * Prints `N passed, N failed` alone on its last line; the exit code says the same.
 */
async function main() {
  const only = process.argv[2] ?? null
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
  const waiting = STANDING.filter(([name]) => !only || (name === 'build' && NEED_BUILD.includes(only)))
  const lane = async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) await check(...next)
  }
  await Promise.all(Array.from({ length: AT_ONCE }, lane))
  say('unit, API and browser tests')
  const file = join(report, 'vitest.json')
  rmSync(file, { force: true })
  const project = only ? ['--project', only] : []
  const code = await shown('npx', ['vitest', 'run', ...project], { ...process.env, VITEST_JSON: file })
  let counted
  try {
    const results = JSON.parse(readFileSync(file, 'utf8'))
    sayBudgets(results.testResults)
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

/** What each project took against its budget, with its slowest files. */
function sayBudgets(files) {
  const taken = new Map()
  for (const { name, startTime, endTime } of files) {
    const [project] = PROJECTS.find(([, path]) => path.test(name))
    const seconds = (endTime - startTime) / 1000
    taken.set(project, [...(taken.get(project) ?? []), { name: name.slice(root.length + 1), seconds }])
  }
  for (const [project, list] of taken) {
    const sum = list.reduce((total, { seconds }) => total + seconds, 0)
    const slowest = list.sort((a, b) => b.seconds - a.seconds).slice(0, SLOWEST_SHOWN)
    const over = sum > BUDGETS[project] ? ', OVER its budget' : ''
    say(`${project}: ${sum.toFixed(0)} s of test files, budget ${BUDGETS[project]} s${over}`)
    for (const { name, seconds } of slowest) say(`  ${seconds.toFixed(0)} s ${name}`)
  }
}

function shown(command, args, env) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { cwd: root, env, stdio: 'inherit' })
    child.on('error', reject)
    child.on('close', (code) => resolve(code ?? 1))
  })
}

await run(main)
