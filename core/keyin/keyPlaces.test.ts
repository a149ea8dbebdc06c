import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated, runs } from '#testing/runs'
import { encodeMessage } from '../midi/encode'
import { hexOf } from '../midi/hexBytes'
import { own } from '../base/own'
import {
  makeBank,
  makeControl,
  makeController,
  makeDevice,
  makeMacro,
  makePreset,
  makeRig,
  makeSound,
  makeSwitch,
  recall,
  recallSound,
} from '../rig/testing/makeRig'
import { PLAIN_128 } from '../rig/numbering/numbering'
import type { Rig } from '../rig/rig'
import type { Action } from '../rig/table/action'
import { rigsWithTime } from '../simulate/testing/makeFloors'
import { asksKnown, expanded } from '../switching/action'
import { compile, messagesAmong } from '../switching/compile'
import { boardOf, placeName, placeOfKey, type Unit } from './keyPlaces'
import type { List } from './content'
import { rowMessage } from '../listen/simulatedController'

const controllerOf = (rig: Rig) => Object.values(rig.controllers)[0]!
const unitsOf = (rig: Rig): readonly Unit[] => boardOf(rig, controllerOf(rig))

/** What rows send, with those of lists they call. */
function sends(units: readonly Unit[], { rows }: Pick<List, 'rows'>): string[] {
  return rows.flatMap((row): string[] => {
    const [kind, n = 0] = row
    if (kind === 'combo' || kind === 'macro') {
      const unit = units.find(({ key }) => key === `k/${kind}/${n}`)
      return unit ? sends(units, unit.content.lists[0]!) : []
    }
    const message = rowMessage(row)
    return message ? [hexOf(encodeMessage(message))] : []
  })
}

