/**
 * The controlled words of protocols, exercises and case files. The rule base knows no others.
 * Documents write `mp`, `th_mp`…; code writes `mcp`, `thumbMcp`…: `jointOfWord` and `wordOfJoint` are the one table
 * between them.
 */

export const MODES = ['P', 'S', 'AA', 'PH', 'A', 'I', 'R'] as const
/** P passive gentle, S stretch, AA active-assisted, PH place-and-hold, A active, I isometric, R resisted. */
export type Mode = (typeof MODES)[number]

/** Modes that carry load or end-range force and so fall under the load base. */
export const LOADING_MODES: readonly Mode[] = ['S', 'I', 'R']

const JOINT_DIRECTIONS = {
  neck: ['flex', 'ext', 'sidebend', 'rot'],
  scap: ['elev', 'depr', 'retract'],
  shoulder: ['flex', 'ext', 'abd', 'add', 'ir', 'er'],
  elbow: ['flex', 'ext'],
  forearm: ['pron', 'sup'],
  wrist: ['flex', 'ext', 'rad', 'uln', 'dtm', 'circ'],
  cmc: ['flex', 'ext'],
  mcp: ['flex', 'ext', 'abd', 'add', 'rad', 'uln', 'hyperext'],
  pip: ['flex', 'ext', 'hyperext'],
  dip: ['flex', 'ext', 'hyperext'],
  thumbCmc: ['flex', 'ext', 'pabd', 'add', 'opp', 'retro'],
  thumbMcp: ['flex', 'ext', 'hyperext'],
  thumbIp: ['flex', 'ext', 'hyperext'],
} as const satisfies Record<string, readonly string[]>

export type Joint = keyof typeof JOINT_DIRECTIONS
/** A joint and a direction, `wrist.ext`. */
export type Motion = `${Joint}.${string}`

export const JOINTS = Object.keys(JOINT_DIRECTIONS) as Joint[]

/** The directions a joint moves in, hyperextension included. */
export function directionsOf(joint: Joint): readonly string[] {
  return JOINT_DIRECTIONS[joint]
}

const WORD_OF_JOINT: Partial<Record<Joint, string>> = {
  mcp: 'mp',
  thumbCmc: 'th_cmc',
  thumbMcp: 'th_mp',
  thumbIp: 'th_ip',
}
/** The word documents use for a joint. */
export function wordOfJoint(joint: Joint): string {
  return WORD_OF_JOINT[joint] ?? joint
}
const JOINT_OF_WORD = new Map<string, Joint>(JOINTS.map((joint) => [wordOfJoint(joint), joint]))
/** The joint a document's word stands for; `null` for a word the vocabulary does not know. */
export function jointOfWord(word: string): Joint | null {
  return JOINT_OF_WORD.get(word) ?? null
}

const GROUPS: Readonly<Record<string, readonly Joint[]>> = {
  finger: ['mcp', 'pip', 'dip'],
  ip: ['pip', 'dip'],
  thumb: ['thumbCmc', 'thumbMcp', 'thumbIp'],
}

/** A motion as a document writes it: `mp.flex`. */
export function wordOfMotion(motion: Motion): string {
  const [joint, direction] = motion.split('.') as [Joint, string]
  return `${wordOfJoint(joint)}.${direction}`
}

/**
 * The motions a document's pattern stands for: `wrist.ext`, `finger.flex`, `forearm.*`.
 *
 * @param withHyperextension - true in guard, str, forbid and never, where `joint.*` and `joint.ext` include
 *   hyperextension; false in permissions, where it must be named
 * @returns `null` for a word the vocabulary does not know
 */
export function motionsOfPattern(pattern: string, withHyperextension: boolean): Motion[] | null {
  const [word, direction, ...rest] = pattern.split('.')
  if (!word || !direction || rest.length > 0) return null
  const single = jointOfWord(word)
  const joints = GROUPS[word] ?? (single ? [single] : null)
  if (!joints) return null
  const motions: Motion[] = []
  for (const joint of joints) {
    const directions: readonly string[] = JOINT_DIRECTIONS[joint]
    if (direction === '*') {
      motions.push(
        ...directions
          .filter((d) => d !== 'hyperext' || withHyperextension)
          .map((d): Motion => `${joint}.${d}`),
      )
    } else if (directions.includes(direction)) {
      motions.push(`${joint}.${direction}`)
      if (direction === 'ext' && withHyperextension && directions.includes('hyperext')) {
        motions.push(`${joint}.hyperext`)
      }
    }
  }
  return motions.length > 0 ? motions : null
}

