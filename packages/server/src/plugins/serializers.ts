import { SerializerSelector } from '@fastify/fast-json-stringify-compiler'
import type { FastifyServerOptions } from 'fastify'

type Factory = NonNullable<NonNullable<FastifyServerOptions['schemaController']>['compilersFactory']>

/** Writers of answers, each made from its shape when the first answer of its kind is given: a start waits for none of them. */
export const serializers: Factory = {
  buildSerializer: (shapes, options) => {
    const make = SerializerSelector()(shapes, options)
    return (route) => {
      let write: ReturnType<typeof make> | undefined
      return (answer) => (write ??= make(route))(answer)
    }
  },
  // What is sent is checked by core's schemas; see validation.ts.
  buildValidator: () => () => {
    throw new Error('Routes check what is sent by the contract, not by a schema of their own.')
  },
}
