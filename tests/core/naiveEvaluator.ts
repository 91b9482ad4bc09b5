/**
 * A second evaluator, deliberately naive: it reads the protocol file as it stands on disk (parsed YAML, words as
 * documents write them) and follows the prose of the vocabulary (5.2, 5.5) step by step, without caches and without a line of
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
const GRIP_BRINGS: Record<string, string> = Object.fromEntries(
  ALL_GRIPS.map((grip) => [
    grip,
    'mp.flex pip.flex dip.flex' +
      (['key', 'tip', 'tripod'].includes(grip)
        ? ' th_cmc.flex th_cmc.add th_cmc.opp th_mp.flex th_ip.flex'
        : ''),
  ]),
)
const RESTING: Record<string, number[]> = {
  wrist: [-30, 15],
  forearm: [-30, 30],
  elbow: [30, 110],
  mp: [0, 60],
  pip: [10, 70],
  dip: [0, 40],
}
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

/**
 * What each orthosis holds, read from the table of the derivation: `wrist` = held; `mp40-90` = only within; `~pip` = in a way of its
 * own. Behind @ where a held joint stands.
 */
const HOLDS: Record<string, string> = {
  SLING: '~shoulder',
  BUDDY: '~mp ~pip ~dip',
  DBO: 'wrist@-45..30 mp30..90 pip0..120 dip0..120',
  DBE: 'wrist@-45..30 mp30..90 pip0..120 dip0..120',
  DBS: 'mp30..90 pip0..120 dip0..120',
  DBH: 'mp30..90 pip0..120 dip0..120',
  DBHF: 'mp35..90',
  DBT: 'wrist@-20..30 ~th_cmc ~th_mp ~th_ip',
  TEN: 'wrist-30..90 mp60..90 pip0..120 dip0..120',
  DIPB: 'dip40..90',
  RMF: '~mp',
  RME: '~mp',
  RME_WRO: 'wrist@-30..0 ~mp',
  WRO: 'wrist@-30..0',
  WRN: 'wrist@-10..10',
  DTMO: '~wrist',
  GUTTER: 'wrist@-30..0 mp@60..70',
  IPLUS: 'wrist@-30..0 mp@70..90',
  SAFE: 'wrist@-30..0 mp@60..90 pip@-10..5 dip@-10..5',
  RHO: 'wrist@-30..0 mp@25..50 pip@10..45 dip@10..30',
  XBLK: '~pip',
  FRAME: '~pip',
  PIPX: 'pip@-10..5',
  DIPX: 'dip@-10..5',
  THX: 'th_ip@-10..5',
  TEMPL: '~pip ~dip',
  EXO: 'wrist@-45..-30 mp@-10..20',
  DYNX: 'wrist@-45..-30 ~mp ~pip ~dip',
  DYNT: 'wrist@-45..-30 ~th_cmc ~th_mp ~th_ip',
  PALM: 'wrist@-45..-30 mp@50..50',
  TSX: 'wrist@-45..-15 th_cmc@10..50 th_mp@-10..5 th_ip@-10..5',
  TSO: 'wrist@-30..0 th_cmc@10..50 th_mp@-5..30',
  TSH: 'th_cmc@10..50 th_mp@-5..30',
  HINGE: '~th_mp',
  CMCO: '~th_cmc',
  MPB: 'mp@-10..30',
  MUN: 'forearm@-30..30 wrist@-30..0',
  LAC: 'elbow@75..100 forearm@-30..30 wrist@-30..0',
  CAST: 'wrist@-30..20 forearm-45..45',
  ELN: 'elbow@30..45',
  ELB: 'elbow@75..100',
  EXF: 'mp@-10..5 pip@-10..5 dip@-10..5',
}
function holdsOf(orthosis: string): Map<string, { how: string; range: number[] }> {
  const parts = (HOLDS[orthosis] ?? '').split(' ').filter(Boolean)
  return new Map(
    parts.map((part) => {
      const [, way, joint, at, low, high] = /^(~?)([a-z_]+)(@?)(-?\d+)?(?:\.\.(-?\d+))?$/.exec(part)!
      const how = way ? 'its way' : at ? 'held' : 'within'
      return [joint!, { how, range: [Number(low), Number(high)] }]
    }),
  )
}
const touch = (a: number[], b: number[]) => a[0]! <= b[1]! && b[0]! <= a[1]!
function heldThere(orthosis: string, joint: string, at: number[]): boolean {
  const hold = holdsOf(orthosis).get(joint)
  return hold?.how === 'held' && touch(hold.range, at)
}
/** 5.5.3: another orthosis serves only if it holds or limits at least what the phase's own holds, and not elsewhere. */
function mayReplace(on: string, own: string): boolean {
  if (on === own || (on === 'RME_WRO' && ['RME', 'WRO'].includes(own))) return true
  const [has, asked] = [holdsOf(on), holdsOf(own)]
  if (asked.size === 0) return false
  return [...asked].every(([joint, want]) => {
    const hold = has.get(joint)
    if (!hold || hold.how === 'its way') return false
    if (hold.how === 'held') return want.how === 'its way' || touch(hold.range, want.range)
    return want.how === 'within' && inside(hold.range, want.range)
  })
}

