import { describe, expect, it } from 'vitest'
import {
  assess,
  causeOfAll,
  DocumentReader,
  explainVerdict,
  MAP_MODES,
  permissionMap,
  readSignature,
  schoolPreview,
  toldReasons,
  whatWouldOpen,
} from '@pledge/core'
import { catalogue, caseOf } from './shippedCatalogue.js'
import { readFileSync } from 'node:fs'

const signature = (words: object) => readSignature(new DocumentReader({ name: 'probe', ...words }))
const active = (mv: string, more: object = {}) => signature({ motions: [{ m: 'A', mv: [mv] }], ...more })

describe('what would open it', () => {
  it('names the day and who can give what is missing, and nothing that is there already', () => {
    const state = caseOf('DRF-VLP-EARLY', { day: 10, without: ['ord.passive', 'pain.act'] })
    const verdict = assess(signature({ motions: [{ m: 'P', mv: ['wrist.ext'] }] }), state)
    expect(verdict.kind).toBe('not-yet')
    const openers = whatWouldOpen(verdict, state.day)
    expect(openers.filter(({ kind }) => kind === 'day')).toEqual([{ kind: 'day', day: 28 }])
    const givers = openers.flatMap((one) =>
      one.kind === 'criterion' ? [[one.criterion.text, one.giver]] : [],
    )
    expect(Object.fromEntries(givers)).toEqual({ 'ord.passive': 'surgeon', 'pain.act<=3': 'therapist' })
  })

  it('names no day that has come', () => {
    const state = caseOf('DRF-VLP-EARLY', { day: 40, without: ['ord.passive'] })
    const verdict = assess(signature({ motions: [{ m: 'P', mv: ['wrist.ext'] }] }), state)
    expect(whatWouldOpen(verdict, state.day).map(({ kind }) => kind)).toEqual(['criterion'])
  })

  it('offers the form that is open today', () => {
    const verdict = assess(active('wrist.flex'), caseOf('CTS-REL', { day: 5, without: ['wound.ok'] }))
    const [form] = whatWouldOpen(verdict, 5)
    expect(form).toMatchObject({ kind: 'form' })
    expect(verdict.form!.en).toBe('today only wrist 30° of extension to 15° of flexion')
    expect(verdict.form!.es).toBe('hoy solo muñeca 30° de extensión a 15° de flexión')
  })

  it('has nothing to offer for what never comes, nor for what is open', () => {
    const never = assess(
      signature({ stress: ['th_mp.radial'], technique: ['stress_test'], by: 'self' }),
      caseOf('UCL-REPAIR', { day: 200 }),
    )
    expect([never.kind, whatWouldOpen(never, 200)]).toEqual(['never', []])
    const open = assess(active('wrist.flex'), caseOf('DRF-VLP-EARLY', { day: 200 }))
    expect([open.kind, whatWouldOpen(open, 200)]).toEqual(['clear', []])
  })

  it('is enough: with its day come and its criteria recorded, the motion is open', () => {
    for (const id of catalogue.protocols.keys()) {
      const state = caseOf(id, { day: 3, without: ['ord.passive', 'ord.rom', 'wound.ok'] })
      for (const { motion, cells } of permissionMap(state, 'none')) {
        const { verdict } = cells[3]!
        if (verdict.kind !== 'not-yet' || verdict.fromDay === null || !state.protocol.guard.has(motion))
          continue
        const then = permissionMap(caseOf(id, { day: Math.max(3, verdict.fromDay) }), 'none')
        const { kind } = then.find((row) => row.motion === motion)!.cells[3]!.verdict
        expect(['clear', 'with-care'], `${id} ${motion}, day ${verdict.fromDay}`).toContain(kind)
      }
    }
  })
})

