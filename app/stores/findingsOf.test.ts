import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import type { SlowFindings } from '#core/check'
import { usePlatform, providePlatform } from '~/platform/platform'
import { memoryWorkers } from '~/platform/testing/memoryWorkers'
import { smallRig } from '../../core/rig/testing/makeRig'
import { useRigStore } from './rig'
import { makeOpenFloor } from './testing/makeOpenFloor'

const NOTHING: SlowFindings = { found: [], unknown: [], proof: { proved: [], ways: 3 } }
/** What was asked and told, and code that is fetched, has come. */
const settled = () => new Promise((resolve) => setTimeout(resolve, 20))

describe('what is looked for in a rig', () => {
  let isBroken = true
  let clock: Awaited<ReturnType<typeof makeOpenFloor>>['clock']
  beforeEach(async () => {
    isBroken = true
    ;({ clock } = await makeOpenFloor(smallRig()))
    const search = () => {
      if (isBroken) throw new Error('planted')
      return NOTHING
    }
    providePlatform({ ...usePlatform(), clock, workers: memoryWorkers({ search }) })
    setActivePinia(createPinia())
    await useRigStore().open('rig')
  })

  it('is nothing before it was looked for: old, and no stamp', () => {
    const rigs = useRigStore()
    expect([rigs.isFoundOld, rigs.search, rigs.stamp]).toEqual([true, 0, null])
  })

  it('is not known where the search broke off, says so, and is looked for once more', async () => {
    const rigs = useRigStore()
    clock.advance(2000)
    await settled()
    expect(rigs.isFoundOld).toBe(false)
    expect(rigs.lost).toMatchObject([
      { what: 'What can go wrong on the way', fault: { kind: 'threw', text: 'Error: planted' } },
    ])
    expect([rigs.isSearchLost, rigs.search !== null, rigs.stamp]).toEqual([true, true, null])
    isBroken = false
    rigs.lost[0]!.again()
    await settled()
    expect([rigs.lost, rigs.isSearchLost, rigs.search]).toEqual([[], false, null])
    expect(rigs.stamp).toMatchObject({ revision: 1, holds: 0, fails: 0 })
  })
})
