import {
  answerKind,
  criterionMeaning,
  criterionQuestion,
  digitsAsked,
  giverOf,
  JOINT_NAMES,
  DIRECTION_NAMES,
  schoolPreview,
  surgeonsClearances,
  type Catalogue,
  type Condition,
  type Protocol,
} from '@pledge/core'
import type { FastifyPluginAsync } from 'fastify'
import { todayOf, told, type AppContext } from '../../context.js'
import { serve } from '../../plugins/serve.js'
import { newId } from '../../data/ids.js'
import { Problem } from '../../problems.js'
import { checkSchool, refuseField, refuseUnknownThings, selectionFacts } from '../../record/schoolAnswers.js'

/** A new patient, or one who is known, with one episode. Mounted at `/api/referrals`. */
export const referrals: FastifyPluginAsync<AppContext> = async (app, context) => {
  const { data, clock, settings } = context
  const conditionsIn = new WeakMap<Catalogue, ReturnType<typeof conditionsOf>>()
  serve(app, 'conditions', async ({ request }) => {
    const { catalogue } = request
    let conditions = conditionsIn.get(catalogue)
    if (!conditions) conditionsIn.set(catalogue, (conditions = conditionsOf(catalogue)))
    return conditions
  })

  serve(app, 'things', async ({ request }) => {
    const { catalogue } = request
    return [...catalogue.equipment.values()].map(({ id, name, home }) => ({
      id,
      name: name.en,
      home: home?.en ?? null,
    }))
  })

  serve(app, 'knownPersons', async ({ request, body }) => {
    const known = await data.referrals.knownPersons(body)
    const persons = known.map(({ personId }) => personId)
    await data.journal.note(told(context, request, 'patient.match', { persons }), null)
    return known.map(({ personId, episodes }) => ({
      personId,
      episodes: episodes.map(({ id, side, digits, conditionId, openedOn }) => ({
        episodeId: id,
        side,
        digits,
        condition: request.catalogue.conditions.get(conditionId)?.name.en ?? conditionId,
        openedOn,
      })),
    }))
  })

  serve(app, 'refer', async ({ request, body: referral }) => {
    const protocol = request.catalogue.protocols.get(referral.protocolId)
    if (!protocol || protocol.condition !== referral.conditionId) {
      throw new Problem('INPUT_INVALID', 'Choose a school of this condition.', [
        { path: 'protocolId', message: 'Choose a school of this condition.' },
      ])
    }
    const condition = request.catalogue.conditions.get(protocol.condition)!
    if (digitsAsked(protocol, condition) === 'fingers' && referral.digits.length === 0)
      refuseField('digits', 'Choose the injured digits.')
    const cleared = surgeonsClearances(protocol).map((criterion) => criterion.text)
    const stranger = referral.clearances.find((what) => !cleared.includes(what))
    if (stranger !== undefined) refuseField('clearances', `"${stranger}" is no clearance of this school.`)
    const { values, selected } = checkSchool(protocol, referral)
    refuseUnknownThings(referral.things ?? [], request.catalogue)
    const known = await data.referrals.knownPersons(referral)
    const { samePersonAs } = referral
    if (samePersonAs === undefined && known.length > 0)
      refuseField(
        'samePersonAs',
        'A patient of this name and date of birth is here already: say whether it is the same person.',
      )
    if (samePersonAs && !known.some(({ personId }) => personId === samePersonAs))
      refuseField(
        'samePersonAs',
        'That patient has another name or date of birth. Check both, or choose somebody else.',
      )
    const today = todayOf(context)
    const [at, me] = [clock.now(), request.me()]
    const [patientId, episodeId] = [newId(), newId()]
    const clearances = [...new Set(referral.clearances)]
    const orderRows = referral.restrictions.map((one) => ({
      id: newId(),
      episodeId,
      restriction: one.restriction,
      untilOn: one.untilOn ?? null,
      givenBy: referral.surgeon,
      dated: referral.letterOn,
      why: one.why,
      document: '',
      withdrawsId: null,
      recordedBy: me.id,
      recordedAt: at,
    }))
    const factRows = clearances.map((what) => ({
      id: newId(),
      episodeId,
      what,
      value: 'true',
      isWithdrawn: false,
      dated: referral.letterOn,
      givenBy: referral.surgeon,
      how: 'letter' as const,
      note: 'With the referral',
      correctsId: null,
      recordedBy: me.id,
      recordedAt: at,
    }))
    const selectionRows = selectionFacts(selected, {
      episodeId,
      today,
      surgeon: referral.surgeon,
      me,
      at,
    })
    await data.referrals.add(
      {
        patient: {
          id: patientId,
          personId: samePersonAs ?? patientId,
          name: referral.name,
          birthDate: referral.birthDate,
          dominantHand: referral.dominantHand,
          language: referral.language,
          hasLatexAllergy: referral.hasLatexAllergy,
          hasAdhesiveAllergy: referral.hasAdhesiveAllergy,
          createdBy: me.id,
          createdAt: at,
        },
        episode: {
          id: episodeId,
          patientId,
          therapistId: me.id,
          conditionId: referral.conditionId,
          side: referral.side,
          digits: [...new Set(referral.digits)],
          timeZone: settings.clinic.timeZone,
          injuredOn: referral.injuredOn ?? null,
          surgeon: referral.surgeon,
          work: referral.work,
          note: referral.note,
          openedOn: today,
          createdAt: at,
        },
        school: {
          id: newId(),
          episodeId,
          protocolId: referral.protocolId,
          variant: referral.variant ?? null,
          patientValues: values,
          anchorOn: referral.anchorOn,
          why: '',
          chosenBy: me.id,
          chosenAt: at,
        },
        home: {
          id: newId(),
          episodeId,
          things: referral.things ?? null,
          otherHand: referral.otherHand,
          recordedBy: me.id,
          recordedAt: at,
        },
        facts: [...factRows, ...selectionRows],
        orders: orderRows,
      },
      told(context, request, 'referral.create', {
        patientId,
        personId: samePersonAs ?? patientId,
        clearances,
        restrictions: orderRows.map((row) => row.restriction),
      }),
    )
    return { episodeId }
  })
}

