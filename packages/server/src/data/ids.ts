import { monotonicFactory } from 'ulid'

/** Ids of things made on this server; later ones sort after earlier ones, within one millisecond too. */
export const newId: () => string = monotonicFactory()
