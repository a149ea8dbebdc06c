import type { Role } from '#core/rig'
import { SOUND_USE } from '~/text/jacks'

/** One setting of a jack's role the player may change: a field with its choices. */
export interface RoleSetting {
  readonly field: string
  readonly label: string
  readonly value: string | number
  readonly choices: readonly { readonly value: string | number; readonly text: string }[]
}

const choice = (value: string | number, text: string) => ({ value, text })
const setting = (
  field: string,
  label: string,
  value: string | number,
  ...choices: RoleSetting['choices'][number][]
): RoleSetting => ({ field, label, value, choices })

const plug = (value: string) =>
  setting(
    'plug',
    'Socket',
    value,
    choice('din', 'DIN'),
    choice('trsA', 'TRS type A'),
    choice('trsB', 'TRS type B'),
    choice('trrs', 'TRRS'),
  )
const phantom = (value: string) =>
  setting(
    'phantom',
    'Power on the spare pins',
    value,
    choice('none', 'None'),
    choice('gives', 'Gives power'),
    choice('takes', 'Lives on it'),
  )
const passes = (value: string) =>
  setting(
    'passes',
    'Hands on what comes in',
    value,
    choice('always', 'Always'),
    choice('on', 'Setting, on'),
    choice('off', 'Setting, off'),
    choice('never', 'Never'),
  )
const wiper = (value: string) =>
  setting('wiper', 'Wiper on', value, choice('tip', 'Tip'), choice('ring', 'Ring'))
const rest = (value: string) =>
  setting(
    'rest',
    'At rest',
    value,
    choice('open', 'Open (normally open)'),
    choice('closed', 'Closed (normally closed)'),
  )
const first = (value: string) =>
  setting('first', 'Number one on', value, choice('tip', 'Tip'), choice('ring', 'Ring'))
const poles = (value: number) =>
  setting('poles', 'Contacts', value, choice(1, 'One (TS)'), choice(2, 'Two (TRS)'))

const sound = (value: string) =>
  setting('sound', 'Signal', value, choice('mono', 'Mono'), choice('stereo', 'Stereo'))

const isFor = (value: string, uses: readonly (keyof typeof SOUND_USE)[]) =>
  setting('use', 'Is for', value, ...uses.map((one) => choice(one, SOUND_USE[one])))

/** What can be set about a jack in this role, beside numbers. */
export function roleSettings(role: Role): RoleSetting[] {
  switch (role.kind) {
    case 'midiIn':
      return [plug(role.plug), phantom(role.phantom)]
    case 'midiOut':
      return [
        plug(role.plug),
        passes(role.passes),
        setting(
          'clock',
          'Clock, start and stop',
          role.clock ?? 'passes',
          choice('passes', 'Leave by it'),
          choice('kept', 'Kept back'),
        ),
        phantom(role.phantom),
      ]
    case 'usb':
      return [
        setting('end', 'USB end', role.end, choice('device', 'Device'), choice('host', 'Host')),
        passes(role.passes),
      ]
    case 'air':
      return [passes(role.passes)]
    case 'switchOut':
      return [
        poles(role.poles),
        rest(role.rest),
        setting(
          'action',
          'Acts',
          role.action,
          choice('momentary', 'Momentary'),
          choice('latching', 'Latching'),
        ),
        setting('by', 'Made by', role.by, choice('relay', 'A relay'), choice('foot', 'A foot')),
        ...(role.poles === 2 ? [first(role.first)] : []),
      ]
    case 'switchIn':
      return [
        poles(role.poles),
        rest(role.rest),
        setting(
          'action',
          'Wants',
          role.action,
          choice('momentary', 'Momentary'),
          choice('latching', 'Latching'),
          choice('either', 'Either'),
        ),
        ...(role.poles === 2 ? [first(role.first)] : []),
      ]
    case 'expressionIn':
    case 'expressionOut':
      return [wiper(role.wiper)]
    case 'audioIn':
      return [sound(role.sound), isFor(role.use, ['main', 'return', 'amp', 'mixer'])]
    case 'audioOut':
      return [sound(role.sound), isFor(role.use, ['instrument', 'main', 'send', 'headphones'])]
    case 'powerIn':
    case 'powerOut':
      return [
        setting('current', 'Kind', role.current, choice('dc', 'DC'), choice('ac', 'AC')),
        setting(
          'centre',
          'Centre',
          role.centre,
          choice('negative', 'Negative'),
          choice('positive', 'Positive'),
        ),
      ]
  }
}
