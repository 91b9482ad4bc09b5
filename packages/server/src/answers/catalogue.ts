import type { Catalogue, Exercise } from '@pledge/core'

export function inBoth(exercise: Exercise, field: 'name' | 'reason') {
  return { en: exercise.text.en[field], es: exercise.text.es[field] }
}

export function sourcesOf(sources: readonly { key: string; confidence: string }[], catalogue: Catalogue) {
  return sources.map((source) => ({ ...source, text: catalogue.sources.get(source.key)?.text ?? '' }))
}
