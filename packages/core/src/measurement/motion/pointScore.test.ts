import { describe, expect, it } from 'vitest'
import { fingerPointScore, thumbPointScore } from './pointScore.js'

describe('the point score', () => {
  it.each([
    [2.5, 6],
    [2.6, 4],
    [4, 4],
    [4.1, 2],
    [6, 2],
    [6.1, 0],
  ])('%d cm from the crease gives %i points', (distanceCm, points) => {
    const readings = { distanceCm, totalFlexionDeg: null, extensionDeficitDeg: 0, totalActiveMotionDeg: 200 }
    expect(fingerPointScore(readings)!.parts[0]).toBe(points)
  })
  it.each([
    [200, 6],
    [199, 4],
    [180, 4],
    [179, 2],
    [150, 2],
    [149, 0],
  ])('%i° of total flexion gives %i points', (totalFlexionDeg, points) => {
    const readings = { distanceCm: null, totalFlexionDeg, extensionDeficitDeg: 0, totalActiveMotionDeg: 200 }
    expect(fingerPointScore(readings)!.parts[0]).toBe(points)
  })
  it.each([
    [30, 160, 3, 6],
    [31, 159, 2, 4],
    [50, 140, 2, 4],
    [51, 139, 1, 2],
    [70, 120, 1, 2],
    [71, 119, 0, 0],
  ])('a deficit of %i° and a total of %i° give %i and %i points', (deficit, total, second, third) => {
    const readings = {
      distanceCm: 1,
      totalFlexionDeg: null,
      extensionDeficitDeg: deficit,
      totalActiveMotionDeg: total,
    }
    expect(fingerPointScore(readings)!.parts.slice(1)).toEqual([second, third])
  })
  it('takes the lower of distance and flexion, and is unknown with neither', () => {
    const readings = { extensionDeficitDeg: 0, totalActiveMotionDeg: 200 }
    expect(fingerPointScore({ ...readings, distanceCm: 1, totalFlexionDeg: 160 })!.parts[0]).toBe(2)
    expect(fingerPointScore({ ...readings, distanceCm: null, totalFlexionDeg: null })).toBeNull()
    expect(
      fingerPointScore({
        distanceCm: 1,
        totalFlexionDeg: 200,
        extensionDeficitDeg: 0,
        totalActiveMotionDeg: null,
      }),
    ).toBeNull()
  })
  it.each([
    [50, 10, 40, [6, 3, 6], 'excellent'],
    [49, 11, 39, [4, 2, 4], 'satisfactory'],
    [30, 20, 30, [4, 2, 4], 'satisfactory'],
    [29, 21, 29, [2, 1, 2], 'poor'],
    [10, 30, 20, [2, 1, 2], 'poor'],
    [9, 31, 19, [0, 0, 0], 'poor'],
    [50, 20, 30, [6, 2, 4], 'good'],
  ])('a thumb of %i°, lacking %i°, total %i° is %j: %s', (ip, deficit, total, parts, grade) => {
    const score = thumbPointScore({
      ipFlexionDeg: ip,
      extensionDeficitDeg: deficit,
      totalActiveMotionDeg: total,
    })
    expect(score).toMatchObject({ parts, grade })
  })
})
