import { daysBetween, isClinicalDay, type ClinicalDay } from '../../calendar/clinicalDay.js'
import { CoreError } from '../../errors.js'
import {
  measureFacts,
  MEASURE_NAMES,
  type MeasureName,
  type ReadingKind,
  type Side,
} from '../../measurement/readings/measures.js'
import { checkedReading, placeKey, type Reading } from '../../measurement/readings/reading.js'
import { asTyped, typedReading } from '../../measurement/readings/typedReading.js'
import { placeWords } from '../../measurement/readings/visits.js'
import type { Digit } from '../../vocabulary/vocabulary.js'

/** What a column of a table of readings may hold. */
export const READING_COLUMNS = [
  'date',
  'measure',
  'digit',
  'side',
  'kind',
  'value',
  'extension',
  'flexion',
] as const
export type ReadingColumn = (typeof READING_COLUMNS)[number]

/** Which column of the file holds what, and what the file does not say of itself. */
export interface ReadingMapping {
  readonly columns: Readonly<Partial<Record<ReadingColumn, number>>>
  /** What comes first in `3/4/2031`; `null`: not said, and such dates are refused. */
  readonly dateOrder: 'dayFirst' | 'monthFirst' | null
  /** Which sign of extension means lacking; `null`: not said, and any but 0 is refused: the two conventions mirror each other. */
  readonly lackingIs: 'positive' | 'negative' | null
}

/** A row as it was understood: a reading of a day, or why not. Counted from 1, as the file's editor counts, the header being row 1. */
export type ReadRow =
  | { readonly name: 'reading'; readonly row: number; readonly on: ClinicalDay; readonly reading: Reading }
  | { readonly name: 'known'; readonly row: number; readonly on: ClinicalDay; readonly reading: Reading }
  | { readonly name: 'wrong'; readonly row: number; readonly message: string }

/** What is on record of a day already. */
export interface DayOnRecord {
  readonly on: ClinicalDay
  readonly readings: readonly Reading[]
}

/** Usual names of columns, by which a file is mapped before somebody corrects it. */
const COLUMN_NAMES: Readonly<Record<ReadingColumn, readonly string[]>> = {
  date: ['date', 'day', 'measuredon', 'visit', 'datum', 'fecha'],
  measure: ['measure', 'joint', 'motion', 'test', 'medida', 'articulacion'],
  digit: ['digit', 'finger', 'dedo', 'ray'],
  side: ['side', 'hand', 'lado', 'mano'],
  kind: ['kind', 'activepassive', 'how', 'mode', 'tipo'],
  value: ['value', 'reading', 'result', 'valor'],
  extension: ['extension', 'ext', 'deficit', 'extensiondeficit'],
  flexion: ['flexion', 'flex'],
}

const bare = (text: string) =>
  text
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/[^a-z0-9]/g, '')

/** Which columns a header names; what it does not name is left out. */
export function mappedColumns(header: readonly string[]): ReadingMapping['columns'] {
  const names = header.map(bare)
  const found = READING_COLUMNS.flatMap((column) => {
    const at = names.findIndex((name) => COLUMN_NAMES[column].includes(name))
    return at < 0 ? [] : [[column, at] as const]
  })
  return Object.fromEntries(found)
}

const MEASURES_BY_NAME: ReadonlyMap<string, MeasureName> = new Map<string, MeasureName>([
  ...MEASURE_NAMES.map((name): [string, MeasureName] => [bare(name), name]),
  ...MEASURE_NAMES.map((name): [string, MeasureName] => [bare(measureFacts(name).label), name]),
  ['mp', 'mcp'],
  ['gripstrength', 'grip'],
  ['lateralpinch', 'keyPinch'],
])
const DIGITS_BY_NAME: Readonly<Record<string, Digit>> = {
  thumb: 'thumb',
  index: 'index',
  middle: 'middle',
  long: 'middle',
  ring: 'ring',
  little: 'little',
  small: 'little',
  pulgar: 'thumb',
  indice: 'index',
  medio: 'middle',
  anular: 'ring',
  menique: 'little',
  '1': 'thumb',
  '2': 'index',
  '3': 'middle',
  '4': 'ring',
  '5': 'little',
}
const SIDES_BY_NAME: Readonly<Record<string, Side>> = {
  left: 'left',
  l: 'left',
  right: 'right',
  r: 'right',
  izquierda: 'left',
  derecha: 'right',
}
const KINDS_BY_NAME: Readonly<Record<string, ReadingKind>> = {
  active: 'active',
  a: 'active',
  arom: 'active',
  activo: 'active',
  passive: 'passive',
  p: 'passive',
  prom: 'passive',
  pasivo: 'passive',
}

/** What a file does not say of itself and somebody has to, once for all its rows. */
export const ROW_ASKS = {
  dateOrder: 'Say whether the day or the month comes first.',
  lackingIs: 'Say which sign of extension means that it lacks.',
} as const

class RowProblem extends Error {}
const wrong = (message: string): never => {
  throw new RowProblem(message)
}

/**
 * Reads the rows of a table of readings, each on its own: one that cannot be read tells why and stops no other. What is on record for
 * the same day and place is known and not taken twice; on record with another result it is wrong, because one of the two must be.
 *
 * @param rows - cells as text, without the header
 */
