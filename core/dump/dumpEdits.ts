import { own } from '#core/base'
import {
  change,
  type Edit,
  editRow,
  lastOrder,
  type Rig,
  type DeviceId,
  type Dump,
  type DumpId,
  type DumpMessage,
  type Dumping,
} from '#core/rig'

/** A dump with what it is called and where it is from. */
export interface NewDump {
  readonly id: DumpId
  readonly deviceId: DeviceId | null
  readonly name: string
  readonly messages: readonly DumpMessage[]
  readonly from: Dump['from']
  readonly revision: number
  /** ISO 8601, UTC. */
  readonly at: string
}

/** Keeps dumps, all in one edit; null where there are none. */
export const keepDumps = (rig: Rig, dumps: readonly NewDump[]): Edit | null =>
  dumps.length === 0
    ? null
    : {
        label: 'addDump',
        changes: dumps.map((one, n) =>
          change('dumps', one.id, null, {
            ...one,
            order: lastOrder(rig.dumps) + n,
            of: own(rig.devices, one.deviceId ?? '')?.name ?? '',
            note: '',
          }),
        ),
      }

/** Null where nothing would change. */
export const changeDump = (
  rig: Rig,
  id: DumpId,
  fields: Partial<Pick<Dump, 'name' | 'note' | 'deviceId'>>,
): Edit | null => editRow(rig, 'changeDump', 'dumps', id, fields)

/** Null takes away what was known. */
export const setDumping = (rig: Rig, id: DeviceId, dumping: Dumping | null): Edit | null =>
  editRow(rig, 'setDumping', 'devices', id, { dumping })
