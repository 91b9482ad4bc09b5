import { join } from 'node:path'
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

/** The server as one file: Node finds and reads one instead of some two thousand, which halves its start. */
await build({
  entryPoints: [join(root, 'packages/server/src/server.ts')],
  outfile: join(root, 'packages/server/dist/server.js'),
  allowOverwrite: true,
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'esm',
  conditions: ['pledge-source'],
  external: OUTSIDE,
  minifySyntax: true,
  minifyWhitespace: true,
  logLevel: 'warning',
  // Packages written for CommonJS ask for these names.
  banner: {
    js: [
      "import { createRequire as requireOf } from 'node:module';",
      "import { fileURLToPath as pathOf } from 'node:url';",
      'const require = requireOf(import.meta.url), __filename = pathOf(import.meta.url);',
      "const __dirname = pathOf(new URL('.', import.meta.url));",
    ].join(' '),
  },
})
