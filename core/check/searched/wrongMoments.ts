import { own } from '#core/base'
import { type Rig, showOn, type PartId } from '#core/rig'
import { walkShow, type Wrong } from '#core/show'
import type { FindingOf, Severity } from '../finding'

export type WrongMoment = FindingOf<
  'wrongMoment',
  {
    readonly song: string
    /** Its own name, or its sound's; empty when it has neither. Of a show that cannot be stepped on at all its first. */
    readonly part: string
    /** Each kind of fault once, and the devices in question. */
    readonly kinds: readonly Wrong['kind'][]
    readonly devices: readonly string[]
  }
>

const SEVERITY: Record<Wrong['kind'], Severity> = {
  noSound: 'hint',
  noSwitch: 'error',
  noStep: 'error',
  noWay: 'error',
  otherPart: 'error',
  device: 'error',
  lost: 'error',
  late: 'warning',
  tempo: 'warning',
}

const RANK: readonly Severity[] = ['error', 'warning', 'hint']

/**
 * The show that is on walked through on the floor: each part that does not come out as it should, once, however often its
 * song comes. Stops after every part, since a long show takes long.
 */
export function* wrongMoments(rig: Rig): Generator<null, WrongMoment[]> {
  const show = showOn(rig)
  const found = new Map<PartId, WrongMoment>()
  for (const { played, wrong } of show ? walkShow(rig, show) : []) {
    yield null
    const { part, song, soundId } = played
    if (wrong.length === 0 || found.has(part.id)) continue
    const ids = wrong.flatMap((one) =>
      one.kind === 'lost' ? one.deviceId : one.kind === 'device' ? one.fault.deviceId : [],
    )
    found.set(part.id, {
      code: 'wrongMoment',
      severity: RANK.find((severity) => wrong.some(({ kind }) => SEVERITY[kind] === severity))!,
      about: { table: 'parts', id: part.id },
      facts: {
        song: song.name,
        part: part.name || (own(rig.sounds, soundId ?? '')?.name ?? ''),
        kinds: [...new Set(wrong.map(({ kind }) => kind))],
        devices: [...new Set(ids.map((id) => own(rig.devices, id)?.name ?? ''))],
      },
    })
  }
  return [...found.values()]
}
