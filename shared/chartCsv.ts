import Papa from 'papaparse'
import { chartRows } from '#core/chart'
import type { Rig } from '#core/rig'

/**
 * What a spreadsheet would run as a formula gets an apostrophe before it. One that stands there already gets
 * another, so that the reader takes off just one.
 */
const FORMULA = /^'*[=+\-@\t\r]/

/** A device's chart as CSV (RFC 4180), as docs/formats.md describes it. */
export const chartCsvText = (rig: Rig, deviceId: string): string =>
  `${Papa.unparse(chartRows(rig, deviceId), { escapeFormulae: FORMULA })}\r\n`
