import { describe, expect, it } from 'vitest'
import { digitFindings, type Bench } from './digitFindings.js'
import { numberFindings } from './numberFindings.js'
import { placeOfKey } from './reading.js'
import { finger, readings, visit } from '../../../../../tests/builders/readings.js'
import { bookOf, lastAt, type Visit } from './visits.js'

const ringFinger = (way: string, mcp: string, pip: string, dip: string) =>
  finger('ring', way, [mcp, pip, dip])
const bench = (...visits: Visit[]): Bench => ({ side: 'left', by: 'noor', visits })
const ring = (typed: Record<string, string>, ...visits: Visit[]) =>
  digitFindings('ring', bookOf(readings(typed)), bench(...visits))

describe('the readings of a finger', () => {
  // Source: measures M-02 and M-03, worked example: 210°, other side 265°, 79.2 %, good.
  it('sum to total active motion, compared with the other side by name', () => {
    const found = ring({
      ...ringFinger('left.active', '0/85', '15/95', '5/50'),
      ...ringFinger('right.active', '0/90', '0/100', '0/75'),
    })
    expect(found.tam.totalDeg).toBe(210)
    expect(found.otherTamDeg).toBe(265)
    expect(found.grade).toMatchObject({ grade: 'good', isOfOther: true })
    expect(found.grade!.percent).toBeCloseTo(79.2, 1)
    // Source: M-04, worked example: 71.43 %, good by both.
    expect(found.twoJoints).toMatchObject({ arcDeg: 125, original: 'good', adjusted: 'good' })
  })

  it('are compared with the normal sum where the other side was never measured, and say so', () => {
    expect(ring(ringFinger('left.active', '0/85', '15/95', '5/50')).grade).toMatchObject({ isOfOther: false })
  })

  it('take the other side from the visit that measured it', () => {
    const first = visit('2031-03-01', ringFinger('right.active', '0/90', '0/100', '0/75'))
    expect(ring(ringFinger('left.active', '0/85', '15/95', '5/50'), first).otherTamDeg).toBe(265)
  })

  // Source: M-07, worked example: passive 0–100, active 25–80: flexion lag 20, extension lag 25, no contracture.
  it('tell lag from contracture joint by joint', () => {
    const [pip] = ring({ 'pip.ring.left.active': '25/80', 'pip.ring.left.passive': '0/100' }).joints
    expect(pip).toMatchObject({
      flexionLagDeg: 20,
      extensionLagDeg: 25,
      flexionContractureDeg: 0,
      deficit: 'lag',
    })
  })
  it.each([
    ['20/80', '20/85', 'contracture'],
    ['35/80', '20/85', 'lag and contracture'],
    ['7/80', '0/85', 'watch'],
    ['4/80', '0/85', 'none'],
    ['10/80', '0/85', 'lag'],
    ['0/80', '-10/85', 'none'],
  ])('active %s against passive %s: %s', (active, passive, deficit) => {
    const [pip] = ring({ 'pip.ring.left.active': active, 'pip.ring.left.passive': passive }).joints
    expect(pip!.deficit).toBe(deficit)
  })

  it('with one joint missing, or one end of it, have no sum', () => {
    expect(ring({ 'mcp.ring.left.active': '0/85', 'pip.ring.left.active': '15/95' }).tam).toEqual({
      totalDeg: null,
      missing: ['dip'],
    })
    expect(ring(ringFinger('left.active', '0/85', '15/95', '5/')).tam.missing).toEqual(['dip'])
  })

  it('count a fused joint at its angle, once typed for active and passive and for later visits', () => {
    const first = visit('2031-03-01', { 'dip.ring.left.active': 'f30' })
    const found = ring({ 'mcp.ring.left.active': '0/85', 'pip.ring.left.active': '0/95' }, first)
    expect(found.tam.totalDeg).toBe(180)
    expect(ring({ ...ringFinger('left.passive', '0/90', '0/100', 'f20') }).tpm.totalDeg).toBe(190)
  })

  it('never take a reading of another day for one of today', () => {
    const first = visit('2031-03-01', ringFinger('left.active', '0/85', '15/95', '5/50'))
    expect(ring({}, first).tam.totalDeg).toBeNull()
  })

  it('tell a change since last time and since the start, with the larger error of another therapist', () => {
    const start = visit('2031-03-01', ringFinger('left.active', '0/60', '20/60', '0/20'), 'ines')
    const last = visit('2031-03-15', ringFinger('left.active', '0/80', '15/90', '5/45'))
    const found = ring(ringFinger('left.active', '0/85', '15/95', '5/50'), start, last)
    expect(found.sinceLast).toMatchObject({ by: 15, since: '2031-03-15', word: 'real', isBetter: true })
    expect(found.sinceLast!.error).toBeCloseTo(12)
    expect(found.sinceStart).toMatchObject({ by: 90, since: '2031-03-01', word: 'real' })
    expect(found.sinceStart!.error).toBeCloseTo(20)
    expect(ring(ringFinger('left.active', '0/85', '15/95', '5/50'), last).sinceStart).toBeNull()
  })

  // Source: M-08, worked example: 40 to 34 is 15 %, responsive, and 6° is less than the error of a sum.
  it('tell how adhesion answers, with the error', () => {
    const both = (pip: string, dip: string) => ({
      'pip.ring.left.active': pip,
      'dip.ring.left.active': dip,
      'pip.ring.left.passive': '0/100',
      'dip.ring.left.passive': '0/70',
    })
    const found = ring(both('0/80', '0/56'), visit('2031-03-01', both('0/78', '0/52')))
    expect(found.flexionLagDeg).toBe(34)
    expect(found.adhesion).toMatchObject({ class: 'responsive', isWithinError: true })
    expect(found.adhesion!.resolvedPercent).toBeCloseTo(15)
    expect(ring(both('0/80', '0/56')).adhesion).toBeNull()
  })

  it('name the joint whose ten degrees bring the tip closest', () => {
    expect(ring(ringFinger('left.active', '0/80', '0/60', '0/40')).closest[0]!.joint).toBe('pip')
    expect(ring({ 'mcp.ring.left.active': '0/80' }).closest).toEqual([])
  })
})

