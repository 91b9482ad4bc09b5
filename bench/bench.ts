import { createHash } from 'node:crypto'
import { Worker } from 'node:worker_threads'
import {
  assess,
  assessCaseFile,
  assessExercise,
  CoreError,
  DocumentReader,
  readSignature,
  verdictKind,
  type PatientCase,
  type Signature,
} from '@pledge/core'
import { atomsOf } from '../packages/core/src/verdict/atoms.js'
import { ruleSpeaksOf } from '../packages/core/src/verdict/matching.js'
import { benchCase, catalogue } from './benchCase.js'
import { caseload } from './caseload.js'
import { evaluations, recomputed } from './evaluations.js'
import { measures } from './measures.js'
import { starts } from './starts.js'
import { uploads } from './uploads.js'
import { withClinic } from './withClinic.js'

/**
 * `npm run bench`: speed and memory as ratios to a baseline measured in the same run, so that a slow machine does not
 * look like slow code.
 */
function perSecond(work: () => void, seconds = 1.5): number {
  const end = performance.now() + seconds * 1000
  let count = 0
  while (performance.now() < end) {
    work()
    count += 1
  }
  return count / seconds
}

/** Verdicts of the condition's exercises for one day, against hashing 1 KB as many times. */
function verdicts() {
  const state = benchCase('DRF-VLP-EARLY', 30)
  const exercises = [...catalogue.exercises.values()]
  const kilobyte = Buffer.alloc(1024, 7)
  const day = () => exercises.forEach((exercise) => assessExercise(exercise, exercise.dose, state))
  const baseline = () => exercises.forEach(() => createHash('sha256').update(kilobyte).digest())
  perSecond(day, 0.5)
  perSecond(baseline, 0.3)
  const before = process.memoryUsage().heapUsed
  const [days, hashes] = [perSecond(day), perSecond(baseline)]
  const grown = (process.memoryUsage().heapUsed - before) / 1024 / 1024
  print(
    'verdicts',
    `${exercises.length} exercises, one day: ${days.toFixed(0)} days/s; a verdict costs ${(hashes / days).toFixed(1)} hashes of 1 KB; heap ${grown >= 0 ? '+' : ''}${grown.toFixed(0)} MB`,
  )
}

const SIGNATURES = 250
const MODES = ['P', 'AA', 'PH', 'A', 'S', 'I', 'R']
const MOTIONS =
  'wrist.flex wrist.ext wrist.rad wrist.uln forearm.sup forearm.pron mp.flex mp.ext pip.flex pip.ext dip.flex dip.ext th_mp.flex th_ip.flex th_cmc.opp finger.flex finger.ext thumb.flex'.split(
    ' ',
  )
const COMBOS = ['fist', 'hook', 'tabletop', 'straight_fist', 'tenodesis']

/** Signatures of every mode and motion, every other one with a grip, every third with a combo and a weight. */
function signatures(): Signature[] {
  return Array.from({ length: SIGNATURES }, (_, place) =>
    readSignature(
      new DocumentReader({
        name: `probe ${place}`,
        motions: [
          {
            m: MODES[place % MODES.length],
            mv: [MOTIONS[(place * 5) % MOTIONS.length]],
            res: `R${place % 4}`,
          },
        ],
        ...(place % 2 === 0 ? { in: 'WRO' } : { grips: [{ grip: 'cyl', res: `R${place % 3}` }] }),
        ...(place % 3 === 0 ? { combos: [{ combo: COMBOS[place % COMBOS.length], m: 'A' }], kg: 1 } : {}),
      }),
    ),
  )
}

/**
 * Verdicts of 250 signatures for one case-day, against a loop that tests each rule of the protocol once against each
 * atom; the search for the earliest day apart. Over six protocols of different kinds.
 */
