import type { RedFlag, RedFlagAct } from '@pledge/core'
import type { Static } from 'typebox'
import { bool, list, maybe, num, obj, str, whole, word, words } from './shapes.js'
import { depicted, digits, dose, exerciseText, holdKind, orthosis, said, side } from './shared.js'

const language = words(['en', 'es'])
export const paired = obj({ token: str, firstName: str, language })
const phoneItem = obj({
  itemId: str,
  exerciseId: str,
  dose,
  loadUnit: maybe(str),
  orthosis,
  shapes: whole,
  /** How its time is spent. */
  timing: obj({ shapes: whole, turns: whole, moveSeconds: num, hold: holdKind }),
  /** The digits chosen for the patient, and who goes one after the other. */
  chosen: maybe(digits),
  inTurn: list(digits),
  painCap: whole,
  stop: list(str),
  minutesPerBout: num,
  isPaused: bool,
  text: obj({ en: exerciseText, es: exerciseText }),
  depicted,
})
export type PhoneItemAnswer = Static<typeof phoneItem>
const phoneFlag = obj({
  id: str,
  flag: word<RedFlag>(),
  act: word<RedFlagAct>(),
  isOfProtocol: bool,
  says: said,
})
export type PhoneFlagAnswer = Static<typeof phoneFlag>
/** A patient's day as the phone shows it. */
export const phoneToday = obj({
  today: str,
  firstName: str,
  language,
  side,
  digits,
  stopPain: whole,
  clinic: obj({ name: str, phone: str, outOfHours: str }),
  redLock: bool,
  program: maybe(obj({ id: str, number: whole, items: list(phoneItem) })),
  boutsToday: whole,
  /** What to know and what to change. */
  advice: list(said),
  /** What to report: first what the protocol names, then what holds for every hand. */
  redFlags: list(phoneFlag),
})
export type PhoneTodayAnswer = Static<typeof phoneToday>
export const boutStored = obj({ id: str, receivedAt: str, isNew: bool })
export const pairingCode = obj({ code: str, expiresAt: str })
