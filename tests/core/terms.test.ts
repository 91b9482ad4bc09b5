import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { expect, it } from 'vitest'
import * as core from '@pledge/core'

const text = readFileSync(fileURLToPath(new URL('../../docs/terms.md', import.meta.url)), 'utf8')
const named = [...text.matchAll(/`([A-Za-z_0-9]+)`/g)].map(([, name]) => name!)

it('the index of clinical terms names every export of core, and nothing else', () => {
  expect([...new Set(named)].sort()).toEqual(Object.keys(core).sort())
})

it('names each once', () => {
  const twice = named.filter((name, place) => named.indexOf(name) !== place)
  expect(twice).toEqual([])
})
