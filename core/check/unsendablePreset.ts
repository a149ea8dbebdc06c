import { addressOf } from '../rig/numbering/address'
import { formatDisplay } from '../rig/numbering/display'
import { removeRecall } from '../rig/edits/removeRecall'
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

/** A recall the controller has no means to send. The fix takes it off the switch. */
export function unsendablePreset(rig: Rig): UnsendablePreset[] {
  return Object.values(rig.switches).flatMap((footswitch) => {
    const controller = rig.controllers[rig.banks[footswitch.bankId]?.controllerId ?? '']
    if (!controller) return []
    return footswitch.positions.flatMap((actions, position) =>
      actions.flatMap(({ presetId }, at) => {
        const preset = rig.presets[presetId]
        const device = rig.devices[preset?.deviceId ?? '']
        return preset && device ? check(rig, controller, footswitch, position, at, device, preset.index) : []
      }),
    )
  })
}

function check(
  rig: Rig,
  controller: Controller,
  footswitch: Footswitch,
  position: number,
  at: number,
  device: Device,
  index: number,
): UnsendablePreset[] {
  const { bank, program } = addressOf(device.numbering, index)
  const why = reasonAgainst(controller, bank, program)
  if (!why) return []
  const fix = removeRecall(rig, footswitch.id, position, at)
  return [
    {
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
    },
  ]
}
