/**
 * A second evaluator, deliberately naive: it reads the protocol file as it stands on disk (parsed YAML, words as
 * documents write them) and follows the prose of the vocabulary (5.2) step by step, without caches and without a line of
 * the engine. It exists to disagree.
 */
/* eslint-disable @typescript-eslint/no-explicit-any */

export interface NaiveCase {
  protocol: any
  day: number
  withdrawn: string[]
  values: Record<string, number | string>
  digits: string[]
  states: string[]
  orders: any[]
  redLock: boolean
  daysSinceReview: number | null
  variant: string | null
  vars: Record<string, number>
  shifts: number[][]
}

const DIRECTIONS: Record<string, string[]> = {
  neck: ['flex', 'ext', 'sidebend', 'rot'],
  scap: ['elev', 'depr', 'retract'],
  shoulder: ['flex', 'ext', 'abd', 'add', 'ir', 'er'],
  elbow: ['flex', 'ext'],
  forearm: ['pron', 'sup'],
  wrist: ['flex', 'ext', 'rad', 'uln', 'dtm', 'circ'],
  cmc: ['flex', 'ext'],
  mp: ['flex', 'ext', 'abd', 'add', 'rad', 'uln', 'hyperext'],
  pip: ['flex', 'ext', 'hyperext'],
  dip: ['flex', 'ext', 'hyperext'],
  th_cmc: ['flex', 'ext', 'pabd', 'add', 'opp', 'retro'],
  th_mp: ['flex', 'ext', 'hyperext'],
  th_ip: ['flex', 'ext', 'hyperext'],
}
const GROUPS: Record<string, string[]> = {
  finger: ['mp', 'pip', 'dip'],
  ip: ['pip', 'dip'],
  thumb: ['th_cmc', 'th_mp', 'th_ip'],
}
const BRINGS: Record<string, string[]> = {
  fist: ['mp.flex', 'pip.flex', 'dip.flex'],
  hook: ['pip.flex', 'dip.flex'],
  straight_fist: ['mp.flex', 'pip.flex'],
  tabletop: ['mp.flex'],
  tenodesis: ['wrist.flex', 'wrist.ext'],
  clench: ['mp.flex', 'pip.flex', 'dip.flex'],
  cx_ext_wf: ['wrist.ext', 'mp.ext', 'pip.ext', 'dip.ext'],
  cx_flex_wf: ['wrist.flex', 'mp.flex', 'pip.flex', 'dip.flex'],
  cx_ext_th: ['wrist.ext', 'th_mp.ext', 'th_ip.ext'],
  cx_flex_th: ['th_cmc.flex', 'th_mp.flex', 'th_ip.flex'],
  cx_flex_th_wf: ['wrist.flex', 'th_mp.flex', 'th_ip.flex'],
  cx_flex_th_uln: ['wrist.uln', 'th_mp.flex', 'th_ip.flex'],
  intr_stretch: ['mp.ext', 'pip.flex', 'dip.flex'],
  intrinsic_minus: ['mp.ext', 'pip.flex', 'dip.flex'],
  orl_stretch: ['pip.ext', 'dip.flex'],
  bowstring: ['mp.flex', 'pip.flex', 'dip.flex', 'wrist.flex'],
  phalen_hold: ['wrist.flex'],
  elbow_flexion_hold: ['elbow.flex'],
  cx_ulnar_full: ['elbow.flex', 'wrist.ext', 'mp.ext', 'pip.ext', 'dip.ext'],
}
const CAREFUL_COMBOS =
  'clench cmc_adduction_pinch mp_ulnar_load phalen_hold elbow_flexion_hold cx_ulnar_full cx_flex_th_uln'.split(
    ' ',
  )
const FINGER_ONLY_COMBOS =
  'fist hook straight_fist tabletop blocked intr_stretch intrinsic_minus orl_stretch'.split(' ')
const ALL_GRIPS = 'cyl hook sph span key tip tripod'.split(' ')
const HEALING = ['surgery', 'injury', 'procedure', 'splint_start']
const HEAVY_ACTS = 'wb torque work_manual sport_nc sport_c vibration'.split(' ')
const rank = (verdict: string) => ['clear', 'with-care', 'not-yet', 'never'].indexOf(verdict)
const worse = (a: string, b: string) => (rank(a) >= rank(b) ? a : b)
const level = (res: string | undefined) => (res === undefined ? null : Number(res.slice(1)))
const asList = (value: any): any[] => (value === undefined || value === null ? [] : [value].flat())

