import { hexOf, readBytes, type MidiMessage, encodeMessage, bankHalf } from '#core/midi'
import {
  indexOfAddress,
  recallMessages,
  PLAIN_128,
  type BankSelect,
  type Numbering,
  emptyRig,
  type Rig,
  type Action,
  BLANK_BANK,
  type Bank,
  type BankId,
  type Control,
  type ControlId,
  type Controller,
  type Device,
  type DeviceId,
  BLANK_PRESET,
  type Preset,
  type PresetId,
  BLANK_SWITCH,
  type Footswitch,
  type Layer,
  type SwitchId,
} from '#core/rig'
import type { Channel, U14, U7 } from '#core/base'
import type { HeardMessage } from './gestures'
import type { LearnedSwitch } from './learn'

/** A switch that was learned, and where it stands. */
export interface LearnedPlace {
  /** From 0. */
  readonly bank: number
  readonly layer: Layer
  readonly jack: string
  readonly number: number
  readonly does: LearnedSwitch
}

/** A pause shorter than this is the time messages take, in ms. */
const PAUSE_MS = 12

/**
 * The rig a controller was found to be programmed for: a device for each channel that was spoken to, its presets and controls,
 * and every switch as it does. `device` says what a device is unless more is known; ids are made of what they stand for.
 */
export function learnedRig(
  name: string,
  controller: Controller,
  device: Omit<Device, 'id' | 'order' | 'spot' | 'name' | 'channel'>,
  places: readonly LearnedPlace[],
): Rig {
  const lists = places.flatMap(({ does }) => [
    ...does.positions,
    does.release,
    does.longPress,
    does.doublePress,
  ])
  const read = new Map(lists.map((list) => [list, messagesIn(list)]))
  const numberings = numberingsOf([...read.values()])
  const devices = new Map<number, Device>()
  const presets = new Map<string, Preset>()
  const controls = new Map<string, Control>()
  const deviceOf = (channel: Channel): DeviceId => {
    const id = `channel-${channel}` as DeviceId
    if (!devices.has(channel))
      devices.set(channel, {
        ...device,
        id,
        order: channel,
        name: `Device on channel ${channel}`,
        channel,
        numbering: numberings.get(channel) ?? PLAIN_128,
        spot: null,
      })
    return id
  }
  /** For messages of no channel: whoever is first. */
  const anyDevice = (): DeviceId => [...devices.values()][0]?.id ?? deviceOf(1 as Channel)

  const actionsOf = (list: readonly HeardMessage[]): Action[] => {
    const all: Action[] = []
    const messages = read.get(list) ?? messagesIn(list)
    for (let n = 0; n < messages.length; n++) {
      const { message, hex, pause } = messages[n]!
      if (pause > 0) all.push({ kind: 'wait', ms: Math.min(10_000, pause) })
      const recall = recallAt(messages, n, numberings)
      if (recall) {
        const deviceId = deviceOf(recall.channel)
        const id = `${deviceId}-p${recall.index}` as PresetId
        presets.set(id, {
          ...BLANK_PRESET,
          id,
          deviceId,
          index: recall.index,
          name: `Program ${recall.index}`,
        })
        all.push({ kind: 'recallPreset', presetId: id })
        n += recall.length - 1
      } else if (message.kind === 'control') {
        const deviceId = deviceOf(message.channel)
        const id = `${deviceId}-c${message.controller}` as ControlId
        controls.set(id, controlRow(id, deviceId, message.controller))
        all.push({ kind: 'setControl', controlId: id, value: message.value })
      } else
        all.push({
          kind: 'raw',
          deviceId: 'channel' in message ? deviceOf(message.channel) : anyDevice(),
          hex,
        })
    }
    return all
  }

  const banks = new Map<number, Bank>()
  const switches: Footswitch[] = places.flatMap(({ bank, layer, jack, number, does }): Footswitch[] => {
    const bankId = `bank-${bank}` as BankId
    banks.set(bank, { ...BLANK_BANK, id: bankId, controllerId: controller.id, index: bank })
    if (does.doubts.includes('silent')) return []
    return [
      {
        ...BLANK_SWITCH,
        id: `switch-${bank}-${layer}-${jack}-${number}` as SwitchId,
        bankId,
        layer,
        jack,
        number,
        positions: does.positions.map(actionsOf),
        release: actionsOf(does.release),
        longPress: actionsOf(does.longPress),
        doublePress: actionsOf(does.doublePress),
      },
    ]
  })
  const byId = <Row extends { readonly id: string }>(rows: Iterable<Row>) =>
    Object.fromEntries(Array.from(rows, (row) => [row.id, row]))
  return {
    ...emptyRig(name),
    controllers: byId([{ ...controller, home: null, onPower: [] }]),
    devices: byId(devices.values()),
    presets: byId(presets.values()),
    controls: byId(controls.values()),
    banks: byId(banks.values()),
    switches: byId(switches),
  }
}