describe('a reading of one number', () => {
  const of = (key: string, typed: Record<string, string>, ...visits: Visit[]) =>
    numberFindings(placeOfKey(key), bookOf(readings(typed)), bench(...visits))
  it('stands in its own direction beside the other side', () => {
    const typed = { 'wristExtension..left.active': '30', 'wristExtension..right.active': '60' }
    expect(of('wristExtension..left.active', typed)).toMatchObject({
      value: 30,
      other: 60,
      percentOfOther: 50,
      shortOfOther: 30,
    })
  })
  it('tells a gain from the error, and whether less is better', () => {
    const first = visit('2031-03-01', {
      'wristExtension..left.active': '30',
      'fingertipToCrease.ring.left.': '40',
    })
    expect(
      of('wristExtension..left.active', { 'wristExtension..left.active': '36' }, first).sinceLast,
    ).toMatchObject({
      by: 6,
      word: 'probably real',
    })
    expect(
      of('wristExtension..left.active', { 'wristExtension..left.active': '37' }, first).sinceLast!.word,
    ).toBe('real')
    expect(
      of('fingertipToCrease.ring.left.', { 'fingertipToCrease.ring.left.': '30' }, first).sinceLast,
    ).toMatchObject({
      by: -10,
      word: 'real',
      isBetter: true,
    })
  })
  it('of trials is their mean', () => {
    expect(of('grip..left.', { 'grip..left.': '31 29.5 30.5' }).value).toBeCloseTo(30.33, 2)
  })
  it('of which no error is known has no word', () => {
    const first = visit('2031-03-01', { 'webSpan.thumb.left.': '50' })
    expect(of('webSpan.thumb.left.', { 'webSpan.thumb.left.': '55' }, first).sinceLast).toMatchObject({
      by: 5,
      word: null,
    })
  })
  it('is found at the last visit that has it', () => {
    const visits = [
      visit('2031-03-01', { 'grip..left.': '20' }),
      visit('2031-03-08', { 'grip..right.': '40' }),
    ]
    expect(lastAt(visits, placeOfKey('grip..left.'))).toMatchObject({ on: '2031-03-01', result: [20] })
  })
})
