import { createPinia, setActivePinia } from 'pinia'
import type { Rig } from '#core/rig'
import { memoryAnnouncers } from '~/platform/announcer'
import { memoryClock } from '~/platform/clock'
import { memoryKeep } from '~/platform/keep'
import { memoryRigShelf } from '~/platform/rigShelf'
import { memoryServer } from '~/platform/testing/memoryServer'
import { memoryWorkers } from '~/platform/testing/memoryWorkers'
import { memoryMidi, type MidiReach } from '~/platform/midi'
import { memoryPage } from '~/platform/page'
import { providePlatform } from '~/platform/platform'
import { useFloorStore } from '../floor'
import { useMidiStore } from '../midi'
import { useRigStore } from '../rig'

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
    // Nothing is looked for in its rig: these tests are about the floor.
    workers: memoryWorkers(),
    openFloorFeed: () => ({ close: () => undefined }),
  })
  setActivePinia(createPinia())
  await useRigStore().open('rig')
  return { clock, midi, floor: useFloorStore(), ports: useMidiStore() }
}
