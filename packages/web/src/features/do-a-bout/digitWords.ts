import type { Digit } from '@pledge/core'
import { useI18n } from 'vue-i18n'
import type { PhoneItem } from './phoneApi'

/** Digits as the patient reads them, in the language of the page. */
export function useDigitWords() {
  const { t, locale } = useI18n()
  /** "ring finger and little finger" */
  const named = (digits: readonly Digit[]) =>
    new Intl.ListFormat(locale.value).format(digits.map((digit) => t(`digit.${digit}`)))
  /** With which digits an exercise is done; `null` where none were chosen for the patient. */
  function chosenWords({ chosen, inTurn }: PhoneItem): string | null {
    if (!chosen || chosen.length === 0) return null
    return t((inTurn ?? []).length > 1 ? 'withInTurn' : 'withOnly', { fingers: named(chosen) })
  }
  return { named, chosenWords }
}
