import { isWithin, type Arc, type Joint, type Motion, type Orthosis } from './vocabulary.js'

/** How an orthosis keeps one joint. */
export type Hold =
  /** The joint does not move; it stands somewhere in this range. */
  | { readonly name: 'held'; readonly at: Arc }
  /** The joint moves within this arc. */
  | { readonly name: 'within'; readonly arc: Arc }
  /** The joint moves in a way of this orthosis alone: with a neighbor, in one plane, against an elastic. */
  | { readonly name: 'itsWay' }

const held = (from: number, to: number): Hold => ({ name: 'held', at: [from, to] })
const within = (from: number, to: number): Hold => ({ name: 'within', arc: [from, to] })
const itsWay: Hold = { name: 'itsWay' }

/** Never past straight, bending free. */
const NOT_PAST_STRAIGHT = within(0, 120)
const FUNCTIONAL_WRIST = held(-30, 0)
const BENT_BACK_WRIST = held(-45, -30)
const STRAIGHT = held(-10, 5)
const THUMB_BASE = held(10, 50)

/**
 * What each orthosis holds and limits, in degrees as arcs are stated: flexion +. Joints not named are free in it. Source:
 * derivation, table of orthoses: common practice, medium to low confidence; the positions of held joints are those of the
 * vocabulary's names where it states them, else common practice (low).
 */
export const ORTHOSIS_HOLDS: Readonly<Record<Orthosis, Readonly<Partial<Record<Joint, Hold>>>>> = {
  none: {},
  CFS: {},
  RING: {},
  SLING: { shoulder: itsWay },
  BUDDY: { mcp: itsWay, pip: itsWay, dip: itsWay },
  DBO: { wrist: held(-45, 30), mcp: within(30, 90), pip: NOT_PAST_STRAIGHT, dip: NOT_PAST_STRAIGHT },
  DBE: { wrist: held(-45, 30), mcp: within(30, 90), pip: NOT_PAST_STRAIGHT, dip: NOT_PAST_STRAIGHT },
  DBS: { mcp: within(30, 90), pip: NOT_PAST_STRAIGHT, dip: NOT_PAST_STRAIGHT },
  DBH: { mcp: within(30, 90), pip: NOT_PAST_STRAIGHT, dip: NOT_PAST_STRAIGHT },
  DBHF: { mcp: within(35, 90) },
  DBT: { wrist: held(-20, 30), thumbCmc: itsWay, thumbMcp: itsWay, thumbIp: itsWay },
  TEN: { wrist: within(-30, 90), mcp: within(60, 90), pip: NOT_PAST_STRAIGHT, dip: NOT_PAST_STRAIGHT },
  DIPB: { dip: within(40, 90) },
  RMF: { mcp: itsWay },
  RME: { mcp: itsWay },
  RME_WRO: { wrist: FUNCTIONAL_WRIST, mcp: itsWay },
  WRO: { wrist: FUNCTIONAL_WRIST },
  WRN: { wrist: held(-10, 10) },
  DTMO: { wrist: itsWay },
  SPO: {},
  GUTTER: { wrist: FUNCTIONAL_WRIST, mcp: held(60, 70) },
  IPLUS: { wrist: FUNCTIONAL_WRIST, mcp: held(70, 90) },
  SAFE: { wrist: FUNCTIONAL_WRIST, mcp: held(60, 90), pip: STRAIGHT, dip: STRAIGHT },
  RHO: { wrist: FUNCTIONAL_WRIST, mcp: held(25, 50), pip: held(10, 45), dip: held(10, 30) },
  XBLK: { pip: itsWay },
  FRAME: { pip: itsWay },
  PIPX: { pip: STRAIGHT },
  DIPX: { dip: STRAIGHT },
  THX: { thumbIp: STRAIGHT },
  TEMPL: { pip: itsWay, dip: itsWay },
  EXO: { wrist: BENT_BACK_WRIST, mcp: held(-10, 20) },
  DYNX: { wrist: BENT_BACK_WRIST, mcp: itsWay, pip: itsWay, dip: itsWay },
  DYNT: { wrist: BENT_BACK_WRIST, thumbCmc: itsWay, thumbMcp: itsWay, thumbIp: itsWay },
  PALM: { wrist: BENT_BACK_WRIST, mcp: held(50, 50) },
  TSX: { wrist: held(-45, -15), thumbCmc: THUMB_BASE, thumbMcp: STRAIGHT, thumbIp: STRAIGHT },
  TSO: { wrist: FUNCTIONAL_WRIST, thumbCmc: THUMB_BASE, thumbMcp: held(-5, 30) },
  TSH: { thumbCmc: THUMB_BASE, thumbMcp: held(-5, 30) },
  HINGE: { thumbMcp: itsWay },
  CMCO: { thumbCmc: itsWay },
  MPB: { mcp: held(-10, 30) },
  MUN: { forearm: held(-30, 30), wrist: FUNCTIONAL_WRIST },
  LAC: { elbow: held(75, 100), forearm: held(-30, 30), wrist: FUNCTIONAL_WRIST },
  CAST: { wrist: held(-30, 20), forearm: within(-45, 45) },
  ELN: { elbow: held(30, 45) },
  ELB: { elbow: held(75, 100) },
  EXF: { mcp: STRAIGHT, pip: STRAIGHT, dip: STRAIGHT },
}

