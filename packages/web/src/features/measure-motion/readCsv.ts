import { mappedColumns } from '@pledge/core'
import Papa from 'papaparse'

export type CsvTable =
  | {
      readonly name: 'table'
      readonly header: readonly string[]
      readonly rows: readonly (readonly string[])[]
      /** What was assumed about the file; empty where nothing was. */
      readonly note: string
    }
  | { readonly name: 'refused'; readonly message: string }

const MOST_BYTES = 5_000_000
const DELIMITERS = [';', ',', '\t'] as const

/** Reads a file of comma-, semicolon- or tab-separated values as text. A broken file is refused as a whole, with its row. */
export function readCsv(bytes: ArrayBuffer): CsvTable {
  if (bytes.byteLength > MOST_BYTES) return refused('The file is larger than 5 MB. Split it.')
  const { text, note } = decoded(bytes)
  const firstLine = text.split(/\r?\n/, 1)[0] ?? ''
  // The delimiter is the one under which most columns have names we know: guessing from commas fails on decimal commas.
  const known = (delimiter: string) => Object.keys(mappedColumns(cellsOf(firstLine, delimiter))).length
  const delimiter = DELIMITERS.reduce((best, one) => (known(one) > known(best) ? one : best))
  const { data, errors } = Papa.parse<string[]>(text.trimEnd(), { delimiter })
  const [broken] = errors
  if (broken) return refused(`Row ${(broken.row ?? 0) + 1} cannot be read: ${broken.message}.`)
  const [header, ...rows] = data
  if (!header || header.length < 2) return refused('The first row must name the columns.')
  if (rows.length === 0) return refused('There is no row below the names of the columns.')
  return { name: 'table', header: header.map((cell) => cell.trim()), rows, note }
}

const refused = (message: string): CsvTable => ({ name: 'refused', message })
const cellsOf = (line: string, delimiter: string) => Papa.parse<string[]>(line, { delimiter }).data[0] ?? []

/** UTF-8, with or without a byte order mark; else the old encoding of Windows, which is told. */
function decoded(bytes: ArrayBuffer): { text: string; note: string } {
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), note: '' }
  } catch {
    return {
      text: new TextDecoder('windows-1252').decode(bytes),
      note: 'Read as windows-1252: check accents.',
    }
  }
}
