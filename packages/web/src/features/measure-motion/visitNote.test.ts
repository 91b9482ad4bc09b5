import { placeOfKey, typedReading, type Reading } from '@pledge/core'
import { describe, expect, it } from 'vitest'
import { visitNote } from './visitNote'

const typed = (all: Record<string, string>): Reading[] =>
  Object.entries(all).map(([key, text]) => {
    const place = placeOfKey(key)
    const cell = typedReading(place.measure, text)
    if (cell.name !== 'read') throw new Error(`${key} is ${cell.name}`)
    return { ...place, result: cell.result }
  })
const TASK = '01J00000000000000000000001'
const head = {
  day: 46,
  anchor: 'surgery',
  isFlexorTendon: true,
  tasks: [{ id: TASK, words: 'Open the jar' }],
}
const bench = {
  side: 'left' as const,
  by: 'noor',
  visits: [
    {
      on: '2031-04-01',
      by: 'noor',
      readings: typed({ 'painAct...': '6', 'wristExtension..left.active': '40' }),
    },
  ],
}

describe('the note of a visit', () => {
  const note = visitNote(
    typed({
      'painAct...': '3',
      'mcp.ring.left.active': '0/80',
      'pip.ring.left.active': '25/85',
      'dip.ring.left.active': '5/40',
      'pip.ring.left.passive': '10/95',
      'wristExtension..left.active': '50',
      'wristExtension..right.active': '70',
    }),
    bench,
    head,
  )
  it('tells what was read, what it means and what changed, line by line', () => {
    expect(note.split('\n')).toEqual([
      'Day 46 since surgery.',
      'Pain while moving 3 of 10, 3 less than on 1 Apr, 50 % less; a change that matters.',
      expect.stringMatching(
        /^Ring finger: active MCP 0\/80, PIP 25\/85, DIP 5\/40; passive PIP 10\/95; TAM 175°/,
      ),
      'Wrist extension, active 50°; 71 % of the other side; +10° since 1 Apr, beyond error (±7°).',
      'Other side: 1 reading taken.',
    ])
    expect(note).toContain('PIP: contracture 10° and lag 15°')
  })
  it('tells in words what was looked at and felt, and their own tasks by name', () => {
    const readings = typed({
      'wound..left.': '2',
      'filament..left..index.tip.front.ulnar': 'n',
      'filament..left..thumb.tip.front.radial': '2.83',
      'twoPoint..left..index.tip.front.ulnar': '6',
      'scarStiffness..left.': '4',
      [`task....${TASK}`]: '3',
    })
    expect(visitNote(readings, bench, head).split('\n')).toEqual([
      'Day 46 since surgery.',
      'Scar: stiffness 4 of 10.',
      'Wound or cut: open, clean.',
      'Lightest filament felt: thumb, tip, palm side, outer half 2.83 (normal); index finger, tip, palm side, little-finger half (none felt).',
      'Two points, resting: index finger, tip, palm side, little-finger half 6 mm (fair).',
      '“Open the jar”: 3 of 10.',
    ])
  })
  it('says nothing that was not measured', () => {
    expect(visitNote(typed({ 'painRest...': '1' }), bench, head)).toBe(
      'Day 46 since surgery.\nPain at rest 1 of 10.',
    )
    expect(note).not.toContain('rest')
  })
})
