import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { Validator } from '@seriousme/openapi-schema-validator'
import { openApi, PATHS, ROUTES, type RouteName } from '@pledge/contract'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { signedIn, testClinic, type TestClinic } from '../database/testClinic.js'

const DOCUMENT = fileURLToPath(new URL('../../docs/openapi.json', import.meta.url))

let clinic: TestClinic
beforeAll(async () => {
  clinic = await testClinic()
})
afterAll(() => clinic.close())

/** The routes of the API, read from the tree that Fastify prints: `GET /api/caseload`. */
function registered(): string[] {
  const above: string[] = []
  return clinic.app
    .printRoutes({ commonPrefix: false })
    .split('\n')
    .flatMap((line) => {
      const [, indent, part, methods] = /^(.*?)[├└]── (\S+)(?: \(([^)]*)\))?/.exec(line) ?? []
      if (part === undefined) return []
      above.splice(indent!.length / 4)
      const path = above.join('') + part
      above.push(part)
      return (methods ?? '')
        .split(', ')
        .filter((method) => path.startsWith('/api') && !['', 'HEAD'].includes(method))
        .map((method) => `${method} ${path}`)
    })
}

describe('the contract', () => {
  it('names every route the server has, and no other', () => {
    const named = Object.values(PATHS).map(({ method, path }) => `${method} ${path}`)
    expect(registered().sort()).toEqual(named.sort())
  })

  it('says of every route but signing in and pairing who may call it', () => {
    const open = (Object.keys(PATHS) as RouteName[]).filter((name) => PATHS[name].who === 'anyone')
    expect(open.sort()).toEqual(['pairPhone', 'session', 'signIn'])
  })

  it('checks whatever is sent, except where nothing is', () => {
    const unchecked = Object.entries(ROUTES).filter(([, { method, body }]) => method !== 'GET' && !body)
    expect(unchecked.map(([name]) => name).sort()).toEqual(['pairingCode', 'revokeDevice', 'signOut'])
  })

  it('is written in docs/openapi.json as it is: else run `npm run api`', () => {
    expect(JSON.parse(readFileSync(DOCUMENT, 'utf8'))).toEqual(JSON.parse(JSON.stringify(openApi())))
  })

  it('is an OpenAPI document to the published schema of OpenAPI 3.1', async () => {
    // Source: schema of the OpenAPI Initiative for 3.1, as shipped with @seriousme/openapi-schema-validator.
    const checked = await new Validator().validate(JSON.parse(readFileSync(DOCUMENT, 'utf8')))
    expect(checked).toMatchObject({ valid: true })
    const broken = { ...openApi(), paths: { '/api/x': { get: { responses: 'none' } } } }
    expect(await new Validator().validate(broken)).toMatchObject({ valid: false })
  })

  it('is handed to those who work at the clinic, and to nobody else', async () => {
    const refused = await clinic.app.inject({ url: '/api/openapi.json' })
    expect(refused.statusCode).toBe(401)
    const noor = await signedIn(clinic, 'noor')
    const answer = await noor.send('GET', '/api/openapi.json')
    expect(answer.json()).toEqual(JSON.parse(readFileSync(DOCUMENT, 'utf8')))
  })
})
