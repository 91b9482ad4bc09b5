import {
  AIMS,
  FAMILIES,
  FAMILY_NAMES,
  REGION_NAMES,
  STRUCTURE_NAMES,
  type Said,
  type VerdictKind,
} from '@pledge/core'
import type { LibraryAnswer, LibraryEntry } from '@pledge/contract'
import { AIM_WORDS, VERDICT_WORDS } from '../../shared/words'

/** What the library can be narrowed by; an empty word does not narrow. */
export const FACETS = ['region', 'aim', 'family', 'thing', 'condition', 'structure'] as const
export type Facet = (typeof FACETS)[number]
export const FACET_LABELS: Readonly<Record<Facet, string>> = {
  region: 'Part',
  aim: 'For',
  family: 'Kind',
  thing: 'With',
  condition: 'After',
  structure: 'Reaches',
}
export type Narrowed = Readonly<Record<Facet, string>>
export const NOT_NARROWED: Narrowed = {
  region: '',
  aim: '',
  family: '',
  thing: '',
  condition: '',
  structure: '',
}

const VALUES: Readonly<Record<Facet, (entry: LibraryEntry) => readonly string[]>> = {
  region: ({ region }) => [region],
  aim: ({ aims }) => aims,
  family: ({ family }) => [family],
  thing: ({ equipment }) => equipment,
  condition: ({ conditions }) => conditions,
  structure: ({ structures }) => structures,
}

export interface FacetChoice {
  readonly value: string
  readonly name: string
  /** Exercises left if this one is chosen, the other facets as they are. */
  readonly count: number
}

/** The name of a facet's value. */
export function facetName(facet: Facet, value: string, { conditions, equipment }: LibraryAnswer): string {
  const named = (list: readonly { id: string; name: Said }[]) =>
    list.find(({ id }) => id === value)?.name.en ?? value
  switch (facet) {
    case 'region':
      return REGION_NAMES[value]?.en ?? value
    case 'aim':
      return AIM_WORDS[value as keyof typeof AIM_WORDS]
    case 'family':
      return FAMILY_NAMES[value as keyof typeof FAMILY_NAMES].en
    case 'thing':
      return named(equipment)
    case 'condition':
      return named(conditions)
    case 'structure':
      return STRUCTURE_NAMES[value]?.en ?? value
  }
}

/** The words of an exercise that a search looks through: both languages, and the names of all it is sorted by. */
function searchable(entry: LibraryEntry, library: LibraryAnswer): string {
  const facets = FACETS.flatMap((facet) =>
    VALUES[facet](entry).map((value) => facetName(facet, value, library)),
  )
  const verdict = entry.kind ? VERDICT_WORDS[entry.kind] : ''
  return plain([entry.name.en, entry.name.es, entry.reason.en, entry.reason.es, ...facets, verdict].join(' '))
}

/** Lower case without accents: who types "munon" finds "muñón". */
function plain(text: string): string {
  return text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()
}

function fits(entry: LibraryEntry, narrowed: Narrowed, but: Facet | null = null): boolean {
  return FACETS.every(
    (facet) => facet === but || narrowed[facet] === '' || VALUES[facet](entry).includes(narrowed[facet]),
  )
}

/**
 * The exercises that fit every facet and every word of a search. A word may stand anywhere: "nerve wrist" finds what has
 * both.
 */
export function found(
  library: LibraryAnswer,
  search: string,
  narrowed: Narrowed,
  kinds: readonly VerdictKind[],
): LibraryEntry[] {
  const words = plain(search)
    .split(/\s+/)
    .filter((word) => word !== '')
  return library.exercises.filter((entry) => {
    if (kinds.length > 0 && (entry.kind === null || !kinds.includes(entry.kind))) return false
    if (!fits(entry, narrowed)) return false
    const text = words.length > 0 ? searchable(entry, library) : ''
    return words.every((word) => text.includes(word))
  })
}

/** The values of a facet that would leave something, with how much. */
export function choicesOf(facet: Facet, library: LibraryAnswer, narrowed: Narrowed): FacetChoice[] {
  const counts = new Map<string, number>()
  for (const entry of library.exercises)
    if (fits(entry, narrowed, facet))
      for (const value of VALUES[facet](entry)) counts.set(value, (counts.get(value) ?? 0) + 1)
  const order: readonly string[] | null =
    facet === 'aim'
      ? AIMS
      : facet === 'family'
        ? FAMILIES
        : facet === 'region'
          ? Object.keys(REGION_NAMES)
          : null
  const choices = [...counts].map(([value, count]) => ({
    value,
    name: facetName(facet, value, library),
    count,
  }))
  return choices.sort((a, b) =>
    order ? order.indexOf(a.value) - order.indexOf(b.value) : a.name.localeCompare(b.name),
  )
}
