import Fastify from 'fastify'
import type { BenchClinic } from './withClinic.js'

/** So many open episodes a large clinic has. */
const EPISODES = 10_000
const ROUNDS = 15
const ROWS = 50

/** Columns that hold an id of what is copied with them. */
const IDS =
  /^(id|patient_id|person_id|episode_id|school_choice_id|withdraws_id|corrects_id|lifts_id|bout_log_id|program_version_id|evaluation_id|target_id|withdrawal_id)$/
/** What belongs to an episode, in the order in which it can be written. */
const TABLES = [
  'patients',
  'episodes',
  'episode_sequences',
  'school_choices',
  'slips',
  'window_shifts',
  'health_checks',
  'home_checks',
  'facts',
  'orders',
  'overrides',
  'evaluations',
  'measurements',
  'program_versions',
  'bout_logs',
  'bout_log_items',
  'flags',
  'withdrawals',
]

/** Fills the clinic with copies of its demo patients, each with the whole record, until it has so many open episodes. */
async function fill(pool: BenchClinic['pool']): Promise<void> {
  const [{ count }] = (await pool.query('SELECT COUNT(*) count FROM episodes')) as [{ count: bigint }]
  const copies = Math.ceil(EPISODES / Number(count)) - 1
  for (const table of TABLES) {
    const columns = (
      (await pool.query(
        `SELECT column_name name FROM information_schema.columns
          WHERE table_schema = DATABASE() AND table_name = ? AND extra NOT LIKE '%auto_increment%'`,
        [table],
      )) as { name: string }[]
    ).map(({ name }) => name)
    const copied = columns.map((name) =>
      name === 'device_id'
        ? 'NULL'
        : IDS.test(name)
          ? `UPPER(LEFT(MD5(CONCAT(row.${name}, '-', copy.seq)), 26))`
          : `row.${name}`,
    )
    await pool.query(
      `INSERT INTO ${table} (${columns.join(', ')}) SELECT ${copied.join(', ')} FROM ${table} row, seq_1_to_${copies} copy`,
    )
  }
}

/**
 * What a page shows, as one query without any judgement: the open episodes with patient and therapist, those with an open red flag
 * first, then those reviewed longest ago; of the first fifty the last bout and its pain.
 */
const BARE = `
  SELECT page.*, bout.ended_at, bout.pain_worst FROM (
    SELECT e.id, p.name patient, u.name therapist, e.side, e.condition_id,
      EXISTS (SELECT 1 FROM flags f WHERE f.episode_id = e.id AND f.lifts_id IS NULL
        AND NOT EXISTS (SELECT 1 FROM flags l WHERE l.lifts_id = f.id)) flagged,
      GREATEST(e.opened_on, COALESCE((SELECT MAX(evaluated_on) FROM evaluations v WHERE v.episode_id = e.id), e.opened_on)) reviewed
    FROM episodes e JOIN patients p ON p.id = e.patient_id JOIN users u ON u.id = e.therapist_id
    ORDER BY flagged DESC, reviewed, e.id LIMIT ${ROWS}) page
  LEFT JOIN bout_logs bout ON bout.seq = (SELECT MAX(seq) FROM bout_logs b WHERE b.episode_id = page.id)`

async function medianMs(work: () => Promise<unknown>): Promise<number> {
  const times: number[] = []
  for (let round = 0; round < ROUNDS; round += 1) {
    const started = performance.now()
    await work()
    times.push(performance.now() - started)
  }
  return times.sort((a, b) => a - b)[Math.floor(ROUNDS / 2)]!
}

/**
 * The first page of the caseload of a clinic with 10,000 open episodes, against a bare route with one query; once with nothing
 * judged yet, and then while bouts keep coming.
 */
export async function caseload(
  { address, pool, signedIn, upload }: BenchClinic,
  print: (name: string, text: string) => void,
): Promise<void> {
  await fill(pool)
  const bare = Fastify()
  bare.get('/bare', async () => pool.query(BARE))
  const bareAddress = await bare.listen({ host: '127.0.0.1', port: 0 })
  const read = async (url: string, headers = {}) => {
    const answer = await fetch(url, { headers })
    if (!answer.ok) throw new Error(`${url}: ${answer.status} ${await answer.text()}`)
    return (await answer.json()) as unknown
  }
  const page = async () =>
    (await read(`${address}/api/caseload`, signedIn)) as { total: number; cases: unknown[] }
  const started = performance.now()
  const first = await page()
  const cold = (performance.now() - started) / 1000
  if (first.total < EPISODES || first.cases.length !== ROWS) throw new Error('The caseload is not whole.')
  await read(`${bareAddress}/bare`)
  const bareMs = await medianMs(() => read(`${bareAddress}/bare`))
  const stillMs = await medianMs(page)
  const movedMs = await medianMs(async () => {
    await upload()
    return page()
  })
  const uploadMs = await medianMs(upload)
  print(
    'caseload',
    `${first.total} open episodes: first page ${stillMs.toFixed(0)} ms, ${(stillMs / bareMs).toFixed(2)} of a bare query (${bareMs.toFixed(0)} ms; at most 2); after a bout ${(movedMs - uploadMs).toFixed(0)} ms; nothing judged yet ${cold.toFixed(1)} s`,
  )
  await bare.close()
}
