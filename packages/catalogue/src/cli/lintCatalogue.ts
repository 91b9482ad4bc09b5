import { SHIPPED } from '../compiledCatalogue.js'
import { lintCatalogue } from '../lintCatalogue.js'

/** `npm run lint:catalogue [-- DIRECTORY]`: every finding as "file  path  expected"; 1 when there is one. */
const { files, findings } = lintCatalogue(process.argv[2] ?? SHIPPED)
for (const { file, path, expected } of findings) process.stdout.write(`${file}  ${path}  ${expected}\n`)
process.stdout.write(
  `${files} files, ${findings.length === 1 ? '1 finding' : `${findings.length} findings`}\n`,
)
process.exitCode = findings.length === 0 ? 0 : 1