interface HeardPart {
  readonly message: MidiMessage
  readonly hex: string
  /** Before it, in ms. */
  readonly pause: number
}

function messagesIn(list: readonly HeardMessage[]): HeardPart[] {
  let before: number | null = null
  return list.flatMap(({ ms, hex }): HeardPart[] => {
    const read = readBytes(hex)
    const gap = before === null ? 0 : ms - before
    before = ms
    const [message] = read.ok ? read.value.messages : []
    return message ? [{ message, hex, pause: gap > PAUSE_MS ? gap - 1 : 0 }] : []
  })
}

const selectOf = (message: MidiMessage | undefined, channel: number): 'msb' | 'lsb' | null =>
  message?.kind === 'control' && message.channel === channel ? bankHalf(message) : null

/** Which bank select each channel is sent before its programs, where it is always the same; else none is known. */
function numberingsOf(lists: readonly (readonly HeardPart[])[]): ReadonlyMap<number, Numbering> {
  const seen = new Map<number, Set<BankSelect>>()
  for (const list of lists)
    list.forEach(({ message }, n) => {
      if (message.kind !== 'program') return
      const { channel } = message
      const [before, last] = [
        selectOf(list[n - 2]?.message, channel),
        selectOf(list[n - 1]?.message, channel),
      ]
      const how: BankSelect = before === 'msb' && last === 'lsb' ? 'both' : (last ?? 'none')
      seen.set(channel, (seen.get(channel) ?? new Set()).add(how))
    })
  return new Map(
    [...seen].map(([channel, ways]): [number, Numbering] => {
      const [bankSelect = 'none'] = ways.size === 1 ? ways : []
      const count = bankSelect === 'none' ? 128 : 16_384
      return [channel, { ...PLAIN_128, bankSelect, count, first: 0 }]
    }),
  )
}

/** The preset that is recalled from message `n` on, in so many messages; null where none is in the way of its channel. */
function recallAt(
  messages: readonly HeardPart[],
  n: number,
  numberings: ReadonlyMap<number, Numbering>,
): { channel: Channel; index: number; length: number } | null {
  for (let length = 1; length <= 3; length++) {
    const part = messages.slice(n, n + length)
    const last = part.at(-1)?.message
    if (part.length < length || last?.kind !== 'program') continue
    const numbering = numberings.get(last.channel)
    if (!numbering || part.slice(1).some(({ pause }) => pause > 0)) return null
    const value = (which: 'msb' | 'lsb') =>
      part.reduce(
        (found, { message }) =>
          message.kind === 'control' && selectOf(message, last.channel) === which ? message.value : found,
        0,
      )
    const index = indexOfAddress(numbering, {
      bank: bankNumber(numbering.bankSelect, value('msb'), value('lsb')),
      program: last.program,
    })
    if (index === null) return null
    const sent = recallMessages(numbering, last.channel, index).map((one) => hexOf(encodeMessage(one)))
    return sent.join() === part.map(({ hex }) => hex).join() ? { channel: last.channel, index, length } : null
  }
  return null
}

const bankNumber = (how: BankSelect, msb: number, lsb: number): U14 =>
  (how === 'both' ? msb * 128 + lsb : how === 'msb' ? msb : how === 'lsb' ? lsb : 0) as U14

const controlRow = (id: ControlId, deviceId: DeviceId, number: U7): Control => ({
  id,
  deviceId,
  order: number,
  name: `CC ${number}`,
  section: '',
  note: '',
  origin: '',
  address: { kind: 'cc', number },
  reading: { kind: 'range', unit: '', low: 0, high: 127, scale: 'linear', from: 0, to: 127 },
  kind: 'assignable',
  map: 'device',
  division: null,
  source: 'heard',
})
