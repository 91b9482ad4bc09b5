import { readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import {
  CoreError,
  lintProtocol,
  openWristsThatDecide,
  readCondition,
  readExercise,
  readProtocol,
  readRuleFile,
  unhinderedPatient,
  type Catalogue,
} from '@pledge/core'
import { loadCatalogue, parseYaml } from './loadCatalogue.js'
import { yamlFiles } from './revision.js'

/** Something in the catalogue that does not hold, with the file, the place in it and what was expected there. */
export interface CatalogueFinding {
  readonly file: string
  readonly path: string
  readonly expected: string
}

const READERS = {
  conditions: (document: unknown) => void readCondition(document),
  protocols: (document: unknown) => {
    const findings = lintProtocol(readProtocol(document))
    if (findings.length > 0) throw new Findings(findings)
  },
  exercises: (document: unknown) => void readExercise(document),
  'cross-cutting': (document: unknown) => void readRuleFile(document),
} as const

class Findings extends Error {
  constructor(readonly all: readonly { path: string; expected: string }[]) {
    super('findings')
  }
}

/**
 * Every finding of every file, where the start of the application stops at the first. Only when each file holds by
 * itself are the files checked against one another: references, schools of conditions, sources, wrists left open.
 */
export function lintCatalogue(directory: string): { files: number; findings: CatalogueFinding[] } {
  const findings: CatalogueFinding[] = []
  let files = 0
  for (const [folder, read] of Object.entries(READERS)) {
    for (const path of yamlFiles(join(directory, folder))) {
      files += 1
      const file = relative(directory, path)
      try {
        read(parseYaml(readFileSync(path, 'utf8')))
      } catch (error) {
        if (error instanceof Findings) findings.push(...error.all.map((one) => ({ file, ...one })))
        else if (error instanceof CoreError)
          findings.push({ file, path: error.path, expected: error.message })
        else throw error
      }
    }
  }
  if (findings.length > 0) return { files, findings }
  try {
    findings.push(...openWrists(loadCatalogue(directory)))
  } catch (error) {
    if (!(error instanceof CoreError)) throw error
    findings.push({ file: '(between files)', path: error.path, expected: error.message })
  }
  return { files, findings }
}

/** The last day of a protocol that is looked at: a year. */
const LAST_DAY = 364

/** Exercises of the digits whose verdict hangs on a wrist they do not state. */
function openWrists({ exercises, conditions, protocols }: Catalogue): CatalogueFinding[] {
  return [...exercises.values()].flatMap((exercise) => {
    const states = exercise.conditions.flatMap((id) => {
      const condition = conditions.get(id)!
      return condition.protocols.map((school) => unhinderedPatient(protocols.get(school)!, condition))
    })
    const [first] = openWristsThatDecide(exercise, states, LAST_DAY)
    if (!first) return []
    const { protocol, day, wristFlexionDeg, asWritten, withWristThere } = first
    return [
      {
        file: `exercises/${exercise.family}/${exercise.id}.yaml`,
        path: 'start.wristFlexion',
        expected: `Expected how the wrist is kept: in ${protocol} on day ${day} the exercise is "${asWritten}", and "${withWristThere}" with the wrist at ${wristFlexionDeg}°. State it in start and end, and in the steps.`,
      },
    ]
  })
}
