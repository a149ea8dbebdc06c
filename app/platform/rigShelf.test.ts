import { afterEach, describe, expect, it, vi } from 'vitest'
import { smallRig } from '../../core/rig/testing/makeRig'
import { browserRigShelf, memoryRigShelf } from './rigShelf'

const rig = smallRig()
const reply = (id: string, revision = 1) => ({
  id,
  revision,
  changedAt: '2026-11-24T20:00:00.000Z',
  rig,
})

/** A browser's cache storage, as far as the shelf uses it. */
function provideCaches(isFull = false): void {
  const kept = new Map<string, string>()
  const cache = {
    match: async (key: string) => (kept.has(key) ? new Response(kept.get(key)!) : undefined),
    put: async (key: string, response: Response) => {
      if (isFull) throw new DOMException('full', 'QuotaExceededError')
      kept.set(key, await response.text())
    },
    delete: async (key: string) => kept.delete(key),
    keys: async () => [...kept.keys()],
  }
  vi.stubGlobal('caches', { open: async () => cache })
}
afterEach(() => void vi.unstubAllGlobals())

describe('the shelf of rigs', () => {
  it('gives back what was kept last, tells what it holds, and forgets', async () => {
    provideCaches()
    await browserRigShelf.keep(reply('a'))
    await browserRigShelf.keep(reply('b'))
    await browserRigShelf.keep(reply('a', 5))
    expect(await browserRigShelf.find('a')).toEqual(JSON.parse(JSON.stringify(reply('a', 5))))
    expect(
      (await browserRigShelf.list()).map(({ id, revision, holds }) => [id, revision, holds.devices]),
    ).toEqual([
      ['a', 5, 2],
      ['b', 1, 2],
    ])
    await browserRigShelf.forget('a')
    expect(await browserRigShelf.find('a')).toBeNull()
  })

  it('keeps the last twelve', async () => {
    provideCaches()
    for (let n = 0; n < 15; n++) await browserRigShelf.keep(reply(`rig${n}`))
    expect((await browserRigShelf.list()).map(({ id }) => id)).toEqual(
      Array.from({ length: 12 }, (_, n) => `rig${14 - n}`),
    )
  })

  it('stops nobody where there is no room, or no storage at all', async () => {
    provideCaches(true)
    await browserRigShelf.keep(reply('a'))
    expect(await browserRigShelf.find('a')).toBeNull()
    vi.stubGlobal('caches', undefined)
    await browserRigShelf.keep(reply('a'))
    expect([await browserRigShelf.find('a'), await browserRigShelf.list()]).toEqual([null, []])
    vi.stubGlobal('caches', { open: () => Promise.reject(new DOMException('no', 'SecurityError')) })
    expect(await browserRigShelf.list()).toEqual([])
  })

  it('for tests does the same', async () => {
    const shelf = memoryRigShelf()
    await shelf.keep(reply('a'))
    expect((await shelf.find('a'))?.revision).toBe(1)
    await shelf.forget('a')
    expect(await shelf.list()).toEqual([])
  })
})
