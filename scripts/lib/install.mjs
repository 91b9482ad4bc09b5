import { spawn, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, rmSync, statfsSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { Refusal, say } from './say.mjs'

export const root = fileURLToPath(new URL('../../', import.meta.url)).replace(/\/$/, '')
export const varDirectory = process.env.PLEDGE_VAR ?? join(root, 'var')

const PROGRAMS = { '/usr/sbin/mariadbd': 'mariadb-server', '/usr/bin/chromium': 'chromium' }
const LEAST_FREE_BYTES = 600 * 1024 * 1024

/** Runs a program to its end with its output in a log; refuses with the log's last lines if it fails. */
export function runToEnd(command, args, { log, env = process.env, cwd = root } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { cwd, env, stdio: ['ignore', 'pipe', 'pipe'] })
    let output = ''
    child.stdout.on('data', (chunk) => (output += chunk))
    child.stderr.on('data', (chunk) => (output += chunk))
    child.on('error', reject)
    child.on('close', (code) => {
      if (log) writeFileSync(log, output)
      if (code === 0) resolve(output)
      else
        reject(
          new Refusal(
            `"${command} ${args.join(' ')}" failed (exit code ${code}). Its last lines:\n${output.trimEnd().split('\n').slice(-15).join('\n')}`,
          ),
        )
    })
  })
}

/** Refuses when the disk that holds a directory is nearly full. */
export function refuseFullDisk(directory) {
  mkdirSync(directory, { recursive: true })
  const { bavail, bsize } = statfsSync(directory)
  if (bavail * bsize < LEAST_FREE_BYTES) {
    throw new Refusal(
      `The disk that holds ${directory} is nearly full: ${Math.round((bavail * bsize) / 1024 / 1024)} MB free, ${LEAST_FREE_BYTES / 1024 / 1024} MB needed. Free some space and start again.`,
    )
  }
}

/** Installs what is missing of Debian's packages; as another user than root through sudo, or says what to run. */
export async function installPrograms({ withBrowser }) {
  const missing = Object.entries(PROGRAMS)
    .filter(([path, name]) => !existsSync(path) && (withBrowser || name !== 'chromium'))
    .map(([, name]) => name)
  if (missing.length === 0) return
  const install = [
    'apt-get',
    'install',
    '-y',
    '--no-install-recommends',
    '-o',
    'DPkg::Lock::Timeout=600',
    ...missing,
  ]
  const isRoot = process.getuid?.() === 0
  const hasSudo = !isRoot && spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status === 0
  if (!isRoot && !hasSudo) {
    throw new Refusal(
      `Debian packages are missing: ${missing.join(', ')}. Run this once, then start again:\n\n  sudo apt-get update && sudo ${install.join(' ')}\n`,
    )
  }
  say(`installing Debian packages: ${missing.join(', ')} (about a minute)`)
  mkdirSync(varDirectory, { recursive: true })
  const prefix = isRoot ? [] : ['sudo', '-n']
  const environment = { ...process.env, DEBIAN_FRONTEND: 'noninteractive', RUNLEVEL: '1' }
  const policy = '/usr/sbin/policy-rc.d'
  // A package's own service must not be started; Pledge runs a private instance.
  const writesPolicy = isRoot && !existsSync(policy)
  if (writesPolicy) writeFileSync(policy, '#!/bin/sh\nexit 101\n', { mode: 0o755 })
  try {
    const all = (args) =>
      runToEnd([...prefix, ...args][0], [...prefix, ...args].slice(1), {
        env: environment,
        log: join(varDirectory, 'apt.log'),
        cwd: '/',
      })
    await all(['apt-get', 'update', '-o', 'DPkg::Lock::Timeout=600'])
    await all(install)
  } finally {
    if (writesPolicy) rmSync(policy, { force: true })
  }
}

/** Installs the npm packages when there are none, or when the lock file has changed since. */
export async function installModules() {
  const lock = readFileSync(join(root, 'package-lock.json'))
  const hash = createHash('sha256').update(lock).digest('hex')
  const mark = join(root, 'node_modules', '.pledge-lock')
  if (existsSync(mark) && readFileSync(mark, 'utf8') === hash) return
  say('installing npm packages (about 40 seconds)')
  mkdirSync(varDirectory, { recursive: true })
  await runToEnd('npm', ['ci', '--no-audit', '--no-fund'], { log: join(varDirectory, 'npm.log') })
  writeFileSync(mark, hash)
}

const BUILT = [
  'packages/core/dist/index.js',
  'packages/catalogue/dist/catalogue.bin',
  'packages/demo/dist/prepareDemo.js',
  'packages/server/dist/pledge.cjs.cache',
  'packages/web/dist/index.html',
]

/** Builds core, server and web when a source is newer than what was built last. */
export async function build() {
  const mark = join(varDirectory, 'built')
  const hash = sourceHash()
  if (
    BUILT.every((file) => existsSync(join(root, file))) &&
    existsSync(mark) &&
    readFileSync(mark, 'utf8') === hash
  )
    return
  say('building (about 30 seconds)')
  mkdirSync(varDirectory, { recursive: true })
  await runToEnd('npm', ['run', 'build'], { log: join(varDirectory, 'build.log') })
  writeFileSync(mark, hash)
}

function sourceHash() {
  const hash = createHash('sha256')
  const listed = spawnSync(
    'find',
    [
      'packages',
      'catalogue',
      'tsconfig.base.json',
      'scripts/bundle.mjs',
      'package-lock.json',
      '-type',
      'f',
      '-not',
      '-path',
      '*/dist/*',
      '-not',
      '-path',
      '*/node_modules/*',
      '-not',
      '-name',
      '*.test.ts',
    ],
    { cwd: root, encoding: 'utf8' },
  )
  for (const file of listed.stdout.trim().split('\n').sort())
    hash.update(file).update(readFileSync(join(root, file)))
  return hash.digest('hex')
}