interface Atom {
  kind: string
  word: string
  mode?: string
  res?: number
  arc?: Record<string, number[]> | undefined
  kg?: number
  /** A joint kept still: from neutral to where it is kept. */
  kept?: number[]
}

// 5.2.1; version 2, 5.5.6: what is kept still outside its resting range
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
  for (const [axis, at] of Object.entries((exercise.posture ?? {}) as Record<string, [number, number]>)) {
    const rest = RESTING[axis]
    if (!rest || all.some((one) => axisOf(one.word) === axis)) continue
    if (heldThere(exercise.in ?? 'none', axis, at)) continue
    const [low, high] = at
    if (high > rest[1]!) {
      const way = axis === 'forearm' ? 'sup' : 'flex'
      others.push({ kind: 'hold', word: `${axis}.${way}`, kept: [Math.min(0, high), high] })
    }
    if (low < rest[0]!) {
      const past = (axis === 'mp' && low < -20) || (['pip', 'dip'].includes(axis) && low < -5)
      const way = axis === 'forearm' ? 'pron' : past ? 'hyperext' : 'ext'
      others.push({ kind: 'hold', word: `${axis}.${way}`, kept: [Math.min(0, low), Math.max(0, low)] })
    }
  }
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
  if (atom.kind === 'combo') {
    // 5.5.7: a ban on the fist bars the straight fist.
    const named = asList(rule.combo)
    const isNamed =
      named.includes(atom.word) || (!opening && atom.word === 'straight_fist' && named.includes('fist'))
    return isNamed && (!modes || modes.includes(atom.mode))
  }
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

/** 5.2.14 with 5.5.4 and 5.5.5: finger joints of fingers that are not injured; the thumb is never another finger. */
function elsewhere(atom: Atom, exercise: any, c: NaiveCase): boolean {
  if (c.digits.length === 0 || c.protocol.guard_digits === 'all') return false
  if (c.states.includes('state.crps') || c.states.includes('state.flare')) return false
  const listed: string[] | undefined = exercise.digits
  if (atom.kind === 'combo') {
    if (!FINGER_ONLY_COMBOS.includes(atom.word)) return false
    const words = asList(exercise.motions).flatMap((part) => expand(part.mv, false))
    const ofThumb = listed ? listed.includes('thumb') : words.some((word) => word.startsWith('th_'))
    const ofFingers = listed
      ? listed.some((one) => one !== 'thumb')
      : words.some((word) => /^(cmc|mp|pip|dip)\./.test(word))
    if (ofThumb && (!ofFingers || atom.word === 'blocked')) return false
  } else if (atom.kind !== 'motion' || !/^(cmc|mp|pip|dip)\./.test(atom.word)) return false
  return !(listed ?? ['index', 'middle', 'ring', 'little']).some((one) => c.digits.includes(one))
}

