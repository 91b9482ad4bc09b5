import type { TestProject } from 'vitest/node'
import { servedClinic, type ServedClinic } from './servedClinic.js'

declare module 'vitest' {
  interface ProvidedContext {
    served: ServedClinic
  }
}

/** The built application for the tests that ask it without a browser. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const { clinic, stop } = await servedClinic()
  project.provide('served', clinic)
  return stop
}
