/** One answer of something that is looked at, and what it means for the work; `means` only where it changes something. */
export interface LookAnswer {
  readonly says: string
  readonly means?: string
}
export const LOOK_GROUPS = ['skin', 'tendon', 'own'] as const
export type LookGroup = (typeof LOOK_GROUPS)[number]

/** Something a therapist looks at and puts into one of a few words, the best first. */
export interface Look {
  readonly label: string
  readonly group: LookGroup
  readonly answers: readonly LookAnswer[]
}

const PLANE_ANSWERS: readonly LookAnswer[] = [
  { says: 'same as the other side' },
  { says: 'less' },
  { says: 'much less' },
]
const plane = (label: string): Look => ({ label, group: 'own', answers: PLANE_ANSWERS })

/**
 * What is looked at rather than measured, each as a few words in order, the best first. What the answers lead to: A7 and A8 (tendon),
 * A10 (flags) and A12 (heat, wraps) of the rules for all; the rest is common practice. The four planes are the patient's own
 * look at both wrists, side by side.
 */
export const LOOKS = {
  wound: {
    label: 'Wound or cut',
    group: 'skin',
    answers: [
      { says: 'closed' },
      { says: 'dry scab' },
      { says: 'open, clean', means: 'No wax, no water bath, no wrap or rubbing over it while it is open.' },
      {
        says: 'weeping or gaping',
        means:
          'Gaping: raise the skin flag on the Phase step. Tell the surgeon today; nothing over it but its dressing.',
      },
    ],
  },
  pinSites: {
    label: 'Pin sites',
    group: 'skin',
    answers: [
      { says: 'calm and dry' },
      { says: 'red around the pin', means: 'Look again within two days; go over the care of the pins.' },
      { says: 'weeping clear', means: 'Tell the surgeon’s team today.' },
      {
        says: 'pus, hot or loose',
        means: 'Infection or a loose pin until shown otherwise: raise the flag on the Phase step.',
      },
    ],
  },
  skinUnderOrthosis: {
    label: 'Skin under the orthosis',
    group: 'skin',
    answers: [
      { says: 'clear' },
      { says: 'red, fades within half an hour', means: 'Watch it; look again at the next visit.' },
      { says: 'red, stays', means: 'Adjust the orthosis before the patient leaves.' },
      {
        says: 'blister or broken',
        means: 'Raise the skin flag on the Phase step; mend the orthosis, do not leave the hand unprotected.',
      },
    ],
  },
  tenodesis: {
    label: 'Fingers follow the wrist',
    group: 'tendon',
    answers: [
      { says: 'they follow' },
      {
        says: 'they follow less than on the other side',
        means: 'Adhesion likely: compare active with passive.',
      },
      {
        says: 'they do not follow',
        means: 'Rupture, dense adhesion or a long tendon: no load; the surgeon looks at it.',
      },
    ],
  },
  scarDimple: {
    label: 'Scar while the finger moves',
    group: 'tendon',
    answers: [
      { says: 'glides over what is below' },
      {
        says: 'dimples',
        means: 'The skin sticks to the tendon: gliding and work on the scar, once the wound allows.',
      },
      {
        says: 'dimples and stops the finger',
        means: 'The skin holds the tendon: tell the surgeon if it stays so.',
      },
    ],
  },
  clawing: {
    label: 'Clawing of ring and little finger',
    group: 'tendon',
    answers: [
      { says: 'none' },
      {
        says: 'when the fingers straighten',
        means: 'Small muscles weak: keep the MCP joints from going back.',
      },
      { says: 'at rest', means: 'Ulnar nerve: tell the surgeon if this is new or grows.' },
    ],
  },
  wasting: {
    label: 'Muscles of the hand thinner',
    group: 'tendon',
    answers: [
      { says: 'as on the other side' },
      { says: 'a little thinner', means: 'Note where. New or growing: refer, do not glide.' },
      { says: 'clearly thinner', means: 'New or growing: refer, do not glide.' },
    ],
  },
  lookUp: plane('Wrist up'),
  lookDown: plane('Wrist down'),
  lookThumbSide: plane('Wrist to the thumb side'),
  lookLittleSide: plane('Wrist to the little-finger side'),
} as const satisfies Readonly<Record<string, Look>>
export type LookName = keyof typeof LOOKS
export const LOOK_NAMES = Object.keys(LOOKS) as LookName[]

export function isLook(word: string): word is LookName {
  return Object.hasOwn(LOOKS, word)
}

/** The words of an answer with what it leads to. */
export function lookAnswer(name: LookName, answer: number): LookAnswer | null {
  const { answers }: Look = LOOKS[name]
  return answers[answer] ?? null
}
