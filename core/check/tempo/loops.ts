import { own } from '#core/base'
import {
  putSwitch,
  type Edit,
  editRow,
  type Rig,
  placeKey,
  switchesHere,
  type Action,
  actionLists,
  type Footswitch,
  type Bank,
  type BankId,
} from '#core/rig'
import { expanded, footAfter, tempoChanger, NOTHING_KNOWN } from '#core/switching'
import { canRun, canStop, isSilent, loopPlaces, type LoopSwitch } from '#core/simulate'
import type { FindingOf } from '../finding'

interface OnSwitch {
  readonly device: string
  readonly label: string
  readonly number: number
}

export type LoopClear = FindingOf<
  'loopClear',
  OnSwitch & {
    /** How it clears: held for so many ms, or by a plain step beside the switch that stops. */
    readonly how: 'hold' | 'beside'
    readonly holdMs: number
    readonly stop: string
  }
>

export type LoopStop = FindingOf<
  'loopStop',
  { readonly device: string; readonly bank: string; readonly from: string; readonly stop: string }
>

export type LoopTempo = FindingOf<
  'loopTempo',
  OnSwitch & { readonly by: 'tap' | 'tapOut' | 'tempo' | 'sound' | 'song' }
>

/** A hold shorter than this is come to by a slow foot, in ms. */
const SLOW_FOOT_MS = 1000

const nameOf = ({ label, number }: Footswitch): string => label || `switch ${number}`
const bankName = ({ name, index }: Bank, first: number): string => name || `bank ${index + first}`

const stopsKeeping = (one: LoopSwitch, kind: 'step' | 'twice'): boolean =>
  one.does[kind].playing.to === 'stopped'
/** It empties a loop that plays or stands. */
const clears = (one: LoopSwitch, kind: 'step' | 'hold'): boolean =>
  (['playing', 'stopped'] as const).some((state) => one.does[kind][state].to === 'empty')

/** Clearing is too near to stopping: the same switch held a little long, or the one beside it stepped on. */
export const loopClear = (rig: Rig): LoopClear[] =>
  [...loopPlaces(rig)].flatMap(([deviceId, places]) => {
    const device = own(rig.devices, deviceId)!
    const told = new Set<string>()
    return places.flatMap(({ switches }) =>
      switches.flatMap((one): LoopClear[] => {
        const { footswitch } = one
        const controller = own(rig.controllers, own(rig.banks, footswitch.bankId)?.controllerId ?? '')
        if (!controller || told.has(footswitch.id)) return []
        const base = {
          code: 'loopClear' as const,
          about: { table: 'switches' as const, id: footswitch.id },
        }
        const facts = { device: device.name, label: footswitch.label, number: footswitch.number }
        const isLong = footswitch.longPress.length > 0 && controller.events.includes('longPress')
        const holdMs = isLong ? controller.longMs : device.looper!.holdMs
        const isStop = stopsKeeping(one, 'step') || stopsKeeping(one, 'twice')
        if (isStop && clears(one, 'hold') && holdMs < SLOW_FOOT_MS) {
          told.add(footswitch.id)
          const fix = isLong
            ? editRow(rig, 'changeController', 'controllers', controller.id, { longMs: SLOW_FOOT_MS })
            : null
          return [
            {
              ...base,
              severity: 'warning',
              facts: { ...facts, how: 'hold', holdMs, stop: nameOf(footswitch) },
              ...(fix && { fix }),
            },
          ]
        }
        if (!clears(one, 'step')) return []
        const beside = switches.find(
          (other) =>
            other !== one &&
            stopsKeeping(other, 'step') &&
            isBeside(controller.columns, footswitch, other.footswitch),
        )
        if (!beside) return []
        told.add(footswitch.id)
        const fix = onHold(rig, footswitch, controller.events.includes('longPress'))
        return [
          {
            ...base,
            severity: 'warning',
            facts: { ...facts, how: 'beside', holdMs, stop: nameOf(beside.footswitch) },
            ...(fix && { fix }),
          },
        ]
      }),
    )
  })

const isBeside = (columns: number, one: Footswitch, other: Footswitch): boolean => {
  if (one.jack !== '' || other.jack !== '') return false
  const at = ({ number }: Footswitch) => [Math.floor((number - 1) / columns), (number - 1) % columns] as const
  const [[row, column], [otherRow, otherColumn]] = [at(one), at(other)]
  return Math.abs(row - otherRow) + Math.abs(column - otherColumn) === 1
}

/** What it does at a step, done when held instead. */
function onHold(rig: Rig, footswitch: Footswitch, canHold: boolean): Edit | null {
  const { positions, longPress, release } = footswitch
  if (!canHold || positions.length > 1 || longPress.length > 0 || release.length > 0) return null
  return {
    label: 'changeSwitch',
    changes: [putSwitch(rig, { ...footswitch, positions: [[]], longPress: positions[0]! })],
  }
}

