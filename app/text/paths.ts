import { boxName, type Arrival, type Rig } from '#core/rig'
import { count, listText } from '#shared/words/counts'
import { millisecondsText } from '#shared/words/messages'

/** How messages get to a box: "Straight from Eight-switch controller", "By Bass preamp and TRS hub, 0.96 ms later". */
export function pathText(rig: Rig, controllerId: string, { through, delay }: Arrival): string {
  const late = delay > 0 ? `, ${millisecondsText(delay)} later` : ''
  if (through.length === 0) return `Straight from ${boxName(rig, controllerId)}${late}`
  const names = listText(through.map((id) => boxName(rig, id)))
  return `${count(through.length, 'box', 'boxes')} on the way: ${names}${late}`
}

/** "All channels", "Channels 1-4, 9": runs drawn together. */
export function channelsText(channels: readonly number[]): string {
  if (channels.length === 16) return 'All channels'
  if (channels.length === 0) return 'No channels'
  const runs: [number, number][] = []
  for (const channel of channels) {
    const last = runs.at(-1)
    if (last && last[1] === channel - 1) last[1] = channel
    else runs.push([channel, channel])
  }
  const text = runs.map(([from, to]) => (from === to ? `${from}` : `${from}-${to}`)).join(', ')
  return channels.length === 1 ? `Channel ${text}` : `Channels ${text}`
}
