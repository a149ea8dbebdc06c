import { describe, expect, it } from 'vitest'
import { findings } from '../check/findings'
import { applyEdit } from '../rig/applyEdit'
import type { Edit } from '../rig/edit'
import { editRow } from '../rig/edits/editRow'
import { alterRole } from '../rig/edits/setJack'
import {
  makeBank,
  makeCable,
  makeControl,
  makeDevice,
  makePort,
  makePreset,
  makeRig,
  makeRole,
  makeSwitch,
  recall,
  smallRig,
} from '../rig/testing/makeRig'
import type { Rig } from '../rig/rig'
import { checklist, PHASES } from './checklist'
import { guide, type Answer, type Question } from './guide'
import { lostTick, tickOf, toggleTick } from './ticks'

function done(rig: Rig, edit: Edit | null): Rig {
  const applied = edit && applyEdit(rig, edit)
  if (!applied?.ok) throw new Error(JSON.stringify(applied))
  return applied.value
}
const keys = (rig: Rig) => checklist(rig).map(({ key }) => key)
const line = (rig: Rig, key: string) => checklist(rig).find((one) => one.key === key)!
const tick = (rig: Rig, key: string) =>
  done(
    rig,
    toggleTick(rig, line(rig, key), {
      newId: `m-${key.replaceAll('/', '-')}` as never,
      revision: 7,
      at: '2026-11-24T20:00:00.000Z',
    }),
  )

describe('the checklist', () => {
  it('has a line for every cable and setting, gear off first, saving before trying', () => {
    const rig = smallRig()
    expect(keys(rig)).toEqual([
      'cable/controller_out-preamp_in',
      'cable/preamp_thru-echo_in',
      'switchOn',
      'channel/preamp',
      'receivePrograms/preamp',
      'clock/preamp',
      'channel/echo',
      'receivePrograms/echo',
      'clock/echo',
      'save/controller',
      'save/preamp',
      'save/echo',
      'try/preamp',
      'try/echo',
    ])
    const phases = checklist(rig).map(({ phase }) => PHASES.indexOf(phase))
    expect(phases).toEqual([...phases].sort((a, b) => a - b))
  })

  it('says what to try and what the device then shows', () => {
    expect(line(smallRig(), 'try/echo').task).toMatchObject({
      label: 'Chorus',
      number: 2,
      display: 'B4',
      program: 11,
    })
  })

  it('names shared jacks with what is lost, and thrus that are settings', () => {
    const rig = makeRig({
      devices: [
        makeDevice('a', 1, {
          ports: [
            { ...makePort('in', makeRole('expressionIn'), makeRole('midiIn')), role: 1 },
            makePort('thru', makeRole('midiOut', { isThru: true, passes: 'on' })),
          ],
        }),
        makeDevice('b', 2, { order: 2 }),
      ],
      cables: [
        {
          ...Object.values(smallRig().cables)[0]!,
          id: 'x' as never,
          to: { table: 'devices', id: 'a', port: 'in' },
        },
        {
          ...Object.values(smallRig().cables)[0]!,
          id: 'y' as never,
          from: { table: 'devices', id: 'a', port: 'thru' },
          to: { table: 'devices', id: 'b', port: 'in' },
        },
      ],
    })
    expect(line(rig, 'role/a/in').task).toMatchObject({
      role: 'midiIn',
      factory: 'expressionIn',
      lost: ['expressionIn'],
    })
    expect(line(rig, 'thru/a/thru').task).toMatchObject({ next: 'b' })
  })

  it('powers supplies first and what is loud last, names only what lights, and sets menus once it is on', () => {
    const nine = makePort('power', makeRole('powerIn'))
    const foot = makePort('foot', makeRole('switchIn'))
    const contact = makePort('relay', makeRole('switchOut'))
    const rig = makeRig({
      devices: [
        makeDevice('amp', 'none', { kind: 'plain', ports: [foot] }),
        makeDevice('sweep', 'none', {
          kind: 'pedal',
          order: 2,
          ports: [makePort('out', makeRole('expressionOut'))],
        }),
        makeDevice('relays', 3, { order: 3, ports: [makePort('in', makeRole('midiIn')), contact, nine] }),
        makeDevice('supply', 'none', {
          kind: 'supply',
          order: 4,
          ports: [makePort('nine', makeRole('powerOut'))],
        }),
      ],
      cables: [
        makeCable('controller.out', 'relays.in'),
        makeCable('relays.relay', 'amp.foot', { lead: 'ts' }),
        makeCable('supply.nine', 'relays.power', { lead: 'power' }),
      ],
    })
    expect(line(rig, 'switchOn').task).toMatchObject({
      boxes: ['supply', 'Foot controller', 'relays', 'amp'],
    })
    const all = keys(rig)
    expect(all.indexOf('contact/relays/relay')).toBeGreaterThan(all.indexOf('switchOn'))
    // An amp cannot be told how its jack is wired.
    expect(all).not.toContain('contact/amp/foot')
  })

  it('asks nothing of an empty rig', () => {
    expect(checklist(makeRig({ controllers: [] }))).toEqual([])
  })
})

