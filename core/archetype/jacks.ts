import type { Port, Role, RoleOf } from '#core/rig'

/** Words for the jacks of archetypes: each makes one jack, or one role of a shared jack. */

type Fields<Kind extends Role['kind']> = Partial<Omit<RoleOf<Kind>, 'kind'>>

const jack = (id: string, name: string, ...roles: Role[]): Port => ({
  id,
  name,
  roles,
  role: 0,
  factoryRole: 0,
})

export const midiIn = (plug: RoleOf<'midiIn'>['plug'], fields: Fields<'midiIn'> = {}): Role => ({
  kind: 'midiIn',
  plug,
  merges: false,
  phantom: 'none',
  ...fields,
})

export const midiOut = (plug: RoleOf<'midiOut'>['plug'], fields: Fields<'midiOut'> = {}): Role => ({
  kind: 'midiOut',
  plug,
  isThru: false,
  passes: 'never',
  blocks: [],
  phantom: 'none',
  ...fields,
})

export const dinIn = (id = 'in', name = 'MIDI in'): Port => jack(id, name, midiIn('din'))
export const dinOut = (id = 'out', name = 'MIDI out'): Port => jack(id, name, midiOut('din'))
export const dinThru = (passes: 'always' | 'on' | 'off' = 'always', id = 'thru', name = 'MIDI thru'): Port =>
  jack(id, name, midiOut('din', { isThru: true, passes }))
export const trsIn = (type: 'A' | 'B', id = 'in', name = 'MIDI in'): Port =>
  jack(id, name, midiIn(`trs${type}`))
export const trsOut = (
  type: 'A' | 'B',
  fields: Fields<'midiOut'> = {},
  id = 'out',
  name = 'MIDI out',
): Port => jack(id, name, midiOut(`trs${type}`, fields))

export const usbDevice = (passes: 'never' | 'on' | 'off' = 'never'): Port =>
  jack('usb', 'USB', { kind: 'usb', end: 'device', passes })
export const usbHost = (id = 'host', name = 'USB host', passes: 'always' | 'on' | 'never' = 'always'): Port =>
  jack(id, name, { kind: 'usb', end: 'host', passes })
export const air = (passes: 'never' | 'always' = 'never'): Port =>
  jack('air', 'Bluetooth', { kind: 'air', passes })

export const switchOut = (fields: Fields<'switchOut'> = {}): Role => ({
  kind: 'switchOut',
  poles: 1,
  rest: 'open',
  first: 'tip',
  does: [],
  by: 'relay',
  action: 'momentary',
  ...fields,
})

export const switchIn = (fields: Fields<'switchIn'> = {}): Role => ({
  kind: 'switchIn',
  poles: 1,
  rest: 'open',
  first: 'tip',
  does: [],
  action: 'momentary',
  ...fields,
})

export const expressionIn: Role = { kind: 'expressionIn', wiper: 'tip' }
export const expressionOut: Role = { kind: 'expressionOut', wiper: 'tip' }

export const switchingOut = (id: string, name: string, fields: Fields<'switchOut'> = {}): Port =>
  jack(id, name, switchOut(fields))
export const switchingIn = (id: string, name: string, fields: Fields<'switchIn'> = {}): Port =>
  jack(id, name, switchIn(fields))
export const expression = (id = 'exp', name = 'Expression'): Port => jack(id, name, expressionIn)

/** Sound in and out: of a box, of a loop, of an amp. */
export const soundIn = (
  sound: 'mono' | 'stereo' = 'mono',
  use: RoleOf<'audioIn'>['use'] = 'main',
  id = 'input',
  name = 'Input',
): Port => jack(id, name, { kind: 'audioIn', sound, use })
export const soundOut = (
  sound: 'mono' | 'stereo' = 'mono',
  use: RoleOf<'audioOut'>['use'] = 'main',
  id = 'output',
  name = 'Output',
  isolated = false,
): Port => jack(id, name, { kind: 'audioOut', sound, use, isolated })
export const soundLoop = (): Port[] => [
  soundOut('mono', 'send', 'send', 'Send'),
  soundIn('mono', 'return', 'return', 'Return'),
]
export const headphones = (): Port => soundOut('stereo', 'headphones', 'phones', 'Headphones')

/** A jack with several roles, set at the factory to the first. */
export const shared = (id: string, name: string, ...roles: Role[]): Port => jack(id, name, ...roles)

/** 9 V DC, centre negative, as most pedals take (common practice). */
export const power = (milliamps: number, fields: Partial<Omit<RoleOf<'powerIn'>, 'kind'>> = {}): Port =>
  jack('power', 'Power', {
    kind: 'powerIn',
    volts: 9,
    current: 'dc',
    centre: 'negative',
    milliamps,
    ...fields,
  })

export const outlet = (
  number: number,
  milliamps: number,
  fields: Partial<Omit<RoleOf<'powerOut'>, 'kind'>> = {},
): Port =>
  jack(`outlet${number}`, `Outlet ${number}`, {
    kind: 'powerOut',
    volts: 9,
    current: 'dc',
    centre: 'negative',
    milliamps,
    ...fields,
  })