/** `hyper`: joint.* and joint.ext include hyperextension. */
function expand(patterns: string[], hyper: boolean): string[] {
  return patterns.flatMap((pattern) => {
    const [head, direction] = pattern.split('.') as [string, string]
    return (GROUPS[head] ?? [head]).flatMap((joint) => {
      const known = DIRECTIONS[joint]!
      if (direction === '*')
        return known.filter((one) => hyper || one !== 'hyperext').map((one) => `${joint}.${one}`)
      if (!known.includes(direction)) return []
      return direction === 'ext' && hyper && known.includes('hyperext')
        ? [`${joint}.ext`, `${joint}.hyperext`]
        : [`${joint}.${direction}`]
    })
  })
}

const axisOf = (motion: string): string | null => {
  const [joint, direction] = motion.split('.') as [string, string]
  if (joint === 'wrist') return direction === 'rad' || direction === 'uln' ? 'wrist_ru' : 'wrist'
  return ['elbow', 'forearm', 'mp', 'pip', 'dip', 'th_cmc', 'th_mp', 'th_ip'].includes(joint) ? joint : null
}
const inside = (arc: number[] | null | undefined, limit: number[]) =>
  !!arc && arc[0]! >= limit[0]! && arc[1]! <= limit[1]!

// Section 2: shifts, variants, variables.
function shifted(day: number | null | undefined, c: NaiveCase): any {
  if (day === null || day === undefined) return day
  const variant = c.variant ? c.protocol.variants[c.variant] : null
  const all = [...(variant ? [[variant.window_shift_days, variant.after ?? 0]] : []), ...c.shifts]
  return all.reduce((now, [days, after]) => (now > after ? Math.max(0, after, now + days) : now), day)
}
function limitOf(c: NaiveCase, arcs: any): Record<string, number[]> {
  return Object.fromEntries(
    Object.entries(arcs as Record<string, any[]>).map(([axis, [low, high]]) => {
      if (typeof low === 'number') return [axis, [low, high]]
      const [, name, minus] = /^(\w+?)(?:-(\d+))?$/.exec(String(low))!
      return [axis, [Math.max(0, (c.vars[name!] ?? c.protocol.vars[name!].value) - Number(minus ?? 0)), high]]
    }),
  )
}

// Criteria: unknown is not met; these cases list what is not met.
function met(c: NaiveCase, criterion: string, everything = false): boolean {
  const parts = /^([a-z._]+?)\s*(<=|>=)\s*(\w+)$/.exec(criterion)
  const name = parts ? parts[1]! : criterion
  if (c.states.includes('state.flare') && name === 'state.quiet') return false
  if (
    c.states.includes('state.acute_swelling') &&
    ['state.quiet', 'edema.stable', 'edema.moderate'].includes(name)
  )
    return false
  if (c.states.includes(name)) return true
  if (everything) return true
  if (c.withdrawn.includes(name)) return false
  if (!parts || !(name in c.values)) return true
  const value = c.values[name]!
  if (typeof value === 'string') {
    const levels = ['low', 'mod', 'high']
    const [a, b] = [levels.indexOf(value), levels.indexOf(parts[3]!)]
    return parts[2] === '<=' ? a <= b : a >= b
  }
  return parts[2] === '<=' ? value <= Number(parts[3]) : value >= Number(parts[3])
}

function phaseIndex(c: NaiveCase, day: number, everything: boolean): number {
  let index = -1
  for (const phase of c.protocol.phases) {
    if (day < shifted(phase.days[0], c)) break
    if (!phase.entry.every((one: string) => met(c, one, everything))) break
    index += 1
  }
  return index
}

interface Atom {
  kind: string
  word: string
  mode?: string
  res?: number
  arc?: Record<string, number[]> | undefined
  kg?: number
}

