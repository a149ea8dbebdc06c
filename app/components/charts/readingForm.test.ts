import { describe, expect, it } from 'vitest'
import { formatNames, parseNames } from './readingForm'

describe('named values as text', () => {
  it('come back as they were', () => {
    const names = [
      { value: 0, name: 'Scene 1' },
      { value: 64, name: 'Dotted eighth' },
    ]
    expect(parseNames(formatNames(names), 127)).toEqual(names)
    expect(parseNames('0: Hall\n\n 1 = Room ', 127)).toEqual([
      { value: 0, name: 'Hall' },
      { value: 1, name: 'Room' },
    ])
  })

  it.each([['Hall'], ['0 Hall\n0 Room'], ['128 Hall'], ['']])('are refused: %j', (text) => {
    expect(parseNames(text, 127)).toBeNull()
  })
})