export const AXES = [
  'elbow',
  'forearm',
  'wrist',
  'wrist_ru',
  'mcp',
  'pip',
  'dip',
  'thumbCmc',
  'thumbMcp',
  'thumbIp',
] as const
/** An axis on which an arc or a posture is stated in signed degrees: flexion +, ulnar +, supination +. */
export type Axis = (typeof AXES)[number]
/** `[from, to]` in signed degrees, from ≤ to. */
export type Arc = readonly [number, number]
export type Arcs = Readonly<Partial<Record<Axis, Arc>>>

/** The axis a document's word stands for; `null` for a word the vocabulary does not know. */
export function axisOfWord(word: string): Axis | null {
  const axis = word === 'wrist_ru' ? word : jointOfWord(word)
  return axis !== null && (AXES as readonly string[]).includes(axis) ? (axis as Axis) : null
}

/** The joint that a motion moves. */
export function jointOfMotion(motion: Motion): Joint {
  return motion.slice(0, motion.indexOf('.')) as Joint
}

/** Asked for every atom and rule: looked up. The wrist has two axes, other joints one of their own name. */
const AXIS_OF_MOTION = new Map<Motion, Axis>(
  JOINTS.flatMap((joint) => JOINT_DIRECTIONS[joint].map((way) => [joint, way] as const)).flatMap(
    ([joint, way]): [Motion, Axis][] => {
      const axis = joint === 'wrist' && (way === 'rad' || way === 'uln') ? 'wrist_ru' : joint
      return (AXES as readonly string[]).includes(axis) ? [[`${joint}.${way}`, axis as Axis]] : []
    },
  ),
)

/** The axis on which a motion's arc is stated; `null` for joints that have none. */
export function axisOfMotion(motion: Motion): Axis | null {
  return AXIS_OF_MOTION.get(motion) ?? null
}

/** Whether an arc lies within a limit; an arc nobody states is the full range, which no limit holds. */
export function isWithin(arc: Arc | null, limit: Arc): boolean {
  return arc !== null && arc[0] >= limit[0] && arc[1] <= limit[1]
}

/** Whether a motion is one of a knuckle or a finger joint, the thumb's left out. */
export function isFingerMotion(motion: Motion): boolean {
  return /^(mcp|pip|dip)\./.test(motion)
}

export function isThumbMotion(motion: Motion): boolean {
  return motion.startsWith('thumb')
}

/** The stated axes of arcs; none where nothing is stated. */
export function arcEntries(arcs: Arcs | null): [Axis, Arc][] {
  return arcs ? (Object.entries(arcs) as [Axis, Arc][]) : []
}

/** R0 no load … R5 unrestricted. */
export type ResistanceClass = 0 | 1 | 2 | 3 | 4 | 5
export const RESISTANCE_WORDS = ['R0', 'R1', 'R2', 'R3', 'R4', 'R5'] as const
export const GRIPS = ['cyl', 'hook', 'sph', 'span', 'key', 'tip', 'tripod'] as const
export type Grip = (typeof GRIPS)[number]
const OF_A_CLOSING_HAND: readonly Motion[] = ['mcp.flex', 'pip.flex', 'dip.flex']
const OF_A_PINCH: readonly Motion[] = [
  ...OF_A_CLOSING_HAND,
  'thumbCmc.flex',
  'thumbCmc.add',
  'thumbCmc.opp',
  'thumbMcp.flex',
  'thumbIp.flex',
]
/** The motions that a grip brings along when it is held against something. Source: vocabulary 5.5.11, common practice. */
export const GRIP_MOTIONS: Readonly<Record<Grip, readonly Motion[]>> = {
  cyl: OF_A_CLOSING_HAND,
  hook: OF_A_CLOSING_HAND,
  sph: OF_A_CLOSING_HAND,
  span: OF_A_CLOSING_HAND,
  key: OF_A_PINCH,
  tip: OF_A_PINCH,
  tripod: OF_A_PINCH,
}
/** The combinations that every grip brings along. */
export const GRIP_COMBOS: readonly string[] = ['fist', 'hook']
export const TESTS = ['grip_dyn', 'pinch_gauge', 'mmt', 'prom_end', 'lift_test'] as const
export type Test = (typeof TESTS)[number]
export const ACTS = [
  'adl_light',
  'adl_mod',
  'drive',
  'wb',
  'torque',
  'work_manual',
  'sport_nc',
  'sport_c',
  'vibration',
  'swim',
] as const
export type Act = (typeof ACTS)[number]
export const LOADING_ACTS: readonly Act[] = [
  'wb',
  'torque',
  'work_manual',
  'sport_nc',
  'sport_c',
  'vibration',
]
export const STRESSES = ['th_mp.radial', 'pip.lateral'] as const
export type Stress = (typeof STRESSES)[number]
export const NERVES = ['median', 'ulnar', 'radial', 'digital'] as const
export type Nerve = (typeof NERVES)[number]
export const NERVE_TECHNIQUES = ['slider1', 'slider2', 'tensioner', 'sustained_hold'] as const
export type NerveTechnique = (typeof NERVE_TECHNIQUES)[number]
export const TECHNIQUES = [
  'forced_by_other',
  'hanging_weight',
  'to_blanching',
  'stress_test',
  'overpressure',
  'wrist_finger_snap_stretch',
  'heat_on_insensate',
  'forced_stretch',
  'to_pain',
] as const
export type Technique = (typeof TECHNIQUES)[number]
export const ACTORS = ['self', 'helper', 'therapist', 'elastic', 'orthosis'] as const
export type Actor = (typeof ACTORS)[number]

