import { published, type Constant } from '../../anatomy/constant.js'
import { testLikelihood, type Likelihood } from './likelihood.js'

type Accuracy = readonly [sensitivity: number, specificity: number]
interface ProvocativeTest {
  readonly name: string
  readonly asksAbout: string
  /** 0–1; where sources differ, the pooled or the lower one. */
  readonly accuracy: Constant<Accuracy>
}
const test = (
  name: string,
  asksAbout: string,
  accuracy: Accuracy,
  source: string,
  confidence: Constant['confidence'],
): ProvocativeTest => ({ name, asksAbout, accuracy: published(accuracy, 'share', source, confidence) })

/**
 * Provocative tests with published accuracy, from memory. Pledge records tests; it does not diagnose. Low where later
 * studies found far less than the first one. Tests without usable figures are recorded, and change nothing.
 */
export const PROVOCATIVE_TESTS = {
  wristFlexionHold: test('Wrist held flexed', 'carpal tunnel', [0.68, 0.73], 'MACDERMID-WESSEL-2004', 'high'),
  tappingAtWrist: test('Tapping at the wrist', 'carpal tunnel', [0.5, 0.77], 'MACDERMID-WESSEL-2004', 'high'),
  carpalCompression: test(
    'Carpal compression',
    'carpal tunnel',
    [0.64, 0.83],
    'MACDERMID-WESSEL-2004',
    'high',
  ),
  handElevation: test('Hand held up', 'carpal tunnel', [0.76, 0.98], 'AHN-2001', 'medium'),
  flick: test('Shakes the hand at night', 'carpal tunnel', [0.93, 0.96], 'PRYSE-PHILLIPS-1984', 'low'),
  twoPointAbove6: test(
    'Two-point above 6 mm',
    'carpal tunnel',
    [0.24, 0.95],
    'MACDERMID-WESSEL-2004',
    'high',
  ),
  filament: test('Filament', 'carpal tunnel', [0.72, 0.62], 'MACDERMID-WESSEL-2004', 'medium'),
  scratchAtWrist: test(
    'Collapse after a scratch at the wrist',
    'carpal tunnel',
    [0.24, 0.6],
    'SIMON-2017',
    'medium',
  ),
  tappingAtElbow: test('Tapping at the elbow', 'cubital tunnel', [0.7, 0.98], 'NOVAK-1994', 'high'),
  elbowFlexionHold: test('Elbow held flexed, 60 s', 'cubital tunnel', [0.75, 0.99], 'NOVAK-1994', 'high'),
  elbowFlexionPressure: test(
    'Elbow flexed with pressure, 60 s',
    'cubital tunnel',
    [0.98, 0.95],
    'NOVAK-1994',
    'high',
  ),
  scratchAtElbow: test(
    'Collapse after a scratch at the elbow',
    'cubital tunnel',
    [0.69, 0.99],
    'CHENG-2008',
    'low',
  ),
  thumbTuck: test(
    'Thumb tucked, wrist to the ulnar side',
    'first extensor compartment',
    [0.89, 0.14],
    'GOUBAU-2014',
    'medium',
  ),
  wristFlexedThumbAbducted: test(
    'Wrist flexed, thumb abducted',
    'first extensor compartment',
    [0.99, 0.29],
    'GOUBAU-2014',
    'medium',
  ),
  thumbBaseGrind: test(
    'Thumb base pressed and turned',
    'thumb-base arthritis',
    [0.3, 0.8],
    'CHOA-2014',
    'medium',
  ),
  thumbBaseTraction: test(
    'Thumb base pulled and shifted',
    'thumb-base arthritis',
    [0.67, 1],
    'CHOA-2014',
    'medium',
  ),
  thumbBaseAdduction: test(
    'Thumb base adducted',
    'thumb-base arthritis',
    [0.94, 0.93],
    'GELBERMAN-2015',
    'medium',
  ),
  thumbBaseExtension: test(
    'Thumb base extended',
    'thumb-base arthritis',
    [0.94, 0.95],
    'GELBERMAN-2015',
    'medium',
  ),
  scaphoidShift: test('Scaphoid shift', 'scapholunate ligament', [0.69, 0.66], 'LASTAYO-HOWELL-1995', 'high'),
  lunotriquetralBallottement: test(
    'Lunotriquetral ballottement',
    'lunotriquetral ligament',
    [0.64, 0.44],
    'LASTAYO-HOWELL-1995',
    'high',
  ),
  ulnarFovea: test('Ulnar fovea', 'foveal tear', [0.95, 0.87], 'TAY-2007', 'high'),
  snuffbox: test('Tender in the snuffbox', 'scaphoid fracture', [0.87, 0.03], 'PARVIZI-1998', 'medium'),
  neckCompression: test('Neck compressed to the side', 'cervical root', [0.5, 0.86], 'WAINNER-2003', 'high'),
  medianTension: test('Median nerve under tension', 'cervical root', [0.97, 0.22], 'WAINNER-2003', 'high'),
} as const satisfies Record<string, ProvocativeTest>
export type ProvocativeTestName = keyof typeof PROVOCATIVE_TESTS

/**
 * What a result changes, from the probability before. Two tests of the same nerve are not independent: their ratios are
 * never multiplied.
 *
 * @param prior - between 0 and 1
 */
export function provocativeTestResult(
  name: ProvocativeTestName,
  isPositive: boolean,
  prior: number,
): { readonly probability: number; readonly likelihood: Likelihood } {
  const [sensitivity, specificity] = PROVOCATIVE_TESTS[name].accuracy.value
  const likelihood = testLikelihood(sensitivity, specificity, prior)
  return { likelihood, probability: isPositive ? likelihood.afterPositive : likelihood.afterNegative }
}
