import { placeOfKey, typedReading, type Reading, type Visit } from '@pledge/core'

/** Readings as a therapist types them: `pip.ring.left.active` → `10/85`. */
export function readings(typed: Readonly<Record<string, string>>): Reading[] {
  return Object.entries(typed).map(([key, text]) => {
    const place = placeOfKey(key)
    const cell = typedReading(place.measure, text)
    if (cell.name !== 'read') throw new Error(`${key}: "${text}" is ${JSON.stringify(cell)}`)
    return { ...place, result: cell.result }
  })
}

/** A visit with what was typed at it. */
export function visit(on: string, typed: Readonly<Record<string, string>>, by = 'noor'): Visit {
  return { on, by, readings: readings(typed) }
}

/** A finger from the palm to the tip, one way: `left.active`. */
export function finger(digit: string, way: string, [mcp, pip, dip]: readonly [string, string, string]) {
  return { [`mcp.${digit}.${way}`]: mcp, [`pip.${digit}.${way}`]: pip, [`dip.${digit}.${way}`]: dip }
}
