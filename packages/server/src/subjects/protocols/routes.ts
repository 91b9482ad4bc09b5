import {
  criterionMeaning,
  LANGUAGES,
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
import { bool, list, map, maybe, num, obj, said, str, whole } from '../../answers/shapes.js'
import type { AppContext } from '../../context.js'
import { STAFF } from '../../plugins/access.js'
import { Problem } from '../../problems.js'

const ruleReply = obj({
  id: str,
  key: str,
  kind: str,
  from: whole,
  what: said,
  when: maybe(said),
  needs: list(said),
  why: maybe(said),
  dose: maybe(str),
})
const protocolReply = obj({
  id: str,
  title: str,
  school: str,
  condition: obj({ id: str, name: said }),
  anchor: str,
  evidence: str,
  sources: list(obj({ key: str, confidence: str, text: str })),
  select: list(said),
  variants: list(obj({ name: said, shiftDays: whole, after: whole })),
  variables: list(obj({ name: said, unit: str, value: num, least: num, most: num })),
  never: list(ruleReply),
  phases: list(
    obj({
      id: str,
      name: said,
      startDay: whole,
      endDay: maybe(whole),
      shippedStartDay: whole,
      goals: str,
      entry: list(said),
      wear: list(said),
      rules: list(ruleReply),
    }),
  ),
  gates: list(obj({ rule: ruleReply, peg: str, shippedDay: whole })),
  openings: list(obj({ id: str, name: said, fromDay: maybe(whole), phaseId: maybe(str), isWithCare: bool })),
  yellow: list(str),
  red: list(said),
})
const schoolsReply = list(
  obj({
    id: str,
    name: said,
    schools: list(
      obj({
        id: str,
        title: str,
        school: str,
        anchor: str,
        evidence: str,
        phases: list(obj({ id: str, name: said, startDay: whole, endDay: maybe(whole) })),
        gates: list(obj({ day: whole, peg: str })),
        preview: obj({
          motion: str,
          days: map(maybe(whole)),
        }),
        isChanged: bool,
      }),
    ),
  }),
)

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

  app.get(
    '/protocols',
    { config: { access: STAFF }, schema: { response: { 200: schoolsReply } } },
    async ({ catalogue }) =>
      [...catalogue.conditions.values()].map((condition) => ({
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
      })),
  )

  app.get(
    '/protocols/:protocolId',
    { config: { access: STAFF }, schema: { response: { 200: protocolReply } } },
    async (request) => {
      const { catalogue } = request
      const { protocolId } = request.params as { protocolId: string }
      const protocol = catalogue.protocols.get(protocolId)
      if (!protocol) throw new Problem('NOT_FOUND', 'The catalogue has no such protocol.')
      return protocolPage(protocol, catalogue, shipped, openingsOf(protocol, catalogue))
    },
  )
}

function ruleJson(rule: Rule, phase: Phase | null) {
  return { ...ruleWords(rule, phase), id: rule.id, key: rule.key, kind: rule.kind, from: rule.from }
}

function criterionIn(text: string) {
  return Object.fromEntries(LANGUAGES.map((language) => [language, criterionMeaning(text, language)]))
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
