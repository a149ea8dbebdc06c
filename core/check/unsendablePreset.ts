import { own } from '../base/own'
import { addressOf } from '../rig/numbering/address'
import { formatDisplay } from '../rig/numbering/display'
import { removeRecall } from '../rig/edits/removeRecall'
import { perRow } from '../rig/perTables'
import type { Rig } from '../rig/rig'
import { reasonAgainst } from '../switching/reasonAgainst'
import type { Controller } from '../rig/table/controller'
import type { Device } from '../rig/table/device'
import type { Footswitch } from '../rig/table/switch'
import type { FindingOf } from './finding'

export type UnsendablePreset = FindingOf<
  'unsendablePreset',
  {
    readonly device: string
    /** As the device shows it. */
    readonly display: string
    readonly program: number
    readonly bank: number
    readonly controller: string
    /** Its list of programs stops before, or it sends no bank select. */
    readonly why: 'listStops' | 'noBankSelect'
    readonly highestProgram: number
  }
>

/** One recall of a switch, with what is sent for it. */
interface Asked {
  readonly position: number
  readonly at: number
  readonly device: Device
  readonly index: number
  readonly bank: number
  readonly program: number
}

const askedOf = perRow(['devices', 'presets'], (rig, { positions }: Footswitch): readonly Asked[] =>
  positions.flatMap((actions, position) =>
    actions.flatMap(({ presetId }, at) => {
      const preset = own(rig.presets, presetId)
      const device = own(rig.devices, preset?.deviceId ?? '')
      if (!preset || !device) return []
      return [{ position, at, device, index: preset.index, ...addressOf(device.numbering, preset.index) }]
    }),
  ),
)

/** A recall the controller has no means to send. The fix takes it off the switch. */
export function unsendablePreset(rig: Rig): UnsendablePreset[] {
  const found: UnsendablePreset[] = []
  for (const footswitch of Object.values(rig.switches)) {
    const controller = own(rig.controllers, own(rig.banks, footswitch.bankId)?.controllerId ?? '')
    if (!controller) continue
    for (const asked of askedOf(rig, footswitch)) {
      const why = reasonAgainst(controller, asked.bank, asked.program)
      if (why) found.push(findingOf(rig, controller, footswitch, asked, why))
    }
  }
  return found
}

function findingOf(
  rig: Rig,
  controller: Controller,
  footswitch: Footswitch,
  { position, at, device, index, bank, program }: Asked,
  why: NonNullable<ReturnType<typeof reasonAgainst>>,
): UnsendablePreset {
  const fix = removeRecall(rig, footswitch.id, position, at)
  return {
    code: 'unsendablePreset',
    severity: 'error',
    about: { table: 'switches', id: footswitch.id, field: `positions.${position}.${at}` },
    facts: {
      device: device.name,
      display: formatDisplay(device.numbering, index),
      program,
      bank,
      controller: controller.name,
      why,
      highestProgram: controller.highestProgram,
    },
    ...(fix && { fix }),
  }
}
