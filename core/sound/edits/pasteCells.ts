import { cutText } from '#core/base'
import { type Edit, inOrder, lastOrder, type Rig, NAME_MAX, BLANK_SOUND, type SoundId } from '#core/rig'
import { soundDevices } from '../cells'
import { parseCell, type CellRefusal } from '../cellText'
import { CellWriter, type NewIds } from './setCells'

/** A pasted cell that was not taken: where it stood in the paste, counted from 1, and why. */
export interface PasteFault {
  readonly row: number
  readonly column: number
  readonly text: string
  readonly sound: string
  readonly device: string
  readonly why: CellRefusal | { readonly code: 'noDevice' } | { readonly code: 'noName' }
}

export interface Paste {
  readonly edit: Edit | null
  readonly taken: number
  readonly faults: readonly PasteFault[]
}

/** The words of a first line that names what stands below it. */
const isHead = (rig: Rig, line: readonly string[]): boolean => {
  const names = new Set(soundDevices(rig).map(({ name }) => name.toLowerCase()))
  return line.length > 1 && line.slice(1).every((text) => names.has(text.trim().toLowerCase()))
}

/**
 * Puts a table of text over the sounds, its corner at a sound and a column: column 0 is the names, 1 and on the
 * devices in their order. Lines past the last sound become sounds of their own; a first line that names devices
 * says which column is whose. An empty text leaves a cell as it is. What cannot be read is left out and told;
 * the rest is one edit.
 */
export function pasteCells(
  rig: Rig,
  table: readonly (readonly string[])[],
  at: { readonly row: number; readonly column: number },
  ids: NewIds,
): Paste {
  const writer = new CellWriter(rig, ids)
  const sounds = inOrder(rig.sounds)
  const devices = soundDevices(rig)
  const head = at.column === 0 && table[0] && isHead(rig, table[0]) ? table[0] : null
  const deviceAt = (column: number) =>
    head
      ? devices.find(({ name }) => name.toLowerCase() === head[column]?.trim().toLowerCase())
      : devices[at.column + column - 1]
  const faults: PasteFault[] = []
  let taken = 0
  let order = lastOrder(rig.sounds)
  table.slice(head ? 1 : 0).forEach((line, n) => {
    const row = n + (head ? 2 : 1)
    const existing = sounds[at.row + n]
    const name = at.column === 0 ? cutText((line[0] ?? '').trim(), NAME_MAX) : ''
    const fault = (column: number, why: PasteFault['why'], device = '') =>
      faults.push({
        row,
        column: column + 1,
        text: line[column] ?? '',
        sound: existing?.name ?? name,
        device,
        why,
      })
    if (line.every((text) => text.trim() === '')) return
    if (!existing && name === '') return void fault(0, { code: 'noName' })
    const id: SoundId = existing?.id ?? ids.sound()
    if (!existing) writer.putSound({ ...BLANK_SOUND, id, order: order++, name })
    else if (name !== '' && name !== existing.name) writer.putSound({ ...existing, name })
    if (at.column === 0 && name !== '') taken++
    line.forEach((text, column) => {
      if ((at.column === 0 && column === 0) || text.trim() === '') return
      const device = deviceAt(column)
      if (!device) return void fault(column, { code: 'noDevice' })
      const read = parseCell(rig, device, text)
      if (!read.ok) return void fault(column, read.refusal, device.name)
      writer.write({ soundId: id, deviceId: device.id, cell: read.value })
      taken++
    })
  })
  return { edit: writer.edit('pasteCells'), taken, faults }
}
