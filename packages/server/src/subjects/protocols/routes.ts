import {
  criterionMeaning,
  protocolOpenings,
  ruleWords,
  schoolPreview,
  type Catalogue,
  type Phase,
  type Protocol,
  type ProtocolOpening,
  type Rule,
} from '@pledge/core'
import type { FastifyPluginAsync } from 'fastify'
import { inBoth, sourcesOf } from '../../answers/catalogue.js'
import { gateWords } from '../../answers/gateWords.js'
import type { AppContext } from '../../context.js'
import { serve } from '../../plugins/serve.js'
import { Problem } from '../../problems.js'

interface ProtocolsOptions extends AppContext {
  readonly shipped: Catalogue
}

/** Protocols to read, with what they open when. Mounted at `/api/library`. */
export const protocols: FastifyPluginAsync<ProtocolsOptions> = async (app, { shipped }) => {
  /** What a protocol opens is searched through a year: once for each state of the catalogue. */
  const openingsIn = new WeakMap<Protocol, { catalogue: Catalogue; found: ProtocolOpening[] }>()

  function openingsOf(protocol: Protocol, catalogue: Catalogue): ProtocolOpening[] {
    const kept = openingsIn.get(protocol)
    if (kept?.catalogue === catalogue) return kept.found
    const condition = catalogue.conditions.get(protocol.condition)!
    const found = protocolOpenings(protocol, condition, catalogue.exercises.values())
    openingsIn.set(protocol, { catalogue, found })
    return found
  }

  serve(app, 'libraryProtocols', async ({ request }) => {
    const { catalogue } = request
    return [...catalogue.conditions.values()].map((condition) => ({
      id: condition.id,
      name: condition.name,
      schools: condition.protocols.map((id) => {
        const protocol = catalogue.protocols.get(id)!
        const { motion, ...days } = schoolPreview(protocol)
        return {
          ...protocol,
          phases: protocol.phases.map((phase) => ({
            ...phase,
            startDay: phase.days[0],
            endDay: phase.days[1],
          })),
          gates: protocol.gates.map((gate) => ({ day: gate.from, peg: gateWords(gate) })),
          preview: { motion, days },
          isChanged: protocol !== shipped.protocols.get(id),
        }
      }),
    }))
  })

  serve(app, 'libraryProtocol', async ({ request, params }) => {
    const { catalogue } = request
    const { protocolId } = params
    const protocol = catalogue.protocols.get(protocolId)
    if (!protocol) throw new Problem('NOT_FOUND', 'The catalogue has no such protocol.')
    return protocolPage(protocol, catalogue, shipped, openingsOf(protocol, catalogue))
  })
}

function ruleJson(rule: Rule, phase: Phase | null) {
  return { ...ruleWords(rule, phase), id: rule.id, key: rule.key, kind: rule.kind, from: rule.from }
}

function criterionIn(text: string) {
  return { en: criterionMeaning(text, 'en'), es: criterionMeaning(text, 'es') }
}

function protocolPage(
  protocol: Protocol,
  catalogue: Catalogue,
  shipped: Catalogue,
  openings: readonly ProtocolOpening[],
) {
  const condition = catalogue.conditions.get(protocol.condition)!
  const original = shipped.protocols.get(protocol.id) ?? protocol
  return {
    ...protocol,
    condition: { id: condition.id, name: condition.name },
    sources: sourcesOf(protocol.sources, catalogue),
    select: protocol.select.map(({ text }) => criterionIn(text)),
    variants: Object.values(protocol.variants).map(({ name, windowShiftDays, after }) => ({
      name,
      shiftDays: windowShiftDays,
      after,
    })),
    variables: Object.values(protocol.variables).map(({ name, unit, value, range }) => ({
      name,
      unit,
      value,
      least: range[0],
      most: range[1],
    })),
    never: protocol.never.map((rule) => ruleJson(rule, null)),
    phases: protocol.phases.map((phase, place) => ({
      ...phase,
      startDay: phase.days[0],
      endDay: phase.days[1],
      shippedStartDay: original.phases[place]?.days[0] ?? phase.days[0],
      entry: phase.entry.map(({ text }) => criterionIn(text)),
      wear: phase.wear.map(({ text }) => text),
      rules: [...phase.allow, ...phase.caution, ...phase.forbid].map((rule) => ruleJson(rule, phase)),
    })),
    gates: protocol.gates.map((gate) => ({
      rule: ruleJson(gate, null),
      peg: gateWords(gate),
      shippedDay: original.gates.find(({ key }) => key === gate.key)?.from ?? gate.from,
    })),
    openings: openings.map(({ exercise, ...opening }) => ({
      ...opening,
      id: exercise.id,
      name: inBoth(exercise, 'name'),
    })),
    red: protocol.redFlags.map(({ says }) => says),
    yellow: protocol.yellowFlags.map(({ text }) => text),
  }
}
