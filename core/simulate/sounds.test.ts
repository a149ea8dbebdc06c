import { describe, expect, it } from 'vitest'
import { generated, runs } from '#testing/runs'
import fc from 'fast-check'
import { own } from '../base/own'
import { inOrder, type Rig } from '../rig/rig'
import { rigProblems } from '../rig/integrity'
import { controlMessages } from '../rig/chart/controlMessages'
import { sendChannel } from '../rig/channels'
import { highestValue } from '../rig/table/control'
import type { Sound } from '../rig/table/sound'
import { deviceBetween } from '../sound/between'
import { spokenCells } from '../sound/cells'
import { sendingOf } from '../sound/sending'
import { timeline } from '../sound/testing/timeline'
import { rigsWithSounds } from '../sound/testing/makeSounds'
import { wantsOf } from '../sound/want'
import { deviceState, floorAtPowerOn, type FloorState } from './floor'
import { stepAndSettle, stomp } from './step'

/** A second, in µs: longer than any device here loads. */
const SECOND = 1_000_000

const press = (rig: Rig, state: FloorState, sound: Sound) => {
  const footswitch = Object.values(rig.switches).find(({ positions }) =>
    positions[0]!.some((action) => action.kind === 'recallSound' && action.soundId === sound.id),
  )!
  return stomp(rig, state, footswitch.id, state.at + SECOND)
}

/** A state reached by pressing switches and by turning controls by hand, time passing in between. */
function wander(rig: Rig, moves: readonly number[]): FloorState {
  const sounds = inOrder(rig.sounds)
  const controls = Object.values(rig.controls)
  return moves.reduce((state, move) => {
    const control = controls[move % Math.max(1, controls.length)]
    if (move % 3 > 0 || !control) return press(rig, state, sounds[move % sounds.length]!).state
    const device = own(rig.devices, control.deviceId)!
    const value = move % (highestValue(control.address) + 1)
    return stepAndSettle(rig, state, {
      kind: 'send',
      deviceId: device.id,
      messages: controlMessages(control.address, sendChannel(rig, device)!, value),
      at: state.at + SECOND,
    }).state
  }, floorAtPowerOn(rig))
}

const moves = fc.array(fc.nat({ max: 1000 }), { maxLength: 8 })