function signatureVerdicts() {
  const probes = signatures()
  const cases = ['DRF-VLP-EARLY', 'FT-PH', 'EXT56-RME', 'UCL-REPAIR', 'CTS-REL', 'CMC-OA'].map(
    (id): PatientCase => {
      const entry = catalogue.protocols.get(id)!.phases[0]!.entry
      const recorded = entry.map((criterion) => ({
        what: criterion.name,
        value: criterion.kind === 'number' ? criterion.limit : true,
        date: null,
        withdrawn: false,
      }))
      return benchCase(id, 30, recorded)
    },
  )
  const everyRule = () => {
    let spoken = 0
    for (const { protocol } of cases) {
      const rules = [
        ...protocol.never,
        ...protocol.phases.flatMap((phase) => [...phase.allow, ...phase.caution, ...phase.forbid]),
        ...protocol.gates,
      ]
      for (const probe of probes)
        for (const atom of atomsOf(probe)) for (const rule of rules) if (ruleSpeaksOf(rule, atom)) spoken += 1
    }
    return spoken
  }
  const kinds = () => cases.forEach((state) => probes.forEach((probe) => verdictKind(probe, state)))
  const days = () => cases.forEach((state) => probes.forEach((probe) => assess(probe, state)))
  for (const work of [everyRule, kinds, days]) perSecond(work, 0.4)
  const [loop, kind, whole] = [everyRule, kinds, days].map((work) => 1000 / perSecond(work) / cases.length)
  print(
    'signatures',
    `${SIGNATURES} signatures, one case-day: ${kind!.toFixed(1)} ms warm, ${(kind! / loop!).toFixed(1)} times the plain loop over rules (${loop!.toFixed(1)} ms; at most 20); with reasons and the earliest day ${whole!.toFixed(1)} ms`,
  )
}

/** Every exercise over twelve weeks in a worker: as runs of days on which nothing changes, against asking each day. */
async function calendar() {
  // A thread does not inherit the loader of TypeScript: it registers it itself.
  const file = JSON.stringify(new URL('./calendarWorker.ts', import.meta.url).href)
  const worker = new Worker(`import('tsx/esm/api').then(({ register }) => (register(), import(${file})))`, {
    eval: true,
    execArgv: ['--conditions=pledge-source'],
  })
  const told = await new Promise<{ exercises: number; all: number; twenty: number; plain: number }>(
    (resolve, reject) => worker.once('message', resolve).once('error', reject),
  )
  await worker.terminate()
  print(
    'calendar',
    `${told.exercises} exercises x 84 days in a worker: ${told.all.toFixed(0)} ms as runs, ${(told.plain / told.all).toFixed(0)} times faster than each day; 20 x 84: ${told.twenty.toFixed(1)} ms (aim 16)`,
  )
}

/** Case documents of every protocol, every second one spoilt, one after the other. */
function caseDocuments() {
  const ids = [...catalogue.protocols.keys()]
  const started = performance.now()
  let refused = 0
  for (let place = 0; place < 10_000; place += 1) {
    const document = {
      format: place % 10 === 9 ? 'something/1' : 'pledge-case/1',
      day: place % 4 === 3 ? 'soon' : place % 120,
      episode: {
        protocol: place % 6 === 5 ? 'NO-SUCH' : ids[place % ids.length],
        assumeRecorded: true,
      },
      exercises: [{ signature: { name: 'x', motions: [{ m: MODES[place % 7], mv: ['wrist.flex'] }] } }],
    }
    try {
      assessCaseFile(document, catalogue)
    } catch (error) {
      if (!(error instanceof CoreError)) throw error
      refused += 1
    }
  }
  const seconds = (performance.now() - started) / 1000
  print('documents', `10000 case documents, ${refused} of them refused with a path: ${seconds.toFixed(1)} s`)
}

function print(name: string, text: string) {
  process.stdout.write(`${name.padEnd(10)} ${text}\n`)
}

/** All of them, or those named: `npm run bench -- uploads`. */
const BENCHES: Readonly<Record<string, () => void | Promise<void>>> = {
  verdicts,
  signatures: signatureVerdicts,
  documents: caseDocuments,
  calendar,
  measures: () => measures([...catalogue.exercises.values()], print),
  bench: () => recomputed(print),
  start: () => starts(print),
  visits: () => withClinic(catalogue, (clinic) => evaluations(clinic, print)),
  uploads: () => withClinic(catalogue, (clinic) => uploads(clinic, print)),
  caseload: () => withClinic(catalogue, (clinic) => caseload(clinic, print)),
}
const asked = process.argv.slice(2)
for (const [name, bench] of Object.entries(BENCHES))
  if (asked.length === 0 || asked.includes(name)) await bench()
