import { expect, it } from 'vitest'
import { caseOf, catalogue } from '../../../../tests/core/shippedCatalogue.js'
import { IDLE_SIGNATURE, type Signature } from '../exercise/signature.js'
import { signatureOf } from '../exercise/signatureOf.js'
import type { Rule } from '../protocol/protocol.js'
import { MODES, type Combo } from '../vocabulary/vocabulary.js'
import { atomsOf } from './atoms.js'
import { standingOf, type CaseOnDay } from './caseOnDay.js'
import { judgeAtom } from './judgeAtom.js'

const everyEntry = [...catalogue.exercises.values()].map((one) => ({
  one,
  signature: signatureOf(one, one.dose, one.worn?.[0] ?? 'none'),
}))
/** Entries by the composites they make. */
const making = (combo: Combo) =>
  everyEntry.filter(({ signature }) => signature.combos.some((made) => made.combo === combo))

/** Whether a rule bars the composite somewhere in a signature. */
function isHit(rule: Rule, combo: Combo, signature: Signature, state: CaseOnDay): boolean {
  const standing = standingOf(state)
  return atomsOf(signature).some((atom) => {
    if (atom.kind !== 'combo' || atom.combo !== combo) return false
    const { kind, because } = judgeAtom(atom, signature, state, standing, standing.facts)
    // What never opens bars before the phase is asked.
    return because.name === 'barred' && (because.rule.id === rule.id || kind === 'never')
  })
}

it('every ban on a composite is hit by an entry of the catalogue, or by a made-up one where none makes it', () => {
  const byNone: string[] = []
  const dead: string[] = []
  for (const protocol of catalogue.protocols.values()) {
    const bans = [
      ...protocol.never.map((rule) => ({ rule, from: protocol.phases.at(-1)!.days[0] })),
      ...protocol.phases.flatMap(({ forbid, days: [from] }) => forbid.map((rule) => ({ rule, from }))),
    ]
    for (const { rule, from } of bans) {
      const state = caseOf(protocol.id, { day: Math.max(from, rule.from) })
      const targets = rule.targets.flatMap((target) => (target.kind === 'combo' ? [target] : []))
      for (const { combos, modes } of targets)
        for (const combo of combos) {
          if (making(combo).some(({ signature }) => isHit(rule, combo, signature, state))) continue
          const made = (modes ?? MODES).map((mode): Signature => ({
            ...IDLE_SIGNATURE,
            name: 'made up',
            combos: [{ combo, mode, res: rule.res ?? 3 }],
            posture: rule.posture,
            technique: rule.technique ?? [],
          }))
          const name = `${rule.id} ${combo}`
          ;(made.some((signature) => isHit(rule, combo, signature, state)) ? byNone : dead).push(name)
        }
    }
  }
  expect(dead).toEqual([])
  // No entry bends thumb and wrist together, pinches with a thumb drawn in or loads the knuckles sideways; none pushes a tucked thumb.
  const noEntry = /cx_flex_th_wf$|cmc_adduction_pinch$|mp_ulnar_load$/
  expect(byNone.filter((name) => !noEntry.test(name))).toEqual(['DQ-CONS.never.1 cx_flex_th_uln'])
})
