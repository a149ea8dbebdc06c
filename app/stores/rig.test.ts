import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { editRow } from '#core/rig'
import { memoryAnnouncers } from '~/platform/announcer'
import { memoryClock } from '~/platform/clock'
import { memoryWorkers } from '~/platform/testing/memoryWorkers'
import { memoryKeep } from '~/platform/keep'
import { memoryMidi } from '~/platform/midi'
import { memoryPage } from '~/platform/page'
import { memoryRigShelf } from '~/platform/rigShelf'
import { memoryServer } from '~/platform/testing/memoryServer'
import { providePlatform } from '~/platform/platform'
import { smallRig } from '../../core/rig/testing/makeRig'
import { errorReply } from '#shared/errors'
import { useFloorStore } from './floor'
import { useRigStore } from './rig'

const settle = () => new Promise((resolve) => setTimeout(resolve, 5))

let server: ReturnType<typeof memoryServer>
let announcers: ReturnType<typeof memoryAnnouncers>
let shelves: ReturnType<typeof memoryRigShelf>
let browserKeep: ReturnType<typeof memoryKeep>
const clock = { ...memoryClock(), wait: () => new Promise<void>((resolve) => setTimeout(resolve, 1)) }

/** A browser tab: its own stores and its own notes, the same server. */
function openTab(keep = memoryKeep()) {
  providePlatform({
    server,
    shelf: shelves,
    clock,
    keep,
    browserKeep,
    announcer: announcers(),
    page: memoryPage(),
    midi: memoryMidi(() => 0, 'none'),
    workers: memoryWorkers(),
    openFloorFeed: () => ({ close: () => undefined }),
  })
  setActivePinia(createPinia())
  return useRigStore()
}

beforeEach(() => {
  server = memoryServer('rig', smallRig())
  announcers = memoryAnnouncers()
  shelves = memoryRigShelf()
  browserKeep = memoryKeep()
})

const move = (tab: ReturnType<typeof openTab>, device: string, channel: number) =>
  tab.edit(editRow(tab.rig!, 'setChannel', 'devices', device, { channel: channel as never }))
const channelOf = (tab: ReturnType<typeof openTab>, device: string) => tab.rig?.devices[device]?.channel

