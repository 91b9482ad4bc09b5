import type { Page } from 'puppeteer-core'
import { expect } from 'vitest'
import { ANCHOR_WORDS, criterionMeaning, criterionQuestion, surgeonsClearances } from '@pledge/core'
import { choose, fill, pick, press, reads } from '../../scripts/lib/browser.mjs'
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

/** Types a referral as a therapist does from the surgeon's letter, every fact and clearance in it, and opens the episode. */
export async function typeReferral(
  page: Page,
  url: string,
  {
    protocolId,
    name,
    day,
    digits = [],
  }: { protocolId: string; name: string; day: number; digits?: readonly string[] },
): Promise<string> {
  const protocol = catalogue.protocols.get(protocolId)!
  await page.goto(`${url}/referrals/new`, { waitUntil: 'networkidle0' })
  await reads(page, 'From the surgeon’s letter')
  await fill(page, 'Name', name)
  await fill(page, 'Date of birth', '1968-02-14')
  await choose(page, 'Dominant hand', 'Right')
  await choose(page, 'Latex allergy', 'No')
  await choose(page, 'Adhesive allergy', 'No')
  await pick(page, 'Condition', catalogue.conditions.get(protocol.condition)!.name.en)
  await choose(page, 'Injured side', 'Left')
  for (const criterion of protocol.select) {
    const question = criterionQuestion(criterion.text)
    if (criterion.kind === 'number') await fill(page, question, String(criterion.limit))
    else await choose(page, question, 'Yes')
  }
  await press(page, protocol.school, { exact: false })
  for (const digit of digits) await press(page, digit)
  await fill(page, `Day 0: ${ANCHOR_WORDS[protocol.anchor]}`, daysAgo(day))
  await fill(page, 'Surgeon or referrer', 'Dr. P. Hallam-Ito')
  await fill(page, 'Date of the letter', daysAgo(day))
  // What was answered as a fact of the school is not asked again; what a letter always says is ticked already.
  const asked = new Set(protocol.select.map(({ text }) => text))
  const clearances = surgeonsClearances(protocol).filter(({ text }) => !asked.has(text))
  for (const { text } of clearances) {
    const meaning = criterionMeaning(text)
    const isTicked = await page.evaluate(
      (words) =>
        [...document.querySelectorAll('.clearances label')]
          .find((one) => one.textContent.trim() === words)
          ?.querySelector('input')?.checked,
      meaning,
    )
    if (!isTicked) await press(page, meaning)
  }
  await press(page, 'Open the episode')
  await reads(page, `day ${day} · week`)
  const found = await page.waitForFunction(() => /cases\/(\w+)/.exec(location.pathname)?.[1])
  return (await found.jsonValue())!
}
