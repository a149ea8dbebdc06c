import { own } from '#core/base'
import { needsCalibration, noFoot, pluggedPedal, toePlace, type NoFoot } from '#core/pedal'
import { setRole, boxOf, inOrder, type Rig } from '#core/rig'
import type { FindingOf } from '../finding'

export type PedalNoFoot = FindingOf<
  'pedalNoFoot',
  {
    readonly pedal: string
    readonly box: string
    readonly jack: string
    /** `noToe`: it is to be switched off by a toe switch, and none leads anywhere. */
    readonly why: NoFoot | 'noToe'
  }
>

/** A pedal that no foot reaches. The fix sets a shared jack to expression. */
export function pedalNoFoot(rig: Rig): PedalNoFoot[] {
  return inOrder(rig.pedals).flatMap((pedal): PedalNoFoot[] => {
    const { place } = pedal
    const boxId = place.kind === 'jack' ? place.id : place.controllerId
    const box = boxOf(rig, boxId)
    const port = place.kind === 'jack' ? box?.ports.find(({ id }) => id === place.port) : undefined
    const found = (
      why: PedalNoFoot['facts']['why'],
      fix: PedalNoFoot['fix'] | null = null,
    ): PedalNoFoot[] => [
      {
        code: 'pedalNoFoot',
        severity: 'error',
        about: { table: 'pedals', id: pedal.id, field: why === 'noToe' ? 'off' : 'place' },
        facts: { pedal: pedal.name, box: box?.name ?? '', jack: port?.name ?? '', why },
        ...(fix && { fix }),
      },
    ]
    const why = noFoot(rig, pedal)
    if (why === 'otherRole') {
      const role = port!.roles.findIndex(({ kind }) => kind === 'expressionIn')
      return found(why, role < 0 ? null : setRole(rig, boxId, port!.id, role))
    }
    if (why !== null) return found(why)
    return pedal.off?.kind === 'switch' && toePlace(rig, pedal) === null ? found('noToe') : []
  })
}

export type PedalTwice = FindingOf<
  'pedalTwice',
  { readonly pedal: string; readonly other: string; readonly box: string; readonly jack: string }
>

/** Two pedals read from one place: one foot cannot be two. */
export function pedalTwice(rig: Rig): PedalTwice[] {
  const known = new Map<string, string>()
  return inOrder(rig.pedals).flatMap(({ id, name, place }): PedalTwice[] => {
    const boxId = place.kind === 'jack' ? place.id : place.controllerId
    const key = place.kind === 'jack' ? `${boxId}/${place.port}` : `${boxId}/built in/${place.number}`
    const other = known.get(key)
    if (other === undefined) {
      known.set(key, name)
      return []
    }
    const box = boxOf(rig, boxId)
    const port = place.kind === 'jack' ? box?.ports.find((one) => one.id === place.port) : undefined
    return [
      {
        code: 'pedalTwice',
        severity: 'error',
        about: { table: 'pedals', id, field: 'place' },
        facts: { pedal: name, other, box: box?.name ?? '', jack: port?.name ?? '' },
      },
    ]
  })
}

export type PedalAnother = FindingOf<
  'pedalAnother',
  { readonly pedal: string; readonly now: string; readonly on: string }
>

/** A pedal swept when something else was plugged in (common practice: calibrate again whenever another pedal is). */
export function pedalAnother(rig: Rig): PedalAnother[] {
  return inOrder(rig.pedals).flatMap((pedal): PedalAnother[] => {
    const { calibration, id, name } = pedal
    if (!calibration || needsCalibration(rig, pedal) !== 'another') return []
    const now = pluggedPedal(rig, pedal)
    return [
      {
        code: 'pedalAnother',
        severity: 'warning',
        about: { table: 'pedals', id, field: 'calibration' },
        facts: { pedal: name, now: (now && own(rig.devices, now.id)?.name) ?? '', on: calibration.on },
      },
    ]
  })
}

export type PedalUnfit = FindingOf<
  'pedalUnfit',
  { readonly pedal: string; readonly verdict: 'again' | 'swap' | 'suspect'; readonly on: string }
>

/** A pedal whose last sweep was not passed. */
export function pedalUnfit(rig: Rig): PedalUnfit[] {
  return inOrder(rig.pedals).flatMap((pedal): PedalUnfit[] => {
    const { calibration, id, name } = pedal
    if (!calibration || calibration.verdict === 'pass' || needsCalibration(rig, pedal) !== null) return []
    const { verdict, on } = calibration
    return [
      {
        code: 'pedalUnfit',
        severity: 'warning',
        about: { table: 'pedals', id, field: 'calibration' },
        facts: { pedal: name, verdict, on },
      },
    ]
  })
}
