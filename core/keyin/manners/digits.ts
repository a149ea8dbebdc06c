import type { Keying, Setter } from '#core/rig'
import { choose, fields, key, kinds, press, push } from './words'

const places: Setter = { how: 'places', keys: ['thousands', 'hundreds', 'tens', 'ones'] }
const shift: Setter = { how: 'steps', down: 'shift', up: 'shift', wraps: true, fast: null }

/** Everything is a number; a key for each place of it raises its digit, and one takes it and goes on. */
export const digits: Keying = {
  manner: 'digits',
  keys: [
    key('edit', 'Edit'),
    key('thousands', '1000'),
    key('hundreds', '100'),
    key('tens', '10'),
    key('ones', '1'),
    key('ok', 'OK'),
    key('shift', 'Shift'),
    key('copy', 'Copy'),
    key('lists', 'Lists'),
    key('empty', 'Empty'),
    key('store', 'Store'),
  ],
  fields: fields('short', places),
  kinds: kinds('short'),
  toSwitch: [
    push('edit'),
    choose('bank', places),
    push('ok'),
    choose('layer', shift),
    choose('place', { how: 'itself', holdMs: 0 }),
  ],
  toKept: [push('lists'), choose('list', places), push('ok'), choose('count', places), push('ok')],
  reach: { how: 'through', next: 'ok', back: null },
  clear: [press('empty', 1000)],
  copy: {
    way: 'to',
    keys: [press('copy')],
    choose: [
      choose('bank', places, 'here'),
      push('ok'),
      choose('layer', shift, 'here'),
      choose('place', { how: 'itself', holdMs: 0 }),
    ],
  },
  save: { keys: [press('store')], when: 'each' },
  cancel: [press('edit')],
  losesOn: ['leave', 'power'],
  display: { shows: 'value', width: 4 },
}
