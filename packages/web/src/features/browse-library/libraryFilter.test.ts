import { describe, expect, it } from 'vitest'
import type { LibraryAnswer, LibraryEntry } from '@pledge/contract'
import { choicesOf, found, NOT_NARROWED } from './libraryFilter'

const entry = (id: string, changes: Partial<LibraryEntry> = {}): LibraryEntry => ({
  id,
  family: 'grip',
  aims: ['strength'],
  region: 'fingers',
  slot: 'strengthen',
  equipment: [],
  conditions: ['wrist-sprain'],
  structures: ['FDP'],
  name: { en: id, es: id },
  reason: { en: 'A reason.', es: 'Una razón.' },
  kind: null,
  ...changes,
})
const library: LibraryAnswer = {
  exercises: [
    entry('Squeeze putty', { name: { en: 'Squeeze putty', es: 'Apretar masilla' }, equipment: ['putty'] }),
    entry('Slide', {
      family: 'nerve-slider',
      aims: ['nerve'],
      region: 'wrist',
      structures: ['NMED'],
      kind: 'clear',
    }),
    entry('Scar', {
      aims: ['scar'],
      name: { en: 'Rub the scar', es: 'Frotar el muñón' },
      conditions: ['trigger-digit'],
      kind: 'not-yet',
    }),
  ],
  conditions: [
    { id: 'wrist-sprain', name: { en: 'Wrist sprain', es: 'Esguince de muñeca' } },
    { id: 'trigger-digit', name: { en: 'Trigger digit', es: 'Dedo en gatillo' } },
  ],
  equipment: [{ id: 'putty', name: { en: 'therapy putty', es: 'masilla terapéutica' } }],
}
const ids = (search: string, narrowed = {}, kinds: LibraryEntry['kind'][] = []) =>
  found(library, search, { ...NOT_NARROWED, ...narrowed }, kinds as never).map(({ id }) => id)

describe('finding an exercise', () => {
  it.each([
    ['its English name', 'putty', ['Squeeze putty']],
    ['its Spanish name, with or without accents', 'munon', ['Scar']],
    ['words in any order and of any kind', 'wrist nerve', ['Slide']],
    ['a structure it reaches', 'median', ['Slide']],
    ['a condition it is used after', 'trigger', ['Scar']],
    ['what it is done with', 'therapy putty', ['Squeeze putty']],
    ['its verdict', 'not yet', ['Scar']],
    ['nothing that fits', 'anvil', []],
    ['no word at all', '  ', ['Squeeze putty', 'Slide', 'Scar']],
  ])('by %s', (_how, search, expected) => {
    expect(ids(search)).toEqual(expected)
  })

  it('narrowed by several things at once', () => {
    expect(ids('', { region: 'fingers', condition: 'wrist-sprain' })).toEqual(['Squeeze putty'])
    expect(ids('', { structure: 'NMED', aim: 'scar' })).toEqual([])
    expect(ids('', { thing: 'putty' })).toEqual(['Squeeze putty'])
  })

  it('by verdict, which leaves out what was not judged', () => {
    expect(ids('', {}, ['clear'])).toEqual(['Slide'])
    expect(ids('', {}, ['clear', 'not-yet'])).toEqual(['Slide', 'Scar'])
  })
})

describe('the choices of a facet', () => {
  it('say what would be left, the other facets as they are', () => {
    const narrowed = { ...NOT_NARROWED, region: 'fingers' }
    expect(choicesOf('aim', library, narrowed).map(({ value, count }) => [value, count])).toEqual([
      ['scar', 1],
      ['strength', 1],
    ])
    expect(choicesOf('region', library, narrowed).map(({ value, count }) => [value, count])).toEqual([
      ['fingers', 2],
      ['wrist', 1],
    ])
  })
  it('have names, not ids', () => {
    expect(choicesOf('structure', library, NOT_NARROWED).map(({ name }) => name)).toEqual([
      'deep finger flexor (FDP)',
      'median nerve',
    ])
    expect(choicesOf('condition', library, NOT_NARROWED)[0]!.name).toBe('Trigger digit')
  })
})
