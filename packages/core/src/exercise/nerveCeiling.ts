import { recordedIrritability } from '../protocol/recordedIrritability.js'
import { criterion, type Criterion } from '../vocabulary/criterion.js'
import type { FactBook } from '../protocol/facts.js'
import { inEach, type Said } from '../words/names.js'
import type { Condition, NerveCeiling } from './condition.js'
import { STRESS_LEVELS, type Exercise, type StructureStress } from './exercise.js'
import { stressWords } from './exerciseNames.js'

/** Nerves among the structures that exercises name. */
const NERVE_STRUCTURES = ['NMED', 'NULN', 'NRAD', 'NRS', 'BRP']

/** What opens most exercises of an irritable nerve; asked for wherever a condition goes by irritability. */
export const NERVE_QUIET_ENOUGH = criterion('irrit<=mod')

/** An exercise that asks more of a nerve than its irritability allows. */
export interface NerveAsksMore {
  /** What has to be recorded for it; `null` where even a quiet nerve is asked too much. */
  readonly needs: Criterion | null
  readonly says: Said
}

/**
 * Whether an exercise asks more of a nerve than the condition allows at its irritability. Unknown or outdated irritability
 * counts as high. Source: ceilings of the exercise document, common practice (medium).
 *
 * @returns `null` where the condition has no such ceilings, or the exercise stays below them
 */
export function nerveAsksMore(
  exercise: Exercise,
  condition: Condition,
  facts: FactBook,
): NerveAsksMore | null {
  const stresses = exercise.stress.filter(({ structure }) => NERVE_STRUCTURES.includes(structure))
  if (condition.nerveCeilings.length === 0 || stresses.length === 0) return null
  const recorded = recordedIrritability(facts)
  const now = condition.nerveCeilings.find(({ irritability }) => irritability === (recorded ?? 'high'))!
  const above = stresses.filter((stress) => exceeds(stress, now))
  if (above.length === 0) return null
  const enough = condition.nerveCeilings.find((ceiling) =>
    stresses.every((stress) => !exceeds(stress, ceiling)),
  )
  const what = inEach((language) => above.map((stress) => stressWords(stress, language)).join(', '))
  const because: Said =
    recorded === null
      ? {
          en: 'its irritability is not recorded of late',
          es: 'su irritabilidad no está registrada últimamente',
        }
      : {
          en: recorded === 'high' ? 'it is very irritable' : 'it is somewhat irritable',
          es: recorded === 'high' ? 'está muy irritable' : 'está algo irritable',
        }
  return {
    needs: enough ? criterion(`irrit<=${enough.irritability}`) : null,
    says: {
      en: `More than is usual for the nerve while ${because.en}: ${what.en}.`,
      es: `Más de lo habitual para el nervio mientras ${because.es}: ${what.es}.`,
    },
  }
}

function exceeds({ mode, level }: StructureStress, ceiling: NerveCeiling): boolean {
  if (mode !== 'glide' && mode !== 'stretch') return false
  return STRESS_LEVELS.indexOf(level) > STRESS_LEVELS.indexOf(ceiling[mode])
}
