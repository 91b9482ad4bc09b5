import { reaches, within } from '../anatomy/checked.js'
import { decided, published } from '../anatomy/constant.js'
import { CoreError } from '../errors.js'
import { bedChanges, bedOf, type BeddedNerve, type NerveMoves } from './nerveBed.js'

/** Balance from which a movement of both signs is a slider; a published elbow and neck slider scores 0.43. */
export const SLIDER_BALANCE = decided(0.4, 'share', 'low')

export type NerveMoveClass = 'none' | 'single' | 'slider' | 'tensioner' | 'unbalanced'
export interface ClassifiedNerveMove {
  readonly class: NerveMoveClass
  /** Of a tensioner: whether it loads or releases the nerve. */
  readonly direction: 'loading' | 'releasing' | null
  /** Sum of the changes of the bed, mm. */
  readonly netMm: number
  /** 1 where lengthening and shortening cancel, 0 where all go one way; null where no joint that moves the nerve moves. */
  readonly balance: number | null
  /** Mean change of strain, percent. Local strain near a joint is about twice as much. */
  readonly strainPercent: number
}

/**
 * A movement of a nerve from one posture to another: one joint single, all changes of one sign a tensioner, balanced ones
 * a slider, the rest unbalanced, which is dosed as a tensioner. Of several steps the worst names the exercise.
 *
 * Source: PLEDGE-DECISION (low); shown as classes and arrows, with millimeters to therapists only, ± 50 %.
 */
export function classifiedNerveMove(nerve: BeddedNerve, moves: NerveMoves): ClassifiedNerveMove {
  const { lengthMm } = bedOf(nerve)
  const changes = bedChanges(nerve, moves).map(({ changeMm }) => changeMm)
  const net = changes.reduce((sum, change) => sum + change, 0)
  const total = changes.reduce((sum, change) => sum + Math.abs(change), 0)
  const balance = total === 0 ? 0 : 1 - Math.abs(net) / total
  const isOneWay = changes.every((change) => change > 0) || changes.every((change) => change < 0)
  const word: NerveMoveClass =
    changes.length === 0
      ? 'none'
      : changes.length === 1
        ? 'single'
        : isOneWay
          ? 'tensioner'
          : reaches(balance, SLIDER_BALANCE.value)
            ? 'slider'
            : 'unbalanced'
  return {
    class: word,
    direction: word !== 'tensioner' ? null : net > 0 ? 'loading' : 'releasing',
    netMm: net,
    balance: changes.length === 0 ? null : isOneWay ? 0 : balance,
    strainPercent: (100 * net) / lengthMm,
  }
}

/**
 * Travel of a nerve relative to its bed at a site in mm, distally +: a string without friction, which overstates what
 * happens far from the moving joint. Nerve on either side of a lengthening joint moves toward it.
 *
 * @param site - a named site of the nerve, or mm from the spine
 */
export function nerveExcursionMm(nerve: BeddedNerve, moves: NerveMoves, site: string | number): number {
  const bed = bedOf(nerve)
  const at = typeof site === 'number' ? within(site, 'site', [0, bed.lengthMm], 'mm') : bed.sites[site]
  if (at === undefined)
    throw new CoreError(
      'DOCUMENT_INVALID',
      'site',
      `Expected one of ${Object.keys(bed.sites).join(', ')} or mm from the spine, found "${site}".`,
    )
  const changes = bedChanges(nerve, moves)
  const strain = changes.reduce((sum, { changeMm }) => sum + changeMm, 0) / bed.lengthMm
  const before = changes.filter(({ atMm }) => atMm < at).reduce((sum, { changeMm }) => sum + changeMm, 0)
  return at * strain - before
}

/** Local strain from which signals suffer, blood flow slows, and stops; in animals, held for minutes to hours. */
export const STRAIN_LIMITS = {
  caution: published(6, 'percent', 'WALL-1992', 'medium'),
  high: published(8, 'percent', 'LUNDBORG-RYDEVIK-1973', 'high'),
  stop: published(15, 'percent', 'LUNDBORG-RYDEVIK-1973', 'high'),
} as const

/** What a measured local strain means. The model's mean has to be doubled before it is compared. */
export function strainBand(localPercent: number): 'none' | 'caution' | 'high' | 'stop' {
  within(localPercent, 'strain', [-50, 50], 'percent')
  if (reaches(localPercent, STRAIN_LIMITS.stop.value)) return 'stop'
  if (reaches(localPercent, STRAIN_LIMITS.high.value)) return 'high'
  return reaches(localPercent, STRAIN_LIMITS.caution.value) ? 'caution' : 'none'
}

export interface SuggestedSlider {
  readonly moves: NerveMoves
  readonly excursionMm: number
  readonly strainPercent: number
  /** Distance of the nearest moving joint from the sore site, mm. */
  readonly nearestJointMm: number
}

/** Pairs of joints a patient can move at once, a comfortable part of their range. */
const PAIRS: readonly (readonly [keyof NerveMoves, keyof NerveMoves])[] = [
  ['neckSideBendAway', 'elbowFlexion'],
  ['neckSideBendAway', 'wristFlexion'],
  ['elbowFlexion', 'wristFlexion'],
]
const COMFORTABLE = decided<NerveMoves>(
  { neckSideBendAway: 30, elbowFlexion: 60, wristFlexion: 50 },
  'degrees',
  'low',
).value

/**
 * Sliders for a sore site, best first: of the pairs of joints that balance, the one whose joints lie furthest from the
 * site while the nerve is irritable, else the one with most travel there.
 *
 * @param siteMm - mm from the spine
 */
export function suggestedSliders(
  nerve: BeddedNerve,
  siteMm: number,
  irritability: 'low' | 'mod' | 'high',
): SuggestedSlider[] {
  const bed = bedOf(nerve)
  within(siteMm, 'site', [0, bed.lengthMm], 'mm')
  const options = PAIRS.flatMap((pair) =>
    [-1, 1].flatMap((sign): SuggestedSlider[] => {
      const moves: NerveMoves = { [pair[0]]: COMFORTABLE[pair[0]]!, [pair[1]]: sign * COMFORTABLE[pair[1]]! }
      const { class: word, strainPercent } = classifiedNerveMove(nerve, moves)
      if (word !== 'slider') return []
      const places = bedChanges(nerve, moves).map(({ atMm }) => Math.abs(atMm - siteMm))
      return [
        {
          moves,
          strainPercent,
          excursionMm: nerveExcursionMm(nerve, moves, siteMm),
          nearestJointMm: Math.min(...places),
        },
      ]
    }),
  )
  return irritability === 'low'
    ? options.sort((a, b) => Math.abs(b.excursionMm) - Math.abs(a.excursionMm))
    : options.sort((a, b) => b.nearestJointMm - a.nearestJointMm)
}