describe('without the server', () => {
  it('a rig that was open before opens as it was confirmed last, edits wait, and are sent when it is back', async () => {
    const tab = openTab()
    await tab.open('rig')
    move(tab, 'echo', 9)
    await settle()
    await settle()
    expect((await shelves.find('rig'))?.rig.devices['echo']?.channel).toBe(9)
    server.isAway = true
    const later = openTab()
    await later.open('rig')
    expect(later.isFromShelf).toBe(true)
    expect([later.failure, channelOf(later, 'echo'), later.revision]).toEqual([null, 9, 2])
    move(later, 'echo', 10)
    await settle()
    expect(later.outboxState.kind).toBe('away')
    server.isAway = false
    await settle()
    await settle()
    expect(server.rig().devices['echo']?.channel).toBe(10)
    expect([later.isFromShelf, later.outboxState.kind]).toEqual([false, 'empty'])
  })

  it('a tab that is closed leaves what it had not sent to the next one', async () => {
    const tab = openTab()
    await tab.open('rig')
    await settle()
    server.isAway = true
    move(tab, 'echo', 11)
    await settle()
    tab.close()
    const next = openTab()
    await next.open('rig')
    expect(channelOf(next, 'echo')).toBe(11)
    expect(next.pending).toHaveLength(1)
    server.isAway = false
    await settle()
    await settle()
    expect(server.rig().devices['echo']?.channel).toBe(11)
    // It is sent once, and nothing is left for a third.
    const third = openTab()
    await third.open('rig')
    expect([third.pending.length, third.revision]).toEqual([0, 2])
  })

  it('what was sent later and undone does not come back in the next tab', async () => {
    const first = openTab()
    await first.open('rig')
    await settle()
    const before = channelOf(first, 'echo')
    server.isAway = true
    move(first, 'echo', 11)
    await settle()
    first.close()
    // The next tab takes over what waits, sends it, and undoes it.
    server.isAway = false
    const next = openTab()
    await next.open('rig')
    await settle()
    await settle()
    expect([channelOf(next, 'echo'), next.outboxState.kind]).toEqual([11, 'empty'])
    next.edit(editRow(next.rig!, 'setChannel', 'devices', 'echo', { channel: before as never }))
    await settle()
    expect(channelOf(next, 'echo')).toBe(before)
    next.close()
    expect(browserKeep.read('wire-step/waiting/rig')).toBeNull()
    const third = openTab()
    await third.open('rig')
    await settle()
    expect([channelOf(third, 'echo'), third.pending.length, third.revision]).toEqual([before, 0, 3])
    expect(server.rig().devices['echo']?.channel).toBe(before)
  })

  it('an edit that was stored already is followed by what came after it', async () => {
    const first = openTab()
    await first.open('rig')
    await settle()
    const before = channelOf(first, 'echo')
    await settle()
    // Sent, its answer lost; the tab that has it on top opens from what is kept here.
    server.isDeaf = true
    move(first, 'echo', 11)
    server.isAway = true
    await settle()
    first.close()
    server.isDeaf = false
    expect(server.rig().devices['echo']?.channel).toBe(11)
    const away = openTab()
    await away.open('rig')
    await settle()
    expect([away.isFromShelf, channelOf(away, 'echo'), away.pending.length]).toEqual([true, 11, 1])
    // Meanwhile another browser puts it back.
    const { rig } = server
    server.isAway = false
    await server.post('rig', {
      id: 'elsewhere',
      edit: editRow(rig(), 'setChannel', 'devices', 'echo', { channel: before as never })!,
    })
    for (let n = 0; n < 20 && channelOf(away, 'echo') !== before; n++) await settle()
    expect([channelOf(away, 'echo'), away.revision, away.outboxState.kind]).toEqual([before, 3, 'empty'])
  })

  it('takes what is newer there as soon as the server is back, where nothing waits', async () => {
    const tab = openTab()
    await tab.open('rig')
    await settle()
    server.isAway = true
    const away = openTab()
    await away.open('rig')
    server.isAway = false
    move(tab, 'echo', 12)
    await settle()
    await settle()
    expect([channelOf(away, 'echo'), away.isFromShelf]).toEqual([12, false])
  })

  it('what was never open here cannot be, and says so', async () => {
    server.isAway = true
    const tab = openTab()
    await tab.open('rig')
    expect(tab.failure).toEqual({ kind: 'away' })
  })
})

describe('the rig store', () => {
  it('shows an edit at once, sends it, undoes and redoes it', async () => {
    const tab = openTab()
    await tab.open('rig')
    move(tab, 'echo', 9)
    expect(channelOf(tab, 'echo')).toBe(9)
    await settle()
    expect(server.rig().devices.echo?.channel).toBe(9)
    expect([tab.revision, tab.outboxState.kind]).toEqual([2, 'empty'])
    tab.undo()
    await settle()
    expect([channelOf(tab, 'echo'), server.rig().devices.echo?.channel, tab.revision]).toEqual([4, 4, 3])
    tab.redo()
    await settle()
    expect(server.rig().devices.echo?.channel).toBe(9)
    expect([tab.undo(), tab.undo()]).toEqual([true, false])
  })

  it('refuses an edit that would break the rig, and says why', async () => {
    const tab = openTab()
    await tab.open('rig')
    expect(move(tab, 'echo', 17)).toBe(false)
    expect(tab.setbacks).toMatchObject([{ label: 'setChannel', doing: 'edit', refusal: { code: 'invalid' } }])
    expect([channelOf(tab, 'echo'), tab.pending.length]).toEqual([4, 0])
  })

  it('keeps edits while the server is away, over a reload, and sends them in order', async () => {
    const keep = memoryKeep()
    const tab = openTab(keep)
    await tab.open('rig')
    server.isAway = true
    move(tab, 'echo', 9)
    move(tab, 'preamp', 10)
    await settle()
    expect([tab.outboxState.kind, tab.pending.length]).toEqual(['away', 2])
    tab.close()
    server.isAway = false
    const reloaded = openTab(keep)
    await reloaded.open('rig')
    expect([channelOf(reloaded, 'echo'), channelOf(reloaded, 'preamp')]).toEqual([9, 10])
    await settle()
    expect([server.rig().devices.echo?.channel, server.rig().devices.preamp?.channel]).toEqual([9, 10])
    reloaded.undo()
    expect(channelOf(reloaded, 'preamp')).toBe(1)
  })

  it('says that the server does not answer, and opens when it does', async () => {
    const tab = openTab()
    server.isAway = true
    await tab.open('rig')
    expect(tab.failure).toEqual({ kind: 'away' })
    server.isAway = false
    await tab.open('rig')
    expect([tab.failure, tab.name]).toEqual([null, 'Test rig'])
  })
})

