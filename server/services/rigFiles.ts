import * as z from 'zod'
import Papa from 'papaparse'
import { accept, chartRows, formatRigFile, parseRigFile, rigFileSchema, switchesMidi } from '#core'
import type { Result, RigFileRefusal } from '#core'
import type { CreatedReply } from '#shared/contract/rigs'
import type { Database } from '../db/database'
import { createRig, findRig } from './rigs'

/** A new rig from a file's text; nothing is written unless the whole file is right. */
export async function importRigFile(
  database: Database,
  text: string,
  now: Date,
): Promise<Result<CreatedReply, RigFileRefusal>> {
  const parsed = parseRigFile(text)
  return parsed.ok ? accept(await createRig(database, parsed.value, now)) : parsed
}

/** Null when there is no such rig. */
export async function exportRigFile(database: Database, id: string): Promise<string | null> {
  const found = await findRig(database, id)
  return found && formatRigFile(found.rig)
}

/** Null when there is no such rig. */
export async function exportSwitchesMidi(database: Database, id: string): Promise<Uint8Array | null> {
  const found = await findRig(database, id)
  return found && switchesMidi(found.rig)
}

/** A device's chart as CSV; cells a spreadsheet would run as formulas are disarmed. Null when there is no such rig. */
export async function exportChart(database: Database, id: string, deviceId: string): Promise<string | null> {
  const found = await findRig(database, id)
  return found && `${Papa.unparse(chartRows(found.rig, deviceId), { escapeFormulae: true })}\r\n`
}

/** JSON Schema (draft 2020-12) of the rig file, made from the same schema that reads it. */
export const rigFileJsonSchema = () => z.toJSONSchema(rigFileSchema, { target: 'draft-2020-12', io: 'input' })
