import {
  carriesStereo,
  hasStereo,
  isSoundEnd,
  soundLoops,
  soundPaths,
  soundWays,
  soundWaysFrom,
  type Rig,
  type Device,
} from '#core/rig'
import type { FindingOf } from '../finding'

export type StereoLost = FindingOf<
  'stereoLost',
  { readonly from: string; readonly to: string; readonly why: 'jack' | 'lead' }
>
export type BrokenLoop = FindingOf<
  'brokenLoop',
  { readonly box: string; readonly through: readonly string[]; readonly endsAt: string | null }
>
export type PhonesBypassed = FindingOf<
  'phonesBypassed',
  { readonly box: string; readonly behind: readonly string[] }
>
export type EarthLoop = FindingOf<'earthLoop', { readonly source: string; readonly ends: readonly string[] }>
export type SoundEndsIn = FindingOf<'soundEndsIn', { readonly source: string; readonly last: string }>

/** A stereo tail on its way into a mono jack, or over a mono lead: one side of it is lost. */
export function stereoLost(rig: Rig): StereoLost[] {
  return soundWays(rig).flatMap((way): StereoLost[] => {
    const { link, from, to } = way
    const box = link.from.box as Device
    if (from.use !== 'main' || from.sound !== 'stereo' || !hasStereo(rig, box) || carriesStereo(rig, way))
      return []
    return [
      {
        code: 'stereoLost',
        severity: 'hint',
        about: { table: 'cables', id: link.cable.id },
        facts: { from: box.name, to: link.to.box.name, why: to.sound === 'mono' ? 'jack' : 'lead' },
      },
    ]
  })
}

/** A loop whose way does not come back to its own return: the box is silent, or its loop is. */
export function brokenLoop(rig: Rig): BrokenLoop[] {
  return soundLoops(rig).flatMap(({ of, through, endsAt }): BrokenLoop[] =>
    endsAt?.id === of.id
      ? []
      : [
          {
            code: 'brokenLoop',
            severity: 'error',
            about: { table: 'devices', id: of.id },
            facts: { box: of.name, through: through.map(({ name }) => name), endsAt: endsAt?.name ?? null },
          },
        ],
  )
}

/** Headphones in a box that is not the last: what comes behind it is not heard in them. */
export function phonesBypassed(rig: Rig): PhonesBypassed[] {
  return soundPaths(rig).flatMap(({ stops }) =>
    stops.flatMap(({ device, place }, n): PhonesBypassed[] => {
      const hasPhones = device.ports.some(({ roles }) =>
        roles.some((role) => role.kind === 'audioOut' && role.use === 'headphones'),
      )
      const behind = stops.slice(n + 1).filter((one) => one.place !== 'end')
      if (!hasPhones || place === 'end' || behind.length === 0) return []
      return [
        {
          code: 'phonesBypassed',
          severity: 'hint',
          about: { table: 'devices', id: device.id },
          facts: { box: device.name, behind: behind.map((one) => one.device.name) },
        },
      ]
    }),
  )
}

/** Two ends on mains power that one sound goes to, with the earth running through to both (common practice: they hum). */
export function earthLoop(rig: Rig): EarthLoop[] {
  return soundPaths(rig).flatMap(({ source }): EarthLoop[] => {
    const ends = earthedEnds(rig, source)
    if (ends.length < 2) return []
    return [
      {
        code: 'earthLoop',
        severity: 'warning',
        about: { table: 'devices', id: ends[1]!.id },
        facts: { source: source.name, ends: ends.map(({ name }) => name) },
      },
    ]
  })
}

/** The ends a source comes to over cables the earth runs through. */
function earthedEnds(rig: Rig, source: Device): Device[] {
  const ends = new Map<string, Device>()
  const seen = new Set<string>()
  const from = soundWaysFrom(rig)
  const visit = (id: string): void => {
    if (seen.has(id)) return
    seen.add(id)
    for (const { link, from: out } of from.get(id) ?? []) {
      if (out.isolated || out.use === 'headphones') continue
      const box = link.to.box as Device
      if (isSoundEnd(box)) ends.set(box.id, box)
      visit(box.id)
    }
  }
  visit(source.id)
  return [...ends.values()]
}

/** A sound that comes to no amp, mixer or headphones. */
export function soundEndsIn(rig: Rig): SoundEndsIn[] {
  return soundPaths(rig).flatMap(({ source, stops, ends }): SoundEndsIn[] => {
    const last = stops.at(-1)!.device
    const isHeard =
      ends.length > 0 ||
      stops.some(({ device }) =>
        device.ports.some(({ roles }) =>
          roles.some((role) => role.kind === 'audioOut' && role.use === 'headphones'),
        ),
      )
    return isHeard
      ? []
      : [
          {
            code: 'soundEndsIn',
            severity: 'hint',
            about: { table: 'devices', id: last.id },
            facts: { source: source.name, last: last.name },
          },
        ]
  })
}
