import {
  CoreError,
  editedProtocol,
  houseCatalogue,
  rulesOf,
  type Catalogue,
  type HouseEdit,
} from '@pledge/core'
import fp from 'fastify-plugin'
import type { Data } from '../data/data.js'
import { editsInForce } from '../data/houseEdits.js'
import type { HouseEditRow } from '../data/rows.js'

declare module 'fastify' {
  interface FastifyInstance {
    /** The catalogue as this clinic uses it now, whichever server changed it. */
    catalogueNow(): Promise<Catalogue>
  }
  interface FastifyRequest {
    /** The catalogue as this clinic uses it now: the shipped one with the clinic's changes. */
    catalogue: Catalogue
  }
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
export async function checkHouseEdits(data: Data, shipped: Catalogue): Promise<void> {
  const rows = await data.house.all()
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

/**
 * What was made for another version of a protocol, or for a rule that is no more: changes of the clinic that still fit but were
 * decided for other windows, and exceptions that cover nothing now. For whoever starts the server.
 *
 * @returns a line each; empty where everything fits
 */
export async function outdatedNames(data: Data, shipped: Catalogue): Promise<string[]> {
  const edits = editsInForce(await data.house.all()).flatMap(({ id, subject, edit, protocolVersion }) => {
    const protocolId = editedProtocol(edit as HouseEdit)
    const now = protocolId === null ? null : shipped.protocols.get(protocolId)?.version
    return protocolVersion !== null && now !== protocolVersion
      ? [
          `change ${id} (${subject}) was made for version ${protocolVersion}, the catalogue has version ${now ?? 'none'}`,
        ]
      : []
  })
  const overrides = (await data.programs.overridesInForce()).flatMap(({ id, barredBy, protocolVersions }) => {
    const unknown = (barredBy as string[]).flatMap((bar) => unknownRule(bar, shipped))
    const other = Object.entries(protocolVersions as Record<string, number>).filter(
      ([protocolId, version]) => shipped.protocols.get(protocolId)?.version !== version,
    )
    if (unknown.length === 0 && other.length === 0) return []
    const why = [
      ...unknown.map((rule) => `${rule} is no rule`),
      ...other.map(([protocolId, version]) => `it was made for version ${version} of ${protocolId}`),
    ]
    return [`exception ${id}: ${why.join('; ')}`]
  })
  return [...edits, ...overrides]
}

/** The rule that something barred is named after, where no protocol has it. */
function unknownRule(bar: string, { protocols }: Catalogue): string[] {
  const [, protocolId, key] = /^([^ #]+)#(\S+)/.exec(bar) ?? []
  if (protocolId === undefined) return []
  const protocol = protocols.get(protocolId)
  return protocol && rulesOf(protocol).some((rule) => rule.key === key) ? [] : [`${protocolId}#${key}`]
}

/** Hands each request the clinic's catalogue; it is made anew only when a change was added, by whichever server. */
export const houseCatalogues = fp(
  async (app, { data, shipped }: { data: Data; shipped: Catalogue }) => {
    let kept = shipped
    let keptNumber = 0
    app.decorate('catalogueNow', async () => {
      const number = await data.house.newestNumber()
      if (number !== keptNumber) {
        kept = catalogueOfHouse(shipped, await data.house.all())
        keptNumber = number
      }
      return kept
    })
    app.decorateRequest('catalogue', null as unknown as Catalogue)
    app.addHook('preHandler', async (request) => {
      const { access } = request.routeOptions.config
      if (access === undefined || access === 'anyone') return
      // A bout rests on no window: uploads are spared the question.
      if (access === 'device' && request.method === 'POST') {
        request.catalogue = kept
        return
      }
      request.catalogue = await app.catalogueNow()
    })
  },
  { name: 'houseCatalogues' },
)
