import { expect, it } from 'vitest'
import { exerciseOpenings } from '../index.js'
import { caseOf, catalogue } from '../../../../tests/core/shippedCatalogue.js'

const PLACED = 'placing is judged in a mode of its own, which the protocol opens later than moving by itself'
const SECOND_LOAD =
  'a push that does not move starts at 30 % of effort, the second load class; the step above at the first'
const TWISTING = 'bending a bar is loaded twisting, which protocols open late or leave to the therapist'
const FOLLOWING = 'the digits that follow are judged joint by joint where no rule speaks of tenodesis'
const INSIDE = 'it is done inside an orthosis of its own school; others never fit it and open the step above'
const OTHER_PART = 'the step asks another part, which this protocol opens earlier'

/** Steps whose harder rung opens earlier under some protocol, with everything recorded, and why that is so. */
const EARLIER: Readonly<Record<string, string>> = {
  'knuckle-lift-hold > edc-lift-wrapped': PLACED,
  'thumb-lift-hold > thumb-back-lift': PLACED,
  'thumb-o-assisted-hold > thumb-o-index': PLACED,
  'tenodesis-thumb > thumb-tip-joint-bend': FOLLOWING,
  'flexor-block-hold > flexor-half-fist-hold':
    'schools of placing and holding open it in the hinged orthosis first',
  'tip-blocked-fist-hold > flexor-block-hold': PLACED,
  'flexor-two-thirds-arc > glide-full-fist': INSIDE,
  'block-soft-fist-active > fist-gentle': INSIDE,
  'outrigger-knuckle-bend > edc-lift-wrapped': INSIDE,
  'outrigger-thumb-tip-bend > thumb-tip-joint-bend': INSIDE,
  'palm-block-straight-hook > edc-lift-free-up': INSIDE,
  'template-tip-bend > end-joint-bend-middle-straight': INSIDE,
  'tenodesis-in-block > tenodesis-free': INSIDE,
  'thumb-base-in-orthosis > thumb-l-open': INSIDE,
  'wrist-helped-sideways > wrist-sideways-table':
    'under a plate the hand moves by itself before another hand moves it',
  'flexor-fist-hold > tenodesis-free': PLACED,
  'ftr-middle-joint-glide > tenodesis-splint':
    'schools that move actively at once have no passive glide to open',
  'tenodesis-free > glide-five-positions':
    'after a fracture at the wrist the fingers are free and the wrist is not',
  'iso-grip-towel > dough-squeeze': SECOND_LOAD,
  'iso-palm-down > weight-forearm-turn': SECOND_LOAD,
  'iso-palm-up > weight-forearm-turn': SECOND_LOAD,
  'iso-wrist-back > band-wrist-back': SECOND_LOAD,
  'iso-wrist-bend > band-wrist-bend': SECOND_LOAD,
  'iso-thumb-side > weight-thumb-side': SECOND_LOAD,
  'iso-thumb-forward > band-thumb-open': SECOND_LOAD,
  'iso-dart-hold > band-dart-throw': SECOND_LOAD,
  'iso-finger-open > putty-ring-open': SECOND_LOAD,
  'iso-o-press > iso-index-side':
    'a press tip to tip opens the ligament of the thumb, a push of the index does not',
  'twistbar-palm-down > hammer-forearm-turn': TWISTING,
  'twistbar-palm-up > hammer-forearm-turn': TWISTING,
  'putty-squeeze > putty-one-finger-curl':
    'one finger starts in the softest putty, the whole hand a step above it',
  'glide-straight-fist > glide-full-fist':
    'protocols guard the straight fist by itself and open it after the full one',
  'wrist-helped-up-down > wrist-updown-side':
    'under a plate the hand moves by itself before another hand moves it',
  'middle-joint-bend-blocked > buddy-strap-bends': 'schools without a block never ask for it',
  'bottle-shake-steady > ball-toss': 'pushes to either side are opened by no rule of this school',
  'wall-ball-circles > table-lean-shift': 'circling under load is opened by no rule of this school',
  'hand-bones-one-two-spread > thumb-base-open-passive':
    'the thumb between the hand bones presses on what still heals, the pull on the bone does not',
  'thumb-back-lift > thumb-tip-taps':
    'the lift lays the palm on the table, and in a cast the forearm is not turned that far',
  'thumb-tip-taps > block-thumb-big-joint-taped': OTHER_PART,
  'thumb-spread-meet > thumb-tip-joint-bend-passive': OTHER_PART,
  'pickup-small > putty-key-pinch':
    'light use outside the orthosis waits for moderate use; the side pinch has a gate of its own',
  'texture-ladder > rice-dip': 'what moves rests on a rule, what only touches on the orthosis that stays on',
  'stress-scrub > stress-carry': 'weight through the hand opens after carrying',
  'elastic-open-wrist-straight > elastic-open-palm-up':
    'the thumb is named by no rule here and waits for the last phase',
  'palm-up-open-stretch > elastic-open-no-spread':
    'wrist and fingers open together later than the fingers alone',
  'palm-band-massage > finger-segment-straighten': 'what only touches waits until the orthosis comes off',
}

// An exercise is never open before the rung below it without a reason.
it('no harder rung opens before the easier one, except where the reason is written', () => {
  const found = new Set<string>()
  for (const protocol of catalogue.protocols.values()) {
    const state = caseOf(protocol.id, { day: 0 })
    const opens = (id: string) => {
      const exercise = catalogue.exercises.get(id)!
      const runs = exerciseOpenings(exercise, exercise.dose, state, 'byTimeAlone')
      return runs.find(({ kind }) => kind === 'clear' || kind === 'with-care')?.fromDay ?? Infinity
    }
    const fitting = [...catalogue.exercises.values()].filter((one) =>
      one.conditions.includes(protocol.condition),
    )
    for (const { id, ladder } of fitting)
      for (const harder of ladder.harder)
        if (fitting.some((one) => one.id === harder) && opens(harder) < opens(id))
          found.add(`${id} > ${harder}`)
  }
  expect([...found].sort()).toEqual(Object.keys(EARLIER).sort())
})