// 5.2.1
function atoms(exercise: any): Atom[] {
  const motions: Atom[] = []
  for (const part of asList(exercise.motions))
    for (const mode of asList(part.m))
      for (const word of expand(part.mv, false))
        motions.push({ kind: 'motion', word, mode, arc: part.arc, res: level(part.res) ?? 5 })
  const others: Atom[] = []
  const brought: Atom[] = []
  for (const { combo, m, res } of asList(exercise.combos)) {
    others.push({ kind: 'combo', word: combo, mode: m, res: level(res) ?? 5 })
    for (const word of BRINGS[combo] ?? [])
      if (!motions.some((one) => one.word === word && one.mode === m))
        brought.push({ kind: 'motion', word, mode: m, res: level(res) ?? 5 })
    if (combo === 'clench') others.push({ kind: 'grip', word: 'cyl', res: 3 })
    if (combo === 'cmc_adduction_pinch') others.push({ kind: 'grip', word: 'key', res: 1 })
    if (combo === 'mp_ulnar_load') brought.push({ kind: 'motion', word: 'mp.uln', mode: 'R', res: 1 })
  }
  const all = [...motions, ...brought]
  if (asList(exercise.technique).includes('overpressure'))
    for (const one of [...all])
      if (['P', 'AA', 'A', 'PH'].includes(one.mode!)) all.push({ ...one, mode: 'S' })
  for (const { grip, res } of asList(exercise.grips))
    others.push({ kind: 'grip', word: grip, res: level(res) ?? 5 })
  if (exercise.kg !== undefined) others.push({ kind: 'kg', word: 'kg', kg: exercise.kg })
  for (const word of asList(exercise.tests)) others.push({ kind: 'test', word })
  for (const word of asList(exercise.acts)) others.push({ kind: 'act', word })
  for (const word of asList(exercise.stress)) others.push({ kind: 'stress', word })
  for (const { nerve, tech } of asList(exercise.nerve))
    others.push({ kind: 'nerve', word: `${nerve} ${tech}` })
  for (const word of asList(exercise.technique)) others.push({ kind: 'technique', word })
  return [...all, ...others]
}
const resists = (atom: Atom) =>
  atom.kind === 'grip' ||
  ((atom.kind === 'motion' || atom.kind === 'combo') && (atom.mode === 'I' || atom.mode === 'R'))

/** Whether a rule names what the atom is, its form apart. */
function names(rule: any, atom: Atom, opening: boolean, protocol: any, isGate: boolean): boolean {
  const modes = rule.m ? asList(rule.m) : null
  if (atom.kind === 'motion') {
    if (rule.mv)
      return (modes ?? ['I', 'R']).includes(atom.mode!) && expand(rule.mv, !opening).includes(atom.word)
    // A gate with a resistance and neither grip nor motion opens what the protocol lists under str.
    return (
      isGate &&
      rule.res !== undefined &&
      !rule.grip &&
      ['I', 'R'].includes(atom.mode!) &&
      expand(protocol.str.mv, false).includes(atom.word)
    )
  }
  if (atom.kind === 'combo')
    return asList(rule.combo).includes(atom.word) && (!modes || modes.includes(atom.mode))
  if (atom.kind === 'grip') {
    const grips = (value: any) => (value === 'any' ? ALL_GRIPS : asList(value))
    if (rule.grip) return grips(rule.grip).includes(atom.word)
    return isGate && rule.res !== undefined && !rule.mv && grips(protocol.str.grip).includes(atom.word)
  }
  if (atom.kind === 'kg') return rule.kg !== undefined
  if (atom.kind === 'nerve') {
    const [nerve, tech] = atom.word.split(' ')
    return asList(rule.nerve).includes(nerve) && asList(rule.tech).includes(tech)
  }
  if (atom.kind === 'technique') {
    const speaksElse = ['mv', 'combo', 'grip', 'test', 'act', 'stress', 'nerve'].some((key) => rule[key])
    return !speaksElse && rule.kg === undefined && asList(rule.technique).includes(atom.word)
  }
  return asList(rule[atom.kind]).includes(atom.word)
}