describe('a verdict told', () => {
  it.each(['en', 'es'] as const)('says its kind, its day and what is missing (%s)', (language) => {
    const state = caseOf('DRF-VLP-EARLY', { day: 10, without: ['ord.passive'] })
    const told = explainVerdict(
      assess(signature({ motions: [{ m: 'P', mv: ['wrist.ext'] }] }), state),
      language,
      state.day,
    )
    expect(told).toMatch(language === 'en' ? /not yet/i : /todavía no|aún no/i)
    expect(told).toMatch(/28/)
    expect(told.length).toBeLessThan(600)
  })

  it('tells in both languages for every protocol, and never the same text', () => {
    for (const id of catalogue.protocols.keys())
      for (const { cells } of permissionMap(caseOf(id, { day: 20 }), 'none').slice(0, 3))
        for (const { verdict } of cells) {
          const [en, es] = [explainVerdict(verdict, 'en', 20), explainVerdict(verdict, 'es', 20)]
          expect(en).not.toBe(es)
          expect(`${en}${es}`).not.toMatch(/undefined|null|NaN|\[object/)
        }
  })
})

describe('what a person is told', () => {
  const squeeze = signature({ grips: [{ grip: 'cyl', res: 'R1' }] })
  it('is what waits for which day and which facts, as one would say it', () => {
    const state = caseOf('DRF-VLP-EARLY', { day: 10, without: ['xr.union', 'pain.act'] })
    const verdict = assess(signature({ grips: [{ grip: 'cyl', res: 'R2' }] }), state)
    expect(toldReasons(verdict, 'en', 10)[0]).toBe(
      'Squeezing waits for day 42, pain during the motion (3 or less) and union on x-ray.',
    )
    expect(toldReasons(verdict, 'es', 10)[0]).toMatch(
      /^Apretar: no antes del día 42; falta dolor al mover \(3 o menos\) y unión en la radiografía/,
    )
  })

  it('waits for no day that has come', () => {
    const state = caseOf('DRF-VLP-EARLY', { day: 40, without: ['ord.passive'] })
    const verdict = assess(signature({ motions: [{ m: 'P', mv: ['wrist.ext'] }] }), state)
    expect(toldReasons(verdict, 'en', 40)[0]).toBe(
      "Gentle passive motion of the wrist waits for the surgeon's clearance for passive motion.",
    )
  })

  it('counts what it does not name, and gives the reason of the rule after it', () => {
    const whole = signature({
      motions: (['S', 'P', 'A', 'I'] as const).map((m) => ({ m, mv: ['wrist.ext'] })),
    })
    const [waiting, ...why] = toldReasons(assess(whole, caseOf('DRF-CAST', { day: 2 })), 'en', 2)
    expect(waiting).toMatch(
      /^Stretching the wrist, gentle passive motion of the wrist and 2 more wait for day \d+\.$/,
    )
    expect(why.length).toBeGreaterThan(0)
  })

  it('names no joint by its letters, no class of load and no rule, in any school', () => {
    for (const id of catalogue.protocols.keys())
      for (const verdict of [squeeze, active('pip.flex'), active('wrist.ext')].map((one) =>
        assess(one, caseOf(id, { day: 1 })),
      ))
        if (verdict.kind === 'not-yet' && (verdict.fromDay !== null || verdict.missing.length > 0))
          expect(toldReasons(verdict, 'en', 1)[0], id).not.toMatch(
            /\b(PIP|R\d|[A-Z]{2,}\.P\d|[a-z]+\.[a-z]+)\b/,
          )
  })
})

describe('the map of what may move', () => {
  it('tells one cause that bars everything once, and none where anything is open or the causes differ', () => {
    const cause = (id: string, changes: Parameters<typeof caseOf>[1], worn: 'DIPX' | 'none' = 'none') => {
      const state = caseOf(id, changes)
      return causeOfAll(permissionMap(state, worn), state)?.en ?? null
    }
    expect(cause('DRF-VLP-EARLY', { day: 20 })).toBeNull()
    expect(cause('DRF-VLP-EARLY', { day: 20, over: { redLock: true } })).toMatch(/^A red flag is open/)
    expect(cause('DRF-VLP-EARLY', { day: -2 })).toMatch(/^Not started: day 0/)
    expect(cause('DRF-VLP-EARLY', { day: 20, without: ['ord.therapy'] })).toMatch(
      /^Not started: surgeon's order/,
    )
    expect(cause('DRF-VLP-EARLY', { day: 20, without: ['fix.stable'] })).toMatch(/^Wrong school/)
    expect(cause('MAL-CONS', { day: 10 }, 'DIPX')).toBeNull()
  })

  it('shows every mode for each row, and names each row once', () => {
    for (const id of catalogue.protocols.keys()) {
      const rows = permissionMap(caseOf(id, { day: 20 }), 'none')
      for (const { cells } of rows) expect(cells.map(({ mode }) => mode)).toEqual(MAP_MODES)
      expect(new Set(rows.map(({ name }) => name.en)).size, id).toBe(rows.length)
    }
  })

  it('shows what the phase speaks about beside the injured joint', () => {
    const motions = permissionMap(caseOf('MAL-CONS', { day: 10 }), 'DIPX').map(({ motion }) => motion)
    expect(motions).toEqual(expect.arrayContaining(['dip.flex', 'dip.ext', 'pip.flex', 'wrist.flex']))
  })

  it('answers as for an exercise: inside the orthosis a mallet may bend its middle joint, never its tip', () => {
    const cell = (worn: 'DIPX' | 'none', motion: string) =>
      permissionMap(caseOf('MAL-CONS', { day: 10 }), worn)
        .find((row) => row.motion === motion)!
        .cells.find(({ mode }) => mode === 'A')!.verdict.kind
    expect(cell('DIPX', 'pip.flex')).toBe('clear')
    expect(cell('DIPX', 'dip.flex')).toBe('not-yet')
    expect(cell('none', 'pip.flex')).toBe('not-yet')
  })
})

// Source: the day-of-opening matrix of the protocol documents, made by another program (columns A, S and cyl R1).
describe('the schools side by side', () => {
  const rows = readFileSync(new URL('./openingMatrix.txt', import.meta.url), 'utf8')
    .split('\n')
    .map((line) => line.split(' '))
    .filter(([id]) => id !== undefined && catalogue.protocols.has(id))

  it('reads the matrix of all 88', () => expect(rows).toHaveLength(88))

  it.each(rows.map((row) => [row[0]!, row] as const))('%s previews the published days', (id, row) => {
    const days: Readonly<Record<string, unknown>> = { ...schoolPreview(catalogue.protocols.get(id)!) }
    const published = { activeFromDay: row[2]!, stretchFromDay: row[3]!, lightGripFromDay: row[4]! }
    for (const [key, text] of Object.entries(published)) {
      const day = Number.parseInt(text, 10)
      if (Number.isNaN(day) || days['motion'] !== row[1]) continue
      expect(days[key], `${id} ${key}`).toBe(day)
    }
  })
})
