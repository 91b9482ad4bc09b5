import { randomInt } from 'node:crypto'
import { shippedCatalogue } from '@pledge/catalogue'
import { CODE_MINUTES, Database, hashOf, newId, readSettings } from '@pledge/server/parts'
import { DEMO_USERS, loadDemoClinic } from './demoClinic.js'

process.env['TZ'] = 'UTC'

/** Loads the demo clinic into a migrated database that is empty, and prints its sign-ins and a code for a phone as JSON. */
async function main(): Promise<void> {
  const settings = readSettings(process.env)
  const database = new Database(settings.database, 2)
  const catalogue = shippedCatalogue(process.env['PLEDGE_CATALOGUE'])
  const isLoaded = await loadDemoClinic(
    database,
    catalogue,
    new Date(),
    settings.clinic.timeZone,
    settings.today,
  )
  process.stdout.write(isLoaded ? 'loaded the demo clinic\n' : 'kept the data of the last start\n')
  const phone = await freshCode(database)
  process.stdout.write(`${JSON.stringify({ users: DEMO_USERS, phone })}\n`)
  await database.close()
}

/** A code to pair a phone with the demo patient whose program is in full swing. */
async function freshCode(database: Database): Promise<{ patient: string; code: string } | null> {
  const { rows } = database
  const patient = (await rows.patients.findOne({ where: { name: 'Dmitri Valcourt' } }))?.get()
  const episode = patient && (await rows.episodes.findOne({ where: { patientId: patient.id } }))?.get()
  if (!patient || !episode) return null
  const digits = String(randomInt(100_000_000)).padStart(8, '0')
  const now = new Date()
  await rows.pairings.create({
    id: newId(),
    episodeId: episode.id,
    codeHash: hashOf(digits),
    expiresAt: new Date(now.getTime() + CODE_MINUTES * 60_000),
    usedAt: null,
    createdBy: episode.therapistId,
    createdAt: now,
  })
  return { patient: patient.name, code: `${digits.slice(0, 4)} ${digits.slice(4)}` }
}

main().catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`)
  process.exit(1)
})
