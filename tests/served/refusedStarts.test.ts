import { spawnSync } from 'node:child_process'
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, inject, it } from 'vitest'
import { refuseBusyPort, startServer } from '../../scripts/lib/clinic.mjs'
import { freePort, startDatabase } from '../../scripts/lib/database.mjs'

const { url, environment } = inject('served')
const folder = mkdtempSync(join(tmpdir(), 'pledge-refused-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

function run(command: string[], env: Record<string, string | undefined>) {
  const { status, stdout, stderr } = spawnSync('node', command, {
    env: { ...process.env, ...env },
    encoding: 'utf8',
    timeout: 30_000,
  })
  return { status, text: `${stdout}${stderr}` }
}
const { PLEDGE_DB_OWNER: _owner, PLEDGE_DB_OWNER_PASSWORD: _password, ...serverEnvironment } = environment

describe('a start', () => {
  it('compiles anew where another engine than this one made what the build kept', async () => {
    // The engine takes no notice of what was compiled with other switches than its own.
    const env = { ...environment, PORT: String(await freePort()) }
    const server = await startServer(env, { entry: ['--no-lazy', 'packages/server/dist/server.js'] })
    const answer = await fetch(`http://127.0.0.1:${server.port}/api/session`)
    expect(answer.status).toBe(200)
    await server.stop()
  })
})

describe('a start that cannot be', () => {
  it('on a busy port says so before it starts anything', async () => {
    const { port } = new URL(url)
    await expect(refuseBusyPort(Number(port))).rejects.toThrow(/in use by another program/)
    const demo = run(['scripts/demo.mjs'], { PORT: port })
    expect(demo.status).toBe(1)
    expect(demo.text).toContain(`Port ${port} is in use by another program`)
    expect(demo.text).not.toContain('starting the private database')
  })

  it('with a port that is none says what to set', () => {
    const demo = run(['scripts/demo.mjs'], { PORT: 'eighty' })
    expect(demo).toMatchObject({
      status: 1,
      text: expect.stringContaining('set it to a number from 1 to 65535'),
    })
  })

  it('on data that another instance uses names the directory and leaves the other alone', async () => {
    const directory = join(folder, 'db')
    const first = await startDatabase({ directory, durable: false })
    await expect(startDatabase({ directory, durable: false })).rejects.toThrow(
      /is in use by another running Pledge/,
    )
    expect(() => process.kill(first.pid, 0)).not.toThrow()
    await first.stop()
    const again = await startDatabase({ directory, durable: false })
    await again.stop()
  })

  it('after a set-up that was cut short begins anew', async () => {
    const directory = join(folder, 'cut')
    const first = await startDatabase({ directory, durable: false })
    await first.stop()
    rmSync(join(directory, '.init-done'))
    rmSync(join(directory, 'data', 'ibdata1'))
    const again = await startDatabase({ directory, durable: false })
    await again.stop()
  })

  it('without a setting names each that is missing', () => {
    const started = run(['packages/server/dist/server.js'], {
      ...serverEnvironment,
      PLEDGE_OUT_OF_HOURS: '',
      PLEDGE_TIME_ZONE: 'Mars/Base',
    })
    expect(started.status).toBe(1)
    expect(started.text).toContain('PLEDGE_OUT_OF_HOURS: the line a patient who must stop calls')
    expect(started.text).toContain('"Mars/Base" is no time zone')
  })

  it.each([
    [
      'a wrong key',
      'protocols/fractures/drf-vlp-early.yaml',
      'evidence:',
      'evidense:',
      'drf-vlp-early.yaml: evidense',
    ],
    [
      'an angle outside its window',
      'exercises/active-range/wrist-updown-active.yaml',
      'wristFlexion: 65',
      'wristFlexion: 165',
      'wrist-updown-active.yaml: start.wristFlexion',
    ],
    [
      'missing Spanish',
      'exercises/active-range/fist-gentle.yaml',
      '  es:',
      '  fr:',
      'fist-gentle.yaml: text.fr',
    ],
    [
      'a dangling rung',
      'exercises/active-range/wrist-updown-active.yaml',
      'easier: [wrist-updown-side]',
      'easier: [nowhere]',
      'wrist-updown-active.ladder',
    ],
  ])('on a catalogue with %s names file and place', (_case, file, from, to, place) => {
    const catalogue = join(folder, 'catalogue')
    cpSync('catalogue', catalogue, { recursive: true })
    const path = join(catalogue, file)
    const text = readFileSync(path, 'utf8')
    expect(text).toContain(from)
    writeFileSync(path, text.replace(from, to))
    const started = run(['packages/server/dist/server.js'], {
      ...serverEnvironment,
      PLEDGE_CATALOGUE: catalogue,
    })
    expect(started.status).toBe(1)
    const expected = place.startsWith('wrist-updown-active.ladder') ? 'found "nowhere"' : place
    expect(started.text).toContain(expected)
    rmSync(catalogue, { recursive: true })
  })
})
