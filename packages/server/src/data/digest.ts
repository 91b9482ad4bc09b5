import { createHash } from 'node:crypto'

/** A digest of what was sent, the same for the same content whatever the order of its keys. */
export function digestOf(content: unknown): string {
  return createHash('sha256')
    .update(JSON.stringify(canonical(content)))
    .digest('hex')
}

function canonical(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(canonical)
  if (typeof value !== 'object' || value === null || value instanceof Date) return value
  return Object.fromEntries(
    Object.entries(value)
      .filter(([, inner]) => inner !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, inner]) => [key, canonical(inner)]),
  )
}

/** How a secret is stored: nobody who reads the database can use it. */
export function hashOf(secret: string): string {
  return createHash('sha256').update(secret).digest('hex')
}
