import type { Constant } from '../anatomy/constant.js'
import { daysBetween, type ClinicalDay } from '../calendar/clinicalDay.js'
import { expectedBand, TRAJECTORIES } from '../measurement/change/trajectory.js'
import { NORMAL_IP_ARC } from '../measurement/motion/twoJointFormula.js'
import { otherSideOf, type Side } from '../measurement/readings/measures.js'
import { lastOfSeries, seriesFacts } from '../measurement/readings/series.js'
import type { Visit } from '../measurement/readings/visits.js'

/** What a published series is a share of, to turn it into the unit that is measured. */
type Reference = 'otherSide' | 'beforeSurgery' | 'normalEnds'

/** The published series of a school, by the series of the bench it is shown with. */
interface PublishedSeries {
  readonly schools: RegExp
  readonly series: RegExp
  readonly published: string
  readonly reference: Reference
  /** Whose values they are, for the caption. */
  readonly group: string
}

/** Sources: measures M-35, all from memory and of low confidence; which schools they fit is ours. */
const PUBLISHED: readonly PublishedSeries[] = [
  {
    schools: /^DRF-VLP-/,
    series: /^arc\.wrist$/,
    published: 'distalRadius.volarPlate.flexExtArc',
    reference: 'otherSide',
    group: 'a distal radius fracture with a volar plate',
  },
  {
    schools: /^DRF-VLP-/,
    series: /^arc\.forearm$/,
    published: 'distalRadius.volarPlate.forearmArc',
    reference: 'otherSide',
    group: 'a distal radius fracture with a volar plate',
  },
  {
    schools: /^DRF-VLP-/,
    series: /^grip\./,
    published: 'distalRadius.volarPlate.grip',
    reference: 'otherSide',
    group: 'a distal radius fracture with a volar plate',
  },
  {
    schools: /^FT-(PH|DURAN|EAM|KLEINERT)$/,
    series: /^ends\./,
    published: 'flexorTendonZone2.stricklandPct',
    reference: 'normalEnds',
    group: 'a flexor tendon repair in zone II (this school covers zones I to III)',
  },
  {
    schools: /^MC-ORIF$/,
    series: /^tam\.(index|middle|ring|little)$/,
    published: 'metacarpalShaftFracture.TAM',
    reference: 'otherSide',
    group: 'a fracture of a metacarpal shaft',
  },
  {
    schools: /^PX-/,
    series: /^tam\.(index|middle|ring|little)$/,
    published: 'proximalPhalanxFracture.TAM',
    reference: 'otherSide',
    group: 'a fracture of a proximal phalanx',
  },
  {
    schools: /^CTS-REL$/,
    series: /^grip\./,
    published: 'carpalTunnelRelease.grip',
    reference: 'beforeSurgery',
    group: 'a carpal tunnel release',
  },
  {
    schools: /^CTS-REL$/,
    series: /^keyPinch\./,
    published: 'carpalTunnelRelease.keyPinch',
    reference: 'beforeSurgery',
    group: 'a carpal tunnel release',
  },
]

/** The published groups are of adults: the band is not shown of younger people. Common practice. */
const YOUNGEST = 18

export interface BandAbout {
  readonly protocolId: string
  readonly side: Side
  readonly dayZeroOn: ClinicalDay
  /** Whole years. */
  readonly age: number
}

/** A range seen in published groups, in the unit of the series; never a forecast, never a target. */
export interface ExpectedBand {
  /** Between them in straight lines; before the first and after the last there is none. */
  readonly anchors: readonly {
    readonly day: number
    readonly low: number
    readonly middle: number
    readonly high: number
  }[]
  readonly group: string
  /** "of the other side, 48 kg". */
  readonly reference: string
  readonly source: string
  readonly confidence: Constant['confidence']
}

/** The published series that fits, with what it is a share of. */
function fitting(seriesId: string, about: BandAbout, visits: readonly Visit[]) {
  const found = PUBLISHED.find(
    ({ schools, series }) => schools.test(about.protocolId) && series.test(seriesId),
  )
  if (!found || about.age < YOUNGEST) return null
  const reference = referenceOf(found.reference, seriesId, about, visits)
  return reference && reference.value > 0 ? { found, reference } : null
}

/**
 * The range of published groups that belongs to a series in a case; `null` where none is published, the diagnosis, treatment or age do
 * not fit, or what it is a share of was not measured.
 *
 * Source: measures M-35 and 8.1.
 */
export function expectedBandOf(
  seriesId: string,
  about: BandAbout,
  visits: readonly Visit[],
): ExpectedBand | null {
  const fit = fitting(seriesId, about, visits)
  if (!fit) return null
  const { found, reference } = fit
  const { value: anchors, source, confidence } = TRAJECTORIES[found.published]!
  const shown = (percent: number) => (percent * reference.value) / 100
  return {
    anchors: anchors.map(([week, low, middle, high]) => ({
      day: 7 * week,
      low: shown(low),
      middle: shown(middle),
      high: shown(high),
    })),
    group: found.group,
    reference: reference.words,
    source,
    confidence,
  }
}

/** Where a point of a series lies against its band; `null` where there is none, or outside of the weeks it knows. */
export function againstBand(
  seriesId: string,
  point: { readonly on: ClinicalDay; readonly value: number },
  about: BandAbout,
  visits: readonly Visit[],
): 'below' | 'within' | 'above' | null {
  const fit = fitting(seriesId, about, visits)
  const band = fit && expectedBand(fit.found.published, daysBetween(about.dayZeroOn, point.on) / 7)
  if (!band) return null
  const percent = (100 * point.value) / fit.reference.value
  return percent < band[0] ? 'below' : percent > band[2] ? 'above' : 'within'
}

function referenceOf(
  kind: Reference,
  seriesId: string,
  { side, dayZeroOn }: BandAbout,
  visits: readonly Visit[],
): { value: number; words: string } | null {
  if (kind === 'normalEnds') return { value: NORMAL_IP_ARC.value, words: `of ${NORMAL_IP_ARC.value}°` }
  const isBefore = kind === 'beforeSurgery'
  const known = isBefore ? visits.filter(({ on }) => on < dayZeroOn) : visits
  const value = lastOfSeries(seriesId, known, isBefore ? side : otherSideOf(side))
  if (value === null) return null
  const { unit } = seriesFacts(seriesId)
  const shown = `${Math.round(value * 10) / 10}${unit === 'degrees' ? '°' : unit === 'kgf' ? ' kg' : ` ${unit}`}`
  return { value, words: isBefore ? `of ${shown} before surgery` : `of the other side, ${shown}` }
}
