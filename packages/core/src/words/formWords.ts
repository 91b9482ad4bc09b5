import { AXIS_NAMES, DIRECTION_NAMES, ORTHOSIS_NAMES, type Language, type Said } from './names.js'
import type { Arc, Axis, Orthosis } from '../vocabulary/vocabulary.js'

/** What an axis' negative and positive degrees are called. */
const WAYS_OF_AXIS: Readonly<
  Record<'other', readonly [Said, Said]> & Partial<Record<Axis, readonly [Said, Said]>>
> = {
  forearm: [DIRECTION_NAMES['pron']!, DIRECTION_NAMES['sup']!],
  wrist_ru: [DIRECTION_NAMES['rad']!, DIRECTION_NAMES['uln']!],
  other: [DIRECTION_NAMES['ext']!, DIRECTION_NAMES['flex']!],
}

/** An arc in the words of the clinic, without signs: "wrist 30° of extension to 15° of flexion". */
export function arcWords(axis: Axis, [low, high]: Arc, language: Language): string {
  const to = language === 'en' ? 'to' : 'a'
  const [below, above] = WAYS_OF_AXIS[axis] ?? WAYS_OF_AXIS.other
  const of = (deg: number, way: Said) => `${deg}° ${language === 'en' ? 'of' : 'de'} ${way[language]}`
  const name = AXIS_NAMES[axis][language]
  if (low >= 0) return `${name} ${low} ${to} ${of(high, above)}`
  if (high <= 0) return `${name} ${-high} ${to} ${of(-low, below)}`
  return `${name} ${of(-low, below)} ${to} ${of(high, above)}`
}

/** Where a joint is kept: "wrist at 0°", "MCP at 60° of flexion". */
export function keptWords(axis: Axis, deg: number, language: Language): string {
  const [below, above] = WAYS_OF_AXIS[axis] ?? WAYS_OF_AXIS.other
  const at = `${AXIS_NAMES[axis][language]} ${language === 'en' ? 'at' : 'en'} ${Math.abs(deg)}°`
  if (deg === 0) return at
  return `${at} ${language === 'en' ? 'of' : 'de'} ${(deg < 0 ? below : above)[language]}`
}

/** "inside the dorsal block or the wrist orthosis". */
export function insideWords(words: readonly Orthosis[], language: Language): string {
  const inside = language === 'en' ? 'inside' : 'dentro de'
  return `${inside} ${orthosisWords(words, language)}`.replaceAll('de el ', 'del ')
}

/** "the dorsal block or the wrist orthosis". */
export function orthosisWords(words: readonly Orthosis[], language: Language): string {
  return words.map((word) => ORTHOSIS_NAMES[word][language]).join(language === 'en' ? ' or ' : ' o ')
}

export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1)
}

/** A name within a sentence: its first letter small. */
export function uncapital(text: string): string {
  return text.charAt(0).toLowerCase() + text.slice(1)
}

/** Names as a sentence lists them: "a, b and c". */
export function listed(words: readonly string[], language: Language): string {
  const and = language === 'en' ? ' and ' : ' y '
  return words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')}${and}${words.at(-1)}`
}

/** The same, counting what is beyond the first few. */
export function few(words: readonly string[], most: number, language: Language): string {
  const more = words.length - most
  if (more <= 1) return listed(words, language)
  return listed([...words.slice(0, most), { en: `${more} more`, es: `${more} más` }[language]], language)
}
