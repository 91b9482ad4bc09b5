import type { Page } from 'puppeteer-core'

export function openStillsPage(): Promise<{ page: Page; close(): Promise<void> }>
