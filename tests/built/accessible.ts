import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Page } from 'puppeteer-core'
import { expect } from 'vitest'

const axeSource = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/** No violation of WCAG 2.2 AA or of axe's best practice, and nothing wider than the window. */
export async function expectAccessible(page: Page, where: string): Promise<void> {
  await page
    .evaluate((source) => {
      if (!('axe' in window)) new Function(source)()
    }, axeSource)
    .catch(() => page.addScriptTag({ content: axeSource }))
  const violations = await page.evaluate(async () => {
    const { axe } = window as unknown as {
      axe: {
        run(
          options: object,
        ): Promise<{ violations: { id: string; nodes: { html: string; failureSummary: string }[] }[] }>
      }
    }
    const found = await axe.run({
      runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'],
    })
    return found.violations.map(
      (one) => `${one.id}: ${one.nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`,
    )
  })
  expect(violations, where).toEqual([])
  const overflow = await page.evaluate(
    () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
  )
  expect(overflow, `${where} is wider than its window`).toBeLessThanOrEqual(0)
}
