import type { SchemaDescription, SchemaFieldDescription, SchemaObjectDescription } from 'yup'
import { ROUTES, type Route } from './routes.js'

/** Counted up with every change that a reader of the API would have to follow. */
const API_VERSION = '1.0.0'

type Json = { [key: string]: unknown }

/** What the statuses of refusals mean, the same for every route. */
const REFUSALS: Readonly<Record<string, string>> = {
  '400': 'Input that cannot be: each field with what to do.',
  '401': 'Not signed in, or not paired.',
  '403': 'Not for this role, or the page is too old.',
  '404': 'Not there.',
  '409': 'Stored already with other contents, done already, or not allowed by a rule.',
}

/** The contract as an OpenAPI 3.1 document: routes, who may call them, what is sent and answered. */
export function openApi(): Json {
  const paths: Record<string, Json> = {}
  for (const [name, route] of Object.entries(ROUTES) as [string, Route][]) {
    const path = route.path.replace(/:(\w+)/g, '{$1}')
    paths[path] = { ...paths[path], [route.method.toLowerCase()]: operation(name, route) }
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Pledge',
      version: API_VERSION,
      description:
        'The API of a clinic’s server for its own screens and phones. Written from the contract by `npm run api`; not edited.',
    },
    paths,
  }
}

function operation(name: string, { path, who, body, query, status, answer }: Route): Json {
  const names = [...path.matchAll(/:(\w+)/g)].map(([, param]) => ({
    name: param!,
    in: 'path',
    required: true,
    schema: { type: 'string' } as Json,
  }))
  const asked = query ? (query.describe({ value: {} }) as SchemaObjectDescription).fields : {}
  const parameters = [
    ...names,
    ...Object.entries(asked).map(([key, field]) => ({ name: key, in: 'query', schema: ofYup(field) })),
  ]
  return {
    operationId: name,
    description: `Who: ${typeof who === 'string' ? who : who.join(', ')}.`,
    ...(parameters.length > 0 ? { parameters } : {}),
    ...(body
      ? {
          requestBody: {
            required: true,
            content: { 'application/json': { schema: ofYup(body.describe({ value: {} })) } },
          },
        }
      : {}),
    responses: {
      [status]: {
        description: 'Done.',
        ...(answer ? { content: { 'application/json': { schema: plain(answer) } } } : {}),
      },
      ...Object.fromEntries(
        Object.entries(REFUSALS).map(([code, description]) => [
          code,
          { description, content: { 'application/problem+json': { schema: { type: 'object' } } } },
        ]),
      ),
    },
  }
}

/** A shape of an answer in the words of JSON Schema 2020-12, which has no `nullable`. */
function plain(schema: unknown): unknown {
  if (Array.isArray(schema)) return schema.map(plain)
  if (typeof schema !== 'object' || schema === null) return schema
  const { nullable, ...rest } = schema as Json
  const told = Object.fromEntries(
    Object.entries(rest)
      .filter(([key]) => !key.startsWith('~'))
      .map(([key, value]) => [key, plain(value)]),
  )
  return nullable === true ? { anyOf: [told, { type: 'null' }] } : told
}

/** A checked body, as far as its description tells: types, words, limits, what must be there. */
function ofYup(described: SchemaFieldDescription): Json {
  const field = described as SchemaDescription
  // What is checked as a whole says by itself how it looks.
  const shape = (field.meta as { shape?: Json } | undefined)?.shape
  if (shape) return shape
  const limit = (name: string, param: string) => {
    const test = field.tests?.find((one) => one.name === name)
    return test?.params?.[param]
  }
  const isWhole = field.tests?.some(({ name }) => name === 'integer')
  const words = (field.oneOf ?? []).filter((word) => word !== null)
  const type = field.type === 'mixed' ? undefined : isWhole ? 'integer' : field.type
  const named = Object.fromEntries(
    Object.entries({
      type: field.type === 'lazy' ? undefined : type,
      enum: words.length > 0 ? words : undefined,
      minimum: field.type === 'number' ? limit('min', 'min') : undefined,
      maximum: field.type === 'number' ? limit('max', 'max') : undefined,
      maxLength: field.type === 'string' ? limit('max', 'max') : undefined,
      maxItems: field.type === 'array' ? limit('max', 'max') : undefined,
      ...objectPart(field),
      ...('innerType' in field && field.innerType
        ? { items: ofYup(field.innerType as SchemaFieldDescription) }
        : {}),
    }).filter(([, value]) => value !== undefined),
  )
  return field.nullable ? { anyOf: [named, { type: 'null' }] } : named
}

function objectPart(field: SchemaDescription): Json {
  if (!('fields' in field)) return {}
  const { fields } = field as SchemaObjectDescription
  const required = Object.entries(fields).flatMap(([name, one]) =>
    'optional' in one && !one.optional ? [name] : [],
  )
  return {
    properties: Object.fromEntries(Object.entries(fields).map(([name, one]) => [name, ofYup(one)])),
    ...(required.length > 0 ? { required } : {}),
    additionalProperties: false,
  }
}
