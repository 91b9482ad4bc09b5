import { Type, type Static, type TSchema } from 'typebox'

/** Short hands for the shapes of answers. An answer drops every property its shape does not list. */
export const str = Type.String()
export const num = Type.Number()
export const whole = Type.Integer()
export const bool = Type.Boolean()
/** One of a list of words. */
export const words = <const W extends readonly string[]>(list: W) =>
  Type.Unsafe<W[number]>({ type: 'string', enum: [...list] })
/** A controlled word of core, whose list is core's. */
export const word = <W extends string>() => Type.Unsafe<W>({ type: 'string' })
/** Something or nothing: unknown stays unknown. */
export const maybe = <S extends TSchema>(schema: S) =>
  Type.Unsafe<Static<S> | null>({ ...schema, nullable: true })
export const list = <S extends TSchema>(items: S) => Type.Array(items)
export const obj = Type.Object
/** Keys of the answer's own choosing, all of one shape. */
export const map = <K extends string, S extends TSchema>(values: S) =>
  Type.Unsafe<Partial<Record<K, Static<S>>>>({ type: 'object', additionalProperties: values })
/** A table with a key for each word of a list. */
export const table = <const K extends readonly string[], S extends TSchema>(keys: K, values: S) =>
  obj(Object.fromEntries(keys.map((key) => [key, values])) as { [W in K[number]]: S })
