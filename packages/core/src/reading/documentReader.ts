import { CoreError } from '../errors.js'
import { isClinicalDay } from '../calendar/clinicalDay.js'

/**
 * A cursor over an untrusted document (parsed YAML or JSON). Every refusal names the path, what was expected
 * and what stood there. It reads a value once and never converts one type into another.
 */
export class DocumentReader {
  readonly value: unknown
  readonly path: string

  constructor(value: unknown, path = '') {
    this.value = value
    this.path = path
  }

  /** Refuses the document at this place. */
  refuse(expected: string): never {
    throw new CoreError(
      'DOCUMENT_INVALID',
      this.path || '(document)',
      `Expected ${expected}, found ${shown(this.value)}.`,
    )
  }

  get isMissing(): boolean {
    return this.value === undefined || this.value === null
  }

  /** An object that has only the keys listed; a key outside the list is refused with its path. */
  object(keys: readonly string[]): Record<string, DocumentReader> {
    const map = this.anyObject()
    for (const key of Object.keys(map)) {
      if (!keys.includes(key)) {
        new DocumentReader(key, this.join(key)).refuse(`no such key here; known keys are ${keys.join(', ')}`)
      }
    }
    return Object.fromEntries(
      keys.map((key) => [key, map[key] ?? new DocumentReader(undefined, this.join(key))]),
    )
  }

  /** An object with keys of the document's own choosing. */
  anyObject(): Record<string, DocumentReader> {
    if (typeof this.value !== 'object' || this.value === null || Array.isArray(this.value)) {
      this.refuse('an object with keys')
    }
    return Object.fromEntries(
      Object.entries(this.value).map(([key, value]) => [key, new DocumentReader(value, this.join(key))]),
    )
  }

  list(): DocumentReader[] {
    if (!Array.isArray(this.value)) this.refuse('a list')
    return this.value.map((item, index) => new DocumentReader(item, this.join(String(index))))
  }

  optionalList(): DocumentReader[] {
    return this.isMissing ? [] : this.list()
  }

  text(): string {
    if (typeof this.value !== 'string' || this.value.trim() === '') this.refuse('a text')
    return this.value
  }

  number(low: number, high: number): number {
    if (
      typeof this.value !== 'number' ||
      !Number.isFinite(this.value) ||
      this.value < low ||
      this.value > high
    ) {
      this.refuse(`a number from ${low} to ${high}`)
    }
    return this.value
  }

  integer(low: number, high: number): number {
    const value = this.number(low, high)
    if (!Number.isInteger(value)) this.refuse(`a whole number from ${low} to ${high}`)
    return value
  }

  flag(): boolean {
    if (typeof this.value !== 'boolean') this.refuse('true or false')
    return this.value
  }

  oneOf<const T extends string>(words: readonly T[]): T {
    if (typeof this.value !== 'string' || !(words as readonly string[]).includes(this.value)) {
      this.refuse(`one of ${words.join(', ')}`)
    }
    return this.value as T
  }

  clinicalDay(): string {
    // YAML readers may turn a bare date into a Date object at midnight UTC.
    const value = this.value instanceof Date ? this.value.toISOString().slice(0, 10) : this.value
    if (typeof value !== 'string' || !isClinicalDay(value)) this.refuse('a date that exists, as 2031-04-11')
    return value
  }

  /** A reader of another value at the same path. */
  at(value: unknown): DocumentReader {
    return new DocumentReader(value, this.path)
  }

  /** Reads with `read` if something stands here, otherwise answers `null`. */
  optional<T>(read: (reader: DocumentReader) => T): T | null {
    return this.isMissing ? null : read(this)
  }

  private join(key: string): string {
    return this.path === '' ? key : `${this.path}.${key}`
  }
}

function shown(value: unknown): string {
  if (value === undefined) return 'nothing'
  if (Array.isArray(value)) return 'a list'
  if (typeof value === 'object' && value !== null) return 'an object'
  const text = typeof value === 'string' ? `"${value}"` : String(value)
  return text.length > 60 ? `${text.slice(0, 57)}…` : text
}
