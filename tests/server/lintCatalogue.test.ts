import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { lintCatalogue } from '../../packages/catalogue/src/lintCatalogue.js'
import { loadCatalogue } from '../../packages/catalogue/src/loadCatalogue.js'
import { catalogueDirectory } from '../core/shippedCatalogue.js'

const FILE = 'protocols/fractures/drf-vlp-early.yaml'
let copy: string
beforeEach(() => {
  copy = mkdtempSync(join(tmpdir(), 'catalogue-'))
  cpSync(catalogueDirectory, copy, { recursive: true })
})
afterEach(() => rmSync(copy, { recursive: true, force: true }))

function broken(from: string | RegExp, to: string, file = FILE) {
  const text = readFileSync(join(copy, file), 'utf8')
  const changed = text.replace(from, to)
  expect(changed, `"${String(from)}" is in ${file}`).not.toBe(text)
  writeFileSync(join(copy, file), changed)
  return lintCatalogue(copy).findings
}

describe('lint of the catalogue', () => {
  it('has no finding in what is shipped', () => {
    const { files, findings } = lintCatalogue(catalogueDirectory)
    expect(findings).toEqual([])
    expect(files).toBeGreaterThanOrEqual(88 + 37)
  })

  it.each([
    ['a wrong key', 'entry: [ord.therapy]', 'entrance: [ord.therapy]', /entrance/],
    ['an unknown word', 'm: [A], mv:', 'm: [Z], mv:', /\bA\b/],
    ['an unknown criterion', 'entry: [ord.therapy]', 'entry: [ord.holiday]', /criterion/],
    ['a gap between windows', /days: \[0, (\d+)\]/, 'days: [0, 1]', /day 1, found/],
    ['an overlap of windows', /days: \[0, (\d+)\]/, 'days: [0, 99]', /day 99, found/],
    [
      'a forbid without a reason',
      /\n {8}why:\n {10}en: No load and no forced[^\n]*\n {10}es: [^\n]*/,
      '',
      /reason|why/,
    ],
    ['a gate that falls', 'from: 28, kg: 1,', 'from: 90, kg: 1,', /gate|fall|order/],
    ['no source', /\nsrc:\n( {2}- [^\n]*\n)+/, '\nsrc: []\n', /source/],
  ])(
    'finds %s, with file, path and what was expected; the start refuses it too',
    (_what, from, to, expected) => {
      const findings = broken(from, to)
      expect(findings.length).toBeGreaterThan(0)
      expect(findings[0]!.file).toBe(FILE)
      expect(findings.map((one) => `${one.path} ${one.expected}`).join('\n')).toMatch(expected)
      expect(() => loadCatalogue(copy)).toThrow(/drf-vlp-early\.yaml/)
    },
  )

  it('finds an exercise of the fingers whose verdict hangs on a wrist it does not state', () => {
    const file = 'exercises/active-range/fist-gentle.yaml'
    const findings = broken(/wristFlexion: 0, /g, '', file)
    expect(findings).toHaveLength(1)
    expect(findings[0]).toMatchObject({ file, path: 'start.wristFlexion' })
    expect(findings[0]!.expected).toMatch(/is "clear", and "not-yet" with the wrist at -40°/)
  })

  it('tells the findings of several files at once', () => {
    broken('entry: [ord.therapy]', 'entry: [ord.holiday]')
    const findings = broken('id: mallet-finger', 'identity: mallet-finger', 'conditions/mallet-finger.yaml')
    expect(new Set(findings.map(({ file }) => file))).toEqual(
      new Set([FILE, 'conditions/mallet-finger.yaml']),
    )
  })

  it('finds a school nobody has written and an alias in a file', () => {
    expect(broken('MAL-PIN', 'MAL-GONE', 'conditions/mallet-finger.yaml')[0]!.expected).toMatch(/MAL-/)
    expect(broken('entry: [ord.therapy]', 'entry: *x')[0]!.file).toBe(FILE)
  })
})
