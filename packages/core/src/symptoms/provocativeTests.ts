import { testLikelihood, type Likelihood } from './likelihood.js'

interface ProvocativeTest {
  readonly name: string
  readonly asksAbout: string
  /** 0–1; where sources differ, the pooled or the lower one. */
  readonly sensitivity: number
  readonly specificity: number
  readonly source: string
  readonly confidence: 'high' | 'medium'
}
const test = (
  name: string,
  asksAbout: string,
  sensitivity: number,
  specificity: number,
  source: string,
  confidence: ProvocativeTest['confidence'],
): ProvocativeTest => ({ name, asksAbout, sensitivity, specificity, source, confidence })

/**
 * Provocative tests with published accuracy, from memory. Pledge records tests; it does not diagnose. Sources:
 * MACDERMID-WESSEL-2004, NOVAK-1994, GOUBAU-2014, GELBERMAN-2015, LASTAYO-HOWELL-1995, TAY-2007, WAINNER-2003.
 */
export const PROVOCATIVE_TESTS = {
  wristFlexionHold: test('Wrist held flexed', 'carpal tunnel', 0.68, 0.73, 'MACDERMID-WESSEL-2004', 'high'),
  tappingAtWrist: test('Tapping at the wrist', 'carpal tunnel', 0.5, 0.77, 'MACDERMID-WESSEL-2004', 'high'),
  carpalCompression: test('Carpal compression', 'carpal tunnel', 0.64, 0.83, 'MACDERMID-WESSEL-2004', 'high'),
  twoPointAbove6: test('Two-point above 6 mm', 'carpal tunnel', 0.24, 0.95, 'MACDERMID-WESSEL-2004', 'high'),
  tappingAtElbow: test('Tapping at the elbow', 'cubital tunnel', 0.7, 0.98, 'NOVAK-1994', 'high'),
  elbowFlexionHold: test('Elbow held flexed, 60 s', 'cubital tunnel', 0.75, 0.99, 'NOVAK-1994', 'high'),
  elbowFlexionPressure: test(
    'Elbow flexed with pressure, 60 s',
    'cubital tunnel',
    0.98,
    0.95,
    'NOVAK-1994',
    'high',
  ),
  thumbTuck: test(
    'Thumb tucked, wrist to the ulnar side',
    'first extensor compartment',
    0.89,
    0.14,
    'GOUBAU-2014',
    'medium',
  ),
  wristFlexedThumbAbducted: test(
    'Wrist flexed, thumb abducted',
    'first extensor compartment',
    0.99,
    0.29,
    'GOUBAU-2014',
    'medium',
  ),
  thumbBaseAdduction: test(
    'Thumb base adducted',
    'thumb-base arthritis',
    0.94,
    0.93,
    'GELBERMAN-2015',
    'medium',
  ),
  thumbBaseExtension: test(
    'Thumb base extended',
    'thumb-base arthritis',
    0.94,
    0.95,
    'GELBERMAN-2015',
    'medium',
  ),
  scaphoidShift: test('Scaphoid shift', 'scapholunate ligament', 0.69, 0.66, 'LASTAYO-HOWELL-1995', 'high'),
  lunotriquetralBallottement: test(
    'Lunotriquetral ballottement',
    'lunotriquetral ligament',
    0.64,
    0.44,
    'LASTAYO-HOWELL-1995',
    'high',
  ),
  ulnarFovea: test('Ulnar fovea', 'foveal tear', 0.95, 0.87, 'TAY-2007', 'high'),
  neckCompression: test('Neck compressed to the side', 'cervical root', 0.5, 0.86, 'WAINNER-2003', 'high'),
  medianTension: test('Median nerve under tension', 'cervical root', 0.97, 0.22, 'WAINNER-2003', 'high'),
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
  const { sensitivity, specificity } = PROVOCATIVE_TESTS[name]
  const likelihood = testLikelihood(sensitivity, specificity, prior)
  return { likelihood, probability: isPositive ? likelihood.afterPositive : likelihood.afterNegative }
}
