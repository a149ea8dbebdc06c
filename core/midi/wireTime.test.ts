import { expect, it } from 'vitest'
import { MICROSECONDS_PER_BYTE, wireTime } from './wireTime'

// M1 v4.2.1, "Hardware": 31,250 baud, ten bits a byte; from memory.
it('takes 320 µs a byte, 640 µs a program change, 960 µs a control change', () => {
  expect([MICROSECONDS_PER_BYTE, wireTime(2), wireTime(3)]).toEqual([320, 640, 960])
})
