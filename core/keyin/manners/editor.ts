import type { Keying, Setter } from '#core/rig'
import { choose, fields, key, kinds, press } from './words'

const pick: Setter = { how: 'pick' }
const typed: Setter = { how: 'digits', enter: null }

/** An editor on a computer or phone: everything is pointed at or typed, and sent to the controller when all is done. */
export const editor: Keying = {
  manner: 'editor',
  keys: [
    key('tab', 'Tab'),
    key('copy', 'Copy'),
    key('paste', 'Paste'),
    key('empty', 'Empty'),
    key('undo', 'Close without keeping'),
    key('send', 'Send to controller'),
  ],
  fields: fields('long', typed, pick, { how: 'type' }),
  kinds: kinds('long'),
  toSwitch: [choose('bank', pick, 'here'), choose('layer', pick, 'here'), choose('place', pick)],
  toKept: [choose('list', pick), choose('count', pick)],
  reach: { how: 'direct', next: 'tab' },
  clear: [press('empty')],
  copy: {
    way: 'to',
    keys: [press('copy')],
    choose: [
      choose('bank', pick, 'here'),
      choose('layer', pick, 'here'),
      choose('place', pick),
      { do: 'press', key: 'paste', holdMs: 0 },
    ],
  },
  save: { keys: [press('send')], when: 'end' },
  cancel: [press('undo')],
  losesOn: ['leave', 'power'],
  display: { shows: 'row', width: 60 },
}