function conditionsOf(catalogue: Catalogue) {
  return [...catalogue.conditions.values()].map((condition) => ({
    id: condition.id,
    name: condition.name.en,
    protocols: condition.protocols.map((id) => schoolOf(catalogue.protocols.get(id)!, condition)),
  }))
}

function schoolOf(protocol: Protocol, condition: Condition) {
  const preview = schoolPreview(protocol)
  const [joint, direction] = preview.motion.split('.') as [keyof typeof JOINT_NAMES, string]
  const { motion: _motion, ...days } = preview
  const told = protocol.select.map((criterion) => criterion.text)
  return {
    id: protocol.id,
    title: protocol.title,
    school: protocol.school,
    evidence: protocol.evidence,
    sources: protocol.sources.map((source) => `${source.key} (${source.confidence})`),
    anchor: protocol.anchor,
    digits: digitsAsked(protocol, condition),
    select: protocol.select.map((criterion) => ({
      what: criterion.text,
      name: criterion.name,
      kind: answerKind(criterion),
      meaning: criterionMeaning(criterion.text),
      question: criterionQuestion(criterion.text),
      giver: giverOf(criterion.text),
    })),
    // What is answered as a selection fact is not asked a second time.
    clearances: surgeonsClearances(protocol)
      .filter((criterion) => !told.includes(criterion.text))
      .map((criterion) => ({ what: criterion.text, meaning: criterionMeaning(criterion.text) })),
    variants: Object.entries(protocol.variants).map(([id, variant]) => ({ id, name: variant.name.en })),
    values: Object.entries(protocol.variables).map(([id, variable]) => ({
      id,
      name: variable.name.en,
      unit: variable.unit,
      value: variable.value,
      least: variable.range[0],
      most: variable.range[1],
    })),
    phases: protocol.phases.map((phase) => ({ name: phase.name.en, startDay: phase.days[0] })),
    preview: { motion: `${JOINT_NAMES[joint].en} ${DIRECTION_NAMES[direction]!.en}`, days },
  }
}