/** Banks one gesture leads to from a bank, on either layer. */
function ledTo(rig: Rig, bankId: BankId): Set<BankId> {
  const found = new Set<BankId>()
  for (const layer of ['base', 'shift'] as const) {
    const known = { ...NOTHING_KNOWN, bankId, layer }
    for (const footswitch of switchesHere(rig, bankId, layer).values())
      for (const { actions } of actionLists(footswitch))
        for (const { action } of expanded(rig, actions)) {
          const to = footAfter(rig, action, known).bankId
          if (to !== null && to !== bankId) found.add(to)
        }
  }
  return found
}

/** A loop can be left running: one step leads to a bank where nothing stops it. */
export const loopStop = (rig: Rig): LoopStop[] =>
  [...loopPlaces(rig)].flatMap(([deviceId, places]) => {
    const device = own(rig.devices, deviceId)!
    const at = (bankId: BankId) =>
      places.filter((place) => place.bankId === bankId).flatMap(({ switches }) => switches)
    const stop = places.flatMap(({ switches }) => switches).find(canStop)?.footswitch
    // Where it can be made to run, and wherever one comes from there with it running.
    const todo = [...new Set(places.map(({ bankId }) => bankId))].filter((id) => at(id).some(canRun))
    const seen = new Set(todo)
    const found: LoopStop[] = []
    for (let from = todo.shift(); from !== undefined; from = todo.shift())
      for (const to of ledTo(rig, from)) {
        if (seen.has(to) || isStoppedOnTheWay(rig, deviceId, from, to)) continue
        seen.add(to)
        if (at(to).some(canStop)) {
          todo.push(to)
          continue
        }
        const bank = own(rig.banks, to)!
        const first = own(rig.controllers, bank.controllerId)?.firstBank ?? 1
        const fix = stop ? everywhere(rig, stop, to) : null
        found.push({
          code: 'loopStop',
          severity: 'warning',
          about: { table: 'banks', id: to },
          facts: {
            device: device.name,
            bank: bankName(bank, first),
            from: bankName(own(rig.banks, from)!, first),
            stop: stop ? nameOf(stop) : '',
          },
          ...(fix && { fix }),
        })
      }
    return found
  })

/** The leaving of one bank or the coming to the other works the looper: what comes of that is left to the player. */
function isStoppedOnTheWay(rig: Rig, deviceId: string, from: string, to: string): boolean {
  const inputs = own(rig.devices, deviceId)?.looper?.inputs ?? []
  const worksIt = (action: Action): boolean =>
    inputs.some(({ by }) =>
      by?.kind === 'control'
        ? 'controlId' in action && action.controlId === by.controlId
        : by !== null &&
          'contactId' in action &&
          action.contactId === by.contactId &&
          action.deviceId === deviceId,
    )
  const actions = [...(own(rig.banks, from)?.leave ?? []), ...(own(rig.banks, to)?.enter ?? [])]
  return expanded(rig, actions).some(({ action }) => worksIt(action))
}

/** The stop in every bank that says nothing else of its place; null where the bank does. */
function everywhere(rig: Rig, stop: Footswitch, bankId: string): Edit | null {
  if (stop.everywhere || switchesHere(rig, bankId, stop.layer).has(placeKey(stop))) return null
  return { label: 'changeSwitch', changes: [putSwitch(rig, { ...stop, everywhere: true })] }
}

/** The tempo can be changed where a loop runs that keeps it. */
export const loopTempo = (rig: Rig): LoopTempo[] =>
  [...loopPlaces(rig)].flatMap(([deviceId, places]) => {
    const device = own(rig.devices, deviceId)!
    if (device.looper?.tempo !== 'fixes') return []
    const told = new Set<string>()
    return places
      .filter(
        ({ switches }) =>
          switches.some(canRun) || switches.some(({ does }) => !isSilent(does.step.playing.to)),
      )
      .flatMap(({ bankId, layer }) =>
        [...switchesHere(rig, bankId, layer).values()].flatMap((footswitch): LoopTempo[] => {
          const by = actionLists(footswitch)
            .flatMap(({ actions }) => expanded(rig, actions))
            .map(({ action }) => tempoChanger(rig, action))
            .find((one) => one !== null)
          if (!by || told.has(footswitch.id)) return []
          told.add(footswitch.id)
          const { label, number, id } = footswitch
          return [
            {
              code: 'loopTempo',
              severity: 'warning',
              about: { table: 'switches', id },
              facts: { device: device.name, label, number, by },
            },
          ]
        }),
      )
  })
