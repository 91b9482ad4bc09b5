import Fastify from 'fastify'
import { CONNECTIONS, postJson, type BenchClinic } from './withClinic.js'

const UPLOADS = 1200

async function inParallel(count: number, work: () => Promise<void>): Promise<number> {
  const started = performance.now()
  let left = count
  await Promise.all(
    Array.from({ length: CONNECTIONS }, async () => {
      while ((left -= 1) >= 0) await work()
    }),
  )
  return count / ((performance.now() - started) / 1000)
}

/** Bout uploads a second on a durable database, against a bare route with one prepared INSERT. */
export async function uploads(
  { pool, bout, upload }: BenchClinic,
  print: (name: string, text: string) => void,
): Promise<void> {
  await pool.query('CREATE TABLE bench_bare (id CHAR(26) PRIMARY KEY, body TEXT NOT NULL) ENGINE=InnoDB')
  const bare = Fastify()
  bare.post('/bare', async (request) => {
    const body = request.body as { id: string }
    await pool.execute('INSERT INTO bench_bare (id, body) VALUES (?, ?)', [body.id, JSON.stringify(body)])
    return { id: body.id }
  })
  const address = await bare.listen({ host: '127.0.0.1', port: 0 })
  const bareUpload = async () => void (await (await postJson(`${address}/bare`, bout())).text())
  const [{ newest }] = (await pool.query('SELECT MAX(seq) newest FROM bout_logs')) as [{ newest: bigint }]
  await inParallel(100, bareUpload)
  await inParallel(100, upload)
  const bareRate = await inParallel(UPLOADS, bareUpload)
  const rate = await inParallel(UPLOADS, upload)
  print(
    'uploads',
    `${rate.toFixed(0)} bouts/s with items and audit, ${(rate / bareRate).toFixed(2)} of a bare route with one INSERT (${bareRate.toFixed(0)}/s), ${CONNECTIONS} at once, durable`,
  )
  await bare.close()
  await pool.query('DROP TABLE bench_bare')
  // The next measurement begins with the clinic as it was.
  await pool.query(
    'DELETE items FROM bout_log_items items JOIN bout_logs ON bout_logs.id = bout_log_id WHERE seq > ?',
    [newest],
  )
  await pool.query('DELETE FROM bout_logs WHERE seq > ?', [newest])
}
