import type { ChannelMessage } from '#core/midi'
import type { DeviceId } from '#core/rig'
import type { ContactSet } from './blocks'

/** What a controller does on the wire and at its switching outputs, one thing after the other. */
export type Step =
  | { readonly kind: 'send'; readonly deviceId: DeviceId; readonly message: ChannelMessage }
  | ({ readonly kind: 'contact' } & ContactSet)
  /** Nothing more is sent for so many µs. */
  | { readonly kind: 'wait'; readonly microseconds: number }
