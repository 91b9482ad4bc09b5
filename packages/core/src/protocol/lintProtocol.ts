import { LOADING_MODES, type Mode, type Motion } from '../vocabulary/vocabulary.js'
import { rulesOf, type Phase, type Protocol, type Rule } from './protocol.js'

/** Something in a protocol that does not hold together, with its place and what was expected there. */
export interface Finding {
  readonly path: string
  readonly expected: string
}

const CORE_TESTS = ['grip_dyn', 'pinch_gauge', 'prom_end', 'mmt'] as const
const CORE_ACTS = ['adl_light', 'adl_mod', 'drive', 'wb', 'work_manual', 'sport_nc', 'sport_c'] as const

/**
 * The integrity checks of the vocabulary (5.4) that one document can answer: windows contiguous from 0 and open at the
 * end, no allow cancelled by a forbid of its own phase, gates in order and loads never falling, no gate that opens
 * resistance its phase forbids, every guarded motion opened in A, P and S or barred with a reason, and the core tests
 * and activities opened or barred. That a forbid, never or caution has a reason, that days, doses and words are right,
 * `readProtocol` refuses at once.
 */
export function lintProtocol(protocol: Protocol): Finding[] {
  return [
    ...windowFindings(protocol.phases),
    ...protocol.phases.flatMap(cancelledAllows),
    ...gateFindings(protocol),
    ...unopenedMotions(protocol),
    ...unaddressedWords(protocol),
    ...sharedKeys(protocol),
    ...(protocol.sources.length === 0
      ? [{ path: 'src', expected: 'at least one source with its confidence' }]
      : []),
  ]
}

/** Every rule and gate has a name of its own: records point at it. */
function sharedKeys(protocol: Protocol): Finding[] {
  const seen = new Set<string>()
  return rulesOf(protocol).flatMap(({ id, key }) => {
    if (!seen.has(key)) {
      seen.add(key)
      return []
    }
    return [{ path: id.slice(protocol.id.length + 1), expected: `a key of its own, found ${key} twice` }]
  })
}

function windowFindings(phases: readonly Phase[]): Finding[] {
  const findings: Finding[] = []
  let expectedStart: number | null = 0
  phases.forEach((phase, index) => {
    const [start, end] = phase.days
    const path = `phases.${index}.days`
    if (expectedStart === null) findings.push({ path, expected: 'no phase after one that stays open' })
    else if (start !== expectedStart)
      findings.push({
        path,
        expected: `day ${expectedStart}, found ${start}: windows follow one another without gap or overlap`,
      })
    expectedStart = end
  })
  if (expectedStart !== null)
    findings.push({
      path: `phases.${phases.length - 1}.days`,
      expected: `null as the end, found ${expectedStart}: the last phase stays open`,
    })
  const ids = phases.map((phase) => phase.id)
  ids.forEach((id, index) => {
    if (ids.indexOf(id) !== index)
      findings.push({ path: `phases.${index}.id`, expected: `an id of its own, found ${id} twice` })
  })
  return findings
}

/** Motions, in one mode each, that a rule names. */
function namedBy(rule: Rule): Set<string> {
  return new Set(
    rule.targets.flatMap((target) =>
      target.kind === 'motion'
        ? target.modes.flatMap((mode) => [...target.motions].map((motion) => `${mode} ${motion}`))
        : [],
    ),
  )
}

/** Whether a forbid bars its targets however the exercise is done. */
function isUnconditional(rule: Rule): boolean {
  return (
    rule.beyond === null &&
    rule.posture === null &&
    rule.outOf === null &&
    rule.when === null &&
    rule.technique === null &&
    rule.by === null &&
    rule.res === null
  )
}

function cancelledAllows(phase: Phase, index: number): Finding[] {
  const barred = new Set(
    phase.forbid
      .filter((rule) => isUnconditional(rule) && rule.until === null && rule.from <= phase.days[0])
      .flatMap((rule) => [...namedBy(rule)]),
  )
  return phase.allow.flatMap((rule, place) => {
    const names = [...namedBy(rule)]
    return names.length > 0 && names.every((name) => barred.has(name))
      ? [
          {
            path: `phases.${index}.allow.${place}`,
            expected: 'a rule that the phase does not forbid at the same time',
          },
        ]
      : []
  })
}

