import { mkdirSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { clinicEnvironment, prepareClinic, startServer } from './lib/clinic.mjs'
import { freePort, startDatabase } from './lib/database.mjs'
import { build, installModules, installPrograms, root, varDirectory } from './lib/install.mjs'
import { run, say } from './lib/say.mjs'

/** `npm run screenshots`: one picture of each main view, from the demo data, into docs/screenshots (or the folder named). */
async function main() {
  await installPrograms({ withBrowser: true })
  await installModules()
  await build()
  const { choose, fill, openPage, openStep, pick, press, reads, signIn, startBrowser } =
    await import('./lib/browser.mjs')
  const directory = join(varDirectory, 'shots')
  const target = process.argv[2] ?? join(root, 'docs/screenshots')
  mkdirSync(target, { recursive: true })
  rmSync(directory, { recursive: true, force: true })
  const database = await startDatabase({ directory, durable: false })
  const environment = clinicEnvironment(database, { directory, port: await freePort() })
  const { signIns } = await prepareClinic(database, environment)
  const server = await startServer(environment)
  const { browser, close } = await startBrowser()
  const url = `http://127.0.0.1:${server.port}`
  const take = async (page, name) => {
    await page.evaluate(() => document.fonts.ready)
    await page.waitForSelector('[data-figure="loading"]', { hidden: true, timeout: 20_000 })
    await new Promise((resolve) => setTimeout(resolve, 400))
    await page.screenshot({ path: join(target, `${name}.png`) })
    say(name)
  }
  const openCase = (page, patient, step) => openStep(page, url, patient, step)
  try {
    const clinic = await openPage(browser, { width: 1280, height: 800, moves: true })
    await clinic.goto(`${url}/sign-in`, { waitUntil: 'networkidle0' })
    const noor = signIns.users.find((user) => user.login === 'noor')
    await signIn(clinic, url, noor.login, noor.password)
    await reads(clinic, 'open episodes need somebody')
    await take(clinic, 'a-caseload')
    for (const who of ['Consuelo Iribarne', 'Dmitri Valcourt', 'Henrike Osei']) {
      await openCase(clinic, who, 'Phase')
      await take(clinic, 'a-phase-' + who.split(' ')[0])
      await clinic.evaluate(() => document.querySelectorAll('.cell')[5]?.click())
      await clinic.evaluate(() => document.querySelector('.why')?.scrollIntoView({ block: 'center' }))
      await take(clinic, 'a-phase-cell-' + who.split(' ')[0])
    }
    await openCase(clinic, 'Dmitri Valcourt', 'Program')
    await reads(clinic, 'minutes').catch(() => {})
    await press(clinic, 'Squeeze soft dough', { exact: false })
    await take(clinic, 'a-inspector')
    // late referral
    await press(clinic, 'Caseload').catch(() => {})
    await clinic.goto(`${url}/`, { waitUntil: 'networkidle0' })
    await press(clinic, 'New referral')
    await reads(clinic, 'From the surgeon’s letter')
    await fill(clinic, 'Name', 'Bente Okonjo')
    const daysAgo = (days) => new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 10)
    await pick(clinic, 'Condition', 'Distal radius fracture')
    await take(clinic, 'a-late-0')
    await choose(clinic, 'Injured side', 'Left')
    await take(clinic, 'a-late-1')
    process.env.HTML && console.log(await clinic.evaluate(() => document.body.innerText))
  } finally {
    await close()
    await server.stop()
    await database.stop()
    rmSync(directory, { recursive: true, force: true })
  }
}

await run(main)
