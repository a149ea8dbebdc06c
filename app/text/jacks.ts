import type { Adapter, Lead, Plug, Role, RoleKind } from '#core'

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

export const LEAD_TEXT: Record<Lead, string> = {
  din3: 'DIN cable',
  din5: 'DIN cable, all five pins wired',
  trs: 'TRS cable',
  trrs: 'TRRS cable',
  ts: 'TS cable',
  usb: 'USB cable',
  air: 'Bluetooth link',
  power: 'power cable',
}

export const ADAPTER_TEXT: Record<Adapter, string> = {
  cross: 'adapter that swaps tip and ring',
  dinTrsA: 'DIN to TRS type A adapter',
  dinTrsB: 'DIN to TRS type B adapter',
  trrsTrs: 'TRRS to TRS adapter',
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

/** "DIN cable with a DIN to TRS type A adapter". */
export const partsText = ({ lead, adapters }: { lead: Lead; adapters: readonly Adapter[] }): string =>
  [LEAD_TEXT[lead], ...adapters.map((adapter) => `with ${ADAPTER_TEXT[adapter]}`)].join(' ')

/** "60 cm", "6 m", "1.5 m". */
export const lengthText = (centimetres: number): string =>
  centimetres < 100 ? `${centimetres} cm` : `${centimetres / 100} m`
