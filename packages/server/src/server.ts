import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname } from 'node:path'
import { fileURLToPath } from 'node:url'
import { constants, Script } from 'node:vm'

/** The server as the build bundled it, and what Node's engine made of its text: a start reads both and compiles nothing. */
const bundle = fileURLToPath(new URL('pledge.cjs', import.meta.url))
const script = new Script(readFileSync(bundle, 'utf8'), {
  filename: bundle,
  // Another Node than that of the build takes no notice of it, and compiles.
  cachedData: readFileSync(`${bundle}.cache`),
  importModuleDynamically: constants.USE_MAIN_CONTEXT_DEFAULT_LOADER,
})
const module = { exports: {} as { start?: () => void } }
script.runInThisContext()(createRequire(bundle), module, module.exports, bundle, dirname(bundle))
module.exports.start!()