describe('what the server does not take', () => {
  const refused = async () => {
    const tab = openTab()
    await tab.open('rig')
    server.refusing = 'tooBig'
    move(tab, 'echo', 9)
    move(tab, 'preamp', 10)
    await settle()
    expect([tab.outboxState.kind, tab.pending.length]).toEqual(['refused', 2])
    return tab
  }

  it('can be left out: what is behind it is kept and saved', async () => {
    const tab = await refused()
    server.refusing = null
    // Still refused when it is offered once more.
    Object.assign(server, { post: refuseFirst(server.post) })
    await tab.leaveOut()
    await settle()
    expect([channelOf(tab, 'echo'), channelOf(tab, 'preamp')]).toEqual([4, 10])
    expect([server.rig().devices.echo?.channel, server.rig().devices.preamp?.channel]).toEqual([4, 10])
    expect([tab.outboxState.kind, tab.history.past.length, tab.setbacks.length]).toEqual(['empty', 1, 0])
  })

  it('stays when the server cannot be asked for the rig without it', async () => {
    const tab = await refused()
    server.isAway = true
    await tab.leaveOut()
    expect([tab.pending.length, channelOf(tab, 'echo'), tab.failure]).toEqual([2, 9, null])
    server.isAway = false
    server.refusing = null
    await settle()
    tab.retry()
    await settle()
    expect(server.rig().devices.echo?.channel).toBe(9)
  })

  it('is undone by not sending it', async () => {
    const tab = await refused()
    tab.undo()
    tab.undo()
    expect([channelOf(tab, 'echo'), channelOf(tab, 'preamp'), tab.pending.length]).toEqual([4, 1, 0])
    expect(tab.outboxState.kind).toBe('empty')
    server.refusing = null
    tab.redo()
    await settle()
    expect(server.rig().devices.echo?.channel).toBe(9)
  })

  it('is too large to begin with: told before it is done', async () => {
    const tab = openTab()
    await tab.open('rig')
    const [preset] = Object.values(tab.rig!.presets)
    const changes = Array.from({ length: 39_000 }, (_, n) => ({
      table: 'presets' as const,
      id: `p${n}` as never,
      before: null,
      after: { ...preset!, id: `p${n}` as never, notes: 'x'.repeat(400) },
    }))
    expect(tab.edit({ label: 'fillPresets', changes })).toBe(false)
    expect(tab.setbacks).toMatchObject([{ refusal: { code: 'tooLarge' } }])
    expect(tab.pending).toEqual([])
  })
})

/** A server that refuses once more before it takes anything. */
function refuseFirst(post: typeof server.post): typeof server.post {
  let isFirst = true
  return async (...args) => {
    if (!isFirst) return post(...args)
    isFirst = false
    return { kind: 'refused', error: errorReply('tooBig').error }
  }
}

