import type { Browser, Page } from 'puppeteer-core'

interface View {
  width: number
  height: number
  isPhone?: boolean
  dark?: boolean
  moves?: boolean
}
export function startBrowser(): Promise<{ browser: Browser; close(): Promise<void> }>
export function joinBrowser(browserWSEndpoint: string): Promise<{ browser: Browser; close(): Promise<void> }>
export function openPage(browser: Browser, view: View): Promise<Page>
export function press(page: Page, text: string, options?: { exact?: boolean }): Promise<void>
export function fill(page: Page, label: string, value: string): Promise<void>
export function choose(page: Page, legend: string, choice: string): Promise<void>
export function pick(page: Page, label: string, text: string): Promise<void>
export function reads(page: Page, text: string, timeout?: number): Promise<void>
export function signIn(page: Page, url: string, login: string, password: string): Promise<void>
export function openStep(page: Page, url: string, patient: string, step: string): Promise<void>
