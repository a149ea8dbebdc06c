import { useIncoming } from '../stores/useIncoming'

/** One value of a controller number that came in. */
export interface PedalMessage {
  /** In ms on the page's clock. */
  readonly at: number
  readonly channel: number
  readonly controller: number
  readonly value: number
}

/** Control changes that come in from real gear while `isOn`. */
export function useRealPedal(isOn: () => boolean, heard: (message: PedalMessage) => void): void {
  useIncoming(isOn, ({ at, bytes: [status, controller, value] }) => {
    if (status !== undefined && (status & 0xf0) === 0xb0 && value !== undefined)
      heard({ at, channel: (status & 0x0f) + 1, controller: controller!, value })
  })
}