describe('a reload', () => {
  it('when answers were lost tells nothing false: what is stored is stored', async () => {
    const keep = memoryKeep()
    const tab = openTab(keep)
    await tab.open('rig')
    server.isDeaf = true
    move(tab, 'echo', 9)
    await settle()
    tab.close()
    server.isDeaf = false
    const reloaded = openTab(keep)
    await reloaded.open('rig')
    expect([reloaded.setbacks, channelOf(reloaded, 'echo'), reloaded.pending.length]).toEqual([[], 9, 0])
    expect(reloaded.revision).toBe(2)
    reloaded.undo()
    await settle()
    expect(server.rig().devices.echo?.channel).toBe(4)
  })

  it('taking the new state with an answer lost tells nothing false either', async () => {
    const tab = openTab()
    await tab.open('rig')
    server.isDeaf = true
    move(tab, 'echo', 9)
    await settle()
    server.isDeaf = false
    await tab.takeNewest()
    expect([tab.setbacks, channelOf(tab, 'echo'), tab.pending.length]).toEqual([[], 9, 0])
  })

  it('finds the edits of the first version’s notes', async () => {
    const keep = memoryKeep()
    const edit = editRow(smallRig(), 'setChannel', 'devices', 'echo', { channel: 9 as never })!
    keep.write(
      'wire-step/rig/rig',
      JSON.stringify({ pending: [{ id: 'old', edit }], history: { past: [edit], future: [] } }),
    )
    const tab = openTab(keep)
    await tab.open('rig')
    expect([channelOf(tab, 'echo'), tab.history.past.length]).toEqual([9, 1])
    expect(keep.read('wire-step/rig/rig')).toBeNull()
  })

  it('is warned of when the browser has no room for what is not yet saved; history makes room first', async () => {
    const tab = openTab(memoryKeep(6000))
    await tab.open('rig')
    move(tab, 'echo', 9)
    await settle()
    server.isAway = true
    for (const channel of [10, 11, 12, 13]) {
      move(tab, 'echo', channel)
      if (channel < 11) expect(tab.isNoted).toBe(true)
    }
    expect(tab.isNoted).toBe(false)
    server.isAway = false
    await settle()
    await settle()
    expect([tab.isNoted, tab.pending.length]).toEqual([true, 0])
  })
})

describe('two tabs', () => {
  it('the second is told, takes the new state, and loses nothing it can keep', async () => {
    const first = openTab()
    await first.open('rig')
    const second = openTab()
    await second.open('rig')
    move(first, 'echo', 9)
    await settle()
    expect([second.isBehind, channelOf(second, 'echo')]).toEqual([true, 4])
    // The same row, from the old state: refused and kept.
    move(second, 'echo', 12)
    move(second, 'preamp', 13)
    await settle()
    expect([second.outboxState.kind, second.pending.length]).toEqual(['refused', 2])
    await second.takeNewest()
    await settle()
    expect([channelOf(second, 'echo'), channelOf(second, 'preamp'), second.isBehind]).toEqual([9, 13, false])
    expect(second.setbacks).toMatchObject([
      { label: 'setChannel', doing: 'take', refusal: { code: 'stale' } },
    ])
    expect(server.rig().devices.preamp?.channel).toBe(13)
  })

  it('finds out on looking, when no word came', async () => {
    const first = openTab()
    await first.open('rig')
    announcers = memoryAnnouncers()
    const second = openTab()
    await second.open('rig')
    move(first, 'echo', 9)
    await settle()
    expect(second.isBehind).toBe(false)
    await second.lookForNews()
    expect(second.isBehind).toBe(true)
  })
})

describe('the floor store', () => {
  it('steps on the current bank, holds, turns banks and follows edits', async () => {
    const tab = openTab()
    await tab.open('rig')
    const floor = useFloorStore()
    expect(floor.bank?.id).toBe('one')
    floor.press(2)
    floor.press(2)
    expect(floor.held.size).toBe(1)
    clock.advance(10)
    floor.pass()
    expect(floor.last?.wire.map(({ bytes }) => [...bytes])).toEqual([
      [0xc0, 7],
      [0xc3, 11],
    ])
    floor.turnBank(1)
    expect([floor.bank?.id, floor.held.size]).toEqual(['two', 0])
    floor.turnBank(1)
    expect(floor.bank?.id).toBe('one')
    floor.press(8)
    clock.advance(10)
    floor.pass()
    expect(floor.last?.wire).toHaveLength(2)
  })
})