export function readRows(
  rows: readonly (readonly string[])[],
  mapping: ReadingMapping,
  onRecord: readonly DayOnRecord[],
  today: ClinicalDay,
): ReadRow[] {
  const record = new Map<string, Reading>(
    onRecord.flatMap(({ on, readings }) => readings.map((one) => [`${on} ${placeKey(one)}`, one] as const)),
  )
  const seen = new Map<string, number>()
  return rows.flatMap((cells, at): ReadRow[] => {
    const row = at + 2
    if (cells.every((cell) => cell.trim() === '')) return []
    try {
      const on = dateOf(cellAt(cells, mapping, 'date'), mapping, today)
      const reading = readingOf(cells, mapping)
      const key = `${on} ${placeKey(reading)}`
      const earlier = seen.get(key)
      if (earlier) wrong(`Row ${earlier} tells the same of the same day.`)
      seen.set(key, row)
      const known = record.get(key)
      if (known && asTyped(known.measure, known.result) !== asTyped(reading.measure, reading.result))
        wrong(
          `On record for this day is ${asTyped(known.measure, known.result)}. Correct the visit, or the file.`,
        )
      return [{ name: known ? 'known' : 'reading', row, on, reading }]
    } catch (error) {
      if (error instanceof RowProblem || error instanceof CoreError)
        return [{ name: 'wrong', row, message: error.message }]
      throw error
    }
  })
}

function cellAt(cells: readonly string[], { columns }: ReadingMapping, column: ReadingColumn): string {
  const at = columns[column]
  return at === undefined ? '' : (cells[at] ?? '').trim()
}

function dateOf(text: string, { dateOrder }: ReadingMapping, today: ClinicalDay): ClinicalDay {
  if (text === '') wrong('No date.')
  const day = isClinicalDay(text) ? text : fromParts(text, dateOrder)
  if (!isClinicalDay(day)) wrong(`${text} is no date. Write it as 2031-04-11.`)
  if (daysBetween(day, today) < 0) wrong(`${text} lies in the future.`)
  return day
}

const iso = (year: string, month: string, day: string) =>
  `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`
function fromParts(text: string, order: ReadingMapping['dateOrder']): string {
  const dotted = /^(\d{1,2})\.(\d{1,2})\.(\d{4})$/.exec(text)
  if (dotted) return iso(dotted[3]!, dotted[2]!, dotted[1]!)
  const slashed = /^(\d{1,2})[/-](\d{1,2})[/-](\d{4})$/.exec(text)
  if (!slashed) return ''
  const [, first, second, year] = slashed as unknown as [string, string, string, string]
  if (order === null) wrong(ROW_ASKS.dateOrder)
  return order === 'dayFirst' ? iso(year, second, first) : iso(year, first, second)
}

function readingOf(cells: readonly string[], mapping: ReadingMapping): Reading {
  const word = <T>(column: ReadingColumn, names: Readonly<Record<string, T>>): T | null => {
    const text = cellAt(cells, mapping, column)
    if (text === '') return null
    const found = names[bare(text)]
    return found === undefined ? wrong(`“${text}” is no ${column} Pledge knows.`) : found
  }
  const digit = word('digit', DIGITS_BY_NAME)
  const measure = measureOf(cellAt(cells, mapping, 'measure'), digit)
  const facts = measureFacts(measure)
  const place = {
    measure,
    digit: facts.digits?.length === 1 ? facts.digits[0]! : digit,
    side: facts.hasSide ? word('side', SIDES_BY_NAME) : null,
    kind: facts.kinds.length === 1 ? facts.kinds[0]! : word('kind', KINDS_BY_NAME),
  }
  if (facts.spots !== null)
    wrong(`${facts.label} is taken of a place on the skin: it is typed, not imported.`)
  const text = typedOf(cells, mapping, facts.shape === 'hinge')
  if (text === '') wrong('No value.')
  const cell = typedReading(measure, text)
  if (cell.name !== 'read') return wrong(cell.name === 'wrong' ? cell.message : 'No value.')
  if (cell.isUnusual) wrong(`${placeWords(place)}: ${text} is unusual. Type it at the bench if it is right.`)
  return checkedReading({ ...place, result: cell.result }, placeWords(place))
}

function measureOf(text: string, digit: Digit | null): MeasureName {
  const name = bare(text)
  if (digit === 'thumb' && (name === 'mcp' || name === 'mp')) return 'thumbMcp'
  if (digit === 'thumb' && name === 'ip') return 'thumbIp'
  return MEASURES_BY_NAME.get(name) ?? wrong(`Nothing is called “${text}” here.`)
}

/** What would be typed at the bench: the value as it stands, or both ends of a hinge from columns of their own. */
function typedOf(cells: readonly string[], mapping: ReadingMapping, isHinge: boolean): string {
  const value = cellAt(cells, mapping, 'value')
  if (value !== '' || !isHinge) return value
  const [extension, flexion] = [cellAt(cells, mapping, 'extension'), cellAt(cells, mapping, 'flexion')]
  return extension === '' && flexion === '' ? '' : `${lacking(extension, mapping)}/${flexion}`
}

/** Extension in the sign of the bench: lacking is positive, hyperextension negative. Source: M-01. */
function lacking(text: string, { lackingIs }: ReadingMapping): string {
  if (text === '' || /^[-−+]?0+$/.test(text)) return text.replace(/^[-−+]/, '')
  if (lackingIs === null) wrong(ROW_ASKS.lackingIs)
  const plain = text.replace(/^\+/, '')
  if (lackingIs === 'positive') return plain
  return /^[-−]/.test(plain) ? plain.slice(1) : `-${plain}`
}
