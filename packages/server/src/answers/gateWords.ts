import {
  ACT_NAMES,
  NERVE_NAMES,
  NERVE_TECHNIQUE_NAMES,
  NO_WEIGHT_LIMIT_KG,
  ruleWords,
  TEST_NAMES,
  type Rule,
} from '@pledge/core'

/** What a gate opens, in few words: for a peg on the ribbon. The whole rule is told by `ruleWords`. */
export function gateWords(gate: Rule): string {
  const asItStands = (target: Rule['targets'][number]) =>
    ruleWords({ ...gate, targets: [target] }, null).what.en
  const parts = gate.targets.flatMap((target) => {
    switch (target.kind) {
      case 'kg':
        return [target.kg >= NO_WEIGHT_LIMIT_KG ? 'lifting without limit' : `lifting to ${target.kg} kg`]
      case 'act':
        return target.acts.map((act) => ACT_NAMES[act].en)
      case 'test':
        return target.tests.map((test) => TEST_NAMES[test].en)
      case 'grip':
        return [gate.res === 0 ? 'holding without load' : `gripping at R${gate.res}`]
      case 'nerve':
        return target.techniques.map(
          (technique) =>
            `${NERVE_TECHNIQUE_NAMES[technique].en} of the ${target.nerves.map((nerve) => NERVE_NAMES[nerve].en).join(' and ')}`,
        )
      case 'motion':
        return gate.res !== null && gate.res > 0 ? [`resistance R${gate.res}`] : [asItStands(target)]
      default:
        return [asItStands(target)]
    }
  })
  return [...new Set(parts)].join(', ')
}
