import { BEAT_MS, FLOOR_EVENTS, type FloorSeen } from '#shared/contract/floor'

/** A floor followed live. */
export interface FloorFeed {
  readonly close: () => void
}

export interface FloorEars {
  readonly floor: (floor: FloorSeen) => void
  /** Whether the server is heard. */
  readonly isHeard: (isHeard: boolean) => void
}

/** So long nothing came, not even a beat: the connection is gone, whatever the browser says. */
const SILENCE = BEAT_MS * 2 + 500
/** Before it is tried again, in ms. */
const AGAIN = 1000

/**
 * Follows the floor of a rig at the server. A connection that is lost, refused or silent is opened again and again until it
 * is closed here.
 */
export function browserFloorFeed(rigId: string, ears: FloorEars): FloorFeed {
  let source: EventSource | null = null
  let timer = 0
  const after = (ms: number, run: () => void): void => {
    window.clearTimeout(timer)
    timer = window.setTimeout(run, ms)
  }
  const lost = (): void => {
    source?.close()
    ears.isHeard(false)
    after(AGAIN, open)
  }
  const heard = (): void => {
    ears.isHeard(true)
    after(SILENCE, lost)
  }
  function open(): void {
    const now = new EventSource(`/api/rigs/${encodeURIComponent(rigId)}/floor`)
    source = now
    after(SILENCE, lost)
    now.addEventListener('error', () => source === now && lost())
    now.addEventListener(FLOOR_EVENTS.beat, heard)
    now.addEventListener(FLOOR_EVENTS.floor, ({ data }: MessageEvent<string>) => {
      heard()
      ears.floor(JSON.parse(data))
    })
  }
  open()
  return {
    close: () => {
      window.clearTimeout(timer)
      source?.close()
      source = null
    },
  }
}
