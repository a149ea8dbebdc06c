import { describe, expect, it } from 'vitest'
import { loopLength } from '#core/looper'
import { switchAt, switchesHere } from '#core/rig'
import { advance, deviceState, floorAtPowerOn, step, type FloorInput, type FloorState } from '#core/simulate'
import { readPhrase, doingFirst, tempoNow } from '#core/switching'
import { tidewright } from './tidewright'

const rig = tidewright()

/** The floor after inputs, each so many ms behind the one before, and `rest` ms more. */
function played(
  inputs: readonly (readonly [after: number, input: object])[],
  rest = 0,
  from = floorAtPowerOn(rig),
): FloorState {
  let state = from
  for (const [after, input] of inputs)
    state = step(rig, state, { ...input, at: state.at + after * 1000 } as FloorInput).state
  return advance(rig, state, state.at + rest * 1000).state
}
const bank = (bankId: string) => ({ kind: 'bank', bankId })
const on = (state: FloorState, number: number): string =>
  switchesHere(rig, state.known.bankId!, state.known.layer).get(`/${number}`)!.id
/** A step of 80 ms on a number. */
const stepped = (state: FloorState, number: number, after: number): FloorState => {
  const switchId = on(state, number)
  return played(
    [
      [after, { kind: 'press', switchId }],
      [80, { kind: 'release', switchId }],
    ],
    0,
    state,
  )
}

describe("the demo's tempo", () => {
  it('is that of the song, tapped by foot, given back; and the tremolo hears each song', () => {
    const storm = played([[0, bank('storm')]], 2000)
    expect(tempoNow(storm.known)).toMatchObject({ bpm: 132, from: { kind: 'song', songId: 'storm' } })
    expect(Math.round(deviceState(storm, 'tremolo').beat!.bpm!)).toBe(132)
    let walk = played([[0, bank('entracte')]], 2000, storm)
    expect(Math.round(deviceState(walk, 'tremolo').beat!.bpm!)).toBe(118)
    for (let n = 0; n < 4; n++) walk = stepped(walk, 6, n === 0 ? 1000 : 560)
    // 60 000 / 640 ms, common practice: the drummer drifts.
    expect(tempoNow(walk.known)).toMatchObject({ bpm: 93.8, from: { kind: 'tap' }, over: { bpm: 118 } })
    expect(tempoNow(stepped(walk, 4, 1000).known)).toMatchObject({ bpm: 118, from: { kind: 'song' } })
  })

  it('goes as a clock to the echo, and never to the reverb, which must not get one', () => {
    const after = played([[0, { kind: 'act', actions: [{ kind: 'clock', does: 'start' }] }]], 3000)
    expect(deviceState(after, 'echo').beat!.bpm!).toBeCloseTo(96, 1)
    expect(deviceState(after, 'echo').beat!.isPlaying).toBe(true)
    expect(deviceState(after, 'reverb').beat).toBeNull()
  })

  it('does not move the loop pedal: recorded, played, stopped on two switches, and stopped by leaving the bank', () => {
    let state = stepped(played([[0, bank('storm2')]]), 3, 500)
    state = stepped(state, 3, 3920)
    expect(deviceState(state, 'looper').loop!.state).toBe('playing')
    expect(Math.round(loopLength(deviceState(state, 'looper').loop!)! / 1000)).toBe(4000)
    expect(deviceState(stepped(state, 4, 2000), 'looper').loop!.state).toBe('stopped')
    expect(deviceState(played([[1000, bank('storm')]], 500, state), 'looper').loop!.state).toBe('stopped')
  })

  it("tells tap tempo and a looper's tap apart where they are typed", () => {
    const doing = doingFirst(
      rig,
      switchAt(rig, { bankId: 'menders' as never, number: 4, newId: 'x' as never }),
    )
    const meant = (phrase: string) =>
      readPhrase(rig, phrase, doing).flatMap(({ action }) =>
        action.kind === 'tap' || action.kind === 'looper' ? [`${action.kind} ${action.controlId}`] : [],
      )
    expect(meant('tap tempo echo')[0]).toBe('tap echo-tap')
    expect(meant('tap record echo')[0]).toBe('looper echo-loop-tap')
    expect(meant('tap record echo')).not.toContain('tap echo-loop-tap')
  })
})
