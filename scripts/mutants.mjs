import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { createVitest } from 'vitest/node'
import { root } from './lib/install.mjs'
import { run, say } from './lib/say.mjs'

/**
 * `npm run mutants -- [HOW MANY | all] [SEED]`: turns comparisons, signs and thresholds of the measures round, one at a
 * time, and counts how many the tests notice. A mutant that lives is a number nobody checks. Files are not touched: the
 * test runner reads one of them as the mutant has it.
 */
const SUBJECTS = ['anatomy', 'motion', 'strength', 'symptoms', 'change', 'kinematics', 'tissue', 'nerve']
/** Data: checked as tables, against the published files. */
const LEFT_OUT = ['norms1985.ts', 'norms2011.ts']
/** Asked, in this order, when the test beside the file has not noticed. */
const FURTHER_TESTS = ['calcChecks', 'measureTables', 'exerciseTravel'].map(
  (name) => `tests/core/${name}.test.ts`,
)

const OPERATORS = {
  '<=': '<',
  '<': '<=',
  '>=': '>',
  '>': '>=',
  ' + ': ' - ',
  ' - ': ' + ',
  ' * ': ' / ',
  ' / ': ' * ',
  '&&': '||',
  '||': '&&',
}

function* candidates(file, text) {
  // Comments, strings and types keep their length, so that places stay where they are.
  const blank = (match) => ' '.repeat(match.length)
  const code = text
    .replace(/\/\*[\s\S]*?\*\/|\/\/.*|'(?:[^'\\\n]|\\.)*'|`[^`]*`/g, blank)
    .replace(/^(?:import|export) .*from.*$/gm, blank)
    .replace(/<[A-Z]\w*(?:<[^>\n]*>)?(?:, *[\w '"|]+)*>/g, blank)
  const found = /<=|>=| < | > | \+ | - | \* | \/ |&&|\|\||(?<![\w.#])\d+(?:\.\d+)?(?![\w.])/g
  for (let match = found.exec(code); match; match = found.exec(code)) {
    const [token] = match
    const trimmed = OPERATORS[token] ? token : token.trim()
    const operator = OPERATORS[trimmed]
    const changed = operator
      ? token.replace(trimmed, operator)
      : String(Number(token) + (Number(token) >= 10 ? 7 : 1))
    const line = text.slice(0, match.index).split('\n').length
    yield { file, line, start: match.index, end: match.index + token.length, text: changed, was: token }
  }
}

async function isKilled(vitest, mutant) {
  const beside = mutant.file.replace(/\.ts$/, '.test.ts')
  const source = join(root, mutant.file)
  globalThis.pledgeMutant = mutant
  vitest.invalidateFile(source)
  try {
    for (const test of [beside, ...FURTHER_TESTS]) {
      if (!existsSync(join(root, test))) continue
      const { testModules } = await vitest.runTestSpecifications([
        vitest.getProjectByName('core').createSpecification(join(root, test)),
      ])
      // The runner lists modules of earlier runs as well.
      if (testModules.some((module) => module.moduleId === join(root, test) && !module.ok())) return true
    }
    return false
  } finally {
    globalThis.pledgeMutant = null
    vitest.invalidateFile(source)
  }
}

async function main() {
  const [asked, seed] = [process.argv[2] ?? '100', Number(process.argv[3] ?? 1)]
  const wanted = asked === 'all' ? Infinity : Number(asked)
  const source = join(root, 'packages/core/src')
  const files = SUBJECTS.flatMap((subject) =>
    readdirSync(join(source, subject))
      .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts') && !LEFT_OUT.includes(name))
      .map((name) => join(source, subject, name)),
  )
  const all = files.flatMap((file) => [...candidates(relative(root, file), readFileSync(file, 'utf8'))])
  // A fixed order by seed, so that a run can be repeated.
  const rank = (index) => Math.abs(Math.sin((index + 1) * 12.9898 + seed * 78.233) * 43758.5453) % 1
  const sample = all
    .map((mutant, index) => ({ ...mutant, place: index, rank: rank(index) }))
    .sort((a, b) => a.rank - b.rank)
    .slice(0, wanted)
  say(`${sample.length} of ${all.length} mutants, seed ${seed}`)
  const vitest = await createVitest('test', {
    watch: false,
    project: ['core'],
    reporters: [{}],
  })
  const untouched = { ...sample[0], start: 0, end: 0, text: '' }
  if (await isKilled(vitest, untouched))
    throw new Error('The tests fail without any mutant. Mend them first: npm test')
  const lived = []
  for (const mutant of sample) if (!(await isKilled(vitest, mutant))) lived.push(mutant)
  if (await isKilled(vitest, untouched))
    throw new Error('A mutant outlived its own run: nothing here counts.')
  await vitest.close()
  for (const { file, line, was, text } of lived)
    say(`lives: ${file}:${line}  "${was.trim()}" as "${text.trim()}"`)
  const killed = sample.length - lived.length
  say(`${killed} of ${sample.length} killed, ${((100 * killed) / sample.length).toFixed(0)} %`)
  if (killed < 0.8 * sample.length) process.exitCode = 1
}

await run(main)