describe('sounds on the simulated floor', () => {
  it('generated rigs are sound rigs', () => {
    fc.assert(
      fc.property(rigsWithSounds, (rig) => {
        expect(rigProblems(rig)).toEqual([])
      }),
      generated(200, 8_1000),
    )
  })

  it('a sound sent from any state, with time to load, is exactly what it wants', () => {
    let claims = 0
    fc.assert(
      fc.property(rigsWithSounds, moves, fc.nat(), (rig, walk, pick) => {
        const sounds = inOrder(rig.sounds)
        const sound = sounds[pick % sounds.length]!
        const { state } = press(rig, wander(rig, walk), sound)
        const [controller] = inOrder(rig.controllers)
        const lost = new Set(sendingOf(rig, sound, controller).lost.map(({ deviceId }) => deviceId))
        for (const [id, want] of wantsOf(rig, sound)) {
          if (want.kind !== 'be') continue
          const now = deviceState(state, id)
          if (want.preset !== null)
            expect([sound.name, id, now.preset]).toEqual([sound.name, id, want.preset])
          for (const { contact, isClosed } of want.contacts)
            expect([id, own(now.contacts, contact.id)]).toEqual([id, isClosed])
          for (const [controlId, value] of want.holds) {
            // Said to be lost: nothing is claimed of what is sent behind the recall.
            if (lost.has(id) && want.sets.some((one) => one.controlId === controlId)) continue
            claims++
            expect([sound.name, controlId, own(now.controls, controlId)]).toEqual([
              sound.name,
              controlId,
              value,
            ])
          }
        }
      }),
      generated(1500, 8_1001),
    )
    expect(claims).toBeGreaterThan(runs(2000))
  })

  it('what is said to be lost is what the byte-level timeline and the devices lose, and nothing else', () => {
    let losses = 0
    fc.assert(
      fc.property(rigsWithSounds, (rig) => {
        const [controller] = inOrder(rig.controllers)
        for (const sound of inOrder(rig.sounds)) {
          const sending = sendingOf(rig, sound, controller)
          const told = timeline(rig, sending.steps, controller!.runningStatus)
          const lostBy = (id: string) => told.filter((one) => one.isLost && one.step.deviceId === id).length
          for (const { deviceId, messages } of sending.lost) expect(lostBy(deviceId)).toBe(messages)
          const all = sending.lost.reduce((sum, { messages }) => sum + messages, 0)
          expect(told.filter(({ isLost }) => isLost)).toHaveLength(all)
          losses += all
          const { wire } = press(rig, floorAtPowerOn(rig), sound)
          expect(
            wire.map(({ start, end, lostBy: by }) => [start - SECOND, end - SECOND, by.length > 0]),
          ).toEqual(told.map(({ start, end, isLost }) => [start, end, isLost]))
          // One that waits as long as it takes loses nothing, and is ready when it says.
          const patient = sendingOf(rig, sound, { ...controller!, id: 'patient' as never, waitMs: 5000 })
          const waited = timeline(rig, patient.steps, controller!.runningStatus)
          expect(waited.some(({ isLost }) => isLost)).toBe(false)
          const ready = Math.max(
            0,
            ...waited.map(({ step: { message, deviceId }, end }) =>
              message.kind === 'program' ? end + own(rig.devices, deviceId)!.deafMs * 1000 : end,
            ),
          )
          if (patient.contacts.length === 0) expect(patient.ready).toBe(ready)
        }
      }),
      generated(400, 8_1002),
    )
    expect(losses).toBeGreaterThan(runs(50))
  })

  it('where something is said to be left over, there is a state from which it stays', () => {
    let found = 0
    fc.assert(
      fc.property(rigsWithSounds, (rig) => {
        const sounds = inOrder(rig.sounds)
        const [controller] = inOrder(rig.controllers)
        for (const from of sounds)
          for (const to of sounds) {
            if (sendingOf(rig, from, controller).lost.length > 0) continue
            const after = press(rig, press(rig, floorAtPowerOn(rig), from).state, to).state
            for (const [id, want] of wantsOf(rig, to))
              for (const left of deviceBetween(rig, own(rig.devices, id)!, wantsOf(rig, from).get(id)!, want)
                .leftovers) {
                found++
                const now = deviceState(after, id)
                if (left.kind === 'preset') expect(now.preset).toBe(left.index)
                else if (left.kind === 'contact')
                  expect(own(now.contacts, left.contactId)).toBe(left.isClosed)
                else {
                  expect(own(now.controls, left.controlId)).toBe(left.value)
                  // From elsewhere it is something else: the sound does not say what it is.
                  const control = own(rig.controls, left.controlId)!
                  if (control.map === 'preset') continue
                  const other = (left.value + 1) % 3
                  const turned = stepAndSettle(rig, floorAtPowerOn(rig), {
                    kind: 'send',
                    deviceId: id,
                    messages: controlMessages(
                      control.address,
                      sendChannel(rig, own(rig.devices, id)!)!,
                      other,
                    ),
                    at: 0,
                  }).state
                  expect(own(deviceState(press(rig, turned, to).state, id).controls, left.controlId)).toBe(
                    other,
                  )
                }
              }
          }
      }),
      generated(300, 8_1003),
    )
    expect(found).toBeGreaterThan(runs(200))
  })

  it('a variant is its parent with its own cells over it', () => {
    fc.assert(
      fc.property(rigsWithSounds, (rig) => {
        for (const sound of inOrder(rig.sounds)) {
          // By hand, from the rows alone.
          const flat = new Map<string, unknown>()
          const line: Sound[] = []
          for (let one: Sound | undefined = sound; one; one = own(rig.sounds, one.parentId ?? ''))
            line.unshift(one)
          for (const one of line) for (const { deviceId, cell } of one.cells) flat.set(deviceId, cell)
          const said = [...spokenCells(rig, sound)].map(([id, { cell }]) => [id, cell])
          expect(Object.fromEntries(said)).toEqual(Object.fromEntries(flat))
          const cells = said.map(([deviceId, cell]) => ({ deviceId, cell })) as Sound['cells']
          const alone: Sound = { ...sound, id: 'alone' as Sound['id'], parentId: null, cells }
          expect([...wantsOf(rig, alone)]).toEqual([...wantsOf(rig, sound)])
        }
      }),
      generated(300, 8_1004),
    )
  })
})
