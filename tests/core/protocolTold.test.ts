import { describe, expect, it } from 'vitest'
import { isOpen, protocolOpenings, ruleWords, exerciseKind, unhinderedPatient, type Rule } from '@pledge/core'
import { catalogue } from './shippedCatalogue.js'

const protocols = [...catalogue.protocols.values()]
const protocolOf = (id: string) => catalogue.protocols.get(id)!
/** A rule by its id, told, in the phase that holds it. */
function told(id: string) {
  const protocol = protocolOf(id.split('.')[0]!)
  for (const phase of protocol.phases) {
    const rule = [...phase.allow, ...phase.caution, ...phase.forbid].find((one) => one.id === id)
    if (rule) return ruleWords(rule, phase)
  }
  return ruleWords(
    [...protocol.never, ...protocol.gates].find((one) => one.id === id)!,
    null,
  )
}
/** Every rule with the phase that holds it. */
const everyRule = protocols.flatMap((protocol) => [
  ...[...protocol.never, ...protocol.gates].map((rule) => ({ rule, phase: null })),
  ...protocol.phases.flatMap((phase) =>
    [...phase.allow, ...phase.caution, ...phase.forbid].map((rule) => ({ rule, phase })),
  ),
])

describe('a rule of a protocol as a sentence', () => {
  it.each([
    [
      'UCL-REPAIR.P1.allow.1',
      'Active and gentle passive: thumb tip (IP) flexion and extension, inside the short thumb orthosis or the long thumb orthosis or the cast',
    ],
    ['UCL-REPAIR.P1.forbid.3', 'Every grip and pinch, even without load'],
    ['UCL-REPAIR.P3.forbid.3', 'Tip pinch, three-point pinch and wide span grip, from R1 on'],
    [
      'FT-DURAN.P1.allow.2',
      'Gentle passive: middle joint (PIP) and end joint (DIP) extension, with MCP 40 to 90° of flexion, inside the dorsal block',
    ],
    ['UCL-REPAIR.gate.5', 'Lifting up to 0.5 kg'],
  ])('%s', (id, words) => {
    expect(told(id).what.en).toBe(words)
  })

  it('tells its days only where they are not those of its phase', () => {
    expect(told('UCL-REPAIR.P5.allow.1').when).toBeNull()
    expect(told('UCL-REPAIR.P5.allow.2').when).toEqual({ en: 'from day 112', es: 'desde el día 112' })
    expect(told('UCL-REPAIR.gate.5').when!.en).toBe('from day 42')
  })

  it('tells what has to be recorded before', () => {
    expect(told('UCL-REPAIR.P5.allow.2').needs.map(({ en }) => en)).toEqual([
      'MCP stable on examination',
      "surgeon's clearance for loading",
    ])
  })

  it('names in Spanish without "de el"', () => {
    expect(told('FT-DURAN.P1.allow.2').what.es).toContain('dentro del tope dorsal')
    const clumsy = everyRule.filter(({ rule, phase }) => / de el /.test(ruleWords(rule, phase).what.es))
    expect(clumsy.map(({ rule }) => rule.id)).toEqual([])
  })

  it('tells every rule of every protocol in both languages, without a word of the code', () => {
    expect(everyRule.length).toBeGreaterThan(1500)
    const code = /undefined|\bnull\b|_|\bmcp\b|thumbM|\[object|NaN/
    const bad = everyRule.flatMap(({ rule, phase }) => {
      const { what, when } = ruleWords(rule, phase)
      return [what.en, what.es, when?.en ?? '', when?.es ?? ''].filter((text) => code.test(text))
    })
    expect(bad).toEqual([])
    const untold = everyRule.filter(({ rule, phase }) =>
      Object.values(ruleWords(rule, phase).what).some((text) => text.length < 5),
    )
    expect(untold.map(({ rule }) => rule.id)).toEqual([])
  })

  it('tells two different rules of one phase differently', () => {
    const same: string[] = []
    for (const protocol of protocols)
      for (const phase of protocol.phases) {
        const texts = new Map<string, Rule>()
        for (const rule of [...phase.allow, ...phase.caution, ...phase.forbid]) {
          const { what, when } = ruleWords(rule, phase)
          const text = `${rule.kind} ${what.en} ${when?.en ?? ''} ${rule.needs.map((one) => one.text).join()}`
          if (texts.has(text)) same.push(`${rule.id} = ${texts.get(text)!.id}`)
          texts.set(text, rule)
        }
      }
    expect(same).toEqual([])
  })
})

describe('the exercises a protocol opens by time', () => {
  const openings = (id: string) => {
    const protocol = protocolOf(id)
    return protocolOpenings(
      protocol,
      catalogue.conditions.get(protocol.condition)!,
      catalogue.exercises.values(),
    )
  }

  it('stand in the phase of their first open day', () => {
    const found = openings('UCL-REPAIR').find(({ exercise }) => exercise.id === 'putty-key-pinch')!
    expect(found).toMatchObject({ fromDay: 56, phaseId: 'P4' })
  })

  it('are all of the condition, earliest first', () => {
    const found = openings('FT-DURAN')
    const expected = [...catalogue.exercises.values()].filter(({ conditions }) =>
      conditions.includes('flexor-tendon-repair'),
    )
    expect(found).toHaveLength(expected.length)
    const days = found.map(({ fromDay }) => fromDay ?? 9999)
    expect(days).toEqual([...days].sort((a, b) => a - b))
  })

  it.each(['UCL-REPAIR', 'FT-DURAN', 'MAL-CONS', 'CTS-REL'])(
    'are closed the day before and open on the day, in %s',
    (id) => {
      const protocol = protocolOf(id)
      const state = unhinderedPatient(protocol, catalogue.conditions.get(protocol.condition)!)
      for (const { exercise, fromDay } of openings(id)) {
        if (fromDay === null) continue
        const on = (day: number) => exerciseKind(exercise, exercise.dose, { ...state, day })
        expect([exercise.id, isOpen(on(fromDay))]).toEqual([exercise.id, true])
        if (fromDay > 0) expect([exercise.id, isOpen(on(fromDay - 1))]).toEqual([exercise.id, false])
      }
    },
  )
})
