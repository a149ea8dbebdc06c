import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import { applyEdit } from './applyEdit'
import { change, invertEdit, type Edit } from './edit'
import { addRow } from './edits/addRow'
import { copySwitch } from './edits/copySwitch'
import { editRow } from './edits/editRow'
import { labelSwitch } from './edits/labelSwitch'
import { removeRow } from './edits/removeRow'
import { setMode } from './edits/setMode'
import { setRecall } from './edits/setRecall'
import { rigProblems } from './integrity'
import { makeBank, makeDevice, makePreset, makeSwitch, recall, smallRig } from './testing/makeRig'
import type { Rig } from './rig'
import type { BankId } from './table/bank'
import type { DeviceId } from './table/device'
import type { PresetId } from './table/preset'
import type { SwitchId } from './table/switch'

const rig = smallRig()
const apply = (to: Rig, edit: Edit | null): Rig => {
  if (!edit) return to
  const applied = applyEdit(to, edit)
  if (!applied.ok) throw new Error(JSON.stringify(applied.refusal))
  return applied.value
}
const slot = (number: number, bankId = 'one') => ({
  bankId: bankId as BankId,
  number,
  newId: `new-${number}` as SwitchId,
})

describe('applyEdit', () => {
  it('changes what it names, and nothing else', () => {
    const edit = editRow(rig, 'setChannel', 'devices', 'echo', { channel: 9 as never })!
    const next = apply(rig, edit)
    expect(next.devices.echo?.channel).toBe(9)
    expect(next.presets).toBe(rig.presets)
    expect(rig.devices.echo?.channel).toBe(4)
  })

  it('refuses an edit whose "before" is no longer so', () => {
    const edit = editRow(rig, 'setChannel', 'devices', 'echo', { channel: 9 as never })!
    expect(applyEdit(apply(rig, edit), edit)).toEqual({
      ok: false,
      refusal: { code: 'stale', table: 'devices', id: 'echo' },
    })
  })

  it.each<[string, Edit, unknown]>([
    [
      'a channel 17',
      addRow('addDevice', 'devices', { ...makeDevice('amp', 1), channel: 17 as never }),
      { path: ['devices', 'amp', 'channel'], code: 'tooBig', most: 16, counts: 'value' },
    ],
    [
      'a preset of a device that is not there',
      addRow('addPreset', 'presets', makePreset('x', 'ghost', 0)),
      { path: ['presets', 'x', 'deviceId'], code: 'missingRow', table: 'devices', id: 'ghost' },
    ],
    [
      'a preset beyond the device',
      addRow('addPreset', 'presets', makePreset('x', 'preamp', 128)),
      { path: ['presets', 'x', 'index'], code: 'beyond', value: 128, most: 127 },
    ],
    [
      'a second preset in one place',
      addRow('addPreset', 'presets', makePreset('x', 'preamp', 7)),
      { path: ['presets', 'x', 'index'], code: 'taken', by: 'grit' },
    ],
    [
      'a switch the controller does not have',
      addRow('labelSwitch', 'switches', makeSwitch('one', 9, [[]])),
      { path: ['switches', 'one-9', 'number'], code: 'beyond', value: 9, most: 8 },
    ],
    [
      'a bank the controller does not have',
      addRow('addBank', 'banks', makeBank('x', 30)),
      { path: ['banks', 'x', 'index'], code: 'beyond', value: 30, most: 29 },
    ],
    [
      'a row filed under another id',
      { label: 'addBank', changes: [change('banks', 'y', null, makeBank('x', 5))] },
      { path: ['banks', 'y', 'id'], code: 'wrongId', id: 'x' },
    ],
    [
      'a rig without its name',
      { label: 'renameRig', changes: [change('about', 'about', rig.about.about!, null)] },
      { path: ['about'], code: 'noAbout' },
    ],
  ])('refuses %s, with the path', (_, edit, problem) => {
    expect(applyEdit(rig, edit)).toEqual({ ok: false, refusal: { code: 'invalid', problems: [problem] } })
  })
})