/** What the protocol lists, and every joint of an injured digit (5.5.4). */
function guards(atom: Atom, exercise: any, c: NaiveCase, other: boolean): boolean {
  if (other) return false
  if (expand(c.protocol.guard, true).includes(atom.word)) return true
  if (atom.word.startsWith('th_')) return c.digits.includes('thumb')
  const fingers = ['index', 'middle', 'ring', 'little']
  const moved: string[] = exercise.digits ?? fingers
  return (
    /^(mp|pip|dip)\./.test(atom.word) && fingers.some((one) => moved.includes(one) && c.digits.includes(one))
  )
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
  // 5.5.6: one way of being there must be open
  if (atom.kind === 'hold') {
    const joint = atom.word.split('.')[0]!
    const being = (mode: string): Atom => ({
      kind: 'motion',
      word: atom.word,
      mode,
      res: 0,
      arc: { [joint]: atom.kept! },
    })
    if (!guards(being('A'), exercise, c, elsewhere(being('A'), exercise, c))) return 'clear'
    return ['P', 'AA', 'PH', 'A']
      .map((mode) => judge(being(mode), exercise, c, day, clock, everything))
      .reduce((best, one) => (rank(one) < rank(best) ? one : best))
  }
  const index = phaseIndex(c, clock, everything)
  const last = protocol.phases.length > 1 && index === protocol.phases.length - 1
  const otherFingers = elsewhere(atom, exercise, c)
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
    return !lifts && judgeByProtocol() === 'never' ? 'never' : 'not-yet'
  if (lifts) return 'with-care'
  const byProtocol = judgeByProtocol()
  const allowed = c.orders.some((one) => one.effect === 'allow' && orderSpeaks(one, atom, exercise, c, day))
  return allowed && byProtocol !== 'clear' && byProtocol !== 'never' ? 'with-care' : byProtocol

  function judgeByProtocol(): string {
    let later = false
    let byGrip: string | null = null
    const guardedMotion =
      atom.kind === 'motion' &&
      (guards(atom, exercise, c, otherFingers) ||
        (['I', 'R'].includes(atom.mode!) && expand(protocol.str.mv, true).includes(atom.word)))
    if (rulesSpeak) {
      // 5: always_in
      const thumb = atom.word.startsWith('th_')
      const digitJoint = atom.kind === 'motion' && (thumb || /^(mp|pip|dip)\./.test(atom.word))
      // A case that is held keeps the bans of the phases it waits for, where their day has come.
      const inForce = protocol.phases.filter(
        (one: any, at: number) =>
          at === Math.max(0, index) || (at > index && at > 0 && shifted(one.days[0], c) <= clock),
      )
      for (const one of inForce) {
        if (one.always_in && digitJoint && !insideOf(one)) return 'not-yet'
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
        at === null && !lightUse && index < phaseOfDay(from)
      const ready = fulfilled.filter((one) => (one.at === null ? !notReached(one) : one.at <= index))
      if (ready.some(({ careful }) => !careful)) return 'clear'
      if (ready.length > 0) return 'with-care'
      if (covering.length > fulfilled.length || fulfilled.some(notReached)) return 'not-yet'
      byGrip = throughGrip()
      const binding = open.filter(
        ({ rule, at }) =>
          !fits(rule, atom, exercise, c) &&
          (guardedMotion ||
            atom.kind !== 'motion' ||
            ['S', 'I', 'R'].includes(atom.mode!) ||
            (HEALING.includes(protocol.anchor) && (at === null || at >= index))),
      )
      if (binding.length > 0) return byGrip ?? 'not-yet'
    }
    if (byGrip) return byGrip
    // 8: defaults, under the load base
    let kind = byDefault(later, guardedMotion)
    // 5.5.2
    if (atom.kind === 'motion' && ['AA', 'PH'].includes(atom.mode!))
      for (const mode of ['A', 'P'])
        kind = worse(kind, judge({ ...atom, mode }, exercise, c, day, clock, everything))
    if (kind === 'not-yet') return kind
    const loadBase = needs({}, atom)
    return kind !== 'not-yet' && !loadBase.every((one) => met(c, one, everything)) ? 'not-yet' : kind
  }

  /** 5.5.11: what a grip brings along opens with the gate that names the grip, in an exercise that has it. */
  function throughGrip(): string | null {
    const loads = ['motion', 'combo'].includes(atom.kind) && ['I', 'R'].includes(atom.mode!)
    if (!loads) return null
    const held = asList(exercise.grips).map(({ grip }: any) => grip)
    const open = protocol.gates.filter((gate: any) => {
      if (!gate.grip || gate.res === undefined) return false
      const named = gate.grip === 'any' ? ALL_GRIPS : asList(gate.grip)
      const brings = named.some(
        (grip: string) =>
          held.includes(grip) &&
          (atom.kind === 'combo'
            ? ['fist', 'hook'].includes(atom.word)
            : GRIP_BRINGS[grip]!.split(' ').includes(atom.word)),
      )
      const until = shifted(gate.until, c)
      return (
        brings &&
        !names(gate, atom, true, protocol, true) &&
        clock >= shifted(gate.from, c) &&
        (until === undefined || until === null || clock < until) &&
        phaseOfDay(gate.from) <= index &&
        fits(gate, atom, exercise, c) &&
        needs(gate, atom).every((one) => met(c, one, everything))
      )
    })
    if (open.length === 0) return null
    return open.some((gate: any) => gate.as !== 'caution') ? 'clear' : 'with-care'
  }

  /** 5.5.3: in what the phase keeps on, in what holds as much, or as a rule of an opened phase says for this motion. */
  function insideOf(phase: any): boolean {
    const on = exercise.in ?? 'none'
    if (phase.always_in.some((own: string) => mayReplace(on, own))) return true
    const comesOff = asList(phase.wear).some(
      (one) => phase.always_in.includes(one.orthosis) && one.offFor.includes('exercise'),
    )
    const opened = [
      ...protocol.phases.slice(0, index + 1).flatMap((one: any) =>
        [...asList(one.allow), ...asList(one.caution)].map((rule) => ({
          rule,
          from: rule.from ?? one.days[0],
          gate: false,
        })),
      ),
      ...protocol.gates
        .filter((rule: any) => phaseOfDay(rule.from) <= index)
        .map((rule: any) => ({ rule, from: rule.from, gate: true })),
    ]
    return opened.some(({ rule, from, gate }) => {
      const until = shifted(rule.until, c)
      return (
        names(rule, atom, true, protocol, gate) &&
        clock >= shifted(from, c) &&
        (until === undefined || until === null || clock < until) &&
        (rule.in ? rule.in.includes(on) : comesOff) &&
        fits(rule, atom, exercise, c)
      )
    })
  }

  function phaseOfDay(from: number): number {
    const begun = protocol.phases.filter((one: any) => shifted(one.days[0], c)! <= shifted(from, c)!)
    return Math.max(0, begun.length - 1)
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
      if (!last || mentioned) return 'not-yet'
      if (atom.kind === 'act' && ['torque', 'wb', 'vibration'].includes(atom.word)) {
        // 5.5.11: not before the hand bears as much anyway
        const gates = [...protocol.gates].sort((a: any, b: any) => shifted(a.from, c) - shifted(b.from, c))
        const heavy =
          gates.find((gate: any) => (level(gate.res) ?? 0) >= 4 || (gate.kg ?? 0) >= 5) ?? gates.at(-1)
        if (heavy && (clock < shifted(heavy.from, c) || phaseOfDay(heavy.from) > index)) return 'not-yet'
      }
      return 'with-care'
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
