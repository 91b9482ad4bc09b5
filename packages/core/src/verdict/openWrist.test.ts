import { describe, expect, it } from 'vitest'
import { openWristsThatDecide, unhinderedPatient, type Exercise } from '../index.js'
import { catalogue } from '../../../../tests/core/shippedCatalogue.js'

const exercise = (id: string) => catalogue.exercises.get(id)!
const patientOf = (protocolId: string) => {
  const protocol = catalogue.protocols.get(protocolId)!
  return unhinderedPatient(protocol, catalogue.conditions.get(protocol.condition)!)
}
/** The entry as if nobody had said how the wrist is kept. */
function withOpenWrist(entry: Exercise): Exercise {
  const open = ({ wristFlexion: _left, ...pose }: Exercise['start']) => pose
  return { ...entry, start: open(entry.start), shapes: entry.shapes.map(open) }
}

describe('a wrist that an exercise of the digits leaves open', () => {
  it('matters where straight fingers and a wrist far back are barred together', () => {
    expect(
      openWristsThatDecide(withOpenWrist(exercise('tabletop-bend')), [patientOf('FT-DURAN')], 100),
    ).toEqual([
      { protocol: 'FT-DURAN', day: 28, wristFlexionDeg: -40, asWritten: 'clear', withWristThere: 'not-yet' },
    ])
  })

  it('matters where a rule asks for the wrist, and nothing ever opens without it', () => {
    const [found] = openWristsThatDecide(withOpenWrist(exercise('fist-gentle')), [patientOf('CTS-REL')], 100)
    expect(found).toMatchObject({ day: 0, asWritten: 'not-yet', withWristThere: 'clear' })
  })

  it.each([
    ['that states it', exercise('tabletop-bend'), 'FT-DURAN'],
    ['that moves it', exercise('wrist-updown-active'), 'DRF-CAST'],
    ['that moves no digit', withOpenWrist(exercise('forearm-turn-active')), 'DRF-CAST'],
    ['under a protocol to which it makes no difference', withOpenWrist(exercise('fist-gentle')), 'LET'],
  ])('does not matter in an exercise %s', (_case, entry, protocol) => {
    expect(openWristsThatDecide(entry, [patientOf(protocol)], 100)).toEqual([])
  })

  it('is looked for until the last day and no longer', () => {
    const open = withOpenWrist(exercise('tabletop-bend'))
    expect(openWristsThatDecide(open, [patientOf('FT-DURAN')], 27)).toEqual([])
  })
})
