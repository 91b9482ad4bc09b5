import { createReadStream, existsSync } from 'node:fs'
import { createServer } from 'node:http'
import { join } from 'node:path'
import { root, runToEnd, varDirectory } from './install.mjs'
import { startBrowser } from './browser.mjs'

const TYPES = { html: 'text/html', js: 'text/javascript', css: 'text/css' }

/**
 * The page that draws stills, built and opened in a browser without a window. It is served on the loopback to itself only;
 * nothing leaves the machine.
 */
export async function openStillsPage() {
  await runToEnd(
    'npx',
    ['vite', 'build', 'packages/figure/stills', '-c', 'packages/figure/stills/vite.config.ts'],
    { log: join(varDirectory, 'stills-build.log') },
  )
  const directory = join(root, 'var/stills-page')
  const server = createServer((request, answer) => {
    const path = new URL(request.url, 'http://127.0.0.1').pathname
    const file = join(directory, path === '/' ? 'index.html' : path)
    if (!file.startsWith(directory) || !existsSync(file)) {
      answer.writeHead(404).end()
      return
    }
    answer.setHeader('content-type', TYPES[file.split('.').pop()] ?? 'application/octet-stream')
    createReadStream(file).pipe(answer)
  })
  await new Promise((resolve) => server.listen(0, '127.0.0.1', resolve))
  const { browser, close } = await startBrowser()
  const page = await browser.newPage()
  const failures = []
  page.on('pageerror', (error) => failures.push(String(error)))
  await page.goto(`http://127.0.0.1:${server.address().port}/`)
  await page
    .waitForFunction(() => document.title === 'ready', { timeout: 60_000 })
    .catch(() => {
      throw new Error(`The page of stills did not start: ${failures.join('; ') || 'no WebGL?'}`)
    })
  return {
    page,
    async close() {
      await close()
      server.close()
    },
  }
}
