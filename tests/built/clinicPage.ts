import type { Page } from 'puppeteer-core'
import { expect } from 'vitest'
import { reads } from '../../scripts/lib/browser.mjs'
import { referralFor } from '../builders/referral.js'
import { catalogue } from '../core/shippedCatalogue.js'

export const daysAgo = (days: number) => new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 10)

/** Opens an episode by the request that the referral page sends, so many days after its day 0, and shows its bench. */
export async function benchOf(
  page: Page,
  url: string,
  protocolId: string,
  day: number,
  changes: object = {},
): Promise<string> {
  const referral = referralFor(catalogue.protocols.get(protocolId)!, {
    anchorOn: daysAgo(day),
    injuredOn: daysAgo(day),
    letterOn: daysAgo(day),
    ...changes,
  })
  const answer = await page.evaluate(async (body) => {
    const session = await (await fetch('/api/session')).json()
    const response = await fetch('/api/referrals', {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'csrf-token': session.csrfToken },
      body: JSON.stringify(body),
    })
    return { status: response.status, text: await response.text() }
  }, referral)
  expect(answer.status, answer.text).toBe(201)
  const id = (JSON.parse(answer.text) as { episodeId: string }).episodeId
  await page.goto(`${url}/cases/${id}/evaluate`, { waitUntil: 'networkidle0' })
  await reads(page, 'A step waits for')
  return id
}
