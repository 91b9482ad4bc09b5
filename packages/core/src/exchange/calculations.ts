import { BODY } from './bodyCalculations.js'
import type { Calculations } from './calculationInput.js'
import { MEASURES } from './measureCalculations.js'

/**
 * The computations by the ids of the specification. Names and signs of its checks are turned into ours there, and nowhere
 * else: radial +, extension + and the named motions of nerves there; ulnar +, flexion + in core.
 */
export const CALCULATIONS: Calculations = { ...MEASURES, ...BODY }
