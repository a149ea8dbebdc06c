import { applyEdit } from '../../rig/applyEdit'
import type { Edit } from '../../rig/edit'
import { addRow } from '../../rig/edits/addRow'
import { editRow } from '../../rig/edits/editRow'
import { removeRow } from '../../rig/edits/removeRow'
import { makeBank, makeDevice, makePreset, makeSwitch, recall, smallRig } from '../../rig/testing/makeRig'
import { editBetween, NO_RIG } from '../../rig/replay'
import type { Rig } from '../../rig/rig'
import type { MarkId } from '../../rig/table/mark'
import type { NoteId } from '../../rig/table/note'
import { deviceSheet } from '../../setup/deviceSheet'
import { toggleTick } from '../../setup/ticks'
import type { Logged } from '../facts'

const pick = <Item>(random: () => number, items: readonly Item[]): Item | undefined =>
  items[Math.floor(random() * items.length)]

const at = (n: number): string => new Date(Date.UTC(2026, 10, 1) + n * 60_000).toISOString()

type Step = (rig: Rig, random: () => number, n: number) => Edit | null

/** What a player does to a rig, one of each kind. */
const STEPS: readonly Step[] = [
  (rig, random, n) => {
    const one = pick(random, Object.values(rig.devices))
    return one ? editRow(rig, 'changeDevice', 'devices', one.id, { name: `Box ${n}` }) : null
  },
  (rig, random) => {
    const one = pick(random, Object.values(rig.devices))
    const taken = new Set(Object.values(rig.devices).map(({ channel }) => channel))
    const free = Array.from({ length: 16 }, (_, k) => k + 1).filter((k) => !taken.has(k as never))
    const channel = pick(random, free)
    return one && channel
      ? editRow(rig, 'setChannel', 'devices', one.id, { channel: channel as never })
      : null
  },
  (rig, random) => {
    const one = pick(random, Object.values(rig.devices))
    return one
      ? editRow(rig, 'setPanel', 'devices', one.id, { sendsProgramsBack: !one.sendsProgramsBack })
      : null
  },
  (rig, random, n) => {
    const one = pick(random, Object.values(rig.devices))
    const index = Math.floor(random() * 100)
    const isTaken = Object.values(rig.presets).some((p) => p.deviceId === one?.id && p.index === index)
    return one && !isTaken
      ? addRow('addPreset', 'presets', makePreset(`preset-${n}`, one.id, index, `Preset ${n}`))
      : null
  },
  (rig, random) => {
    const one = pick(random, Object.values(rig.presets))
    return one && Object.keys(rig.presets).length > 2
      ? removeRow(rig, 'removePreset', 'presets', one.id)
      : null
  },
  (rig, _, n) => addRow('addBank', 'banks', makeBank(`bank-${n}`, n + 5, `Bank ${n}`)),
  (rig, random) => {
    const one = pick(random, Object.values(rig.banks))
    return one && Object.keys(rig.banks).length > 2 ? removeRow(rig, 'removeBank', 'banks', one.id) : null
  },
  (rig, random, n) => {
    const bank = pick(random, Object.values(rig.banks))
    const preset = pick(random, Object.values(rig.presets))
    if (!bank || !preset) return null
    const number = 1 + Math.floor(random() * 4)
    const row = makeSwitch(bank.id, number, [recall(preset.id)], { label: `Step ${n}` })
    return Object.hasOwn(rig.switches, row.id)
      ? editRow(rig, 'changeSwitch', 'switches', row.id, { positions: row.positions, label: row.label })
      : addRow('changeSwitch', 'switches', row)
  },
  (rig, random) => {
    const one = pick(random, Object.values(rig.switches))
    return one ? removeRow(rig, 'clearSwitch', 'switches', one.id) : null
  },
  (rig, random, n) => {
    const line = pick(random, deviceSheet(rig))
    return line ? toggleTick(rig, line, { newId: `mark-${n}` as MarkId, revision: n, at: at(n) }) : null
  },
  (rig, random, n) => {
    const one = pick(random, Object.values(rig.devices))
    return addRow('addNote', 'notes', {
      id: `note-${n}` as NoteId,
      at: at(n),
      about: one && random() < 0.7 ? { table: 'devices', id: one.id } : null,
      name: one?.name ?? '',
      text: `Line ${n}`,
      fact: { kind: 'note' },
      revision: n,
    })
  },
  (rig, _, n) =>
    Object.keys(rig.devices).length < 4
      ? addRow('addDevice', 'devices', { ...makeDevice(`device-${n}`, 10), channel: 'none', order: n })
      : null,
  (rig, random) => {
    const one = pick(random, Object.values(rig.devices))
    return one && Object.keys(rig.devices).length > 2
      ? removeRow(rig, 'removeDevice', 'devices', one.id)
      : null
  },
]

/** The log of a rig over so many revisions, drawn by lot, and the rig at each: `rigs[0]` is revision 1. */
export function makeHistory(random: () => number, revisions: number) {
  let rig = smallRig()
  const log: Logged[] = [{ revision: 1, at: at(1), edit: editBetween('makeRig', NO_RIG, rig)! }]
  const rigs: Rig[] = [rig]
  for (let tries = 0; log.length < revisions && tries < revisions * 20; tries++) {
    const n = log.length + 1
    const edit = pick(random, STEPS)!(rig, random, n)
    const done = edit && applyEdit(rig, edit)
    if (!done?.ok) continue
    rig = done.value
    log.push({ revision: n, at: at(n), edit: edit! })
    rigs.push(rig)
  }
  return { log, rigs }
}
