import { describe, expect, it } from 'vitest'
import { tendonTravelMm } from './exerciseTravel.js'
import { tendonExcursionMm } from '../tissue/tendonExcursion.js'

describe('what an exercise does to tendons', () => {
  it.each([
    ['wristFlexion', 'wrist', 'FDP'],
    ['mcpFlexion', 'mcp', 'FDS'],
    ['pipFlexion', 'pip', 'EDC'],
    ['dipFlexion', 'dip', 'FDP'],
    ['wristFlexion', 'wrist', 'FPL'],
    ['thumbMcpFlexion', 'mcp', 'EPL'],
    ['thumbIpFlexion', 'ip', 'EPL'],
  ] as const)('%s moves a tendon by its %s: %s', (angle, joint, tendon) => {
    const travel = tendonTravelMm({ start: { [angle]: 10 }, shapes: [{ [angle]: 40 }] })[tendon]
    expect(travel).toBeCloseTo(tendonExcursionMm(tendon, { [joint]: 30 }), 9)
  })
})