describe('removing', () => {
  it('a device takes its presets and cleans switches, in one edit that undoes whole', () => {
    const edit = removeRow(rig, 'removeDevice', 'devices', 'preamp')!
    const next = apply(rig, edit)
    expect(Object.keys(next.presets)).toEqual(['dotted'])
    expect(next.switches['one-1']?.positions).toEqual([[], []])
    expect(next.switches['one-2']?.positions).toEqual([recall('dotted')])
    expect(apply(next, invertEdit(edit))).toEqual(rig)
  })

  it('the controller takes its banks and their switches', () => {
    const next = apply(rig, removeRow(rig, 'removeController', 'controllers', 'controller'))
    expect([next.banks, next.switches]).toEqual([{}, {}])
    expect(next.presets).toBe(rig.presets)
  })

  it('is nothing when there is no such row', () => {
    expect(removeRow(rig, 'removeDevice', 'devices', 'ghost')).toBeNull()
  })
})

describe('switch edits', () => {
  it('recall makes the switch and the preset it needs', () => {
    const next = apply(
      rig,
      setRecall(rig, slot(3), 0, {
        deviceId: 'echo' as DeviceId,
        index: 40,
        newPresetId: 'made' as PresetId,
      }),
    )
    expect(next.presets.made).toEqual(makePreset('made', 'echo', 40))
    expect(next.switches['new-3']?.positions).toEqual([recall('made')])
  })

  it('recall replaces the recall of the same device in its place', () => {
    const edit = setRecall(rig, slot(2), 0, {
      deviceId: 'preamp' as DeviceId,
      index: 2,
      newPresetId: 'made' as PresetId,
    })
    expect(apply(rig, edit).switches['one-2']?.positions).toEqual([recall('round', 'dotted')])
  })

  it('what changes nothing is no edit', () => {
    expect(
      setRecall(rig, slot(2), 0, { deviceId: 'preamp' as DeviceId, index: 7, newPresetId: 'x' as PresetId }),
    ).toBeNull()
    expect(labelSwitch(rig, slot(2), 'Chorus')).toBeNull()
    expect(setMode(rig, slot(1), 'alternate')).toBeNull()
    expect(editRow(rig, 'nameBank', 'banks', 'one', { name: 'One' })).toBeNull()
  })
})

/** Random players: each step is one of these, made for the rig as it is then. */
const anyStep: fc.Arbitrary<(rig: Rig, n: number) => Edit | null> = fc.oneof(
  fc.tuple(fc.constantFrom('preamp', 'echo', 'added'), fc.integer({ min: 1, max: 16 })).map(
    ([id, channel]) =>
      (now: Rig) =>
        editRow(now, 'setChannel', 'devices', id, { channel: channel as never }),
  ),
  fc
    .constantFrom('preamp', 'echo', 'added')
    .map((id) => (now: Rig) => removeRow(now, 'removeDevice', 'devices', id)),
  fc.constantFrom('one', 'two').map((id) => (now: Rig) => removeRow(now, 'removeBank', 'banks', id)),
  fc.constant((now: Rig) =>
    now.devices.added ? null : addRow('addDevice', 'devices', makeDevice('added', 2)),
  ),
  fc
    .tuple(
      fc.integer({ min: 1, max: 8 }),
      fc.constantFrom('preamp', 'echo', 'added'),
      fc.integer({ min: 0, max: 127 }),
    )
    .map(
      ([number, deviceId, index]) =>
        (now: Rig, n: number) =>
          now.devices[deviceId] && now.banks.one
            ? setRecall(now, { ...slot(number), newId: `switch-${n}` as SwitchId }, 0, {
                deviceId: deviceId as DeviceId,
                index,
                newPresetId: `preset-${n}` as PresetId,
              })
            : null,
    ),
  fc
    .tuple(fc.integer({ min: 1, max: 8 }), fc.integer({ min: 1, max: 8 }))
    .map(([from, to]) => (now: Rig, n: number) => {
      const source = Object.values(now.switches).find(({ number }) => number === from)
      return source && now.banks.two
        ? copySwitch(now, source.id, { ...slot(to, 'two'), newId: `copy-${n}` as SwitchId })
        : null
    }),
)

describe('any run of edits', () => {
  it('keeps the rig sound and can be walked back to where it began', () => {
    fc.assert(
      fc.property(fc.array(anyStep, { maxLength: 25 }), (steps) => {
        let now = rig
        const done: Edit[] = []
        for (const [n, make] of steps.entries()) {
          const edit = make(now, n)
          if (!edit) continue
          now = apply(now, edit)
          expect(rigProblems(now)).toEqual([])
          expect(invertEdit(invertEdit(edit))).toEqual(edit)
          done.push(edit)
        }
        for (const edit of done.reverse()) now = apply(now, invertEdit(edit))
        expect(now).toEqual(rig)
      }),
      generated(200, 60),
    )
  })
})