/** Two worn at once are each of them. */
const COMPRISES: Readonly<Partial<Record<Orthosis, readonly Orthosis[]>>> = { RME_WRO: ['RME', 'WRO'] }

/**
 * Whether one orthosis may stand for another: it holds or limits at least what the other does, and where it holds a joint, not
 * elsewhere. An orthosis that gives fingers or thumb a way of its own is replaced by none: where another keeps them may be just where they
 * must not be (straight in place of an extension block). A wrist with a way of its own is replaced by one that keeps it still.
 */
export function standsFor(worn: Orthosis, own: Orthosis): boolean {
  if (worn === own || COMPRISES[worn]?.includes(own)) return true
  // What limits nothing that could be compared (straps, rings, slings, what stretches) is replaced by nothing.
  const asked = Object.entries(ORTHOSIS_HOLDS[own]) as [Joint, Hold][]
  return (
    asked.length > 0 && asked.every(([joint, hold]) => keepsAtLeast(joint, ORTHOSIS_HOLDS[worn][joint], hold))
  )
}

function keepsAtLeast(joint: Joint, worn: Hold | undefined, own: Hold): boolean {
  if (!worn || worn.name === 'itsWay') return false
  if (worn.name === 'held') {
    if (own.name === 'itsWay') return joint === 'wrist'
    return overlaps(worn.at, own.name === 'held' ? own.at : own.arc)
  }
  return own.name === 'within' && isWithin(worn.arc, own.arc)
}

/** Whether an orthosis itself keeps a joint still where a posture has it. */
export function keepsStillAt(worn: Orthosis, joint: Joint, posture: Arc): boolean {
  const hold = ORTHOSIS_HOLDS[worn][joint]
  return hold?.name === 'held' && overlaps(hold.at, posture)
}

/** A joint carried along by less than this within the block is no motion of its own. Source: derivation, common practice. */
export const BY_MOTION_DEG = 15

/** The arc within which an orthosis lets a joint move; `null` where it does not limit it by degrees. */
export function blockOf(worn: Orthosis, joint: Joint): Arc | null {
  const hold = ORTHOSIS_HOLDS[worn][joint]
  return hold?.name === 'within' ? hold.arc : null
}

/** Whether an orthosis keeps a joint from moving at all. */
export function keepsStill(worn: Orthosis, joint: Joint): boolean {
  return ORTHOSIS_HOLDS[worn][joint]?.name === 'held'
}

/**
 * Whether a joint can make a motion in an orthosis: it is not held there and its arc stays within the limits. An arc nobody
 * states is the full range, which leaves any limit.
 */
export function movesIn(worn: Orthosis, motion: Motion, arc: Arc | null): boolean {
  const [joint] = motion.split('.') as [Joint]
  if (keepsStill(worn, joint)) return false
  // Two planes at once is all that the wrist does there.
  if (worn === 'DTMO' && joint === 'wrist') return motion === 'wrist.dtm'
  const block = blockOf(worn, joint)
  return block === null || isWithin(arc, block)
}

/** Whether a joint can be kept where an exercise has it while an orthosis is on. */
export function standsIn(worn: Orthosis, joint: Joint, posture: Arc): boolean {
  const hold = ORTHOSIS_HOLDS[worn][joint]
  if (!hold || hold.name === 'itsWay') return true
  if (hold.name === 'held') return overlaps(hold.at, posture)
  return isWithin(posture, hold.arc)
}

/** Orthoses on injured digits alone: where only others move, they are in nobody's way. */
export const ORTHOSES_OF_DIGITS: readonly Orthosis[] = [
  'BUDDY',
  'DIPB',
  'RMF',
  'RME',
  'XBLK',
  'FRAME',
  'PIPX',
  'DIPX',
  'THX',
  'TEMPL',
  'MPB',
  'RING',
  'HINGE',
]

function overlaps(a: Arc, b: Arc): boolean {
  return a[0] <= b[1] && b[0] <= a[1]
}
