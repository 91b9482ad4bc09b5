import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { openApi } from '../packages/contract/src/index.ts'
import { root } from './lib/install.mjs'

/** `npm run api`: writes the contract as an OpenAPI 3.1 document into docs/. */
writeFileSync(join(root, 'docs', 'openapi.json'), `${JSON.stringify(openApi(), null, 1)}\n`)
process.stdout.write('wrote docs/openapi.json\n')
