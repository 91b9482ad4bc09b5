import { spawn } from 'node:child_process'
import { fileURLToPath } from 'node:url'

const ROUNDS = 7
const root = (path: string) => fileURLToPath(new URL(`../${path}`, import.meta.url))

/** Milliseconds until a program has written `word`, or ended where none is given; the least of several rounds. */
async function leastMs(words: string[], word: string | null, env: NodeJS.ProcessEnv): Promise<number> {
  let least = Infinity
  for (let round = 0; round < ROUNDS; round += 1) {
    const started = performance.now()
    const child = spawn(process.execPath, words, { env, stdio: ['ignore', 'pipe', 'inherit'] })
    const ended = new Promise<number | null>((resolve) => child.once('close', resolve))
    const told = new Promise<void>((resolve) => {
      let text = ''
      child.stdout.on('data', (part: Buffer) => {
        text += part.toString()
        if (word !== null && text.includes(word)) resolve()
      })
    })
    const code = word === null ? await ended : await Promise.race([told.then(() => 0), ended])
    if (code !== 0) throw new Error(`${words[0]} ended with ${code} before it was ready.`)
    least = Math.min(least, performance.now() - started)
    child.kill()
    await ended
  }
  return least
}

/** Starts of the built server and of `assess`, against Node that starts and ends. */
export async function starts(print: (name: string, text: string) => void) {
  const { NODE_OPTIONS: _, ...env } = process.env
  const node = await leastMs(['-e', '0'], null, env)
  const assess = await leastMs(
    [root('packages/catalogue/door.mjs'), 'assess', root('docs/case-example.yaml')],
    null,
    env,
  )
  const server = await leastMs([root('packages/server/dist/server.js')], 'listening', env)
  const told = (ms: number) => `${ms.toFixed(0)} ms, ${((ms - node) / 1000).toFixed(2)} s more (aim 0.5)`
  print(
    'start',
    `Node ${node.toFixed(0)} ms; assess ${told(assess)}; server until it listens ${told(server)}`,
  )
}
