import type { AnswerKind } from '@pledge/core'
import type { Static } from 'typebox'
import { list, maybe, num, obj, str, table, whole, words } from './shapes.js'
import { anchor, digits, meant, side } from './shared.js'

export const answerKind = words(['yesNo', 'pain', 'number', 'level'] satisfies AnswerKind[])
const FIRST_DAYS = [
  'activeFromDay',
  'passiveFromDay',
  'stretchFromDay',
  'lightGripFromDay',
  'heavyWorkFromDay',
] as const
/** The first days a school opens what tells it apart. */
export const preview = obj({ motion: str, days: table(FIRST_DAYS, maybe(whole)) })

const school = obj({
  id: str,
  title: str,
  school: str,
  evidence: str,
  sources: list(str),
  anchor,
  digits: words(['fingers', 'thumb', 'none']),
  select: list(
    obj({
      what: str,
      name: str,
      kind: answerKind,
      meaning: str,
      question: str,
      giver: words(['surgeon', 'therapist']),
    }),
  ),
  clearances: list(meant),
  variants: list(obj({ id: str, name: str })),
  values: list(obj({ id: str, name: str, unit: str, value: num, least: num, most: num })),
  phases: list(obj({ name: str, startDay: whole })),
  preview,
})
export type SchoolAnswer = Static<typeof school>
export const condition = obj({ id: str, name: str, protocols: list(school) })
export type ConditionAnswer = Static<typeof condition>
export const thing = obj({ id: str, name: str, home: maybe(str) })
export type ThingAnswer = Static<typeof thing>
/** Somebody who has this name and date of birth already. */
export const known = obj({
  personId: str,
  episodes: list(obj({ episodeId: str, side, digits, condition: str, openedOn: str })),
})
export type KnownPersonAnswer = Static<typeof known>
