import type { Plug, Role, RoleKind } from '#core/rig'

/** What a jack is used as. */
export const ROLE_TEXT: Record<RoleKind, string> = {
  midiIn: 'MIDI in',
  midiOut: 'MIDI out',
  usb: 'USB',
  air: 'Bluetooth',
  switchOut: 'switching out',
  switchIn: 'footswitch in',
  expressionOut: 'expression pedal',
  expressionIn: 'expression in',
  audioOut: 'sound out',
  audioIn: 'sound in',
  powerOut: 'power out',
  powerIn: 'power in',
}

export const PLUG_TEXT: Record<Plug, string> = {
  din: 'DIN',
  trsA: 'TRS type A',
  trsB: 'TRS type B',
  trrs: 'TRRS',
}

/** What a sound jack is for. */
export const SOUND_USE = {
  instrument: 'instrument out',
  main: 'sound',
  send: 'send',
  return: 'return',
  headphones: 'headphones',
  amp: 'amp input',
  mixer: 'mixer input',
} as const

/** "DIN", "TRS type B", "USB device", "switching, 2 contacts": what a player sees at the jack. */
export function roleText(role: Role): string {
  switch (role.kind) {
    case 'midiIn':
      return `${PLUG_TEXT[role.plug]} in`
    case 'midiOut':
      return `${PLUG_TEXT[role.plug]} ${role.isThru ? 'thru' : 'out'}`
    case 'usb':
      return `USB ${role.end}`
    case 'air':
      return 'Bluetooth'
    case 'switchOut':
    case 'switchIn':
      return `${ROLE_TEXT[role.kind]}${role.poles === 2 ? ', two contacts' : ''}`
    case 'expressionIn':
    case 'expressionOut':
      return ROLE_TEXT[role.kind]
    case 'audioIn':
    case 'audioOut':
      return `${SOUND_USE[role.use]}, ${role.sound}`
    case 'powerIn':
    case 'powerOut':
      return `${role.volts} V ${role.current.toUpperCase()}, ${role.milliamps} mA`
  }
}