/** Motions that come with a combination, in the combination's own mode, when the exercise does not list them. */
export const COMBO_MOTIONS = {
  fist: ['mcp.flex', 'pip.flex', 'dip.flex'],
  hook: ['pip.flex', 'dip.flex'],
  straight_fist: ['mcp.flex', 'pip.flex'],
  tabletop: ['mcp.flex'],
  blocked: [],
  tenodesis: ['wrist.flex', 'wrist.ext'],
  clench: ['mcp.flex', 'pip.flex', 'dip.flex'],
  cx_ext_wf: ['wrist.ext', 'mcp.ext', 'pip.ext', 'dip.ext'],
  cx_flex_wf: ['wrist.flex', 'mcp.flex', 'pip.flex', 'dip.flex'],
  cx_ext_th: ['wrist.ext', 'thumbMcp.ext', 'thumbIp.ext'],
  cx_flex_th: ['thumbCmc.flex', 'thumbMcp.flex', 'thumbIp.flex'],
  cx_flex_th_wf: ['wrist.flex', 'thumbMcp.flex', 'thumbIp.flex'],
  cx_flex_th_uln: ['wrist.uln', 'thumbMcp.flex', 'thumbIp.flex'],
  intr_stretch: ['mcp.ext', 'pip.flex', 'dip.flex'],
  intrinsic_minus: ['mcp.ext', 'pip.flex', 'dip.flex'],
  orl_stretch: ['pip.ext', 'dip.flex'],
  bowstring: ['mcp.flex', 'pip.flex', 'dip.flex', 'wrist.flex'],
  phalen_hold: ['wrist.flex'],
  elbow_flexion_hold: ['elbow.flex'],
  cx_ulnar_full: ['elbow.flex', 'wrist.ext', 'mcp.ext', 'pip.ext', 'dip.ext'],
  cmc_adduction_pinch: [],
  mp_ulnar_load: [],
} as const satisfies Record<string, readonly Motion[]>
export type Combo = keyof typeof COMBO_MOTIONS
export const COMBOS = Object.keys(COMBO_MOTIONS) as Combo[]
/** Combinations made of finger joints alone: on uninjured fingers they concern the injured ones only where all are guarded. */
export const FINGER_COMBOS: readonly Combo[] = [
  'fist',
  'hook',
  'straight_fist',
  'tabletop',
  'blocked',
  'intr_stretch',
  'intrinsic_minus',
  'orl_stretch',
]
/** Combinations that are never better than "with care" where no rule speaks. */
export const COMBOS_WITH_CARE: readonly Combo[] = [
  'clench',
  'cmc_adduction_pinch',
  'mp_ulnar_load',
  'phalen_hold',
  'elbow_flexion_hold',
  'cx_ulnar_full',
  'cx_flex_th_uln',
]

