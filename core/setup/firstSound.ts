import { own, accept, refuse, type Result, cutText } from '#core/base'
import {
  type Edit,
  addRow,
  joinEdits,
  labelSwitch,
  findSwitch,
  nextBankIndex,
  byIndex,
  inOrder,
  lastOrder,
  type Rig,
  BLANK_BANK,
  type BankId,
  switchCount,
  type Controller,
  type PresetId,
  NAME_MAX,
  BLANK_SOUND,
  type SoundId,
  isProgrammed,
  type SwitchId,
} from '#core/rig'
import { parseCell, type CellRefusal, setCells, type CellWrite, setSwitchSound } from '#core/sound'

/** Why a first sound cannot be made. */
export type FirstSoundRefusal =
  | { readonly code: 'cells'; readonly faults: ReadonlyMap<string, CellRefusal> }
  | { readonly code: 'noName' | 'noCells' | 'noController' | 'noSwitch' }

export interface FirstSound {
  readonly edit: Edit
  readonly soundId: SoundId
  /** Where it can be stepped on, counted as printed on the switch. */
  readonly number: number
}

/**
 * Makes a sound of what each device should be, in the words of a cell ("3", "B4", "off"), and puts it on the first free
 * switch of the first bank, in one edit. Empty texts say nothing of a device.
 */
export function firstSound(
  rig: Rig,
  name: string,
  texts: ReadonlyMap<string, string>,
  newId: () => string,
): Result<FirstSound, FirstSoundRefusal> {
  if (name.trim() === '') return refuse({ code: 'noName' })
  const [controller] = inOrder(rig.controllers)
  if (!controller) return refuse({ code: 'noController' })
  const faults = new Map<string, CellRefusal>()
  const soundId = newId() as SoundId
  const writes = [...texts].flatMap(([deviceId, text]): CellWrite[] => {
    const device = own(rig.devices, deviceId)
    if (!device || text.trim() === '') return []
    const cell = parseCell(rig, device, text)
    if (!cell.ok) faults.set(deviceId, cell.refusal)
    return cell.ok ? [{ soundId, deviceId: device.id, cell: cell.value }] : []
  })
  if (faults.size > 0) return refuse({ code: 'cells', faults })
  if (writes.length === 0) return refuse({ code: 'noCells' })
  const place = freeSwitch(rig, controller, newId)
  if (!place) return refuse({ code: 'noSwitch' })
  const { bank, bankId, number } = place
  const slot = { bankId, number, newId: newId() as SwitchId }
  const ids = { preset: () => newId() as PresetId, sound: () => newId() as SoundId }
  const label = cutText(name.trim(), controller.labelLength ?? NAME_MAX)
  const edit = joinEdits(rig, 'firstSound', [
    ...(bank ? [() => bank] : []),
    (now) =>
      addRow('addSound', 'sounds', {
        ...BLANK_SOUND,
        id: soundId,
        order: lastOrder(now.sounds),
        name: cutText(name.trim(), NAME_MAX),
      }),
    (now) => setCells(now, writes, ids),
    (now) => setSwitchSound(now, slot, 0, soundId),
    (now) => labelSwitch(now, slot, label),
  ])
  return edit ? accept({ edit, soundId, number }) : refuse({ code: 'noSwitch' })
}

/** The first switch nothing is on, in the first bank; the bank is made where there is none. */
function freeSwitch(rig: Rig, controller: Controller, newId: () => string) {
  const first = byIndex(rig.banks).find(({ controllerId }) => controllerId === controller.id)
  const index = first ? null : nextBankIndex(rig, controller)
  const bankId = first?.id ?? (newId() as BankId)
  const number = Array.from(
    { length: switchCount(controller) - controller.keepsSwitches },
    (_, n) => n + 1,
  ).find((one) => {
    const there = first && findSwitch(rig, bankId, one)
    return !there || !isProgrammed(there)
  })
  if (number === undefined || (!first && index === null)) return null
  const bank = first
    ? null
    : addRow('addBank', 'banks', {
        ...BLANK_BANK,
        id: bankId,
        controllerId: controller.id,
        index: index!,
        name: '',
      })
  return { bank, bankId, number }
}