function gateFindings(protocol: Protocol): Finding[] {
  const findings: Finding[] = []
  let lastDay = 0
  let highestKg = 0
  const highestRes = new Map<string, number>()
  protocol.gates.forEach((gate, index) => {
    const path = `gates.${index}`
    if (gate.from < lastDay)
      findings.push({
        path: `${path}.from`,
        expected: `day ${lastDay} or later, found ${gate.from}: gates stand in order`,
      })
    lastDay = Math.max(lastDay, gate.from)
    for (const target of gate.targets) {
      if (target.kind !== 'grip' || gate.inOrthosis !== null) continue
      const res = gate.res ?? 0
      const higher = target.grips.find((grip) => (highestRes.get(grip) ?? 0) > res)
      if (higher)
        findings.push({
          path: `${path}.res`,
          expected: `R${highestRes.get(higher)} or more for ${higher}, found R${res}: loads never fall`,
        })
      for (const grip of target.grips) highestRes.set(grip, Math.max(res, highestRes.get(grip) ?? 0))
    }
    for (const target of gate.targets) {
      if (target.kind !== 'kg') continue
      if (target.kg < highestKg)
        findings.push({
          path: `${path}.kg`,
          expected: `${highestKg} or more, found ${target.kg}: loads never fall`,
        })
      highestKg = Math.max(highestKg, target.kg)
    }
    findings.push(...forbiddenLoads(protocol, gate, path))
  })
  return findings
}

/** A gate must not open resistance in a phase that, by its window, forbids all of it. */
function forbiddenLoads(protocol: Protocol, gate: Rule, path: string): Finding[] {
  const phase = protocol.phases.findLast((one) => one.days[0] <= gate.from)
  const opened = [...namedBy(gate)].filter((name) => name.startsWith('R ') || name.startsWith('I '))
  if (!phase || opened.length === 0) return []
  const barred = new Set(
    phase.forbid
      .filter((rule) => isUnconditional(rule) && (rule.until === null || rule.until > gate.from))
      .flatMap((rule) => [...namedBy(rule)]),
  )
  return opened.every((name) => barred.has(name))
    ? [{ path, expected: `no resistance in phase ${phase.id}, which forbids it` }]
    : []
}

function unopenedMotions(protocol: Protocol): Finding[] {
  const opening = [
    ...protocol.phases.flatMap((phase) => [...phase.allow, ...phase.caution]),
    ...protocol.gates,
  ]
  const barring = [
    ...protocol.never,
    // A ban of the last phase never ends: it says itself that time does not open the motion.
    ...(protocol.phases.at(-1)?.forbid ?? []),
  ]
  const opened = new Set(opening.flatMap((rule) => [...namedBy(rule)]))
  const barred = new Set(barring.flatMap((rule) => [...namedBy(rule)]))
  const isFreeAtLast = (mode: Mode) => protocol.phases.length > 1 && !LOADING_MODES.includes(mode)
  const missing = [...protocol.guard].flatMap((motion: Motion) => {
    if (motion.endsWith('.hyperext')) return []
    return (['A', 'P', 'S'] as const)
      .filter((mode) => !isFreeAtLast(mode))
      .map((mode) => `${mode} ${motion}`)
      .filter((name) => !opened.has(name) && !barred.has(name))
  })
  return missing.length === 0
    ? []
    : [
        {
          path: 'guard',
          expected: `every guarded motion opened some day, or barred with a reason; nothing speaks of ${missing.join(', ')}`,
        },
      ]
}

function unaddressedWords(protocol: Protocol): Finding[] {
  const rules = [
    ...protocol.gates,
    ...protocol.never,
    ...protocol.phases.flatMap((phase) => [...phase.allow, ...phase.caution, ...phase.forbid]),
  ]
  const named = new Set(
    rules.flatMap((rule) =>
      rule.targets.flatMap((target) =>
        target.kind === 'test' ? target.tests : target.kind === 'act' ? target.acts : [],
      ),
    ),
  )
  const missing = [...CORE_TESTS, ...CORE_ACTS].filter((word) => !named.has(word))
  return missing.length === 0
    ? []
    : [
        {
          path: 'gates',
          expected: `the core tests and activities opened or barred; missing ${missing.join(', ')}`,
        },
      ]
}
