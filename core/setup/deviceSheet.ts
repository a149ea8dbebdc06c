import { own } from '#core/base'
import { encodeMessage, hexOf } from '#core/midi'
import {
  receivers,
  sendChannel,
  controlMessages,
  shownText,
  formatDisplay,
  perTables,
  byIndex,
  inOrder,
  type Rig,
  highestValue,
  type Control,
  type Device,
  type SetValue,
  isEntryOpen,
} from '#core/rig'
import { checklist, type ChecklistLine, type Task } from './checklist'

/** The first part of their keys: a tick here is another than one on the checklist. */
const DEVICE_SHEET = 'keyin/'

/**
 * What must be set and saved on each device before the controller has anything to call: its MIDI settings, what it learns
 * by being sent a message, its presets with what they recall and the maps kept in them, what it stores by example, and the save.
 */
export const deviceSheet = perTables(
  [
    'controllers',
    'devices',
    'controls',
    'presets',
    'pairs',
    'cables',
    'pedals',
    'switches',
    'banks',
    'sounds',
    'macros',
    'songs',
    'parts',
    'shows',
    'about',
  ],
  (rig: Rig): readonly ChecklistLine[] => {
    const all = checklist(rig)
    return receivers(rig).flatMap((device) => {
      const its = all.filter(({ about }) => about.table === 'devices' && about.id === device.id)
      const again = (
        phases: readonly ChecklistLine['phase'][],
        kinds: readonly Task['kind'][] | null = null,
      ) =>
        its
          .filter(
            ({ phase, task }) => phases.includes(phase) && (kinds === null || kinds.includes(task.kind)),
          )
          .map((one): ChecklistLine => ({ ...one, key: DEVICE_SHEET + one.key }))
      return [
        ...again(['jacks'], ['role', 'thru', 'calibrate']),
        ...again(['settings']),
        ...learnLines(rig, device),
        ...presetLines(rig, device),
        ...exampleLines(rig, device),
        ...again(['saving']),
      ]
    })
  },
)

const lineOf = (device: Device, phase: ChecklistLine['phase'], key: string, task: Task): ChecklistLine => ({
  key: DEVICE_SHEET + key,
  phase,
  about: { table: 'devices', id: device.id },
  task,
  said: JSON.stringify(task),
})

const controlsOf = (rig: Rig, device: Device): Control[] =>
  inOrder(rig.controls).filter(({ deviceId }) => deviceId === device.id)

/** What is free to be assigned learns its number by being sent it. */
function learnLines(rig: Rig, device: Device): ChecklistLine[] {
  const channel = sendChannel(rig, device)
  return controlsOf(rig, device).flatMap((control) => {
    if (control.kind !== 'assignable' || control.map !== 'device' || channel === null) return []
    const messages = controlMessages(control.address, channel, highestValue(control.address))
    return [
      lineOf(device, 'settings', `learn/${control.id}`, {
        kind: 'learn',
        device: device.name,
        control: nameOf(control),
        hexes: messages.map((message) => hexOf(encodeMessage(message))),
      }),
    ]
  })
}

const nameOf = ({ section, name }: Control): string => [section, name].filter(Boolean).join(' ')

function presetLines(rig: Rig, device: Device): ChecklistLine[] {
  const mapped = controlsOf(rig, device).filter(({ map, kind }) => map === 'preset' && kind !== 'reserved')
  return byIndex(rig.presets)
    .filter(({ deviceId }) => deviceId === device.id)
    .flatMap((preset) => {
      const display = formatDisplay(device.numbering, preset.index)
      const missing = mapped.filter(({ id }) => isEntryOpen(id, preset))
      const facts = { device: device.name, display, preset: preset.name }
      return [
        ...(preset.recalls.length > 0
          ? [
              lineOf(device, 'saving', `preset/${preset.id}`, {
                kind: 'prepare',
                ...facts,
                values: valueTexts(rig, preset.recalls),
              }),
            ]
          : []),
        ...(missing.length > 0
          ? [
              lineOf(device, 'saving', `map/${preset.id}`, {
                kind: 'mapIn',
                ...facts,
                controls: missing.map((control) => `${nameOf(control)}: ${addressText(control)}`),
              }),
            ]
          : []),
      ]
    })
}

const addressText = ({ address }: Control): string =>
  address.kind === 'cc' ? `CC ${address.number}` : `NRPN ${address.parameter}`

const valueTexts = (rig: Rig, values: readonly SetValue[]): string[] =>
  values.flatMap(({ controlId, value }) => {
    const control = own(rig.controls, controlId)
    return control
      ? [`${nameOf(control)} ${shownText(control.reading, value, highestValue(control.address))}`]
      : []
  })

/** States a device stores as they are when it is told to. */
const exampleLines = (rig: Rig, device: Device): ChecklistLine[] =>
  inOrder(rig.pairs)
    .filter(({ deviceId }) => deviceId === device.id)
    .map((pair) =>
      lineOf(device, 'saving', `example/${pair.id}`, {
        kind: 'example',
        device: device.name,
        pair: pair.name,
        by: pair.by,
        a: valueTexts(rig, pair.a),
        b: valueTexts(rig, pair.b),
      }),
    )
