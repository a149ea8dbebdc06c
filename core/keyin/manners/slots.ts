import type { Keying, Setter } from '#core/rig'
import { choose, fields, key, kinds, press, push } from './words'

const number: Setter = { how: 'cursor', left: 'left', right: 'right', down: 'down', up: 'up' }
const word: Setter = { how: 'steps', down: 'down', up: 'up', wraps: true, fast: { afterMs: 600, by: 5 } }

/** A list of message slots for each switch, a row each; a row is opened and its digits are set under a cursor. */
export const slots: Keying = {
  manner: 'slots',
  keys: [
    key('edit', 'Edit'),
    key('up', 'Up'),
    key('down', 'Down'),
    key('left', 'Left'),
    key('right', 'Right'),
    key('ok', 'OK'),
    key('back', 'Back'),
    key('copy', 'Paste from'),
    key('lists', 'Lists'),
    key('empty', 'Empty'),
    key('save', 'Save'),
  ],
  fields: fields('long', number, word),
  kinds: kinds('long'),
  toSwitch: [
    push('edit', 1000),
    choose('bank', number),
    push('ok'),
    choose('layer', word),
    push('ok'),
    choose('place', number),
    push('ok'),
  ],
  toKept: [push('lists', 1000), choose('list', word), push('ok'), choose('count', number), push('ok')],
  reach: { how: 'enter', down: 'down', up: 'up', enter: 'ok', next: 'ok', back: 'back' },
  clear: [press('empty', 1000)],
  copy: {
    way: 'from',
    keys: [press('copy')],
    choose: [
      choose('bank', number, 'here'),
      push('ok'),
      choose('layer', word, 'here'),
      push('ok'),
      choose('place', number, 'here'),
      push('ok'),
    ],
  },
  save: { keys: [press('save')], when: 'each' },
  cancel: [press('back', 1000)],
  losesOn: ['bank', 'power'],
  display: { shows: 'row', width: 24 },
}
