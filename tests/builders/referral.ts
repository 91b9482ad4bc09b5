import { digitsAsked, surgeonsClearances, type Criterion, type Protocol } from '@pledge/core'
import { catalogue } from '../core/shippedCatalogue.js'

/** The answer that makes a fact hold. */
export const answerTo = (criterion: Criterion) => ({
  what: criterion.name,
  value: criterion.kind === 'number' ? criterion.limit : true,
})
/** A referral to a school, with every fact it rests on and every clearance of the surgeon. */
export function referralFor(protocol: Protocol, changes: object = {}) {
  return {
    name: `Patient of ${protocol.id}`,
    birthDate: '1970-05-01',
    // Every referral of a test is somebody of their own, also where names are the same.
    samePersonAs: null,
    otherHand: 'well',
    dominantHand: 'right',
    language: 'en',
    hasLatexAllergy: false,
    hasAdhesiveAllergy: false,
    conditionId: protocol.condition,
    protocolId: protocol.id,
    side: 'left',
    digits:
      digitsAsked(protocol, catalogue.conditions.get(protocol.condition)!) === 'fingers' ? ['ring'] : [],
    selection: protocol.select.map(answerTo),
    injuredOn: '2031-03-21',
    anchorOn: '2031-03-21',
    surgeon: 'Dr. P. Hallam-Ito',
    letterOn: '2031-03-22',
    clearances: surgeonsClearances(protocol).map(({ text }) => text),
    restrictions: [],
    work: '',
    note: '',
    ...changes,
  }
}