describe('a tick', () => {
  it('is kept with its revision, and taken back by a second press', () => {
    const ticked = tick(smallRig(), 'channel/echo')
    expect(tickOf(ticked, line(ticked, 'channel/echo'))).toMatchObject({ revision: 7 })
    expect(Object.keys(tick(ticked, 'channel/echo').marks)).toEqual([])
  })

  it('is lost by an edit that changes its line, by no other, and comes back with undo', () => {
    const ticked = tick(tick(smallRig(), 'channel/echo'), 'channel/preamp')
    const moved = done(ticked, editRow(ticked, 'setChannel', 'devices', 'echo', { channel: 9 as never }))
    expect(tickOf(moved, line(moved, 'channel/echo'))).toBeNull()
    expect(lostTick(moved, line(moved, 'channel/echo'))).toMatchObject({ revision: 7 })
    expect(tickOf(moved, line(moved, 'channel/preamp'))).not.toBeNull()
    const back = done(moved, editRow(moved, 'setChannel', 'devices', 'echo', { channel: 4 as never }))
    expect(tickOf(back, line(back, 'channel/echo'))).not.toBeNull()
    // Ticking a line that has lost its tick replaces the old mark.
    expect(Object.keys(tick(moved, 'channel/echo').marks)).toHaveLength(2)
  })
})

