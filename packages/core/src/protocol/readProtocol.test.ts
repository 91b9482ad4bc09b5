import { describe, expect, it } from 'vitest'
import { CoreError } from '../errors.js'
import { lintProtocol } from './lintProtocol.js'
import { readProtocol } from './readProtocol.js'

const GATES = [
  { from: 0, grip: ['cyl'], res: 'R0', act: ['adl_light'] },
  {
    from: 28,
    res: 'R2',
    kg: 1,
    test: ['grip_dyn', 'pinch_gauge', 'prom_end', 'mmt'],
    act: ['adl_mod', 'drive', 'wb', 'work_manual', 'sport_nc', 'sport_c'],
  },
]
type Rules = object[]
/** Rules with a name each: their own, or their place. */
const named = (rules: Rules | undefined, place: string) =>
  rules?.map((rule, index) => ({ key: `${place}-${index + 1}`, ...rule }))
const keyed = <T extends { phases: { id: string; allow?: Rules; forbid?: Rules }[]; gates: Rules }>(
  document: T,
) => ({
  ...document,
  phases: document.phases.map((one) => ({
    ...one,
    allow: named(one.allow, `${one.id.toLowerCase()}-allow`),
    ...(one.forbid ? { forbid: named(one.forbid, `${one.id.toLowerCase()}-forbid`) } : {}),
  })),
  gates: named(document.gates, 'gate'),
})
const said = (text: string) => ({ en: text, es: text })
const phase = (id: string, days: (number | null)[], changes: object = {}) => ({
  id,
  name: said(id),
  days,
  entry: ['ord.rom'],
  goals: 'g',
  wear: [{ orthosis: 'WRO', keep: 'always', offFor: [], text: said('t') }],
  allow: [{ m: ['A', 'P', 'S'], mv: ['wrist.*'] }],
  ...changes,
})
const protocol = (changes: object = {}) =>
  keyed({
    id: 'X',
    title: 't',
    school: 's',
    condition: 'c',
    version: 1,
    anchor: 'surgery',
    guard: ['wrist.*'],
    src: [{ key: 'K', confidence: 'low' }],
    evidence: 'e',
    str: { mv: ['wrist.*'], grip: 'any' },
    phases: [phase('P1', [0, 14]), phase('P2', [14, null])],
    gates: GATES,
    red: [],
    yellow: [],
    ...changes,
  })
const refusedAt = (document: object): string => {
  try {
    const [finding] = lintProtocol(readProtocol(document))
    if (finding) return finding.path
  } catch (error) {
    if (error instanceof CoreError) return error.path
    throw error
  }
  return 'accepted'
}

describe('a protocol file', () => {
  it('is read when it holds', () => {
    expect(readProtocol(protocol()).phases).toHaveLength(2)
  })

  it.each([
    ['an unknown key', protocol({ colour: 'red' }), 'colour'],
    ['an unknown motion', protocol({ guard: ['wrist.up'] }), 'guard.0'],
    [
      'an unknown criterion',
      protocol({ phases: [phase('P1', [0, null], { entry: ['xr.fine'] })] }),
      'phases.0.entry.0',
    ],
    [
      'a gap between windows',
      protocol({ phases: [phase('P1', [0, 14]), phase('P2', [15, null])] }),
      'phases.1.days',
    ],
    [
      'an overlap of windows',
      protocol({ phases: [phase('P1', [0, 14]), phase('P2', [13, null])] }),
      'phases.1.days',
    ],
    ['a start after day 0', protocol({ phases: [phase('P1', [1, null])] }), 'phases.0.days'],
    ['a last phase that ends', protocol({ phases: [phase('P1', [0, 14])] }), 'phases.0.days'],
    [
      'a phase after an open one',
      protocol({ phases: [phase('P1', [0, null]), phase('P2', [14, null])] }),
      'phases.1.days',
    ],
    [
      'a ban without a reason',
      protocol({ phases: [phase('P1', [0, null], { forbid: [{ m: ['S'], mv: ['wrist.*'] }] })] }),
      'phases.0.forbid.0.why',
    ],
    [
      'a rule outside its phase',
      protocol({
        phases: [
          phase('P1', [0, 14], { allow: [{ m: ['A'], mv: ['wrist.*'], from: 20 }] }),
          phase('P2', [14, null]),
        ],
      }),
      'phases.0.allow.0.from',
    ],
    [
      'a rule about nothing',
      protocol({ phases: [phase('P1', [0, null], { allow: [{ needs: ['ord.rom'] }] })] }),
      'phases.0.allow.0',
    ],
    [
      'motions without modes',
      protocol({ phases: [phase('P1', [0, null], { allow: [{ mv: ['wrist.*'] }] })] }),
      'phases.0.allow.0.m',
    ],
    ['gates out of order', protocol({ gates: [...GATES].reverse() }), 'gates.1.from'],
    ['a gate that falls', protocol({ gates: [...GATES, { from: 40, res: 'R1' }] }), 'gates.2.res'],
    ['a weight that falls', protocol({ gates: [...GATES, { from: 40, kg: 0.5 }] }), 'gates.2.kg'],
    [
      'a core test nobody opens',
      protocol({ gates: [{ ...GATES[0] }, { ...GATES[1], test: ['grip_dyn'] }] }),
      'gates',
    ],
    [
      'a rule without a name',
      protocol({ gates: [{ ...GATES[0], key: undefined }, GATES[1]] }),
      'gates.0.key',
    ],
    ['a name of other signs', protocol({ gates: [{ ...GATES[0], key: 'Gate 1' }, GATES[1]] }), 'gates.0.key'],
    ['one name for two rules', protocol({ gates: [GATES[0], { ...GATES[1], key: 'gate-1' }] }), 'gate.2'],
    ['a source without a confidence', protocol({ src: [{ key: 'K' }] }), 'src.0.confidence'],
  ])('with %s is refused at its path', (_case, document, path) => {
    expect(refusedAt(document)).toBe(path)
  })

  it('counts hyperextension in guards and bans, never in permissions', () => {
    const read = readProtocol(
      protocol({
        guard: ['pip.*'],
        phases: [
          phase('P1', [0, null], {
            allow: [{ m: ['A'], mv: ['pip.*'] }],
            forbid: [{ m: ['S'], mv: ['pip.ext'], why: said('w') }],
          }),
        ],
      }),
    )
    const motionsOf = (kind: 'allow' | 'forbid') =>
      read.phases[0]![kind][0]!.targets.flatMap((target) =>
        target.kind === 'motion' ? [...target.motions] : [],
      )
    expect(read.guard).toContain('pip.hyperext')
    expect(motionsOf('allow')).not.toContain('pip.hyperext')
    expect(motionsOf('forbid')).toContain('pip.hyperext')
  })
})
