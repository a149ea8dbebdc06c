import { accept, formatRigFile, parseRigFile, switchesMidi } from '#core'
import type { Result, RigFileRefusal } from '#core'
import type { CreatedReply } from '#shared/contract/rigs'
import { chartCsvText } from '#shared/chartCsv'
import { createRig, findRig } from './rigs'
import type { Store } from './store'

/** A new rig from a file's text; nothing is written unless the whole file is right. */
export async function importRigFile(
  store: Store,
  text: string,
  now: Date,
): Promise<Result<CreatedReply, RigFileRefusal>> {
  const parsed = parseRigFile(text)
  return parsed.ok ? accept(await createRig(store, parsed.value, now)) : parsed
}

/** Null when there is no such rig. */
export async function exportRigFile(store: Store, id: string): Promise<string | null> {
  const found = await findRig(store, id)
  return found && formatRigFile(found.rig)
}

/** Null when there is no such rig. */
export async function exportSwitchesMidi(store: Store, id: string): Promise<Uint8Array | null> {
  const found = await findRig(store, id)
  return found && switchesMidi(found.rig)
}

/** A device's chart as CSV; cells a spreadsheet would run as formulas are disarmed. Null when there is no such rig. */
export async function exportChart(store: Store, id: string, deviceId: string): Promise<string | null> {
  const found = await findRig(store, id)
  return found && chartCsvText(found.rig, deviceId)
}
