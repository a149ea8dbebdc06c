import { browserAnnouncer, type Announcer } from './announcer'
import { browserClock, type Clock } from './clock'
import { browserKeep, tabKeep, type Keep } from './keep'
import { browserWorkers } from './browserWorkers'
import { browserFloorFeed, type FloorEars, type FloorFeed } from './floorFeed'
import { browserMidi, type Midi } from './midi'
import { browserPage, type Page } from './page'
import { browserRigServer, type RigServer } from './rigServer'
import { browserRigShelf, type RigShelf } from './rigShelf'
import type { Workers } from './workers'

/** Everything of the world outside that the stores use. */
export interface Platform {
  readonly server: RigServer
  readonly shelf: RigShelf
  readonly clock: Clock
  /** This tab's notes, and this browser's. */
  readonly keep: Keep
  readonly browserKeep: Keep
  readonly announcer: Announcer
  readonly page: Page
  readonly midi: Midi
  /** All that is worked out off the page's thread. */
  readonly workers: Workers
  readonly openFloorFeed: (rigId: string, ears: FloorEars) => FloorFeed
}

let platform: Platform | null = null

export const usePlatform = (): Platform =>
  (platform ??= {
    server: browserRigServer,
    shelf: browserRigShelf,
    clock: browserClock,
    keep: tabKeep,
    browserKeep,
    announcer: browserAnnouncer(),
    page: browserPage,
    midi: browserMidi,
    workers: browserWorkers(),
    openFloorFeed: browserFloorFeed,
  })

/** For tests: stands in for the browser. */
export function providePlatform(stand: Platform): void {
  platform = stand
}
