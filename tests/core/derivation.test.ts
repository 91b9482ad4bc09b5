import { describe, expect, it } from 'vitest'
import { minutesOfBout, resistanceOf, signatureOf, type Dose } from '@pledge/core'
import { catalogue } from './shippedCatalogue.js'

const exercise = (id: string) => catalogue.exercises.get(id)!

// What the rules see of each exercise at its default dose, without an orthosis: to be read by a therapist beside the
// exercise's steps. Modes: P passive, S stretch, AA assisted, A active, I isometric, R resisted.
const GOLDEN: Record<string, string> = {
  'dart-throw-small': 'A wrist.dtm',
  'dough-squeeze': 'R mcp.flex pip.flex dip.flex R1 | combo fist R | grip cyl R1',
  'edema-elevate': '',
  'elbow-bend-straight-active': 'A elbow.flex elbow.ext',
  'fist-gentle':
    'A mcp.flex pip.flex dip.flex thumbMcp.flex thumbIp.flex mcp.ext pip.ext dip.ext thumbMcp.ext thumbIp.ext | combo fist A',
  'forearm-turn-active': 'A forearm.sup forearm.pron',
  'glide-five-positions':
    'A mcp.flex pip.flex dip.flex mcp.ext pip.ext dip.ext | combo tabletop A | combo hook A | combo straight_fist A | combo fist A',
  'glide-hook': 'A pip.flex dip.flex pip.ext dip.ext | combo hook A',
  'iso-wrist-back': 'I wrist.ext R2',
  'light-daily-use': '0.5 kg | act adl_light',
  'palm-up-helped': 'AA forearm.sup forearm.pron | S forearm.sup',
  'prayer-stretch': 'S wrist.ext | combo cx_ext_wf S',
  'putty-squeeze': 'R mcp.flex pip.flex dip.flex R2 | combo fist R | grip cyl R2',
  'scar-circles': '',
  'shoulder-raise-active': 'A shoulder.flex shoulder.ext',
  'table-lean-shift': 'R shoulder.flex wrist.ext R4 | combo cx_ext_wf R | act wb',
  'tabletop-bend': 'A mcp.flex mcp.ext | combo tabletop A',
  'thumb-reach-across':
    'A thumbMcp.flex thumbIp.flex thumbCmc.opp thumbCmc.ext thumbMcp.ext thumbIp.ext thumbCmc.flex',
  'weight-wrist-back': 'R wrist.ext R1 | grip cyl R1 | 0.25 kg',
  'wrist-back-loose-fist': 'A wrist.flex wrist.ext | combo fist A',
  'wrist-back-overpress': 'AA wrist.flex wrist.ext | S wrist.ext',
  'wrist-bend-overpress': 'AA wrist.flex wrist.ext | S wrist.flex | combo phalen_hold S',
  'wrist-helped-up-down': 'P wrist.flex wrist.ext',
  'wrist-sideways-table': 'A wrist.uln wrist.rad',
  'wrist-updown-active': 'A wrist.flex wrist.ext',
  'wrist-updown-side': 'A wrist.flex wrist.ext',
}

function asText(id: string): string {
  const entry = exercise(id)
  const signature = signatureOf(entry, entry.dose, 'none')
  const res = (value: number | null) => (value === null ? '' : ` R${value}`)
  return [
    ...signature.motions.map((part) => `${part.modes.join('+')} ${part.motions.join(' ')}${res(part.res)}`),
    ...signature.combos.map((one) => `combo ${one.combo} ${one.mode}`),
    ...signature.grips.map((one) => `grip ${one.grip}${res(one.res)}`),
    ...(signature.kg === null ? [] : [`${signature.kg} kg`]),
    ...signature.acts.map((act) => `act ${act}`),
  ].join(' | ')
}