export const ORTHOSES = [
  'none',
  'CAST',
  'SLING',
  'BUDDY',
  'DBO',
  'DBS',
  'DBE',
  'DBH',
  'DBHF',
  'DBT',
  'DIPB',
  'TEN',
  'RMF',
  'RME',
  'RME_WRO',
  'WRO',
  'WRN',
  'DTMO',
  'SPO',
  'GUTTER',
  'IPLUS',
  'SAFE',
  'XBLK',
  'FRAME',
  'PIPX',
  'DIPX',
  'THX',
  'TEMPL',
  'EXO',
  'DYNX',
  'DYNT',
  'PALM',
  'TSX',
  'TSO',
  'TSH',
  'HINGE',
  'CMCO',
  'MPB',
  'RING',
  'MUN',
  'LAC',
  'ELN',
  'ELB',
  'CFS',
  'EXF',
  'RHO',
] as const
export type Orthosis = (typeof ORTHOSES)[number]
export const ANCHORS = [
  'surgery',
  'injury',
  'procedure',
  'splint_start',
  'first_visit',
  'flare_start',
] as const
export type Anchor = (typeof ANCHORS)[number]
/** Anchors after which there is a wound made by an operation. */
export const OPERATED: readonly Anchor[] = ['surgery', 'procedure']
/** Anchors after which tissue is healing: stretch stays guarded and unreviewed cases freeze. */
export const HEALING_ANCHORS: readonly Anchor[] = ['surgery', 'injury', 'procedure', 'splint_start']

export const STATES = ['state.flare', 'state.acute_swelling', 'state.quiet', 'state.crps'] as const
export type State = (typeof STATES)[number]

export const CRITERION_FLAGS = [
  'ord.therapy',
  'ord.rom',
  'ord.passive',
  'ord.resist',
  'ord.load',
  'ord.sport',
  'ord.rotation',
  'ord.early',
  'ord.augmented',
  'ord.ipfree',
  'ord.wean',
  'dx.ok',
  'clin.union',
  'xr.union',
  'ct.union',
  'xr.stable',
  'xr.congruent',
  'fix.stable',
  'pins.out',
  'pin.notcrossing',
  'button.out',
  'cast.thumbfree',
  'wound.ok',
  'wound.closed',
  'sense.protective',
  'skin.ok',
  'edema.stable',
  'edema.moderate',
  'epi.yes',
  'intraop.gapfree',
  'repair.sound',
  'tendon.good',
  'lateral_bands.intact',
  'neighbour.intact',
  'rel.ok',
  'stable.pip',
  'stable.mp',
  'stable.sl',
  'stable.druj',
  'power.normal',
  'improved',
  'trend.down',
  'recheck.done',
  'no.collapse',
  'web.soft',
  'pain.norise',
  'pain.tolerable',
  'slider.green14',
  'tissue.ready',
  'bone_or_tendon_ready',
  'state.quiet',
  'state.flare',
  'state.crps',
  'no malrotation',
  'no snuffbox tenderness',
  'finger warm, hook not tender',
  // Selection facts that the schools name in prose.
  'fx.stable',
  'fx.closed',
  'fx.excluded',
  'stable.arc',
  'single.digit',
  'tendons.notall',
  'ucl.endpoint',
  'ucl.opening35',
  'ucl.nointerposition',
] as const
export const CRITERION_NUMBERS = [
  'pain.rest',
  'pain.act',
  'lag.dip',
  'lag.pip',
  'lag.mp',
  'lag.th_ip',
  'prom.pip.def',
  'strands',
  'trigger.stage',
  'tuck.rung',
  'arom.pct',
  'grip.pct',
] as const
/** Red flags that hold for every protocol; each stops everything until it is lifted. */
export const RED_FLAGS = [
  'RF.RUPTURE',
  'RF.INFECT',
  'RF.VASC',
  'RF.COMPART',
  'RF.NEURO',
  'RF.BONE',
  'RF.CRPS',
  'RF.SKIN',
  'RF.PAIN',
] as const
export type RedFlag = (typeof RED_FLAGS)[number]

/** Signs to look into, for every protocol. */
export const YELLOW_FLAGS = [
  'YF.PAIN',
  'YF.SWELL',
  'YF.LAG',
  'YF.ROM',
  'YF.FLAT',
  'YF.ADH',
  'YF.OVER',
  'YF.ORTH',
  'YF.FEAR',
] as const
export type YellowFlag = (typeof YELLOW_FLAGS)[number]

/** Which digit is meant; the thumb is one, but no finger. */
export const DIGITS = ['thumb', 'index', 'middle', 'ring', 'little'] as const
export type Digit = (typeof DIGITS)[number]
export const CRITERION_ORDINALS = { irrit: ['low', 'mod', 'high'] } as const
export type CriterionName = (typeof CRITERION_FLAGS)[number] | (typeof CRITERION_NUMBERS)[number] | 'irrit'
