import { perRow, type Footswitch } from '#core/rig'
import { COMPILE_KEYS, compile } from './compile'

/** The devices a switch sends something to, on any press and any gesture. */
export const spokenTo = perRow(COMPILE_KEYS, (rig, footswitch: Footswitch): ReadonlySet<string> => {
  const all = [
    ...footswitch.positions.flatMap((_, n) => compile(rig, footswitch, 'press', n)),
    ...(['release', 'longPress', 'doublePress'] as const).flatMap((event) =>
      compile(rig, footswitch, event, 0),
    ),
  ]
  return new Set(all.flatMap((one) => (one.kind === 'send' && one.deviceId !== null ? [one.deviceId] : [])))
})
