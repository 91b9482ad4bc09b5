import type { CriterionAnswer } from '@pledge/contract'
import { dayText } from '../../shared/words'

export const STATUS_WORDS: Readonly<Record<CriterionAnswer['status'], string>> = {
  met: 'met',
  neverRecorded: 'not recorded',
  withdrawn: 'withdrawn',
  stale: 'measure again',
  notSo: 'not met',
}
export const HOW_WORDS: Readonly<Record<string, string>> = {
  letter: 'by letter',
  phone: 'by phone',
  inPerson: 'in person',
  film: 'film seen',
  examined: 'on examination',
  measured: 'measured',
}

/** "Dr. P. Hallam-Ito, by letter, 3 Nov", with what was scored. */
export function whoGave(criterion: CriterionAnswer): string {
  const { latest } = criterion
  if (!latest) return ''
  if (latest.reading) {
    // Pain from day to day is nobody's word.
    const who = latest.givenBy ? `${latest.givenBy}, ${dayText(latest.dated)}` : 'as of today'
    return `${latest.reading} · ${who}`
  }
  const score = latest.value === 'true' ? '' : latest.value === 'false' ? 'no, ' : `${latest.value}, `
  if (latest.isWithdrawn) return `withdrawn ${dayText(latest.dated)} by ${latest.recordedBy}: ${latest.note}`
  return `${score}${latest.givenBy}, ${HOW_WORDS[latest.how] ?? latest.how}, ${dayText(latest.dated)}`
}
