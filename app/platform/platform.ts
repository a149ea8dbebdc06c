import { browserAnnouncer, type Announcer } from './announcer'
import { browserFindingWorker, type FindingWorker } from './findingWorker'
import { browserClock, type Clock } from './clock'
import { tabKeep, type Keep } from './keep'
import { browserChartReader, type ChartReader } from './chartReader'
import { browserMidiOutputs, type MidiOutputs } from './midiOutputs'
import { browserPage, type Page } from './page'
import { browserSoundWorker, type SoundWorker } from './soundWorker'
import { browserRigServer, type RigServer } from './rigServer'

/** Everything of the world outside that the stores use. */
export interface Platform {
  readonly server: RigServer
  readonly clock: Clock
  readonly keep: Keep
  readonly announcer: Announcer
  readonly page: Page
  readonly midi: MidiOutputs
  /** A reader of its own for each who asks. */
  readonly openChartReader: () => ChartReader
  /** A worker of its own for each who asks. */
  readonly openSoundWorker: () => SoundWorker
  readonly openFindingWorker: () => FindingWorker
}

let platform: Platform | null = null

export const usePlatform = (): Platform =>
  (platform ??= {
    server: browserRigServer,
    clock: browserClock,
    keep: tabKeep,
    announcer: browserAnnouncer(),
    page: browserPage,
    midi: browserMidiOutputs,
    openChartReader: browserChartReader,
    openSoundWorker: browserSoundWorker,
    openFindingWorker: browserFindingWorker,
  })

/** For tests: stands in for the browser. */
export function providePlatform(stand: Platform): void {
  platform = stand
}
