import { CoreError, houseCatalogue, type Catalogue, type HouseEdit } from '@pledge/core'
import fp from 'fastify-plugin'
import type { Database } from '../data/database.js'
import type { HouseEditRow } from '../data/models.js'

declare module 'fastify' {
  interface FastifyRequest {
    /** The catalogue as this clinic uses it now: the shipped one with the clinic's changes. */
    catalogue: Catalogue
  }
}

/** The clinic's changes in force, in the order in which they were made. */
export function editsInForce(rows: readonly HouseEditRow[]): HouseEditRow[] {
  const withdrawn = new Set(rows.map(({ withdrawsId }) => withdrawsId))
  return rows.filter((row) => row.withdrawsId === null && !withdrawn.has(row.id))
}

/** Every change ever made and taken back, oldest first. */
export async function allHouseEdits(database: Database): Promise<HouseEditRow[]> {
  const rows = await database.rows.houseEdits.findAll({ order: [['number', 'ASC']] })
  return rows.map((row) => row.get())
}

/** The shipped catalogue with a clinic's changes worked in; its revision names both. */
export function catalogueOfHouse(shipped: Catalogue, rows: readonly HouseEditRow[]): Catalogue {
  if (rows.length === 0) return shipped
  const edits = editsInForce(rows).map(({ edit }) => edit as HouseEdit)
  return houseCatalogue(shipped, edits, `${shipped.revision}.h${rows.at(-1)!.number}`)
}

/**
 * Checks at the start that the clinic's changes still fit the shipped catalogue, which may be a newer one.
 *
 * @throws CoreError that names the change and how to take it back
 */
export async function checkHouseEdits(database: Database, shipped: Catalogue): Promise<void> {
  const rows = await allHouseEdits(database)
  try {
    catalogueOfHouse(shipped, rows)
  } catch (error) {
    if (!(error instanceof CoreError)) throw error
    const list = editsInForce(rows).map(({ id, subject }) => `${id} (${subject})`)
    throw new CoreError(
      error.code,
      error.path,
      `A change this clinic made no longer fits the catalogue: ${error.message} Take it back with "node packages/server/dist/cli/prepare.js --take-back ID"; in force are ${list.join(', ')}.`,
    )
  }
}

/** Hands each request the clinic's catalogue; it is made anew only when a change was added, by whichever server. */
export const houseCatalogues = fp(
  async (app, { database, shipped }: { database: Database; shipped: Catalogue }) => {
    let kept = shipped
    let keptNumber = 0
    app.decorateRequest('catalogue', null as unknown as Catalogue)
    app.addHook('preHandler', async (request) => {
      const { access } = request.routeOptions.config
      if (access === undefined || access === 'anyone') return
      const newest = await database.rows.houseEdits.findOne({
        order: [['number', 'DESC']],
        attributes: ['number'],
      })
      const number = newest?.get().number ?? 0
      if (number !== keptNumber) {
        kept = catalogueOfHouse(shipped, await allHouseEdits(database))
        keptNumber = number
      }
      request.catalogue = kept
    })
  },
  { name: 'houseCatalogues' },
)
