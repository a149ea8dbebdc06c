import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import { requireChannel } from '../../base/channel'
import { encodeMessages } from '../../midi/encode'
import { addressOf, indexOfAddress, recallMessages } from './address'
import { anyNumbering } from './testing/makeNumbering'
import { numberingSchema, PLAIN_128, type Numbering } from './numbering'

const reverb: Numbering = { ...PLAIN_128, count: 300, bankSelect: 'both' }
const bytes = (numbering: Numbering, index: number) => [
  ...encodeMessages(recallMessages(numbering, requireChannel(5), index)),
]

describe('what is sent', () => {
  // M1 v4.2.1, "Bank Select": 128 programs a bank, so preset 300 is 2 x 128 + 43; from memory.
  it('puts preset 300 in bank 2, program 43', () => {
    expect(addressOf(reverb, 299)).toEqual({ bank: 2, program: 43 })
    expect(bytes(reverb, 299)).toEqual([0xb4, 0, 0, 0xb4, 32, 2, 0xc4, 43])
  })

  // M1 v4.2.1: bank = CC 0 x 128 + CC 32; 16,384 banks; from memory.
  it('splits a bank above 127 over both controllers', () => {
    expect(bytes({ ...PLAIN_128, count: 16_384, bankSelect: 'both', programsPerBank: 1 }, 300)).toEqual([
      0xb4, 0, 2, 0xb4, 32, 44, 0xc4, 0,
    ])
  })

  it('selects no bank on a device that has none, and with the one controller it obeys', () => {
    expect(bytes(PLAIN_128, 127)).toEqual([0xc4, 127])
    expect(bytes({ ...reverb, bankSelect: 'msb' }, 299)).toEqual([0xb4, 0, 2, 0xc4, 43])
    expect(bytes({ ...reverb, bankSelect: 'lsb' }, 299)).toEqual([0xb4, 32, 2, 0xc4, 43])
  })

  it('comes back over the whole range of any numbering', () => {
    fc.assert(
      fc.property(anyNumbering, (numbering) => {
        const range = Array.from({ length: numbering.count }, (_, index) => index)
        expect(range.map((index) => indexOfAddress(numbering, addressOf(numbering, index)))).toEqual(range)
      }),
      generated(60, 51),
    )
  })

  it('has no preset at an address beyond the device', () => {
    expect(indexOfAddress(reverb, { bank: 2 as never, program: 44 as never })).toBeNull()
    expect(
      indexOfAddress(
        { ...PLAIN_128, count: 100, programsPerBank: 100 },
        { bank: 0 as never, program: 100 as never },
      ),
    ).toBeNull()
  })
})

describe('numberings the schema refuses', () => {
  it.each([
    [{ ...PLAIN_128, count: 129 }, ['count']],
    [{ ...PLAIN_128, count: 0 }, ['count']],
    [{ ...PLAIN_128, count: 20_000, bankSelect: 'both' }, ['count']],
    [{ ...PLAIN_128, first: 2 }, ['first']],
  ])('%#', (numbering, path) => {
    expect(numberingSchema.safeParse(numbering).error?.issues[0]?.path).toEqual(path)
  })
})
