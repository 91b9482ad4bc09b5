import { within } from '../../anatomy/checked.js'
import { extensionDeficitDeg, hyperextensionDeg } from '../../anatomy/jointReading.js'
import { CoreError } from '../../errors.js'

/**
 * How a clinic writes the extended end of a joint. ASHT and AMA: a deficit is negative, hyperextension positive, the
 * mirror image of what Pledge stores. `pledge`: as stored. Source: ASHT-1992 (medium).
 */
export const EXTENSION_CONVENTIONS = ['ASHT', 'AMA', 'pledge'] as const
export type ExtensionConvention = (typeof EXTENSION_CONVENTIONS)[number]

export interface ReadExtension {
  readonly extendedEndDeg: number
  readonly deficitDeg: number
  readonly hyperextensionDeg: number
}

/**
 * The extended end of a joint from what was typed, with the words to show beside it.
 *
 * @param typedDeg - −60 to 130 degrees in the convention
 * @throws CoreError `MEASUREMENT_OUT_OF_RANGE`; `DOCUMENT_INVALID` for a convention nobody knows
 * @example
 * extensionFrom(-15, 'ASHT') // => { extendedEndDeg: 15, deficitDeg: 15, hyperextensionDeg: 0 }
 */
export function extensionFrom(typedDeg: number, convention: ExtensionConvention): ReadExtension {
  if (!EXTENSION_CONVENTIONS.includes(convention))
    throw new CoreError(
      'DOCUMENT_INVALID',
      'convention',
      `Expected one of ${EXTENSION_CONVENTIONS.join(', ')}: without it a deficit reads as hyperextension.`,
    )
  within(typedDeg, 'typed', [-130, 130], 'degrees')
  // `0 - 0` rather than `-0`: a joint at neutral is not "minus nothing".
  const extendedEndDeg = convention === 'pledge' ? typedDeg : 0 - typedDeg
  return {
    extendedEndDeg,
    deficitDeg: extensionDeficitDeg({ extendedEndDeg }),
    hyperextensionDeg: hyperextensionDeg({ extendedEndDeg }),
  }
}

/** What the convention shows for a stored end: the inverse of `extensionFrom`. */
export function extensionShown(extendedEndDeg: number, convention: ExtensionConvention): number {
  return convention === 'pledge' ? extendedEndDeg : 0 - extendedEndDeg
}

/** Neutral-zero notation: hyperextension–0–flexion, or 0–deficit–flexion. */
export function neutralZero(reading: { flexedEndDeg: number; extendedEndDeg: number }): string {
  const { flexedEndDeg, extendedEndDeg } = reading
  return extendedEndDeg > 0
    ? `0-${extendedEndDeg}-${flexedEndDeg}`
    : `${hyperextensionDeg(reading)}-0-${flexedEndDeg}`
}
