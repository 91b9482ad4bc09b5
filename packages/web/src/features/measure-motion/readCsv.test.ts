import { describe, expect, it } from 'vitest'
import { readCsv } from './readCsv'

const bytes = (text: string) => new TextEncoder().encode(text).buffer as ArrayBuffer
const HEADER = 'Date;Joint;Finger;Side;Kind;Value'

describe('a file of readings', () => {
  it('may begin with a byte order mark, use semicolons and have decimal commas', () => {
    expect(readCsv(bytes(`\uFEFF${HEADER}\r\n2031-04-01;grip;;left;;"31,5 29"\r\n`))).toEqual({
      name: 'table',
      header: HEADER.split(';'),
      rows: [['2031-04-01', 'grip', '', 'left', '', '31,5 29']],
      note: '',
    })
    const tabs = readCsv(bytes('Date\tJoint\tValue\n2031-04-01\tgrip\t30\n'))
    expect(tabs).toMatchObject({ rows: [['2031-04-01', 'grip', '30']] })
    expect(readCsv(bytes('Date,Value\n2031-04-01,30'))).toMatchObject({ header: ['Date', 'Value'] })
  })

  it('that is not UTF-8 is read as the old encoding, and says so', () => {
    const old = Uint8Array.from(
      [...'Fecha;Articulaci']
        .map((one) => one.charCodeAt(0))
        .concat(
          [0xf3],
          [...'n\n1;2'].map((one) => one.charCodeAt(0)),
        ),
    )
    expect(readCsv(old.buffer)).toMatchObject({
      header: ['Fecha', 'Articulación'],
      note: expect.stringContaining('windows-1252'),
    })
  })

  it('that is broken is refused as a whole, with what to do', () => {
    expect(readCsv(bytes(`${HEADER}\n2031-04-01;"grip;;left`))).toMatchObject({
      name: 'refused',
      message: expect.stringContaining('Row 2'),
    })
    expect(readCsv(bytes(HEADER))).toMatchObject({ message: expect.stringContaining('no row') })
    expect(readCsv(bytes(''))).toMatchObject({ name: 'refused' })
    expect(readCsv(new ArrayBuffer(5_000_001))).toMatchObject({ message: expect.stringContaining('5 MB') })
  })
})
