import fp from 'fastify-plugin'
import { ValidationError, type AnySchema, type InferType } from 'yup'
import { Problem } from '../problems.js'

declare module 'fastify' {
  interface FastifyInstance {
    /** What was sent, checked by a schema of core: texts trimmed, nothing unknown in a body. */
    checked<S extends AnySchema>(schema: S, sent: unknown): InferType<S>
  }
}

/** Checks input with core's Yup schemas; the day they count from is the clinic's. */
export const validation = fp(
  async (app, { today }: { today: () => string }) => {
    app.decorate('checked', function checked<S extends AnySchema>(schema: S, sent: unknown): InferType<S> {
      try {
        return schema.validateSync(sent, {
          stripUnknown: false,
          abortEarly: false,
          context: { today: today() },
        }) as InferType<S>
      } catch (error) {
        if (!(error instanceof ValidationError)) throw error
        const all = error.inner.length > 0 ? error.inner : [error]
        const errors = all.map((one) => ({
          path: (one.path ?? '')
            .replaceAll('["', '.')
            .replaceAll('"]', '')
            .replace(/\[(\d+)\]/g, '.$1'),
          message: one.message,
        }))
        throw new Problem('INPUT_INVALID', errors[0]?.message ?? 'Check what you entered.', errors)
      }
    })
  },
  { name: 'validation' },
)