describe('why is nothing happening', () => {
  const ask = (rig: Rig, answers: Partial<Record<Question, Answer>> = {}) =>
    guide(rig, findings(rig), 'echo' as never, answers)

  it('says first what the rig knows to be wrong, on the device or on the way to it', () => {
    const off = done(smallRig(), alterRole(smallRig(), 'preamp', 'thru', { passes: 'off' }))
    expect(ask(off).verdict).toMatchObject({ kind: 'finding', finding: { code: 'thruOff' } })
    const deaf = done(smallRig(), editRow(smallRig(), 'setChannel', 'devices', 'echo', { channel: 'none' }))
    expect(ask(deaf).verdict).toMatchObject({ kind: 'finding', finding: { code: 'noChannel' } })
  })

  it('asks in turn, names the box before, and ends where an answer is no', () => {
    const rig = smallRig()
    expect(ask(rig)).toMatchObject({ ask: 'isControllerOn', facts: { earlier: 'preamp', before: 'preamp' } })
    expect(ask(rig, { isControllerOn: 'yes' }).ask).toBe('isOn')
    expect(ask(rig, { isControllerOn: 'yes', isOn: 'yes' }).ask).toBe('isFed')
    const powered = { isControllerOn: 'yes', isOn: 'yes', isFed: 'yes' } as const
    expect(ask(rig, powered).ask).toBe('doesEarlierReact')
    expect(ask(rig, { ...powered, doesEarlierReact: 'yes' }).ask).toBe('doesLampBlink')
    expect(ask(rig, { ...powered, doesEarlierReact: 'yes', doesLampBlink: 'no' }).verdict).toEqual({
      kind: 'answer',
      question: 'doesLampBlink',
    })
  })

  it('does not ask what a tick answers', () => {
    const rig = tick(tick(smallRig(), 'channel/echo'), 'receivePrograms/echo')
    const state = ask(rig, {
      isControllerOn: 'yes',
      isOn: 'yes',
      isFed: 'yes',
      doesEarlierReact: 'unknown',
      doesLampBlink: 'unknown',
    })
    expect(state.ask).toBe('isSaved')
    expect(state.settled.filter(({ by }) => by === 'tick').map(({ question }) => question)).toEqual([
      'isChannelSet',
      'doesReceive',
    ])
  })

  it('comes to an end whatever is answered', () => {
    const rig = smallRig()
    for (const answer of ['yes', 'no', 'unknown'] as const) {
      const answers: Partial<Record<Question, Answer>> = {}
      for (let next = ask(rig, answers); next.ask; next = ask(rig, answers)) answers[next.ask] = answer
      const { verdict } = ask(rig, answers)
      if (answer === 'no') expect(verdict).toEqual({ kind: 'answer', question: 'isControllerOn' })
      if (answer === 'yes') expect(verdict).toEqual({ kind: 'beyond' })
      // What nobody could tell is not called right.
      if (answer === 'unknown') expect(verdict).toEqual({ kind: 'open', questions: Object.keys(answers) })
    }
  })

  it('one "cannot tell" among many a yes is told in the end', () => {
    const yes = {
      isControllerOn: 'yes',
      isOn: 'yes',
      isFed: 'yes',
      doesEarlierReact: 'yes',
      isSaved: 'yes',
    } as const
    const answers = {
      ...yes,
      isPresetThere: 'yes',
      doesLampBlink: 'unknown',
      isChannelSet: 'yes',
      doesReceive: 'yes',
    } as const
    expect(ask(smallRig(), answers).verdict).toEqual({ kind: 'open', questions: ['doesLampBlink'] })
  })

  it('asks whether it is on however long ago that was ticked', () => {
    const rig = tick(smallRig(), 'switchOn')
    expect(ask(rig, { isControllerOn: 'yes' }).ask).toBe('isOn')
  })

  it('knows a device that is spoken to only by a second press, or only by a control', () => {
    const second = makeRig({
      devices: [makeDevice('echo', 1)],
      presets: [makePreset('p', 'echo', 11)],
      banks: [makeBank('one', 0)],
      switches: [makeSwitch('one', 3, [[], recall('p')])],
      cables: [makeCable('controller.out', 'echo.in')],
    })
    expect(guide(second, [], 'echo' as never, {}).facts.attempt).toMatchObject({
      number: 3,
      press: 2,
      display: '12',
    })
    const control = makeRig({
      devices: [makeDevice('echo', 1)],
      controls: [makeControl('mix', 'echo', 21)],
      banks: [makeBank('one', 0)],
      switches: [
        makeSwitch('one', 3, [[]], {
          longPress: [{ kind: 'setControl', controlId: 'mix' as never, value: 5 }],
        }),
      ],
      cables: [makeCable('controller.out', 'echo.in')],
    })
    const state = guide(control, [], 'echo' as never, { isControllerOn: 'yes' })
    expect(state.facts.attempt).toMatchObject({ gesture: 'longPress', display: null })
    expect(state.verdict).toBeNull()
  })

  it('is not ended by what cannot silence the device, and is by what can', () => {
    const rig = smallRig()
    const shared = done(
      rig,
      editRow(rig, 'setChannel', 'devices', 'echo', { channel: rig.devices.preamp!.channel }),
    )
    expect(findings(shared).map(({ code }) => code)).toContain('sharedChannel')
    expect(ask(shared).verdict).toBeNull()
    const short = done(
      rig,
      editRow(rig, 'changeController', 'controllers', 'controller', { highestProgram: 3 as never }),
    )
    expect(ask(short).verdict).toMatchObject({ kind: 'finding', finding: { code: 'unsendablePreset' } })
  })

  it('looks at the power of every box on the way', () => {
    const power = makePort('power', makeRole('powerIn', { volts: 12 }))
    const rig = smallRig()
    const preamp = rig.devices.preamp!
    const fed = makeRig({
      devices: [
        { ...preamp, ports: [...preamp.ports, power] },
        rig.devices.echo!,
        makeDevice('supply', 'none', {
          kind: 'supply',
          order: 9,
          ports: [makePort('nine', makeRole('powerOut'))],
        }),
      ],
      presets: Object.values(rig.presets),
      banks: Object.values(rig.banks),
      switches: Object.values(rig.switches),
      cables: [...Object.values(rig.cables), makeCable('supply.nine', 'preamp.power', { lead: 'power' })],
    })
    expect(ask(fed).verdict).toMatchObject({ kind: 'finding', finding: { code: 'wrongPower' } })
  })

  it('says when no switch asks anything of the device', () => {
    const rig = makeRig({ devices: [makeDevice('echo', 1)] })
    expect(ask(rig).verdict).toEqual({ kind: 'notAsked' })
  })
})
