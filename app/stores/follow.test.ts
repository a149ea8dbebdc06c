import { describe, expect, it } from 'vitest'
import { runs, seeds } from '#testing/runs'
import { own } from '#core/base'
import { encodeMessage } from '#core/midi'
import type { Rig } from '#core/rig'
import { compile, messagesAmong } from '#core/switching'
import { makePedal, makeRoleOf, makeTarget } from '../../core/pedal/testing/makePedals'
import { makeControl, makeSwitch, recallSound } from '../../core/rig/testing/makeRig'
import { makeShowRig } from '../../core/show/testing/makeShowRig'
import { useFollowStore } from './follow'
import { makeOpenFloor } from './testing/makeOpenFloor'

/** Messages a switch sends, as bytes. */
const sentBy = (rig: Rig, id: string, event: 'press' | 'release' = 'press'): number[][] =>
  messagesAmong(compile(rig, own(rig.switches, id)!, event)).map(({ message }) => [...encodeMessage(message)])

async function following(rig: Rig) {
  const open = await makeOpenFloor(rig)
  open.midi.plug('real')
  const follow = useFollowStore()
  await follow.start()
  const comesIn = (messages: readonly number[][], everyMs = 1) => {
    for (const one of messages) {
      open.midi.comeIn('real', one)
      open.clock.advance(everyMs)
    }
  }
  return { ...open, follow, comesIn }
}

const sounds = (rig: Rig) =>
  Object.values(rig.switches).filter((one) => one.positions[0]![0]?.kind === 'recallSound')

describe('the floor that follows a real controller', () => {
  it('makes every step of generated rigs that its messages tell, in whatever bank', async () => {
    let made = 0
    for (const seed of seeds(12, 1)) {
      const rig = makeShowRig(seed)
      const { clock, floor, follow, comesIn } = await following(rig)
      for (const one of sounds(rig)) {
        comesIn([[0xf8], ...sentBy(rig, one.id), [0xfe]])
        clock.advance(400)
        expect(follow.heard).toMatchObject({ kind: 'step', step: { switchId: one.id } })
        expect(floor.state?.known.sound).toBe((one.positions[0]![0] as { soundId: string }).soundId)
        expect(floor.bank?.id).toBe(one.bankId)
        made++
      }
    }
    expect(made).toBeGreaterThan(runs(40))
  })

  it('steps on nothing where the messages are of no switch, come apart, or it was told to stop', async () => {
    const rig = makeShowRig(2)
    const { clock, floor, follow, comesIn } = await following(rig)
    const [one] = sounds(rig)
    const before = floor.state?.known.sound
    comesIn([[0xb0, 1, 2]])
    clock.advance(400)
    expect(follow.heard).toEqual({ kind: 'nothing' })
    // Half of a list, and the other half long after it.
    const [first, ...others] = sentBy(rig, one!.id)
    comesIn([first!])
    clock.advance(400)
    comesIn(others)
    clock.advance(400)
    expect(floor.state?.known.sound).toBe(before)
    follow.end()
    comesIn(sentBy(rig, one!.id))
    clock.advance(400)
    expect(floor.state?.known.sound).toBe(before)
  })

  it('hears a step though a pedal moves all the while, and takes no step for a pedal’s', async () => {
    const small = makeShowRig(2)
    const [one] = sounds(small)
    const level = makeControl('level', 'amp', 11, { name: 'Volume' })
    const rig = {
      ...small,
      controls: { level },
      pedals: { right: makePedal('right', [makeRoleOf([makeTarget('level')])]) },
    } as unknown as Rig
    const { clock, floor, follow, comesIn } = await following(rig)
    const pedal = (value: number) => [0xb0, 11, value]
    comesIn(
      Array.from({ length: 60 }, (_, n) => pedal(n)),
      10,
    )
    expect(follow.heard).toBeNull()
    const [first, ...others] = sentBy(rig, one!.id)
    comesIn([pedal(60), first!, pedal(61), ...others, pedal(62)], 2)
    for (let n = 63; n < 90; n++) comesIn([pedal(n)], 10)
    expect(follow.heard).toMatchObject({ kind: 'step', step: { switchId: one!.id } })
    clock.advance(400)
    expect(floor.state?.known.sound).toBe((one!.positions[0]![0] as { soundId: string }).soundId)
  })

  it('takes what a step sends later for its own: after a pause, and as the foot comes off', async () => {
    const small = makeShowRig(2)
    const [a, b] = sounds(small)
    const name = (one: typeof a) => (one!.positions[0]![0] as { soundId: string }).soundId
    const both = makeSwitch(
      'bank0',
      6,
      [[recallSound(name(a)), { kind: 'wait', ms: 300 }, recallSound(name(b))]],
      { id: 'both' as never, release: [{ kind: 'raw', deviceId: 'amp' as never, hex: 'B0 14 05' }] },
    )
    const rig = { ...small, switches: { both } } as unknown as Rig
    const { clock, floor, follow, comesIn } = await following(rig)
    const all = sentBy(rig, 'both')
    comesIn(all.slice(0, all.length / 2))
    clock.advance(250)
    comesIn(all.slice(all.length / 2))
    clock.advance(100)
    comesIn(sentBy(rig, 'both', 'release'))
    clock.advance(600)
    expect(follow.heard).toMatchObject({ kind: 'step', step: { switchId: 'both' } })
    expect(floor.state?.known.sound).toBe(name(b))
    // The next step of the same kind is one again.
    comesIn(all.slice(0, all.length / 2))
    clock.advance(100)
    expect(follow.heard).toMatchObject({ kind: 'step' })
  })

  it('sends nothing to real gear meanwhile, and again once it has stopped', async () => {
    const rig = makeShowRig(2)
    const { clock, midi, floor, ports, follow, comesIn } = await following(rig)
    const [one] = sounds(rig)
    ports.choose('controller.out', 'real')
    comesIn(sentBy(rig, one!.id))
    clock.advance(400)
    expect(floor.state?.known.sound).not.toBeNull()
    expect(midi.sent).toEqual([])
    follow.end()
    expect(ports.isMuted).toBe(false)
  })
})
