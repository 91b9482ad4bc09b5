import {
  clinicalDayAt,
  CoreError,
  editedProtocol,
  houseCatalogue,
  opensEarlier,
  subjectOf,
  type Catalogue,
  type HouseEdit,
} from '@pledge/core'
import type { FastifyPluginAsync, FastifyRequest } from 'fastify'
import { gateWords } from '../../answers/gateWords.js'
import { todayOf, told, type AppContext } from '../../context.js'
import { serve } from '../../plugins/serve.js'
import { digestOf } from '../../data/digest.js'
import { editsInForce } from '../../data/houseEdits.js'
import { Problem } from '../../problems.js'
import { refuseField } from '../../record/schoolAnswers.js'
import { affectedCases } from './effects.js'

interface HouseOptions extends AppContext {
  /** The catalogue as it was shipped: what every change is told against. */
  readonly shipped: Catalogue
}

/**
 * What the clinic does otherwise than the shipped catalogue. A change is taken back by another one, to the shipped value:
 * it opens or closes cases like any other. Mounted at `/api/house`.
 */
export const house: FastifyPluginAsync<HouseOptions> = async (app, context) => {
  const { data, clock, settings, shipped } = context

  serve(app, 'houseEdits', async ({ request }) => {
    const [all, users] = await Promise.all([data.house.all(), data.users.names()])
    const inForce = new Set(editsInForce(all).map(({ id }) => id))
    return [...all].reverse().map((row) => ({
      id: row.id,
      number: row.number,
      what: editSubject(row.edit, request.catalogue),
      before: row.beforeValue,
      after: row.withdrawsId ? 'taken back' : editValue(row.edit),
      why: row.why,
      agreedBy: row.agreedBy,
      document: row.document,
      by: users.get(row.recordedBy) ?? '',
      on: clinicalDayAt(row.recordedAt, settings.clinic.timeZone),
      isInForce: inForce.has(row.id),
      isTakenBack: row.withdrawsId !== null,
    }))
  })

  serve(app, 'previewHouseEdit', async ({ request, body }) => {
    const { edit } = body
    const seen = await effectsOf(request, edit)
    const subject = subjectOf(edit)
    const entry = (detail: object) => told(context, request, 'house.preview', { subject, ...detail })
    await data.journal.note(entry({ cases: seen.affected.length }), null)
    // Whose case is shown was read.
    for (const { episodeId } of seen.affected) await data.journal.note(entry({}), episodeId)
    return {
      what: editSubject(edit, request.catalogue),
      shipped: valueIn(edit, shipped),
      before: valueIn(edit, request.catalogue),
      after: editValue(edit),
      needsSurgeon: opensEarlier(edit, request.catalogue),
      affected: seen.affected,
    }
  })

  serve(app, 'saveHouseEdit', async ({ request, body }) => {
    const { seenEpisodes, edit, ...rest } = body
    // What was decided, whatever cases were open by then.
    const content = { ...rest, edit }
    const earlier = await data.house.stored(rest.id, digestOf(content))
    if (earlier !== null) return { id: rest.id, number: earlier }
    if (opensEarlier(edit, request.catalogue)) {
      if (rest.agreedBy === '')
        refuseField('agreedBy', 'Write which surgeon agreed: this opens earlier while it heals.')
      if (rest.document === '') refuseField('document', 'Say which document allows it.')
    }
    const { affected } = await effectsOf(request, edit)
    const unseen = affected.filter(({ episodeId }) => !seenEpisodes.includes(episodeId))
    if (unseen.length > 0)
      throw new Problem(
        'EDITED_MEANWHILE',
        `Not saved: ${unseen.length} more open ${unseen.length === 1 ? 'case' : 'cases'} would change. Look at the list again, then save.`,
      )
    const number = await data.house.add(
      {
        ...rest,
        edit,
        beforeValue: valueIn(edit, request.catalogue),
        withdrawsId: null,
        subject: subjectOf(edit),
        protocolVersion: versionOf(edit, request.catalogue),
        recordedBy: request.me().id,
        recordedAt: clock.now(),
      },
      content,
      told(context, request, 'house.edit', { id: rest.id, subject: subjectOf(edit) }),
    )
    return { id: rest.id, number }
  })

  /** The cases an edit would change; refuses an edit that does not fit the catalogue, with the field's path. */
  async function effectsOf(request: FastifyRequest, edit: HouseEdit) {
    const inForce = editsInForce(await data.house.all()).map((row) => row.edit)
    const before = request.catalogue
    const after = fitting(shipped, [...inForce, edit])
    const users = await data.users.names()
    const affected = await affectedCases(data, { before, after, edit }, todayOf(context), clock.now())
    return {
      affected: affected.map((one) => ({ ...one, therapist: users.get(one.therapistId) ?? '' })),
    }
  }
}