function bars(rule: any, atom: Atom, exercise: any, c: NaiveCase, from: number, day: number): boolean {
  if (from > 0 && day < from) return false
  const until = shifted(rule.until, c)
  if (until !== undefined && until !== null && day >= until) return false
  if (!names(rule, atom, false, c.protocol, false)) return false
  if (rule.when && !rule.when.some((one: string) => c.states.includes(one))) return false
  if (rule.by && exercise.by && !rule.by.includes(exercise.by)) return false
  const speaksElse =
    ['mv', 'combo', 'grip', 'test', 'act', 'stress', 'nerve'].some((key) => rule[key]) ||
    rule.kg !== undefined
  if (
    rule.technique &&
    speaksElse &&
    !rule.technique.some((one: string) => asList(exercise.technique).includes(one))
  )
    return false
  if (rule.out_of && rule.out_of.includes(exercise.in ?? 'none')) return false
  if (rule.res !== undefined && resists(atom) && atom.res! < level(rule.res)!) return false
  if (atom.kind === 'kg' && atom.kg! < rule.kg) return false
  if (rule.beyond && atom.kind === 'motion') {
    const limit = limitOf(c, rule.beyond)[axisOf(atom.word) ?? '']
    if (!limit || inside(atom.arc?.[axisOf(atom.word)!], limit)) return false
  }
  for (const [axis, range] of Object.entries((rule.with ?? {}) as Record<string, number[]>)) {
    const posture = exercise.posture?.[axis]
    if (posture && (posture[1] < range[0]! || posture[0] > range[1]!)) return false
  }
  return true
}

function fits(rule: any, atom: Atom, exercise: any, c: NaiveCase): boolean {
  if (rule.in && !rule.in.includes(exercise.in ?? 'none')) return false
  if (rule.arc && atom.kind === 'motion') {
    const limit = limitOf(c, rule.arc)[axisOf(atom.word) ?? '']
    if (limit && !inside(atom.arc?.[axisOf(atom.word)!], limit)) return false
  }
  for (const [axis, range] of Object.entries((rule.with ?? {}) as Record<string, number[]>))
    if (!inside(exercise.posture?.[axis], range)) return false
  if (rule.res !== undefined && resists(atom) && atom.res! > level(rule.res)!) return false
  if (atom.kind === 'kg' && atom.kg! > rule.kg) return false
  return true
}

function needs(rule: any, atom: Atom): string[] {
  const own: string[] = rule.needs ?? []
  const heavy =
    (['motion', 'combo'].includes(atom.kind) && ['S', 'I', 'R'].includes(atom.mode!)) ||
    (atom.kind === 'grip' && atom.res! >= 1) ||
    (atom.kind === 'kg' && atom.kg! >= 1) ||
    atom.kind === 'test' ||
    (atom.kind === 'act' && HEAVY_ACTS.includes(atom.word))
  if (!heavy) return own
  const ownPain = own.some((one) => /^(pain\.act|pain\.norise|pain\.tolerable)/.test(one))
  return [...own, ...(ownPain ? [] : ['pain.act<=3']), 'edema.stable']
}

function orderSpeaks(order: any, atom: Atom, exercise: any, c: NaiveCase, day: number): boolean {
  if (order.from !== undefined && day < order.from) return false
  if (order.until !== undefined && day >= order.until) return false
  if (!names(order, atom, order.effect === 'allow', c.protocol, false)) return false
  if (order.effect === 'allow') return fits(order, atom, exercise, c)
  if (order.res !== undefined && resists(atom)) return atom.res! >= level(order.res)!
  if (atom.kind === 'kg') return atom.kg! >= order.kg
  return true
}

