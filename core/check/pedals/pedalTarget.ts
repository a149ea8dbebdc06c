import { own } from '#core/base'
import {
  freeNumber,
  editTarget,
  pedalController,
  pedalDevice,
  fullEnds,
  highestSent,
  isNarrowedTwice,
  narrowing,
} from '#core/pedal'
import {
  type Edit,
  editRow,
  nextFreeChannel,
  sendChannel,
  inOrder,
  type Rig,
  type Control,
  type Device,
  type Pedal,
  type Target,
} from '#core/rig'
import { listeners } from '#core/simulate'
import type { FindingOf } from '../finding'

interface TargetPlace {
  readonly pedal: Pedal
  readonly role: number
  readonly n: number
  readonly target: Target
  readonly control: Control
  readonly device: Device
}

/** Every target of every pedal with what it leads. */
export function pedalTargets(rig: Rig): TargetPlace[] {
  return inOrder(rig.pedals).flatMap((pedal) =>
    pedal.roles.flatMap(({ targets }, role) =>
      targets.flatMap((target, n): TargetPlace[] => {
        const control = own(rig.controls, target.controlId)
        const device = own(rig.devices, control?.deviceId ?? '')
        return control && device ? [{ pedal, role, n, target, control, device }] : []
      }),
    ),
  )
}

const aboutTarget = ({ pedal, role, n }: TargetPlace) =>
  ({ table: 'pedals', id: pedal.id, field: `roles.${role}.targets.${n}` }) as const

const fixing = (rig: Rig, { pedal, role, n }: TargetPlace, fields: Partial<Target>): { fix?: Edit } => {
  const fix = editTarget(rig, pedal.id, role, n, fields)
  return fix ? { fix } : {}
}

export type PedalUnheard = FindingOf<
  'pedalUnheard',
  {
    readonly pedal: string
    readonly control: string
    readonly device: string
    /** It listens on no channel; no cable leads to it; the pedal is in another device's own jack. */
    readonly why: 'noChannel' | 'noWay' | 'elsewhere'
  }
>

/** A target that nothing of the sweep comes to. */
export function pedalUnheard(rig: Rig): PedalUnheard[] {
  return pedalTargets(rig).flatMap((place): PedalUnheard[] => {
    const { pedal, control, device } = place
    const controllerId = pedalController(pedal)
    const found = (why: PedalUnheard['facts']['why'], fix: Edit | null = null): PedalUnheard[] => [
      {
        code: 'pedalUnheard',
        severity: 'error',
        about: aboutTarget(place),
        facts: { pedal: pedal.name, control: control.name, device: device.name, why },
        ...(fix && { fix }),
      },
    ]
    if (controllerId === null) return pedalDevice(pedal) === device.id ? [] : found('elsewhere')
    if (sendChannel(rig, device) === null) {
      const free = nextFreeChannel(rig)
      return found(
        'noChannel',
        free === null ? null : editRow(rig, 'setChannel', 'devices', device.id, { channel: free }),
      )
    }
    const hears = listeners(rig, controllerId).some((one) => one.device.id === device.id)
    return hears ? [] : found('noWay')
  })
}

export type NarrowedTwice = FindingOf<
  'narrowedTwice',
  {
    readonly pedal: string
    readonly control: string
    /** What is left of the range, in percent: at the controller, at the device, and in the end. */
    readonly controller: number
    readonly device: number
    readonly arrives: number
  }
>

/** A range kept to at both ends. The fix sends everything, so that only the device narrows. */
export function narrowedTwice(rig: Rig): NarrowedTwice[] {
  return pedalTargets(rig).flatMap((place): NarrowedTwice[] => {
    const { pedal, target, control } = place
    if (pedalController(pedal) === null || !isNarrowedTwice(target, control)) return []
    const { controller, device, arrives } = narrowing(target, control)
    const percent = (share: number) => Math.round(share * 100)
    const highest = highestSent(target, control)
    const isUp = target.sends.heel <= target.sends.toe
    return [
      {
        code: 'narrowedTwice',
        severity: 'warning',
        about: aboutTarget(place),
        facts: {
          pedal: pedal.name,
          control: control.name,
          controller: percent(controller),
          device: percent(device),
          arrives: percent(arrives),
        },
        ...fixing(rig, place, { sends: isUp ? { heel: 0, toe: highest } : { heel: highest, toe: 0 } }),
      },
    ]
  })
}

export type PedalNumber = FindingOf<
  'pedalNumber',
  {
    readonly pedal: string
    readonly control: string
    readonly number: number
    /** Another control of the device answers to it; or the control's own number is narrowed for everything that sends it. */
    readonly why: 'other' | 'own'
    readonly other: string
    readonly free: number | null
  }
>

/** A number of a pedal's own that means something else, or a number whose every use is narrowed. The fix takes a free one. */
export function pedalNumber(rig: Rig): PedalNumber[] {
  return pedalTargets(rig).flatMap((place): PedalNumber[] => {
    const { pedal, target, control, device } = place
    if (pedalController(pedal) === null) return []
    const isOwn = target.number === null && target.device !== null && control.address.kind === 'cc'
    const full = fullEnds(control)
    const isWhole = target.device?.heel === full.heel && target.device?.toe === full.toe
    const number = target.number ?? (control.address.kind === 'cc' ? control.address.number : null)
    const other = Object.values(rig.controls).find(
      ({ id, deviceId, address }) =>
        id !== control.id && deviceId === device.id && address.kind === 'cc' && address.number === number,
    )
    if (number === null || !((isOwn && !isWhole) || (target.number !== null && other))) return []
    const free = freeNumber(rig, device.id)
    return [
      {
        code: 'pedalNumber',
        severity: 'warning',
        about: aboutTarget(place),
        facts: {
          pedal: pedal.name,
          control: control.name,
          number,
          why: isOwn ? 'own' : 'other',
          other: isOwn ? '' : other!.name,
          free,
        },
        ...(free === null ? {} : fixing(rig, place, { number: free })),
      },
    ]
  })
}
