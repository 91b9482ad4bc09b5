import type { TestProject } from 'vitest/node'
import { startBrowser } from '../../scripts/lib/browser.mjs'
import { servedClinic, type ServedClinic } from '../served/servedClinic.js'

declare module 'vitest' {
  interface ProvidedContext {
    built: ServedClinic & { browser: string }
  }
}

/** The built application and one browser, for the tests that drive it from outside. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const { clinic, stop } = await servedClinic()
  const { browser, close } = await startBrowser()
  project.provide('built', { ...clinic, browser: browser.wsEndpoint() })
  return async () => {
    await close()
    await stop()
  }
}
