import type { DocumentReader } from '../reading/documentReader.js'
import * as words from './vocabulary.js'

export function readModes(list: DocumentReader): readonly words.Mode[] {
  const modes = list.list().map((mode) => mode.oneOf(words.MODES))
  if (modes.length === 0) list.refuse('at least one mode')
  return modes
}

export function readResistance(word: DocumentReader): words.ResistanceClass {
  return words.RESISTANCE_WORDS.indexOf(word.oneOf(words.RESISTANCE_WORDS)) as words.ResistanceClass
}

/** Arcs or a posture: `{wrist: [-30, 30], mp: [45, 60]}` in signed degrees. */
export function readArcs(reader: DocumentReader): words.Arcs {
  const arcs: Partial<Record<words.Axis, words.Arc>> = {}
  for (const [word, range] of Object.entries(reader.anyObject())) {
    const axis = words.axisOfWord(word)
    if (axis === null) range.refuse('an axis of the vocabulary, as wrist or mp')
    const ends = range.list()
    if (ends.length !== 2) range.refuse('[from, to] in degrees')
    const from = ends[0]!.number(-180, 180)
    arcs[axis!] = [from, ends[1]!.number(from, 180)]
  }
  return arcs
}
