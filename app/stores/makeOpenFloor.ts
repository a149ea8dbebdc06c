import { createPinia, setActivePinia } from 'pinia'
import type { Rig } from '#core'
import { memoryAnnouncers } from '~/platform/announcer'
import { memoryChartReader } from '~/platform/chartReader'
import { memoryClock } from '~/platform/clock'
import { memoryFindingWorker } from '~/platform/findingWorker'
import { memoryKeep } from '~/platform/keep'
import { memoryRigShelf } from '~/platform/rigShelf'
import { memoryServer } from '~/platform/memoryServer'
import { memoryMidi, type MidiReach } from '~/platform/midi'
import { memoryPage } from '~/platform/page'
import { providePlatform } from '~/platform/platform'
import { memoryShowWorker } from '~/platform/showWorker'
import { memoryKeyInWorker } from '~/platform/keyInWorker'
import { memoryPastWorker } from '~/platform/pastWorker'
import { memorySoundWorker } from '~/platform/soundWorker'
import { useFloorStore } from './floor'
import { useMidiStore } from './midi'
import { useRigStore } from './rig'

/** A tab with a rig open on a clock that is moved by hand. */
export async function makeOpenFloor(rig: Rig, reach: MidiReach = 'ready') {
  const clock = memoryClock()
  const midi = memoryMidi(() => clock.microseconds() / 1000, reach)
  providePlatform({
    shelf: memoryRigShelf(),
    server: memoryServer('rig', rig),
    clock: { ...clock, wait: () => new Promise<void>((resolve) => setTimeout(resolve, 1)) },
    keep: memoryKeep(),
    browserKeep: memoryKeep(),
    announcer: memoryAnnouncers()(),
    page: memoryPage(),
    midi,
    openChartReader: memoryChartReader,
    openSoundWorker: memorySoundWorker,
    openKeyInWorker: memoryKeyInWorker,
    openPastWorker: memoryPastWorker,
    openShowWorker: memoryShowWorker,
    openFloorFeed: () => ({ close: () => undefined }),
    openFindingWorker: memoryFindingWorker,
    // Nothing is searched for in its rig: these tests are about the floor.
    openSlowWorker: () => ({ ask: () => undefined, cancel: () => undefined, close: () => undefined }),
  })
  setActivePinia(createPinia())
  await useRigStore().open('rig')
  return { clock, midi, floor: useFloorStore(), ports: useMidiStore() }
}
