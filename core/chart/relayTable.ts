import type { Rig, Device, RelayFunction, Preset } from '#core/rig'

/** One contact under one program. `isIdle` when it matters only inside another function that is open here. */
export interface RelayCell {
  readonly relay: RelayFunction
  readonly isClosed: boolean
  readonly isIdle: boolean
}

/** A program of a relay box and which contacts it closes. */
export interface RelayRow {
  readonly preset: Preset
  readonly cells: readonly RelayCell[]
  /** An earlier row that does exactly the same; null when none does. */
  readonly sameAs: Preset | null
}

/** Which contacts of a relay box each of its programs closes, in the order of the programs. */
export function relayTable(rig: Rig, device: Device): RelayRow[] {
  const presets = Object.values(rig.presets)
    .filter(({ deviceId }) => deviceId === device.id)
    .sort((a, b) => a.index - b.index)
  const seen = new Map<string, Preset>()
  return presets.map((preset) => {
    const cells = device.relays.map((relay): RelayCell => ({
      relay,
      isClosed: preset.closes.includes(relay.id),
      isIdle: !isReached(device.relays, relay, preset.closes),
    }))
    // A contact that is idle makes no difference.
    const effect = cells
      .filter(({ isClosed, isIdle }) => isClosed && !isIdle)
      .map(({ relay }) => relay.id)
      .join()
    const sameAs = seen.get(effect) ?? null
    if (!sameAs) seen.set(effect, preset)
    return { preset, cells, sameAs }
  })
}

/** Whether every function this one lies within is closed. A ring of functions within each other is never reached. */
function isReached(
  relays: readonly RelayFunction[],
  relay: RelayFunction,
  closed: readonly string[],
): boolean {
  const seen = new Set<string>([relay.id])
  for (let within = relay.within; within !== '';) {
    if (seen.has(within) || !closed.includes(within)) return false
    seen.add(within)
    within = relays.find(({ id }) => id === within)?.within ?? ''
  }
  return true
}
