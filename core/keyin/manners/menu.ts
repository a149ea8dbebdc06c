import type { Keying, Setter } from '#core/rig'
import { choose, fields, key, kinds, press, push } from './words'

const dial: Setter = { how: 'steps', down: 'left', up: 'right', wraps: false, fast: null }

/** A menu on a display with a dial that turns and is pushed; two keys move the cursor. */
export const menu: Keying = {
  manner: 'menu',
  keys: [
    key('menu', 'Menu'),
    key('left', 'Dial left', true),
    key('right', 'Dial right', true),
    key('push', 'Push the dial'),
    key('before', 'Cursor left'),
    key('next', 'Cursor right'),
    key('copy', 'Copy from'),
    key('empty', 'Empty'),
    key('save', 'Save'),
    key('exit', 'Exit'),
  ],
  fields: fields('long', dial),
  kinds: kinds('long'),
  toSwitch: [
    push('menu'),
    choose('bank', dial),
    push('push'),
    choose('layer', dial),
    push('push'),
    choose('place', dial),
    push('push'),
  ],
  toKept: [push('menu', 1000), choose('list', dial), push('push'), choose('count', dial), push('push')],
  reach: { how: 'through', next: 'next', back: 'before' },
  clear: [press('empty'), press('push')],
  copy: {
    way: 'from',
    keys: [press('copy')],
    choose: [
      choose('bank', dial, 'here'),
      push('push'),
      choose('layer', dial, 'here'),
      push('push'),
      choose('place', dial, 'here'),
      push('push'),
    ],
  },
  save: { keys: [press('save'), press('push')], when: 'each' },
  cancel: [press('exit')],
  losesOn: ['leave', 'power'],
  display: { shows: 'named', width: 20 },
}
