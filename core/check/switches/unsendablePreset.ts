import { own } from '#core/base'
import {
  addressOf,
  formatDisplay,
  removeAction,
  perRow,
  inOrder,
  type Rig,
  type Controller,
  type Device,
  type Footswitch,
  namedIn,
} from '#core/rig'
import { actionRecalls, COMPILE_KEYS, reasonAgainst } from '#core/switching'
import { aboutList, placeOfList, switchLists, type SwitchList } from './switchLists'
import { aboutCell, soundCells } from '../sounds/soundCells'
import type { FindingOf } from '../finding'

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
  readonly list: SwitchList
  readonly at: number
  readonly device: Device
  readonly index: number
  readonly bank: number
  readonly program: number
}

const askedOf = perRow(COMPILE_KEYS, (rig, footswitch: Footswitch): readonly Asked[] =>
  switchLists(rig, footswitch).flatMap((list) =>
    list.actions.flatMap((action, at) =>
      actionRecalls(rig, action).flatMap(({ deviceId, index }) => {
        const device = own(rig.devices, deviceId)
        return device ? [{ list, at, device, index, ...addressOf(device.numbering, index) }] : []
      }),
    ),
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
  const [controller] = inOrder(rig.controllers)
  for (const { sound, device, want, isOwn } of controller ? soundCells(rig) : []) {
    if (!isOwn || want.kind !== 'be' || want.preset === null) continue
    const address = addressOf(device.numbering, want.preset)
    const why = reasonAgainst(controller!, address.bank, address.program)
    if (why)
      found.push({
        code: 'unsendablePreset',
        severity: 'error',
        about: aboutCell(sound, device.id),
        facts: factsOf(controller!, device, want.preset, address, why),
      })
  }
  return found
}

const factsOf = (
  controller: Controller,
  device: Device,
  index: number,
  { bank, program }: { readonly bank: number; readonly program: number },
  why: UnsendablePreset['facts']['why'],
): UnsendablePreset['facts'] => ({
  device: device.name,
  display: formatDisplay(device.numbering, index),
  program,
  bank,
  controller: controller.name,
  why,
  highestProgram: controller.highestProgram,
})

function findingOf(
  rig: Rig,
  controller: Controller,
  footswitch: Footswitch,
  { list, at, device, index, bank, program }: Asked,
  why: NonNullable<ReturnType<typeof reasonAgainst>>,
): UnsendablePreset {
  // A sound is mended in the sound, not by taking it off the switch.
  const isRecall = namedIn(list.actions[at]!, 'presets') !== null
  const fix = isRecall ? removeAction(rig, placeOfList(footswitch, list), at) : null
  return {
    code: 'unsendablePreset',
    severity: 'error',
    about: { table: 'switches', id: footswitch.id, field: `${aboutList(footswitch, list).field}.${at}` },
    facts: factsOf(controller, device, index, { bank, program }, why),
    ...(fix && { fix }),
  }
}