function judge(
  atom: Atom,
  exercise: any,
  c: NaiveCase,
  day: number,
  clock: number,
  everything: boolean,
): string {
  const { protocol } = c
  const index = phaseIndex(c, clock, everything)
  const last = protocol.phases.length > 1 && index === protocol.phases.length - 1
  const ofFingers =
    atom.kind === 'motion' ? /^(cmc|mp|pip|dip)\./.test(atom.word) : FINGER_ONLY_COMBOS.includes(atom.word)
  const otherFingers =
    ['motion', 'combo'].includes(atom.kind) &&
    ofFingers &&
    c.digits.length > 0 &&
    protocol.guard_digits !== 'all' &&
    !(exercise.digits ?? ['index', 'middle', 'ring', 'little']).some((one: string) => c.digits.includes(one))
  const rulesSpeak = !otherFingers || (atom.kind === 'motion' && ['I', 'R'].includes(atom.mode!))

  const neverAt = rulesSpeak
    ? asList(protocol.never).findIndex((rule) =>
        bars(rule, atom, exercise, c, shifted(rule.from ?? 0, c), clock),
      )
    : -1
  const lifts =
    neverAt >= 0 &&
    c.orders.some(
      (order) =>
        order.effect === 'allow' &&
        order.lifts === `${protocol.id}.never.${neverAt + 1}` &&
        order.document &&
        orderSpeaks(order, atom, exercise, c, day),
    )
  if (neverAt >= 0 && !lifts) return 'never'
  if (c.orders.some((one) => one.effect === 'forbid' && orderSpeaks(one, atom, exercise, c, day)))
    return 'not-yet'
  if (lifts) return 'with-care'
  const byProtocol = judgeByProtocol()
  const allowed = c.orders.some((one) => one.effect === 'allow' && orderSpeaks(one, atom, exercise, c, day))
  return allowed && byProtocol !== 'clear' ? 'with-care' : byProtocol

  function judgeByProtocol(): string {
    let later = false
    const guardedMotion =
      atom.kind === 'motion' &&
      ((!otherFingers && expand(protocol.guard, true).includes(atom.word)) ||
        (['I', 'R'].includes(atom.mode!) && expand(protocol.str.mv, true).includes(atom.word)))
    if (rulesSpeak) {
      // 5: always_in
      const thumb = atom.word.startsWith('th_')
      const digitJoint = atom.kind === 'motion' && (thumb || /^(mp|pip|dip)\./.test(atom.word))
      const guardsDigit = expand(protocol.guard, true).some((one) =>
        thumb ? one.startsWith('th_') : /^(mp|pip|dip)\./.test(one),
      )
      // A case that is held keeps the bans of the phases it waits for, where their day has come.
      const inForce = protocol.phases.filter(
        (one: any, at: number) =>
          at === Math.max(0, index) || (at > index && at > 0 && shifted(one.days[0], c) <= clock),
      )
      for (const one of inForce) {
        if (
          one.always_in &&
          digitJoint &&
          guardsDigit &&
          !otherFingers &&
          !one.always_in.includes(exercise.in ?? 'none')
        )
          return 'not-yet'
        // 6: forbid
        if (
          asList(one.forbid).some((rule) =>
            bars(rule, atom, exercise, c, shifted(rule.from ?? one.days[0], c), clock),
          )
        )
          return 'not-yet'
      }
      // 7: permissions; of the phases it waits for only what they ask for, which holds already
      const reached = Math.max(index, protocol.phases.indexOf(inForce.at(-1)))
      const permissions = [
        ...protocol.phases.slice(0, reached + 1).flatMap((one: any, at: number) => [
          ...asList(one.allow).map((rule) => ({
            rule,
            from: rule.from ?? one.days[0],
            at,
            careful: false,
          })),
          ...asList(one.caution).map((rule) => ({
            rule,
            from: rule.from ?? one.days[0],
            at,
            careful: true,
          })),
        ]),
        ...protocol.gates.map((rule: any) => ({
          rule,
          from: rule.from,
          at: null,
          careful: rule.as === 'caution',
        })),
      ].filter(({ rule, at }) => names(rule, atom, true, protocol, at === null))
      later = permissions.some(({ from }) => clock < shifted(from, c))
      const open = permissions.filter(({ rule, from }) => {
        const until = shifted(rule.until, c)
        return clock >= shifted(from, c) && (until === undefined || until === null || clock < until)
      })
      const covering = open.filter(({ rule }) => fits(rule, atom, exercise, c))
      const fulfilled = covering.filter(({ rule }) =>
        needs(rule, atom).every((one) => met(c, one, everything)),
      )
      // Version 2, 5.5.1: a gate belongs to the phase in whose days it lies, and opens nothing before the case stands there.
      const lightUse =
        atom.kind === 'act' &&
        atom.word === 'adl_light' &&
        ['first_visit', 'flare_start'].includes(protocol.anchor)
      const notReached = ({ at, from }: { at: number | null; from: number }) =>
        at === null &&
        !lightUse &&
        index <
          Math.max(
            0,
            protocol.phases.filter((one: any) => shifted(one.days[0], c)! <= shifted(from, c)!).length - 1,
          )
      const ready = fulfilled.filter((one) => (one.at === null ? !notReached(one) : one.at <= index))
      if (ready.some(({ careful }) => !careful)) return 'clear'
      if (ready.length > 0) return 'with-care'
      if (covering.length > fulfilled.length || fulfilled.some(notReached)) return 'not-yet'
      const binding = open.filter(
        ({ rule, at }) =>
          !fits(rule, atom, exercise, c) &&
          (guardedMotion ||
            atom.kind !== 'motion' ||
            ['S', 'I', 'R'].includes(atom.mode!) ||
            (HEALING.includes(protocol.anchor) && (at === null || at >= index))),
      )
      if (binding.length > 0) return 'not-yet'
    }
    // 8: defaults, under the load base
    const kind = byDefault(later, guardedMotion)
    const loadBase = needs({}, atom)
    return kind !== 'not-yet' && !loadBase.every((one) => met(c, one, everything)) ? 'not-yet' : kind
  }

  function byDefault(later: boolean, guardedMotion: boolean): string {
    if (atom.kind === 'motion') {
      const loads = ['I', 'R'].includes(atom.mode!)
      if (guardedMotion) {
        if (!last || later || loads || atom.mode === 'S') return 'not-yet'
        return atom.word.endsWith('.hyperext') ? 'with-care' : 'clear'
      }
      const careful = loads || (atom.mode === 'S' && HEALING.includes(protocol.anchor))
      return careful && !last ? 'with-care' : 'clear'
    }
    if (atom.kind === 'combo') {
      if (!otherFingers && asList(protocol.guard_combos).includes(atom.word)) return 'not-yet'
      return CAREFUL_COMBOS.includes(atom.word) ? 'with-care' : 'clear'
    }
    if (atom.kind === 'stress') return asList(protocol.guard_stress).includes(atom.word) ? 'not-yet' : 'clear'
    if (atom.kind === 'nerve') {
      if (asList(protocol.guard_nerve).length > 0 || protocol.gates.some((gate: any) => gate.nerve))
        return 'not-yet'
      return atom.word.endsWith('tensioner') ? 'with-care' : 'clear'
    }
    if (atom.kind === 'technique')
      return [exercise.motions, exercise.combos, exercise.stress].some((one) => asList(one).length > 0)
        ? 'clear'
        : 'with-care'
    if (atom.kind === 'test' || atom.kind === 'act') {
      const mentioned = protocol.gates.some((gate: any) => asList(gate[atom.kind]).includes(atom.word))
      return last && !mentioned ? 'with-care' : 'not-yet'
    }
    return 'not-yet'
  }
}

