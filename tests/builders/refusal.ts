import { CoreError } from '@pledge/core'

/** What core says to something it does not take; what it takes fails the test. */
export const refusalOf = (work: () => unknown): CoreError => {
  try {
    work()
  } catch (error) {
    if (error instanceof CoreError) return error
    throw error
  }
  throw new Error('It was accepted.')
}
