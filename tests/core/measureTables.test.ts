import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'
import {
  BAND_STEPS,
  calculated,
  FORCE_LADDER,
  FUNCTIONAL_ARCS,
  JOINT_READING_LIMITS,
  MOMENT_ARMS,
  NERVE_BEDS,
  MEASURED_MOTION,
  NORMAL_TABLES,
  NORMS_1985,
  NORMS_2011,
  SEGMENT_SHARES,
  SOURCES_OF_DOCSTRINGS,
  TRAJECTORIES,
} from '@pledge/core'
import { NAMED_NERVE_MOTIONS } from '../../packages/core/src/exchange/bodyCalculations.js'
import { catalogue } from './shippedCatalogue.js'

const data = <T>(name: string): T =>
  JSON.parse(readFileSync(fileURLToPath(new URL(`checks/data/${name}.json`, import.meta.url)), 'utf8')) as T

// Source: the tables published with the specification as data files; core's own were written apart from them.
describe('a table of core is the published one', () => {
  it('expected bands', () => {
    const published =
      data<Record<string, { unit: string; anchors: Record<string, number[]> }>>('trajectories')
    const { note: _note, ...series } = published
    expect(Object.keys(TRAJECTORIES).sort()).toEqual(Object.keys(series).sort())
    for (const [name, { unit, anchors }] of Object.entries(series)) {
      expect(TRAJECTORIES[name]!.unit).toBe(unit)
      expect(TRAJECTORIES[name]!.value).toEqual(
        Object.entries(anchors).map(([week, band]) => [Number(week), ...band]),
      )
    }
  })

  it.each(['median', 'ulnar', 'radial'] as const)('bed of the %s nerve', (nerve) => {
    type Published = {
      L: number
      joints: Record<string, { s: number; k: number }>
      sites: Record<string, number>
    }
    const published = data<Record<string, Published>>('nerve')[nerve]!
    const bed = NERVE_BEDS[nerve]
    expect(bed.lengthMm).toBe(published.L)
    expect(bed.sites).toEqual(published.sites)
    const crossings = Object.fromEntries(
      Object.entries(published.joints).map(([name, { s, k }]) => {
        const [motion, sign] = NAMED_NERVE_MOTIONS[name]!
        return [motion, [s, sign * k]]
      }),
    )
    const ours = Object.entries(bed.crossings).map(([motion, { atMm, perUnit }]) => [
      motion,
      [atMm, perUnit.value],
    ])
    expect(Object.fromEntries(ours)).toEqual(crossings)
  })

  it('moment arms', () => {
    const joints: Record<string, string> = {
      MP: 'mcp',
      PIP: 'pip',
      DIP: 'dip',
      CMC: 'cmc',
      IP: 'ip',
      wrist: 'wrist',
    }
    const { momentArms } = data<{ momentArms: Record<string, Record<string, number>> }>('tendon')
    const ours = Object.fromEntries(
      Object.entries(MOMENT_ARMS).map(([tendon, arms]) => [
        tendon,
        Object.fromEntries(Object.entries(arms).map(([joint, arm]) => [joint, arm.value])),
      ]),
    )
    const published = Object.fromEntries(
      Object.entries(momentArms).map(([tendon, arms]) => [
        tendon,
        Object.fromEntries(Object.entries(arms).map(([joint, arm]) => [joints[joint]!, arm])),
      ]),
    )
    expect(ours).toEqual(published)
  })

  it('segment lengths', () => {
    const published = data<{ buchholz1992: Record<string, Record<string, number>> }>(
      'hand-chain',
    ).buchholz1992
    for (const [digit, { value }] of Object.entries(SEGMENT_SHARES))
      expect(value).toEqual(['MC', 'PP', 'MP', 'DP'].map((bone) => published[digit]![bone] ?? null))
  })

  it('bands by step', () => {
    const published = data<Record<string, number[]>>('bands')
    const colors = ['yellow', 'red', 'green', 'blue', 'black', 'silver', 'gold']
    expect(BAND_STEPS.value).toEqual(colors.map((color) => published[color]))
  })

  it('norms of grip and pinch', () => {
    type Row = { age: string; right: { mean: number; sd: number }; left: { mean: number; sd: number } }
    const { tables } = data<{ tables: Record<string, Record<string, Row[]>> }>('grip-pinch-norms-1985')
    const band = ({ age, right, left }: Row) => ({
      fromAge: Number.parseInt(age, 10),
      toAge: age.endsWith('+') ? null : Number(age.split('-')[1]),
      right: [right.mean, right.sd],
      left: [left.mean, left.sd],
    })
    const { palmar, palmarFrom55, ...whole } = NORMS_1985
    for (const sex of ['male', 'female'] as const) {
      const published = (test: string) => tables[test]![sex]!.filter(({ age }) => age !== 'all').map(band)
      for (const [test, norms] of Object.entries(whole)) expect(norms.value[sex]).toEqual(published(test))
      expect([...palmar.value[sex], ...palmarFrom55.value[sex]]).toEqual(published('palmar'))
    }
    expect([whole.grip, palmar, palmarFrom55].map(({ confidence }) => confidence)).toEqual([
      'medium',
      'medium',
      'low',
    ])
  })

  it('norms of grip of 2011', () => {
    type Row = [age: string, number, number, number, number]
    const published = data<Record<'male' | 'female', Row[]>>('grip-norms-2011')
    for (const sex of ['male', 'female'] as const)
      expect(
        NORMS_2011.value[sex].map(({ fromAge, toAge, right, left }) => [
          toAge === null ? `${fromAge}+` : `${fromAge}-${toAge}`,
          ...right,
          ...left,
        ]),
      ).toEqual(published[sex])
  })

  // Copied by hand from the text of the specification.
  it('functional arcs, normal ranges, limits and the ladder of force', () => {
    expect(Object.values(FUNCTIONAL_ARCS).map(({ value }) => value)).toEqual([
      [-30, 5],
      [-35, 10],
      [-40, 40],
      [30, 130],
      [-50, 50],
      [33, 73],
      [36, 86],
      [20, 61],
      [10, 32],
      [2, 43],
    ])
    const table = (name: keyof typeof NORMAL_TABLES) => Object.values(NORMAL_TABLES[name].value)
    expect(table('ASHT')).toEqual([80, 70, 20, 30, 80, 80, 150, 90, 100, 70, 50, 80])
    expect(table('AAOS')).toEqual([80, 70, 20, 30, 80, 80, 150, 90, 100, 90, 50, 80])
    expect(table('AMA')).toEqual([60, 60, 20, 30, 80, 80, 140, 90, 100, 70, 60, 80])
    // Measured means lie within two SD of the default table but for the elbow.
    for (const [motion, [mean, sd]] of Object.entries(MEASURED_MOTION.value))
      expect(
        Math.abs(mean - NORMAL_TABLES.ASHT.value[motion as keyof typeof MEASURED_MOTION.value]),
      ).toBeLessThan(2 * sd)
    expect(Object.values(JOINT_READING_LIMITS).map(({ hard, soft }) => [...hard, ...soft])).toEqual([
      [-60, 120, -45, 100],
      [-40, 130, -20, 115],
      [-40, 110, -20, 90],
      [-60, 90, -30, 75],
      [-50, 110, -30, 90],
      [-25, 165, -15, 150],
    ])
    expect(FORCE_LADDER.map(({ newtons }) => newtons.value)).toEqual([
      [1, 4, 9],
      [1, 3, 10],
      [2, 6, 34],
      [3, 9, 35],
      [8, 24, 50],
      [15, 30, 50],
      [20, 45, 70],
      [30, 60, 120],
    ])
  })
})

