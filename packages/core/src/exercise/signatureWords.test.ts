import { describe, expect, it } from 'vitest'
import { IDLE_SIGNATURE, type Signature } from './signature.js'
import { signatureWords } from './signatureWords.js'

const told = (changes: Partial<Signature>, language: 'en' | 'es' = 'en') =>
  signatureWords({ ...IDLE_SIGNATURE, ...changes }).map((part) => part[language])
const bend = (arc: Signature['motions'][number]['arc'], res: 2 | null = null): Partial<Signature> => ({
  motions: [{ modes: ['A'], motions: ['pip.flex', 'pip.ext'], arc, res }],
})

describe('what the rules see, told', () => {
  it.each([
    ['an arc on one side of straight', bend({ pip: [0, 95] }), /; PIP 0 to 95° of flexion$/],
    ['an arc through straight', bend({ wrist: [-50, 40] }), /; wrist 50° of extension to 40° of flexion$/],
    ['a joint that is held while another way moves', bend({ mcp: [60, 60] }), /; MCP at 60° of flexion$/],
    ['a motion whose arc nobody stated', bend(null), /^Active: middle joint \(PIP\) flexion and extension$/],
    ['a resistance before the arc', bend({ pip: [0, 95] }, 2), /, R2; PIP 0 to 95°/],
  ] as const)('%s', (_case, signature, expected) => expect(told(signature)[0]).toMatch(expected))

  it('names where the joints are kept that do not move, straight as 0°', () => {
    expect(told({ posture: { wrist: [0, 0], mcp: [60, 60], forearm: [-80, -80] } })).toEqual([
      'Kept: wrist at 0°, MCP at 60° of flexion, forearm at 80° of pronation',
    ])
  })

  it('says the same in Spanish', () => {
    const [moved, kept] = told({ ...bend({ pip: [0, 95] }), posture: { wrist: [-20, -20] } }, 'es')
    expect(moved).toMatch(/0 a 95° de flexión$/)
    expect(kept).toBe('Se mantiene: muñeca en 20° de extensión')
  })

  it('says nothing of what moves nothing and states nothing', () => expect(told({})).toEqual([]))
})
