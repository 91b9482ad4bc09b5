import { describe, expect, it } from 'vitest'
import { CARPAL_TUNNEL_POINTS, carpalTunnelScore, type CarpalTunnelFinding } from './carpalTunnelScore.js'

const found = (...names: CarpalTunnelFinding[]) =>
  Object.fromEntries(
    Object.keys(CARPAL_TUNNEL_POINTS.value).map((name) => [
      name,
      names.includes(name as CarpalTunnelFinding),
    ]),
  ) as Record<CarpalTunnelFinding, boolean>

describe('the six findings of a carpal tunnel', () => {
  // Source: GRAHAM-2006, from memory: all six are 26 points.
  it.each<[CarpalTunnelFinding[], number, number | null]>([
    [[], 0, null],
    [['wristFlexionHold'], 5, null],
    [['numbMedianArea', 'numbAtNight'], 7.5, 0.25],
    [['numbMedianArea', 'numbAtNight', 'twoPointLost'], 12, 0.8],
    [['numbMedianArea', 'numbAtNight', 'tappingAtWrist'], 11.5, 0.25],
    [Object.keys(CARPAL_TUNNEL_POINTS.value) as CarpalTunnelFinding[], 26, 0.8],
  ])('%j are %d points, probability %s', (names, points, probability) =>
    expect(carpalTunnelScore(found(...names))).toEqual({ points, probability }),
  )
  it('are unknown while one was not looked for', () =>
    expect(carpalTunnelScore({ ...found('numbAtNight'), twoPointLost: null })).toBeNull())
})