// Source: valid ranges by id in the specification: the last value that is taken, and the first that is not.
it.each<[string, (value: number) => object, number, number]>([
  ['M-03', (tam) => ({ tam, other: 260 }), 330, 330.1],
  ['M-03', (tam) => ({ tam, other: 260 }), -30, -30.1],
  ['M-05f', (distanceCm) => ({ distanceCm, extensionDeficit: 0, tam: 100 }), 15, 15.1],
  ['M-05f', (tam) => ({ distanceCm: 1, extensionDeficit: 0, tam }), -30, -30.1],
  ['M-05t', (ipFlexion) => ({ ipFlexion, extensionDeficit: 0, tam: 50 }), 110, 110.1],
  ['M-06-miller', (lag) => ({ lag, flexionLoss: 0 }), 120, 120.1],
  ['M-06-kleinert', (distanceCm) => ({ distanceCm, extensionDeficit: 0 }), 15, 15.1],
  ['M-08', (now) => ({ previous: 40, now }), 240, 240.1],
  ['M-09', (distanceMm) => ({ distanceMm }), 150, 150.1],
  ['M-09', (distanceMm) => ({ distanceMm }), 0, -0.1],
  ['M-10', (score) => ({ score }), 10, 11],
  ['M-10', (score) => ({ score }), 0, -1],
  ['M-11', (imd) => ({ imd, a: 100, b: 100 }), 120, 120.1],
  ['M-11', (a) => ({ imd: 60, a, b: 60 }), 110, 110.1],
  ['M-11', (a) => ({ imd: 50, a, b: 45 }), 20, 19.9],
  ['M-12', (gf) => ({ gf: [gf, 900], armMm: 40, angles: [1, 2] }), 50, 49.9],
  ['M-12', (gf) => ({ gf: [300, gf], armMm: 40, angles: [1, 2] }), 2000, 2000.1],
  ['M-12', (armMm) => ({ gf: [300, 900], armMm, angles: [1, 2] }), 10, 9.9],
  ['M-13', (pipFlexMpFlexed) => ({ pipFlexMpFlexed, pipFlexMpExtended: 0 }), 130, 130.1],
  ['M-14', (trial) => ({ trials: [trial], unit: 'kgf' }), 120, 120.1],
  ['M-14', (trial) => ({ trials: [trial], unit: 'kgf' }), 0, -0.1],
  ['M-17', (injured) => ({ injured, other: 40, injuredDominant: true, handedness: 'left' }), 120, 120.1],
  ['M-18', (now) => ({ before: 5, now }), 10, 11],
  ['M-20', (rating) => ({ rating }), -7, -7.1],
  ['M-21', (cm) => ({ circumferencesCm: [cm, 20], stepCm: 4 }), 60, 60.1],
  ['M-21', (cm) => ({ circumferencesCm: [cm, 20], stepCm: 4 }), 3, 2.9],
  ['M-21', (stepCm) => ({ circumferencesCm: [20, 20], stepCm }), 10, 10.1],
  ['M-21', (stepCm) => ({ circumferencesCm: [20, 20], stepCm }), 1, 0.9],
  ['M-24', (mm) => ({ mm }), 25, 26],
  ['M-24', (mm) => ({ mm }), 2, 1],
  ['M-25', (days) => ({ days }), 1500, 1500.1],
  ['M-25', (rate) => ({ days: 90, rate }), 3, 3.1],
  ['M-25', (rate) => ({ days: 90, rate }), 0.5, 0.4],
  ['M-25', (latency) => ({ days: 90, latency }), 60, 60.1],
  ['M-26', (se) => ({ se, sp: 0.5, prior: 0.5 }), 1, 1.1],
  ['M-26', (se) => ({ se, sp: 0.5, prior: 0.5 }), 0, -0.1],
  ['M-26', (sp) => ({ se: 0.5, sp, prior: 0.5 }), 1, 1.1],
  ['M-26', (prior) => ({ se: 0.5, sp: 0.5, prior }), 0.99, 1],
  ['M-31', (icc) => ({ sd: 5, icc }), 1, 1.01],
  ['M-31', (sd) => ({ sd, icc: 0.5 }), 0, -0.1],
  ['M-41', (alpha) => ({ fe: 1, rud: 1, alpha }), 90, 90.1],
  ['B-01', (handLength) => ({ digit: 'index', handLength }), 240, 240.1],
  ['B-01', (handLength) => ({ digit: 'index', handLength }), 120, 119.9],
  ['B-02', (pulp) => ({ lengths: [50, 30, 20], angles: [0, 0, 0], pulp }), 20, 20.1],
  ['B-22', (tau) => ({ t: 5, tau, a: 0.5 }), 0.001, 0],
  ['M-17', (injured) => ({ injured, other: 40, injuredDominant: true, handedness: 'left' }), 0, -0.1],
  ['M-17', (other) => ({ injured: 10, other, injuredDominant: true, handedness: 'left' }), 0, -0.1],
  ['B-04', (pip) => ({ pip }), 110, 110.1],
  ['B-05', (r) => ({ r, deg: 5 }), 110, 110.1],
  ['B-05', (r) => ({ r, deg: 5 }), 30, 29.9],
  ['B-05', (deg) => ({ r: 80, deg }), 45, 45.1],
  ['B-06', (MP) => ({ tendon: 'FDP', delta: { MP } }), 150, 150.1],
  ['B-07', (arm) => ({ glide: 5, arm }), 0.1, 0.09],
  ['B-09', (wristExtension) => ({ wristExtension }), 70, 70.1],
  ['B-09', (wristExtension) => ({ wristExtension }), -70, -70.1],
  ['B-10', (pip) => ({ pip, dip: 0, repaired: true }), 110, 110.1],
  ['B-12', (day) => ({ strands: 4, day }), 84, 84.1],
  ['B-12', (day) => ({ strands: 4, day }), 0, -0.1],
  ['B-12', (strands) => ({ strands, day: 5 }), 8, 10],
  ['B-12', (e) => ({ strands: 4, day: 5, e }), 0.5, 0.51],
  ['B-13', (level) => ({ strands: 4, day: 5, level }), 8, 9],
  ['B-13', (level) => ({ strands: 4, day: 5, level }), 1, 0],
  ['B-14', (force) => ({ force, phi: 0.3, d: 50, r: 10, m: 0 }), 500, 500.1],
  ['B-14', (phi) => ({ force: 30, phi, d: 50, r: 10, m: 0 }), 1, 1.1],
  ['B-14', (m) => ({ force: 30, phi: 0.3, d: 50, r: 10, m }), 0.9, 0.91],
  ['B-15', (pinchKgf) => ({ pinchKgf }), 25, 25.1],
  ['B-16', (day) => ({ day }), 3650, 3651],
  ['B-18', (site) => ({ nerve: 'median', moves: { elbowExtension: 90 }, site }), 750, 750.1],
  ['B-19', (elbowExtension) => ({ nerve: 'median', moves: { elbowExtension } }), 165, 165.1],
  ['B-20', (strain) => ({ strain }), 50, 50.1],
  ['B-21', (hoursPerDay) => ({ hoursPerDay, days: 6 }), 24, 24.1],
  ['B-21', (days) => ({ hoursPerDay: 6, days }), 90, 90.1],
  ['B-22', (a) => ({ t: 5, tau: 10, a }), 1, 1.1],
  ['B-23', (hold) => ({ hold, reps: 5, sets: 3, perDay: 3 }), 60, 60.1],
  ['B-23', (hold) => ({ hold, reps: 5, sets: 3, perDay: 3 }), 1, 0.9],
  ['B-23', (reps) => ({ hold: 5, reps, sets: 3, perDay: 3 }), 50, 51],
  ['B-23', (sets) => ({ hold: 5, reps: 5, sets, perDay: 3 }), 10, 11],
  ['B-23', (perDay) => ({ hold: 5, reps: 5, sets: 3, perDay }), 12, 13],
  ['B-25', (reps) => ({ kg: 5, reps }), 15, 16],
  ['B-26', (length) => ({ colour: 'red', rest: 40, length }), 140, 140.1],
  ['B-26', (length) => ({ colour: 'red', rest: 40, length }), 40, 39.9],
  ['B-27', (mm) => ({ kg: 1, mm }), 500, 500.1],
  ['B-27', (deg) => ({ kg: 1, mm: 80, deg }), 90, 90.1],
  ['B-28', (peak) => ({ before: 2, peak, after: 2 }), 10, 10.1],
])('%s takes its last value and refuses the next: %s', (calc, input, last, beyond) => {
  const [taken, refused] = calculated([
    { id: 'taken', calc, input: input(last) },
    { id: 'refused', calc, input: input(beyond) },
  ])
  expect(taken).not.toHaveProperty('error')
  expect(refused).toHaveProperty('error.code', expect.stringMatching(/^MEASUREMENT/))
})

it('the list of sources that docstrings name is the one they name', () => {
  const root = fileURLToPath(new URL('../../packages/core/src', import.meta.url))
  const named = new Set<string>()
  for (const file of readdirSync(root, { recursive: true, encoding: 'utf8' }).filter(
    (name) => name.endsWith('.ts') && !name.endsWith('.test.ts'),
  ))
    for (const [comment] of readFileSync(join(root, file), 'utf8').matchAll(/\/\*\*[\s\S]*?\*\//g))
      for (const [key] of comment.matchAll(/\b[A-Z][A-Z0-9]*(?:-[A-Z0-9]+)*-(?:\d{4}|[A-Z]+)\b/g))
        if (catalogue.sources.has(key)) named.add(key)
  expect([...named].sort()).toEqual([...SOURCES_OF_DOCSTRINGS].sort())
})