describe('the signature derived from angles and force', () => {
  it('covers every exercise of the catalogue', () => {
    expect(Object.keys(GOLDEN).sort()).toEqual([...catalogue.exercises.keys()].sort())
  })
  it.each(Object.entries(GOLDEN))('of %s', (id, expected) => {
    expect(asText(id)).toBe(expected)
  })

  it.each([
    ['a held assist becomes a stretch', 'palm-up-helped', { holdSeconds: 15 }, 'S'],
    ['a helped motion held long becomes a stretch', 'wrist-helped-up-down', { holdSeconds: 30 }, 'S'],
    ['a helped motion held short stays gentle', 'wrist-helped-up-down', { holdSeconds: 10 }, 'P'],
  ])('%s', (_case, id, change, mode) => {
    const entry = exercise(id)
    const modes = signatureOf(entry, { ...entry.dose, ...change }, 'none').motions.flatMap(
      (part) => part.modes,
    )
    expect(modes).toContain(mode)
  })

  it('states arcs from the angles given, and leaves unstated joints unknown', () => {
    const entry = exercise('wrist-updown-side')
    const signature = signatureOf(entry, entry.dose, 'none')
    expect(signature.motions[0]?.arc).toEqual({ wrist: [-50, 50] })
    expect(signature.posture).toEqual({ forearm: [0, 0] })
  })
})

// Source: derivation of exercises, load to resistance class.
describe('the resistance class of a load', () => {
  it.each([
    ['kg', 0, 0],
    ['kg', 0.25, 1],
    ['kg', 0.5, 1],
    ['kg', 0.51, 2],
    ['kg', 1, 2],
    ['kg', 2.5, 3],
    ['kg', 5, 4],
    ['kg', 5.5, 5],
    ['percentEffort', 25, 1],
    ['percentEffort', 30, 2],
    ['percentEffort', 50, 3],
    ['percentEffort', 70, 4],
    ['percentEffort', 90, 5],
    ['houseStep', 1, 1],
    ['houseStep', 2, 2],
    ['houseStep', 3, 3],
    ['houseStep', 4, 4],
    ['houseStep', 5, 4],
    ['houseStep', 6, 5],
  ] as const)('%s %d is R%i', (unit, amount, expected) => {
    expect(resistanceOf({ unit, steps: [amount] }, amount)).toBe(expected)
  })
  it('is R4 for body weight, unrestricted when unknown, and none without a load', () => {
    expect(resistanceOf({ unit: 'bodyWeight', steps: [1] }, 1)).toBe(4)
    expect(resistanceOf({ unit: 'kg', steps: [1] }, null)).toBe(5)
    expect(resistanceOf(null, null)).toBeNull()
  })
})

// Source: the minutes printed beside each entry of the exercise document (computed there, rounded up, doubled for
// exercises of both sides in turn). Entries of several
// shapes are read otherwise: docs/interpretations.
const PRINTED_MINUTES: readonly (readonly [string, number])[] = [
  ['edema-elevate', 21],
  ['scar-circles', 6],
  ['wrist-helped-up-down', 2],
  ['wrist-bend-overpress', 1],
  ['wrist-back-overpress', 1],
  ['palm-up-helped', 2],
  ['prayer-stretch', 2],
  ['wrist-updown-side', 2],
  ['wrist-updown-active', 2],
  ['wrist-back-loose-fist', 2],
  ['wrist-sideways-table', 2],
  ['dart-throw-small', 1],
  ['forearm-turn-active', 2],
  ['elbow-bend-straight-active', 2],
  ['shoulder-raise-active', 1],
  ['fist-gentle', 2],
  ['tabletop-bend', 2],
  ['thumb-reach-across', 2],
  ['glide-hook', 2],
  ['glide-five-positions', 3],
  ['iso-wrist-back', 3],
  ['weight-wrist-back', 1],
  ['dough-squeeze', 1],
  ['putty-squeeze', 2],
  ['table-lean-shift', 3],
  ['light-daily-use', 6],
]

describe('minutes of a bout at the default dose', () => {
  it.each(PRINTED_MINUTES.filter(([id]) => exercise(id).shapes.length === 1))(
    'of %s are those printed',
    (id, printed) => {
      const entry = exercise(id)
      const minutes = minutesOfBout(entry, entry.dose, entry.side === 'each' ? 2 : 1)
      expect(Math.ceil(minutes - 1e-9)).toBe(printed)
    },
  )

  it.each([
    ['rest is counted between sets, not after the last', { sets: 3, repetitions: 10, holdSeconds: 1 }, 3.5],
    [
      'a position worn for half an hour costs its putting on',
      { sets: 1, repetitions: 1, holdSeconds: 1800 },
      2,
    ],
    ['one minute less is done by hand', { sets: 1, repetitions: 1, holdSeconds: 1740 }, 1744 / 60],
  ])('%s', (_case, dose, expected) => {
    expect(minutesOfBout({ shapes: [{}] }, { boutsPerDay: 1, load: null, ...dose } as Dose)).toBeCloseTo(
      expected,
      9,
    )
  })
})