/** The version of the protocol whose window an edit moves. */
function versionOf(edit: HouseEdit, catalogue: Catalogue): number | null {
  const id = editedProtocol(edit)
  return id === null ? null : (catalogue.protocols.get(id)?.version ?? null)
}

function fitting(shipped: Catalogue, edits: readonly HouseEdit[]): Catalogue {
  try {
    return houseCatalogue(shipped, edits, 'proposed')
  } catch (error) {
    if (!(error instanceof CoreError)) throw error
    return refuseField(error.path, error.message)
  }
}

/** What a change is about, in words. */
function editSubject(edit: HouseEdit, catalogue: Catalogue): string {
  switch (edit.kind) {
    case 'phase': {
      const protocol = catalogue.protocols.get(edit.protocolId)
      const phase = protocol?.phases.find(({ id }) => id === edit.phaseId)
      return `${protocol?.title ?? edit.protocolId}, ${protocol?.school ?? ''}: phase "${phase?.name.en ?? edit.phaseId}" begins`
    }
    case 'gate': {
      const protocol = catalogue.protocols.get(edit.protocolId)
      const gate = protocol?.gates.find(({ key }) => key === edit.key)
      return `${protocol?.title ?? edit.protocolId}, ${protocol?.school ?? ''}: ${gate ? gateWords(gate) : edit.key} opens`
    }
    case 'dose':
      return `${catalogue.exercises.get(edit.exerciseId)?.text.en.name ?? edit.exerciseId}: usual dose`
    case 'week':
      return `${catalogue.exercises.get(edit.exerciseId)?.text.en.name ?? edit.exerciseId}: usual week after ${catalogue.conditions.get(edit.conditionId)?.name.en ?? edit.conditionId}`
  }
}

function editValue(edit: HouseEdit): string {
  switch (edit.kind) {
    case 'phase':
    case 'gate':
      return `day ${edit.day}`
    case 'week':
      return `week ${edit.week}`
    case 'dose':
      return doseWords(edit)
  }
}

/** What a catalogue says of the thing an edit is about. */
function valueIn(edit: HouseEdit, catalogue: Catalogue): string {
  switch (edit.kind) {
    case 'phase': {
      const phase = catalogue.protocols.get(edit.protocolId)?.phases.find(({ id }) => id === edit.phaseId)
      return phase ? `day ${phase.days[0]}` : ''
    }
    case 'gate': {
      const gate = catalogue.protocols.get(edit.protocolId)?.gates.find(({ key }) => key === edit.key)
      return gate ? `day ${gate.from}` : ''
    }
    case 'week': {
      const week = catalogue.exercises.get(edit.exerciseId)?.gateWeeks[edit.conditionId]
      return week === undefined ? 'no week of its own' : `week ${week}`
    }
    case 'dose': {
      const exercise = catalogue.exercises.get(edit.exerciseId)
      return exercise ? doseWords(exercise) : ''
    }
  }
}

function doseWords({ dose, range }: Pick<Extract<HouseEdit, { kind: 'dose' }>, 'dose' | 'range'>): string {
  const within = (field: keyof typeof range) => [...new Set(range[field])].join('–')
  return `${dose.sets} × ${dose.repetitions} × ${dose.holdSeconds} s, ${dose.boutsPerDay} a day${dose.load === null ? '' : `, load ${dose.load}`} (within ${within('sets')} × ${within('repetitions')} × ${within('holdSeconds')} s, ${within('boutsPerDay')} a day)`
}
