import type { Adapter, Lead } from '#core/rig'

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

/** "DIN cable with a DIN to TRS type A adapter". */
export const partsText = ({ lead, adapters }: { lead: Lead; adapters: readonly Adapter[] }): string =>
  [LEAD_TEXT[lead], ...adapters.map((adapter) => `with ${ADAPTER_TEXT[adapter]}`)].join(' ')

/** "60 cm", "6 m", "1.5 m". */
export const lengthText = (centimetres: number): string =>
  centimetres < 100 ? `${centimetres} cm` : `${centimetres / 100} m`
