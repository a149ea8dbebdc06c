import { describe, expect, it } from 'vitest'
import { applyEdit } from '../applyEdit'
import { invertEdit } from '../edit'
import {
  makeCable,
  makeController,
  makeDevice,
  makeEnd,
  makePort,
  makeRig,
  makeRole,
} from '../testing/makeRig'
import type { Rig } from '../rig'
import { carriesMidi, links } from '../cabling/link'
import { cableBetween, layCable } from './layCable'
import { likelyCable, plugChoices } from './plugChoices'
import { suggestCable } from './suggestCable'

const PLUGS = ['din', 'trsA', 'trsB', 'trrs'] as const
const two = (out: (typeof PLUGS)[number], into: (typeof PLUGS)[number]): Rig =>
  makeRig({
    controllers: [makeController({ ports: [makePort('out', makeRole('midiOut', { plug: out }))] })],
    devices: [makeDevice('echo', 1, { ports: [makePort('in', makeRole('midiIn', { plug: into }))] })],
    cables: [],
  })
const laid = (rig: Rig, from: string, to: string): Rig => {
  const applied = applyEdit(rig, layCable(rig, cableBetween(rig, makeEnd(from), makeEnd(to))!))
  if (!applied.ok) throw new Error(JSON.stringify(applied.refusal))
  return applied.value
}

describe('the cable between two jacks', () => {
  it.each(PLUGS.flatMap((out) => PLUGS.map((into) => [out, into] as const)))(
    '%s to %s carries',
    (out, into) => {
      expect(links(laid(two(out, into), 'controller.out', 'echo.in')).map(carriesMidi)).toEqual([true])
    },
  )

  it('runs from the sender, whichever end was named first', () => {
    const rig = two('din', 'din')
    expect(cableBetween(rig, makeEnd('echo.in'), makeEnd('controller.out'))).toMatchObject({
      from: { id: 'controller' },
      to: { id: 'echo' },
    })
  })

  it('is none where the jacks have nothing in common, or are of one box', () => {
    const rig = makeRig({
      devices: [
        makeDevice('echo', 1),
        makeDevice('amp', 'none', { ports: [makePort('power', makeRole('powerIn'))] }),
      ],
    })
    expect(cableBetween(rig, makeEnd('echo.thru'), makeEnd('amp.power'))).toBeNull()
    expect(cableBetween(rig, makeEnd('echo.thru'), makeEnd('echo.in'))).toBeNull()
    expect(cableBetween(rig, makeEnd('echo.thru'), makeEnd('amp.nowhere'))).toBeNull()
  })

  it('takes the swap of tip and ring where wiper or order ask for it', () => {
    const rig = makeRig({
      controllers: [
        makeController({ ports: [makePort('exp', makeRole('expressionIn', { wiper: 'ring' }))] }),
      ],
      devices: [
        makeDevice('sweep', 'none', { kind: 'pedal', ports: [makePort('plug', makeRole('expressionOut'))] }),
      ],
    })
    expect(cableBetween(rig, makeEnd('sweep.plug'), makeEnd('controller.exp'))).toMatchObject({
      lead: 'trs',
      adapters: ['cross'],
    })
  })
})

describe('laying a cable', () => {
  it('readies the jacks in the same edit, and takes it all back when undone', () => {
    const rig = makeRig({
      controllers: [makeController({ ports: [makePort('relay', makeRole('switchOut'))] })],
      devices: [
        makeDevice('amp', 'none', {
          kind: 'plain',
          ports: [
            makePort(
              'jack',
              makeRole('expressionIn'),
              makeRole('switchIn', { action: 'latching', rest: 'closed' }),
            ),
          ],
        }),
      ],
      cables: [],
    })
    const edit = layCable(rig, cableBetween(rig, makeEnd('controller.relay'), makeEnd('amp.jack'))!)
    const applied = applyEdit(rig, edit)
    if (!applied.ok) throw new Error(JSON.stringify(applied.refusal))
    expect(applied.value.devices.amp?.ports[0]?.role).toBe(1)
    expect(applied.value.controllers.controller?.ports[0]?.roles[0]).toMatchObject({
      action: 'latching',
      rest: 'closed',
    })
    expect(applyEdit(applied.value, invertEdit(edit))).toEqual({ ok: true, value: rig })
  })
})

describe('what to plug in', () => {
  const rig = makeRig({
    devices: [
      makeDevice('a', 1),
      makeDevice('b', 2, { order: 2 }),
      makeDevice('new', 3, { order: 3, ports: [makePort('in', makeRole('midiIn'))] }),
    ],
    cables: [makeCable('controller.out', 'a.in'), makeCable('a.thru', 'b.in')],
  })

  it('offers free jacks only, never those of the box itself', () => {
    expect(plugChoices(rig, 'new', 'in').map(({ box, port }) => `${box.id}.${port.id}`)).toEqual(['b.thru'])
    expect(plugChoices(rig, 'b', 'thru').map(({ box }) => box.id)).toEqual(['new'])
  })

  it('a new box goes to the end of the chain', () => {
    expect(suggestCable(rig, rig.devices.new!)).toMatchObject({
      from: { id: 'b', port: 'thru' },
      to: { id: 'new' },
    })
  })

  it('between two boxes MIDI is meant, in the direction begun', () => {
    expect(likelyCable(rig, 'b', 'new')).toMatchObject({ from: { id: 'b' }, to: { id: 'new' } })
    expect(likelyCable(rig, 'a', 'b')).toBeNull()
  })
})
