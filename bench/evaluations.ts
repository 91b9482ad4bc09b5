import {
  bookOf,
  DIGITS,
  digitFindings,
  hingesOf,
  numberFindings,
  placeKey,
  placeOfKey,
  typedReading,
  type Bench,
  type Digit,
  type Reading,
  type Visit,
} from '@pledge/core'
import { newId } from '../packages/server/src/data/ids.js'
import { postJson, type BenchClinic } from './withClinic.js'

const VISITS = 60

/** A whole hand, both sides, active and passive, with the fingertips: 120 numbers in 64 cells. */
function handTyped(): Map<string, string> {
  const typed = new Map<string, string>()
  for (const side of ['left', 'right'] as const) {
    for (const digit of DIGITS)
      for (const kind of ['active', 'passive'] as const)
        for (const measure of hingesOf(digit)) typed.set(placeKey({ measure, digit, side, kind }), '5/60')
    for (const digit of DIGITS.slice(1) as Digit[])
      typed.set(placeKey({ measure: 'fingertipToCrease', digit, side, kind: null }), '20')
  }
  return typed
}

function readingsOf(typed: ReadonlyMap<string, string>): Reading[] {
  return [...typed].flatMap(([key, text]) => {
    const place = placeOfKey(key)
    const cell = typedReading(place.measure, text)
    return cell.name === 'read' ? [{ ...place, result: cell.result }] : []
  })
}

/** All that the bench derives after a key press, with twelve visits before it. */
export function recomputed(print: (name: string, text: string) => void): void {
  const typed = handTyped()
  const visits = Array.from({ length: 12 }, (_, at): Visit => ({
    on: `2031-0${1 + Math.floor(at / 4)}-${10 + at}`,
    by: at % 2 === 0 ? 'noor' : 'ines',
    readings: readingsOf(typed),
  }))
  const bench: Bench = { side: 'left', by: 'noor', visits }
  let least = Infinity
  for (let round = 0; round < 60; round += 1) {
    typed.set('pip.ring.left.active', `5/${40 + round}`)
    const started = performance.now()
    const now = bookOf(readingsOf(typed))
    for (const digit of DIGITS) digitFindings(digit, now, bench)
    for (const key of typed.keys())
      if (key.startsWith('fingertip')) numberFindings(placeOfKey(key), now, bench)
    least = Math.min(least, performance.now() - started)
  }
  print('bench', `120 readings after 12 visits: all that is derived in ${least.toFixed(2)} ms a key press`)
}

/** A visit of 120 readings through the server, against the bare inserts of the same rows in one transaction; durable. */
export async function evaluations(
  { address, pool, signedIn }: BenchClinic,
  print: (name: string, text: string) => void,
): Promise<void> {
  const readings = readingsOf(handTyped())
  const [{ id: episodeId, by }] = (await pool.query(
    'SELECT id, therapist_id `by` FROM episodes LIMIT 1',
  )) as [{ id: string; by: string }]
  const session = await (await fetch(`${address}/api/session`, { headers: signedIn })).json()
  const headers = { ...signedIn, 'csrf-token': (session as { csrfToken: string }).csrfToken }
  const ids: string[] = []
  const save = async () => {
    const id = newId()
    ids.push(id)
    const evaluatedOn = new Date().toISOString().slice(0, 10)
    await (
      await postJson(
        `${address}/api/episodes/${episodeId}/evaluations`,
        { id, evaluatedOn, note: '', readings },
        headers,
      )
    ).text()
  }
  let seq = 1_000_000
  const bare = async () => {
    const id = newId()
    ids.push(id)
    const connection = await pool.getConnection()
    try {
      await connection.beginTransaction()
      await connection.execute(
        `INSERT INTO evaluations (id, episode_id, evaluated_on, note, recorded_by, recorded_at, seq, digest)
          VALUES (?, ?, CURRENT_DATE, '', ?, UTC_TIMESTAMP(3), ?, '')`,
        [id, episodeId, by, (seq += 1)],
      )
      for (const { measure, digit, side, kind, result } of readings)
        await connection.execute(
          'INSERT INTO measurements (evaluation_id, episode_id, measure, digit, side, kind, result) VALUES (?, ?, ?, ?, ?, ?, ?)',
          [id, episodeId, measure, digit ?? '', side ?? '', kind ?? '', JSON.stringify(result)],
        )
      await connection.commit()
    } finally {
      await connection.release()
    }
  }
  const msOf = async (work: () => Promise<void>) => {
    for (let at = 0; at < 5; at += 1) await work()
    const started = performance.now()
    for (let at = 0; at < VISITS; at += 1) await work()
    return (performance.now() - started) / VISITS
  }
  const [bareMs, ms] = [await msOf(bare), await msOf(save)]
  print(
    'visits',
    `120 readings in ${ms.toFixed(1)} ms with checks and audit, ${(ms / bareMs).toFixed(2)} of the bare inserts in one transaction (${bareMs.toFixed(1)} ms), durable`,
  )
  // The next measurement begins with the clinic as it was.
  await pool.query('DELETE FROM measurements WHERE evaluation_id IN (?)', [ids])
  await pool.query('DELETE FROM evaluations WHERE id IN (?)', [ids])
}
