import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

/** Runs a command-line door on a file with this text, as a person types it: `npm run --silent calc -- FILE`. */
export function runDoor(door: 'calc' | 'course', text: string): { code: number; answer: unknown } {
  const directory = mkdtempSync(join(tmpdir(), `pledge-${door}-`))
  const file = join(directory, 'input')
  writeFileSync(file, text)
  try {
    const output = execFileSync('npm', ['run', '--silent', door, '--', file], {
      cwd: fileURLToPath(new URL('../../', import.meta.url)),
      encoding: 'utf8',
    })
    return { code: 0, answer: JSON.parse(output) }
  } catch (error) {
    const { status, stdout } = error as { status: number; stdout: string }
    return { code: status, answer: JSON.parse(stdout) }
  } finally {
    rmSync(directory, { recursive: true })
  }
}
