import {
  clinicalDayAt,
  depicted,
  digitsInTurn,
  timingOf,
  type Catalogue,
  type PatientCase,
  type Protocol,
  type SignedItem,
} from '@pledge/core'
import type { EpisodeRecord } from '../../data/episodeRecords.js'
import { signedItemsToday } from '../../record/programItems.js'
import type { ClinicSettings } from '../../settings.js'

/** A patient's day as the phone shows it. */
export function phoneToday(
  record: EpisodeRecord,
  state: PatientCase,
  catalogue: Catalogue,
  clinic: ClinicSettings,
  today: string,
  now: Date,
) {
  const newest = record.versions.at(-1)
  const dayOf = (at: Date) => clinicalDayAt(at, record.episode.timeZone)
  return {
    today,
    firstName: firstName(record.patient.name),
    language: record.patient.language,
    side: record.episode.side,
    digits: record.episode.digits,
    stopPain: catalogue.crossCutting.response.stopPain,
    clinic: { name: clinic.name, phone: clinic.phone, outOfHours: clinic.outOfHours },
    redLock: state.redLock,
    program: newest
      ? {
          id: newest.id,
          number: newest.number,
          items: signedItemsToday(record, state).map(({ item, orthosis, isPaused }) => ({
            ...phoneItem(item),
            orthosis,
            isPaused,
          })),
        }
      : null,
    boutsToday: record.bouts.filter((bout) => dayOf(bout.endedAt) === dayOf(now)).length,
    advice: state.condition.advice,
    redFlags: flagsAtHome(state.protocol, catalogue),
  }
}

function phoneItem(item: SignedItem) {
  return {
    itemId: item.itemId,
    exerciseId: item.exercise.id,
    dose: item.dose,
    loadUnit: item.exercise.load?.unit ?? null,
    shapes: item.exercise.shapes.length,
    timing: timingOf(item.exercise, item.digits),
    chosen: item.digits,
    inTurn: digitsInTurn(item.exercise, item.digits),
    painCap: item.exercise.painCap,
    stop: [...item.exercise.stop],
    minutesPerBout: item.minutesPerBout,
    text: item.exercise.text,
    depicted: depicted(item.exercise),
  }
}

export function firstName(name: string): string {
  return name.split(' ')[0] ?? name
}

/** What a patient can see at home and has to report: first what the protocol names, then what holds for every hand. */
function flagsAtHome(protocol: Protocol, { crossCutting }: Catalogue) {
  const own = protocol.redFlags
    .filter((flag) => flag.isSeenAtHome)
    .map(({ id, as, says }) => ({
      id,
      flag: as,
      act: crossCutting.redFlags.get(as)!.act,
      isOfProtocol: true,
      says,
    }))
  const common = [...crossCutting.redFlags.values()].flatMap(({ id, act, home }) =>
    home ? [{ id, flag: id, act, isOfProtocol: false, says: home }] : [],
  )
  return [...own, ...common]
}
