import { describe, expect, it } from 'vitest'
import { applyEdit } from '../applyEdit'
import { invertEdit, type Edit } from '../edit'
import { makeDevice, makeRig, smallRig } from '../testing/makeRig'
import type { Rig } from '../rig'
import { addRow } from './addRow'
import { editRow } from './editRow'
import { joinEdits } from './joinEdits'
import { removeRow } from './removeRow'

const setChannel = (channel: number) => (rig: Rig) =>
  editRow(rig, 'setChannel', 'devices', 'echo', { channel: channel as never })

describe('several edits as one', () => {
  it('are what they are one behind the other, and undone in one step', () => {
    const rig = smallRig()
    const edit = joinEdits(rig, 'buildFloor', [
      setChannel(7),
      (now) => editRow(now, 'changeDevice', 'devices', 'echo', { name: `Echo ${now.devices.echo!.channel}` }),
      () => addRow('addDevice', 'devices', makeDevice('hall', 3, { order: 9 })),
    ])!
    const applied = applyEdit(rig, edit)
    if (!applied.ok) throw new Error(JSON.stringify(applied))
    // The second was made on what the first left.
    expect(applied.value.devices.echo).toMatchObject({ channel: 7, name: 'Echo 7' })
    expect(applied.value.devices.hall).toBeDefined()
    expect(applyEdit(applied.value, invertEdit(edit))).toEqual({ ok: true, value: rig })
  })

  it('name no row twice, and leave out what comes to nothing', () => {
    const edit = joinEdits(smallRig(), 'buildFloor', [setChannel(7), setChannel(8)])!
    expect(edit.changes).toHaveLength(1)
    expect(edit.changes[0]).toMatchObject({ before: { channel: 4 }, after: { channel: 8 } })
    expect(joinEdits(smallRig(), 'buildFloor', [setChannel(7), setChannel(4)])).toBeNull()
    const there = joinEdits(makeRig(), 'buildFloor', [
      () => addRow('addDevice', 'devices', makeDevice('hall', 3)),
      (now) => removeRow(now, 'removeDevice', 'devices', 'hall'),
    ])
    expect(there).toBeNull()
  })

  it('are none where one of them cannot be made', () => {
    expect(joinEdits(smallRig(), 'buildFloor', [setChannel(7), () => null])).toBeNull()
    const twice = (): Edit => addRow('addDevice', 'devices', makeDevice('echo', 3))
    expect(joinEdits(smallRig(), 'buildFloor', [twice])).toBeNull()
  })
})
