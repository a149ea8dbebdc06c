import { accept } from '#core/base'
import { formatRigFile, parseRigFile } from '#core/rig'
import { switchesMidi } from '#core/switching'
import type { Result } from '#core/base'
import type { RigFileRefusal } from '#core/rig'
import type { CreatedReply } from '#shared/contract/rigs'
import { chartCsvText } from '#shared/chartCsv'
import { stampLine, type Stamp } from '#shared/stamp'
import { cableTagsPdf } from '../paper/cableTags'
import { keyInPdf } from '../paper/keyIn'
import { setSheetPdf } from '../paper/setSheet'
import { standInPdf } from '../paper/standIn'
import type { Fonts, PaperSize } from '../paper/sheet'
import { testPlanPdf } from '../paper/testPlan'
import { stripsPdf } from '../paper/strips'
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

/** What is printed of a rig, by the name of its file. */
const PAPERS = {
  strips: stripsPdf,
  'set-sheet': setSheetPdf,
  'cable-tags': cableTagsPdf,
  'stand-in': standInPdf,
  'key-in': keyInPdf,
  'test-plan': testPlanPdf,
} as const
export type PaperName = keyof typeof PAPERS

/** A paper as PDF; `nothing` where the rig has nothing to print on it. Null when there is no such rig. */
export async function printPaper(
  store: Store,
  id: string,
  name: PaperName,
  size: PaperSize,
  fonts: Fonts,
  stamp: Stamp | null = null,
): Promise<Buffer | 'nothing' | null> {
  const found = await findRig(store, id)
  const foot = found && stampLine(stamp, found.revision)
  return found && ((await PAPERS[name](found.rig, size, fonts, foot ?? '')) ?? 'nothing')
}
