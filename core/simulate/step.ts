import { own } from '#core/base'
import { inOrder, type Rig, type ControllerId, type PedalId, type SwitchId } from '#core/rig'
import { FloorRun } from './advance'
import { neededSteps, putRightSteps } from './putRight'
import { floorAtPowerOn, joined, type FloorInput, type FloorState, type StepResult } from './floor'
import { footSeen } from './footswitch'
import { planActions, planSteps } from './plan'

/**
 * Lets time pass on the floor: all that is due up to `to` µs happens in order, that moment included. The floor at any
 * later moment is the same whether time passed at once or in pieces.
 */
export function advance(rig: Rig, state: FloorState, to: number): StepResult {
  const run = new FloorRun(rig, state)
  run.advance(to)
  return run.result()
}

/**
 * One thing done on the floor, once all that was due before it has happened. Messages wait for their wire to be free
 * and are told when they have arrived; a device answers only where the cables lead to it, and on its own channel. A
 * switch or bank that does not exist changes nothing.
 */
export function step(rig: Rig, state: FloorState, input: FloorInput): StepResult {
  if (input.kind === 'powerAll') return startFloor(rig, Math.max(state.at, input.at), state.count)
  const run = new FloorRun(rig, state)
  run.advance(input.at)
  if (input.kind === 'press' || input.kind === 'release') {
    const footswitch = own(rig.switches, input.switchId)
    if (!footswitch) return run.result()
    const { seen, isLatched } = footSeen(
      rig,
      footswitch,
      input.kind === 'press',
      run.isLatched(footswitch.id),
    )
    run.latch(footswitch.id, isLatched)
    if (seen === 'down' || seen === 'both') run.footDown(footswitch)
    if (seen === 'up' || seen === 'both') run.footUp(footswitch)
    return run.result()
  }
  const controllerId = controllerOf(rig, state)
  if (input.kind === 'bank') {
    const bank = own(rig.banks, input.bankId)
    const { bankId, back } = run.known
    if (!bank || bank.id === bankId) return run.result()
    const left = bankId === null ? back : [...back, bankId].slice(-16)
    run.do(bank.controllerId, [{ kind: 'know', learned: { bankId: bank.id, back: left } }])
  }
  if (input.kind === 'layer')
    run.do(controllerId, [{ kind: 'know', learned: { layer: input.layer, heldBy: null } }])
  if (input.kind === 'act') run.do(controllerId, planActions(rig, controllerId, input.actions))
  if (input.kind === 'putRight') {
    const now = run.result().state
    run.do(controllerId, planSteps(rig, controllerId, putRightSteps(rig, controllerId, now.known, now), 0))
  }
  if (input.kind === 'need') {
    const steps = neededSteps(rig, controllerId, input.soundId, run.result().state)
    run.do(controllerId, planSteps(rig, controllerId, steps, 0))
  }
  if (input.kind === 'pedal') run.movePedal(input.pedalId, input.position)
  if (input.kind === 'toe') run.toe(input.pedalId, input.isDown)
  if (input.kind === 'clockIn') run.hearClock(controllerId, input.bpm)
  if (input.kind === 'power') run.power(input.deviceId, input.isOn)
  if (input.kind === 'send') {
    const { deviceId } = input
    run.do(
      controllerId,
      planSteps(
        rig,
        controllerId,
        input.messages.map((message) => ({ kind: 'send', deviceId, message })),
        0,
      ),
    )
  }
  return run.result()
}

/** A pedal led through many steps, each at its moment in µs, with all that comes of it: as {@link step} would for each. */
export function sweepPedal(
  rig: Rig,
  state: FloorState,
  pedalId: PedalId,
  moves: readonly { readonly at: number; readonly position: number }[],
): StepResult {
  const run = new FloorRun(rig, state)
  for (const { at, position } of moves) {
    run.advance(at)
    run.movePedal(pedalId, position)
  }
  return run.result()
}

/**
 * The floor at the moment everything is switched on, and what its controllers do then. `count` goes on from that of the
 * floor before, so that nothing that was due there is taken for ours.
 */
export function startFloor(rig: Rig, at = 0, count = 1): StepResult {
  const run = new FloorRun(rig, { ...floorAtPowerOn(rig), at, count })
  run.begin()
  return run.result()
}

const controllerOf = (rig: Rig, { known }: FloorState): ControllerId | '' =>
  own(rig.banks, known.bankId ?? '')?.controllerId ?? inOrder(rig.controllers)[0]?.id ?? ''

/** The longest time {@link settle} lets pass, in µs: more than any wait or sweep of one list. */
const SETTLES_WITHIN = 600_000_000

/** Lets time pass until nothing is due but ticks of the clock. */
export function settle(rig: Rig, state: FloorState): StepResult {
  const run = new FloorRun(rig, state)
  const end = state.at + SETTLES_WITHIN
  for (let now = run.nextButTicks(); now !== null && now <= end; now = run.nextButTicks()) run.advance(now)
  return run.result()
}

/** {@link step}, and what comes of it once the floor is at rest again. */
export function stepAndSettle(rig: Rig, state: FloorState, input: FloorInput): StepResult {
  const first = step(rig, state, input)
  return joined(first, settle(rig, first.state))
}

/** A foot that comes down and goes off at once, and all that comes of it. */
export function stomp(rig: Rig, state: FloorState, switchId: SwitchId, at = state.at): StepResult {
  const down = step(rig, state, { kind: 'press', switchId, at })
  return joined(
    down,
    stepAndSettle(rig, down.state, { kind: 'release', switchId, at: Math.max(at, down.state.at) }),
  )
}
