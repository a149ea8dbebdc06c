import type { Keying, Setter } from '#core/rig'
import { choose, fields, key, kinds, press, push } from './words'

const value: Setter = { how: 'steps', down: 'less', up: 'more', wraps: true, fast: { afterMs: 800, by: 10 } }
const bank: Setter = { how: 'steps', down: 'bankDown', up: 'bankUp', wraps: true, fast: null }
const shift: Setter = { how: 'steps', down: 'shift', up: 'shift', wraps: true, fast: null }

/** A switch is held to open it; one key walks through the fields, two change the value. */
export const walk: Keying = {
  manner: 'walk',
  keys: [
    key('field', 'Field'),
    key('less', 'Less'),
    key('more', 'More'),
    key('both', 'Less and More together'),
    key('bankDown', 'Bank down'),
    key('bankUp', 'Bank up'),
    key('shift', 'Shift'),
    key('copy', 'Copy'),
    key('lists', 'Lists'),
  ],
  fields: fields('short', value),
  kinds: kinds('short'),
  toSwitch: [
    choose('bank', bank, 'here'),
    choose('layer', shift, 'here'),
    choose('place', { how: 'itself', holdMs: 2000 }),
  ],
  toKept: [push('lists', 2000), choose('list', value), push('field'), choose('count', value), push('field')],
  reach: { how: 'through', next: 'field', back: null },
  clear: [press('both', 3000)],
  copy: {
    way: 'from',
    keys: [press('copy')],
    choose: [
      choose('bank', bank, 'here'),
      choose('layer', shift, 'here'),
      choose('place', { how: 'itself', holdMs: 0 }),
    ],
  },
  save: { keys: [press('field', 1000)], when: 'each' },
  cancel: [press('both')],
  losesOn: ['bank', 'power'],
  display: { shows: 'value', width: 3 },
}
