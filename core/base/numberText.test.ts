import { expect, it } from 'vitest'
import { fixedText, numberText } from './numberText'

it('writes a number with a point, no idle zeros where none are asked for, and never -0', () => {
  expect([12.5, 12, -0.04, 0].map((value) => numberText(value, 1))).toEqual(['12.5', '12', '0', '0'])
  expect([12.5, -0.001, -1.005, 59.96].map((value) => fixedText(value, 1))).toEqual([
    '12.5',
    '0.0',
    '-1.0',
    '60.0',
  ])
})
