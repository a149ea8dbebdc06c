import type { MidiMessage } from '#core/midi'
import type { DeviceId } from '#core/rig'
import type { ContactSet } from '#core/sound'
import type { Learned } from './known'

/** What a controller does for an action, one thing after the other. */
export type ActionStep =
  /** A message for a device, out where that is; for none in particular, out of every output. */
  | { readonly kind: 'send'; readonly deviceId: DeviceId | null; readonly message: MidiMessage }
  | ({ readonly kind: 'contact' } & ContactSet)
  /** Nothing more of this list for so many µs. */
  | { readonly kind: 'wait'; readonly microseconds: number }
  | { readonly kind: 'know'; readonly learned: Learned }
  /** Starts what goes on by itself beside everything else, in place of what runs under that name. */
  | { readonly kind: 'start'; readonly name: string; readonly steps: readonly ActionStep[] }
  | { readonly kind: 'stop'; readonly name: string }
