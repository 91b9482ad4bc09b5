import {
  classifiedNerveMove,
  NERVE_BEDS,
  tendonTravelMm,
  totalMotion,
  type BeddedNerve,
  type Exercise,
  type JointReading,
} from '@pledge/core'

const CALLS = 250
const joint = (flexedEndDeg: number, extendedEndDeg: number): JointReading => ({
  flexedEndDeg,
  extendedEndDeg,
})

/** Milliseconds and bytes of one call, each the least of several rounds: collections and other programs only add. */
function costOf(work: () => void): { milliseconds: number; bytes: number } {
  const [rounds, calls] = [15, 40]
  for (let call = 0; call < 200; call += 1) work()
  let [milliseconds, bytes] = [Infinity, Infinity]
  for (let round = 0; round < rounds; round += 1) {
    const [before, started] = [process.memoryUsage().heapUsed, performance.now()]
    for (let call = 0; call < calls; call += 1) work()
    milliseconds = Math.min(milliseconds, (performance.now() - started) / calls)
    const grown = process.memoryUsage().heapUsed - before
    if (grown > 0) bytes = Math.min(bytes, grown / calls)
  }
  return { milliseconds, bytes: Number.isFinite(bytes) ? bytes : 0 }
}

/** TAM of a hand, travel of all tendons in 250 exercises, class of 250 nerve moves; each against adding as many numbers. */
export function measures(exercises: readonly Exercise[], print: (name: string, text: string) => void) {
  const hand = Array.from({ length: 4 }, (_, place) => ({
    mcp: joint(80 + place, 0),
    pip: joint(95, 5 * place),
    dip: joint(60, 0),
  }))
  const postures = Array.from({ length: CALLS }, (_, place) => exercises[place % exercises.length]!)
  const nerves = Object.keys(NERVE_BEDS) as BeddedNerve[]
  const moves = Array.from({ length: CALLS }, (_, place) => ({
    elbowFlexion: -90 + (place % 60),
    wristFlexion: (place % 100) - 50,
    neckSideBendAway: (place % 30) - 15,
  }))
  let kept = 0
  const sum = costOf(() => {
    for (let place = 0; place < CALLS; place += 1) kept += Math.sqrt(place)
  })
  const told = ([name, work, calls]: readonly [string, () => void, number]) => {
    const { milliseconds, bytes } = costOf(work)
    const ratio = milliseconds / ((sum.milliseconds * calls) / CALLS)
    return `${name} ${(1000 * milliseconds).toFixed(0)} µs, ${(bytes / calls / 1024).toFixed(2)} KB a call, ${ratio.toFixed(0)} square roots a call`
  }
  const works = [
    ['TAM of a full hand', () => hand.forEach((digit) => (kept += totalMotion(digit).totalDeg ?? 0)), 4],
    [
      `all tendons, ${CALLS} exercises`,
      () => postures.forEach((one) => (kept += tendonTravelMm(one).FDP)),
      CALLS,
    ],
    [
      `${CALLS} nerve moves`,
      () => moves.forEach((one, place) => (kept += classifiedNerveMove(nerves[place % 3]!, one).netMm)),
      CALLS,
    ],
  ] as const
  print('measures', works.map(told).join('; '))
  if (Number.isNaN(kept)) throw new Error('A measure gave no number.')
}