/** The verdict on a day; `everything`: every criterion is taken as met and a review as done. */
export function naiveVerdict(exercise: any, c: NaiveCase, day = c.day, everything = false): string {
  const techniques = asList(exercise.technique)
  const atHome = !exercise.by || exercise.by === 'self' || exercise.by === 'helper'
  if (
    asList(exercise.nerve).some((one) => one.tech === 'sustained_hold') ||
    techniques.some((one) =>
      ['heat_on_insensate', 'forced_stretch', 'to_pain', 'wrist_finger_snap_stretch'].includes(one),
    ) ||
    (atHome && techniques.some((one) => ['stress_test', 'forced_by_other'].includes(one)))
  )
    return 'never'
  const { protocol } = c
  let clock = day
  if (
    !everything &&
    c.daysSinceReview !== null &&
    c.daysSinceReview > 14 &&
    HEALING.includes(protocol.anchor)
  ) {
    const frozen = Math.min(day, day - c.daysSinceReview + 14)
    if (phaseIndex(c, frozen, false) < protocol.phases.length - 1) clock = frozen
  }
  const verdict = atoms(exercise)
    .map((atom) => judge(atom, exercise, c, day, clock, everything))
    .reduce(worse, 'clear')
  if (verdict === 'never') return 'never'
  if (c.redLock) return 'not-yet'
  if (phaseIndex(c, clock, everything) < 0) return 'not-yet'
  const doubtful = asList(protocol.select).some((one: string) => !met(c, one, everything))
  return doubtful && rank(verdict) < 2 ? 'not-yet' : verdict
}

/** The first day, asking each in turn, on which it would open with every criterion met; `null`: none in 400 days. */
export function naiveEarliest(exercise: any, c: NaiveCase): number | null {
  if (c.redLock) return null
  for (let day = c.day; day <= c.day + 400; day += 1)
    if (rank(naiveVerdict(exercise, c, day, true)) < 2) return day
  return null
}
