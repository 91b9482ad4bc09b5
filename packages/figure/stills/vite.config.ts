import { fileURLToPath } from 'node:url'
import { defaultClientConditions, defineConfig } from 'vite'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

/** The page of `npm run stills` alone; what the app ships is built by packages/web. */
export default defineConfig({
  root: here('.'),
  resolve: { conditions: ['pledge-source', ...defaultClientConditions] },
  build: { outDir: here('../../../var/stills-page'), emptyOutDir: true, target: 'es2022' },
  logLevel: 'warn',
})
