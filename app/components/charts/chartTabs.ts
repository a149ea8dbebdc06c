import { own } from '#core/base'
import { controlsOf } from '#core/chart'
import type { Finding } from '#core/check'
import type { Device, Rig } from '#core/rig'

export type ChartTab = 'controls' | 'presets' | 'relays' | 'pairs'

/** The parts of one device's chart. Contacts only where there are some. */
export function chartTabs(
  rig: Rig,
  device: Device,
  found: readonly Finding[],
): { key: ChartTab; text: string; found?: readonly Finding[] }[] {
  const hasContacts =
    device.relays.length > 0 ||
    device.ports.some(({ roles }) => roles.some(({ kind }) => kind === 'switchOut'))
  return [
    { key: 'controls', text: `Controls (${controlsOf(rig, device.id).length})` },
    { key: 'presets', text: `Presets (${device.numbering.count})` },
    ...(hasContacts ? [{ key: 'relays', text: 'Contacts' } as const] : []),
    {
      key: 'pairs',
      text: 'Learned pairs',
      found: found.filter(({ about }) => own(rig.pairs, about.id)?.deviceId === device.id),
    },
  ]
}
