import type { Criterion } from '../vocabulary/criterion.js'
import { phaseOn, type PhaseStanding } from '../protocol/phaseOn.js'
import type { Atom } from './atoms.js'
import { EVERYTHING_MET, factsInStates, withMet, type CaseOnDay } from './caseOnDay.js'
import type { FactBook } from '../protocol/facts.js'
import { judgeAtom, neededBy } from './judgeAtom.js'
import type { Signature } from '../exercise/signature.js'
import { isOpen } from './verdict.js'

/**
 * The shortest list of criteria that stand in the way on a day: those of the least advanced phase in which, with
 * everything else met, the exercise opens, those its permissions need, and those that make the school fit.
 */
export function missingAt(
  day: number,
  atoms: readonly Atom[],
  signature: Signature,
  state: CaseOnDay,
  standing: PhaseStanding,
): Criterion[] {
  const { protocol } = state
  const met = factsInStates(EVERYTHING_MET, state.states)
  const facts = factsInStates(state.facts, state.states)
  const then: CaseOnDay = { ...state, day, facts: met, reviewOverdueDays: 0 }
  const furthest = phaseOn(protocol, day, met).index
  const reached = Math.max(standing.index, phaseOn(protocol, day, facts).index, 0)
  for (let index = reached; index <= furthest; index += 1) {
    const supposed: PhaseStanding = {
      ...standing,
      index,
      phase: protocol.phases[index] ?? null,
      effectiveDay: day,
    }
    if (!opens(atoms, signature, then, supposed)) continue
    const entries = protocol.phases.slice(0, index + 1).flatMap((phase) => phase.entry)
    const needs = atoms.flatMap((atom) => needsOf(atom, signature, then, supposed, facts))
    return [...protocol.select, ...entries, ...needs].filter(
      (criterion) => facts.status(criterion).name !== 'met',
    )
  }
  return []
}

/**
 * What the permissions of an atom need: with the needs of the one that holds it met, another may hold it still, until none does.
 */
function needsOf(
  atom: Atom,
  signature: Signature,
  then: CaseOnDay,
  standing: PhaseStanding,
  facts: FactBook,
): Criterion[] {
  const needs: Criterion[] = []
  for (;;) {
    const { because } = judgeAtom(atom, signature, then, standing, withMet(facts, needs))
    const held =
      because.name === 'heldByLoadBase'
        ? because.missing
        : because.name === 'held'
          ? neededBy(because.rule, atom)
          : []
    const news = held.filter(({ text }) => !needs.some((one) => one.text === text))
    if (news.length === 0) return needs
    needs.push(...news)
  }
}

function opens(
  atoms: readonly Atom[],
  signature: Signature,
  then: CaseOnDay,
  standing: PhaseStanding,
): boolean {
  return atoms.every((atom) => isOpen(judgeAtom(atom, signature, then, standing, then.facts).kind))
}