describe('what is to be keyed in', () => {
  it('numbers the groups of a bank from 1; 0 is none', () => {
    const rig = makeRig({
      devices: [makeDevice('a', 1)],
      presets: [makePreset('p', 'a', 3)],
      banks: [makeBank('one', 0)],
      switches: [
        makeSwitch('one', 1, [recall('p')], { group: 'drives' }),
        makeSwitch('one', 2, [recall('p')]),
        makeSwitch('one', 3, [recall('p')], { group: 'rooms' }),
        makeSwitch('one', 4, [recall('p')], { group: 'drives' }),
      ],
    })
    expect(unitsOf(rig).map(({ content }) => content.settings?.at(-1))).toEqual([1, 0, 2, 1])
  })

  it('is nothing where a bank does a list of its own on leaving, and that is empty', () => {
    const macro = makeMacro('m', [])
    const rig = makeRig({
      controllers: [makeController({ macros: 0 })],
      macros: [macro],
      banks: [{ ...makeBank('one', 0), leave: [{ kind: 'macro', macroId: macro.id }] }],
    })
    expect(unitsOf(rig)).toEqual([])
  })

  it('sends what the switches are compiled to, over generated rigs', () => {
    let lists = 0
    for (const rig of fc.sample(rigsWithTime, generated(260, 17))) {
      const units = unitsOf(rig)
      const { events } = controllerOf(rig)
      for (const unit of units) {
        const one = own(rig.switches, unit.switchId ?? '')
        if (!one) continue
        for (const list of unit.content.lists) {
          const isPress = list.id.startsWith('p')
          const event = isPress ? 'press' : (list.id as 'release')
          expect(isPress || events.includes(event)).toBe(true)
          const position = isPress ? Number(list.id.slice(1)) : 0
          const actions = isPress ? one.positions[position]! : one[event as 'release']
          // What hangs on what was sent before is a row of its own kind, not messages.
          if (expanded(rig, actions).some(({ action }) => asksKnown(action) && action.kind !== 'tap'))
            continue
          if (unit.left.length > 0 || unit.over > 0) continue
          lists++
          expect(sends(units, list)).toEqual(
            messagesAmong(compile(rig, one, event, position)).map(({ message }) =>
              hexOf(encodeMessage(message)),
            ),
          )
        }
      }
    }
    expect(lists).toBeGreaterThan(runs(500))
  })

  it('has a place for every switch of every bank it stands in, and finds it again by its name', () => {
    const rig = makeRig({
      devices: [makeDevice('amp', 1)],
      presets: [makePreset('a', 'amp', 3)],
      banks: [makeBank('one', 0), makeBank('two', 4)],
      switches: [
        makeSwitch('one', 2, [recall('a')], { everywhere: true }),
        makeSwitch('two', 1, [recall('a')]),
      ],
    })
    const keys = unitsOf(rig).map(({ key }) => key)
    expect(keys).toEqual(['s/0/base//2', 's/4/base//1', 's/4/base//2'])
    for (const { key, place } of unitsOf(rig)) {
      expect(placeOfKey(rig, controllerOf(rig), key)).toEqual(place)
      expect(placeName(place)).toBe(key)
    }
    expect(placeOfKey(rig, controllerOf(rig), 's/0/base//99')).toBeNull()
    expect(placeOfKey(rig, controllerOf(rig), 's/30/base//1')).toBeNull()
  })

  it('keeps sounds as combinations and macros as lists, and the switches call them', () => {
    const rig = makeRig({
      controllers: [
        makeController({
          macros: 2,
          combos: { count: 10, first: 1, channels: 4, highestProgram: 127 as never },
        }),
      ],
      devices: [
        makeDevice('amp', 1),
        makeDevice('echo', 2, { numbering: { ...PLAIN_128, bankSelect: 'msb', count: 512 } }),
      ],
      presets: [makePreset('a', 'amp', 7), makePreset('e', 'echo', 9)],
      controls: [makeControl('mix', 'echo', 20)],
      sounds: [
        makeSound('verse', {
          amp: { kind: 'preset', presetId: 'a' as never, values: [], contacts: [] } as never,
          echo: { kind: 'preset', presetId: 'e' as never, values: [], contacts: [] } as never,
        }),
      ],
      macros: [
        makeMacro('both', [...recall('a'), { kind: 'setControl', controlId: 'mix' as never, value: 5 }]),
      ],
      banks: [makeBank('one', 0)],
      switches: [
        makeSwitch('one', 1, [[recallSound('verse')]]),
        makeSwitch('one', 2, [[{ kind: 'macro', macroId: 'both' as never }]]),
      ],
    })
    const units = unitsOf(rig)
    expect(units.map(({ key }) => key)).toEqual(['k/combo/0', 'k/macro/0', 's/0/base//1', 's/0/base//2'])
    expect(units[0]!.content.lists[0]!.rows).toEqual([
      ['program', 0, 7],
      ['program', 1, 9],
    ])
    // The bank select stands before the combination that sends the program.
    expect(units[2]!.content.lists[0]!.rows).toEqual([
      ['control', 1, 0, 0],
      ['combo', 0],
    ])
    expect(units[3]!.content.lists[0]!.rows).toEqual([['macro', 0]])
    expect(units[1]!.content.lists[0]!.rows).toEqual([
      ['program', 0, 7],
      ['control', 1, 20, 5],
    ])
  })

  it('says what cannot be keyed in, and what a list has no room for', () => {
    const actions: Action[] = [
      ...recall('a', 'a', 'a'),
      { kind: 'raw', deviceId: 'amp' as never, hex: 'F0 7D 01 F7' },
    ]
    const rig = makeRig({
      controllers: [makeController({ messagesPerEvent: 2, events: ['press'] })],
      devices: [makeDevice('amp', 1)],
      presets: [makePreset('a', 'amp', 3)],
      banks: [makeBank('one', 0)],
      switches: [makeSwitch('one', 1, [actions], { longPress: recall('a') })],
    })
    const [unit] = unitsOf(rig)
    expect(unit).toMatchObject({
      over: 1,
      left: [{ list: 'p0', actions: [actions[3]] }, { list: 'longPress' }],
    })
    expect(unit!.content.lists.map(({ id, rows }) => [id, rows.length])).toEqual([['p0', 2]])
  })
})
