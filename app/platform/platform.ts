import { browserAnnouncer, type Announcer } from './announcer'
import { browserFindingWorker, type FindingWorker } from './findingWorker'
import { browserClock, type Clock } from './clock'
import { browserKeep, tabKeep, type Keep } from './keep'
import { browserChartReader, type ChartReader } from './chartReader'
import { browserFloorFeed, type FloorEars, type FloorFeed } from './floorFeed'
import { browserKeyInWorker, type KeyInWorker } from './keyInWorker'
import { browserMidi, type Midi } from './midi'
import { browserPastWorker, type PastWorker } from './pastWorker'
import { browserSlowWorker, type SlowWorker } from './slowWorker'
import { browserPage, type Page } from './page'
import { browserSoundWorker, type SoundWorker } from './soundWorker'
import { browserShowWorker, type ShowWorker } from './showWorker'
import { browserRigServer, type RigServer } from './rigServer'
import { browserRigShelf, type RigShelf } from './rigShelf'

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
  /** A reader of its own for each who asks. */
  readonly openChartReader: () => ChartReader
  /** A worker of its own for each who asks. */
  readonly openSoundWorker: () => SoundWorker
  readonly openFindingWorker: () => FindingWorker
  readonly openSlowWorker: () => SlowWorker
  readonly openShowWorker: () => ShowWorker
  readonly openKeyInWorker: () => KeyInWorker
  readonly openPastWorker: () => PastWorker
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
    openChartReader: browserChartReader,
    openSoundWorker: browserSoundWorker,
    openFindingWorker: browserFindingWorker,
    openSlowWorker: browserSlowWorker,
    openShowWorker: browserShowWorker,
    openKeyInWorker: browserKeyInWorker,
    openPastWorker: browserPastWorker,
    openFloorFeed: browserFloorFeed,
  })

/** For tests: stands in for the browser. */
export function providePlatform(stand: Platform): void {
  platform = stand
}
