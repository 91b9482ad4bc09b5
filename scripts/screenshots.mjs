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
    await take(clinic, 'sign-in')
    const noor = signIns.users.find((user) => user.login === 'noor')
    await signIn(clinic, url, noor.login, noor.password)
    await reads(clinic, 'open episodes need somebody')
    await take(clinic, 'caseload')
    await press(clinic, 'New referral')
    await reads(clinic, 'From the surgeon’s letter')
    await fill(clinic, 'Name', 'Bente Okonjo')
    await pick(clinic, 'Condition', 'Flexor tendon repair')
    await choose(clinic, 'Injured side', 'Left')
    await fill(clinic, 'core strands of the repair', '4')
    await choose(clinic, 'suture around the tendon edge', 'Yes')
    await choose(clinic, 'reliable: understands, attends, keeps the orthosis on', 'Yes')
    await choose(clinic, 'only one finger is repaired', 'No')
    await press(clinic, 'Place and hold', { exact: false })
    await press(clinic, 'ring')
    const daysAgo = (days) => new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 10)
    await fill(clinic, 'Day of injury (if there was one)', daysAgo(8))
    await fill(clinic, 'Day 0: surgery', daysAgo(11))
    await clinic.evaluate(() => window.scrollTo(0, 0))
    await take(clinic, 'case-referral')
    await openCase(clinic, 'Henrike Osei', 'Evaluate')
    for (const [label, value] of [
      ['Wrist flexion, left, active, degrees', '64'],
      ['Wrist extension, left, active, degrees', '58'],
      ['Radial deviation, left, active, degrees', '19'],
      ['Ulnar deviation, left, active, degrees', '31'],
      ['Pronation, left, active, degrees', '77'],
      ['Supination, left, active, degrees', '66'],
    ]) {
      await fill(clinic, label, value)
    }
    await choose(clinic, 'At rest', '0')
    await choose(clinic, 'While moving', '2')
    await clinic.evaluate(() => {
      window.scrollTo(0, 0)
      for (const part of document.querySelectorAll('.side')) part.scrollTop = 0
    })
    await take(clinic, 'case-evaluate')
    await openCase(clinic, 'Kenji Arsenault', 'Evaluate')
    await reads(clinic, 'A step waits for')
    await press(clinic, 'which structure is tight')
    for (const [place, text] of [
      ['mcp.little.right.active', '5/78'],
      ['pip.little.right.active', '0/95'],
      ['dip.little.right.active', '0/72'],
      ['pipMcpFlexed.little.right.passive', '100'],
      ['pipMcpStraight.little.right.passive', '82'],
    ]) {
      await clinic.focus(`input[data-place="${place}"]`)
      await clinic.keyboard.type(text)
    }
    await reads(clinic, '18° apart')
    await press(clinic, 'Over time')
    await clinic.select('select[aria-label="Measure over time"]', 'tam.little')
    await reads(clinic, 'range of published groups')
    await clinic.evaluate(() => window.scrollTo(0, 0))
    await take(clinic, 'case-evaluate-finger')
    await openCase(clinic, 'Consuelo Iribarne', 'Phase')
    await take(clinic, 'case-phase')
    await openCase(clinic, 'Dmitri Valcourt', 'Phase')
    await press(clinic, 'Library')
    await reads(clinic, 'today for Dmitri Valcourt')
    await clinic.keyboard.press('/')
    await clinic.keyboard.type('putty')
    await clinic.keyboard.press('ArrowDown')
    await reads(clinic, 'Squeeze putty')
    await reads(clinic, 'What follows from its angles')
    await take(clinic, 'library')
    await clinic.goto(`${url}/figure-sheet`, { waitUntil: 'domcontentloaded' })
    await clinic.waitForFunction(() => /[4-9]\d of \d+ drawn/.test(document.body.innerText), {
      timeout: 60_000,
    })
    await take(clinic, 'figure-sheet')
    await press(clinic, 'Protocols')
    await reads(clinic, 'Exercises that open in this phase')
    await clinic.keyboard.press('ArrowRight')
    await clinic.keyboard.press('ArrowRight')
    await take(clinic, 'protocol-editor')
    await openCase(clinic, 'Dmitri Valcourt', 'Program')
    await reads(clinic, 'minutes').catch(() => {})
    await take(clinic, 'case-program-score')
    await press(clinic, 'Squeeze soft dough', { exact: false })
    await take(clinic, 'exercise-inspector')
    await press(clinic, 'At home')
    await reads(clinic, 'Bouts at home')
    await take(clinic, 'case-at-home')
    const lead = await openPage(browser, { width: 1280, height: 800 })
    const sunniva = signIns.users.find((user) => user.role === 'lead')
    await signIn(lead, url, sunniva.login, sunniva.password)
    await press(lead, 'Who did what')
    await reads(lead, 'The newest 300 rows')
    await take(lead, 'clinic-audit')

    const phone = await openPage(browser, { width: 390, height: 844, isPhone: true, moves: true })
    await phone.goto(`${url}/phone`, { waitUntil: 'networkidle0' })
    await fill(phone, 'Code', signIns.phone.code)
    await take(phone, 'patient-pair')
    await press(phone, 'Pair this phone')
    await reads(phone, 'Your next bout')
    await take(phone, 'patient-today')
    await press(phone, 'Start')
    await reads(phone, 'at rest?')
    await choose(phone, 'How much does your hand hurt now, at rest?', '2')
    await press(phone, 'Go on')
    await reads(phone, 'Easy fist and open')
    await take(phone, 'patient-read')
    await press(phone, 'Start this one')
    await new Promise((resolve) => setTimeout(resolve, 8600))
    await take(phone, 'patient-do-it')
    await press(phone, 'That hurts')
    await choose(phone, 'How bad is the pain?', '3')
    await press(phone, 'Go on')
    await press(phone, 'Stop this bout')
    await choose(phone, 'What was the worst pain while you did it?', '3')
    await take(phone, 'patient-how-was-it')
    await choose(phone, 'How much does it hurt now?', '8')
    await press(phone, 'Save')
    await reads(phone, 'Do no more exercises today')
    await take(phone, 'patient-stopped')
  } finally {
    await close()
    await server.stop()
    await database.stop()
    rmSync(directory, { recursive: true, force: true })
  }
}

await run(main)
