import { readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { Script } from 'node:vm'
import { build } from 'esbuild'
import { root } from './lib/install.mjs'

/** Drivers that Sequelize asks for by name and a clinic does not have; what is native stays a file of its own. */
const OUTSIDE = [
  '@node-rs/argon2',
  'pg',
  'pg-native',
  'pg-hstore',
  'mysql2',
  'tedious',
  'sqlite3',
  'oracledb',
  'snowflake-sdk',
  'ibm_db',
]
const bundle = join(root, 'packages/server/dist/pledge.cjs')

/** The server as one file: Node finds and reads one instead of some two thousand. `server.ts` runs it. */
await build({
  entryPoints: [join(root, 'packages/server/src/main.ts')],
  outfile: bundle,
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'cjs',
  conditions: ['pledge-source'],
  external: OUTSIDE,
  // Sequelize knows time zones by the years that are used here.
  alias: { 'moment-timezone': 'moment-timezone/builds/moment-timezone-with-data-10-year-range.js' },
  define: { 'import.meta.url': 'bundleUrl' },
  minifySyntax: true,
  minifyWhitespace: true,
  logLevel: 'warning',
  banner: {
    js: "(function (require, module, exports, __filename, __dirname) { const bundleUrl = require('node:url').pathToFileURL(__filename).href;",
  },
  footer: { js: '})' },
})

/** Once its modules stand, what the engine has compiled of them by then is kept beside it. */
const script = new Script(readFileSync(bundle, 'utf8'), { filename: bundle })
const module = { exports: {} }
script.runInThisContext()(createRequire(bundle), module, module.exports, bundle, dirname(bundle))
writeFileSync(`${bundle}.cache`, script.createCachedData())
process.exit(0)
