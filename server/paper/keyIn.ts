import { keyingOf, toldSheet, type KeyInLine } from '#core/keyin'
import { inOrder, rigName, type Controller, type Rig } from '#core/rig'
import { count } from '#shared/words/counts'
import {
  baseText,
  durationText,
  fullPlaceText,
  groupText,
  keyedPlaceText,
  lineLabel,
  stepText,
  strokesText,
} from '#shared/keyInText'
import { MARGIN_MM, Sheet, type Fonts, type PaperSize } from './sheet'

const TEXT = 8
const STEP_MM = 4
const LINE_MM = 5.6
const BOX_MM = 3.4
/** Where what a step is for, what is pressed and what is shown stand, in parts of the page. */
const FOR = 0.045
const KEYS = 0.25
const SHOWS = 0.84

/** The key-in sheet of the first controller: a box to tick for each line, every press, what the display shows. Null where all is in. */
export async function keyInPdf(rig: Rig, size: PaperSize, fonts: Fonts): Promise<Buffer | null> {
  const [controller] = inOrder(rig.controllers)
  const told = controller && toldSheet(rig, controller.id)
  if (!controller || !told || told.lines.length === 0) return null
  const keying = keyingOf(controller)
  const sheet = new Sheet(`Key-in sheet: ${controller.name}`, size, fonts)
  const wide = sheet.widthMm - 2 * MARGIN_MM
  const x = (part: number) => MARGIN_MM + part * wide
  let y = 0
  let page = 0
  const head = () => {
    page++
    y = MARGIN_MM
    sheet.text(
      sheet.cut(`Key-in sheet: ${controller.name}, ${rigName(rig)}`, wide - 16, 12, 'bold'),
      MARGIN_MM,
      y,
      12,
      {
        face: 'bold',
      },
    )
    sheet.text(String(page), sheet.widthMm - MARGIN_MM, y, 9, { at: 'right' })
    y += 6
    if (page === 1) {
      const about = `${count(told.lines.length, 'line')}, ${count(told.presses, 'press', 'presses')}, ${durationText(told.seconds)}. Tick each line when it is saved. ${lossText(controller)}`
      for (const text of sheet.broken(about, wide, TEXT)) {
        sheet.text(text, MARGIN_MM, y, TEXT)
        y += STEP_MM
      }
    }
    y += 1.5
  }
  /** A new page where so much does not fit any more. */
  const room = (mm: number): boolean => {
    if (y + mm <= sheet.heightMm - MARGIN_MM) return true
    sheet.page()
    head()
    return false
  }
  head()
  let group = ''
  for (const line of told.lines) {
    const its = groupText(rig, controller, line.place)
    const rows = stepRows(line)
    // A line stays whole where a page has room for it; its head never stands alone.
    const height = LINE_MM + rows.length * STEP_MM
    const head = its === group ? 0 : LINE_MM + 2
    room(Math.min(height, sheet.heightMm / 2) + head)
    if (its !== group) {
      group = its
      sheet.line(MARGIN_MM, y + 0.5, MARGIN_MM + wide, y + 0.5, { grey: 0.4 })
      sheet.text(sheet.cut(its, wide, 10.5, 'bold'), MARGIN_MM, y + 1.8, 10.5, { face: 'bold' })
      y += LINE_MM + 2
    }
    sheet.box(MARGIN_MM, y + 0.3, BOX_MM, BOX_MM)
    const title = [keyedPlaceText(controller, line.place), lineLabel(rig, line)].filter(Boolean).join('  ')
    const right = `${baseText(controller, line)}, ${line.presses}`
    const rightWide = sheet.widthOf(right, TEXT)
    sheet.text(sheet.cut(title, wide - rightWide - 12, 9, 'bold'), x(FOR), y + 0.2, 9, { face: 'bold' })
    sheet.text(right, MARGIN_MM + wide, y + 0.5, TEXT, { at: 'right' })
    y += LINE_MM - 0.6
    for (const row of rows) {
      room(STEP_MM)
      sheet.text(sheet.cut(row.for, (KEYS - FOR) * wide - 2, TEXT), x(FOR), y, TEXT)
      sheet.text(row.keys, x(KEYS), y, TEXT, { face: 'bold' })
      sheet.text(sheet.cut(row.shows, (1 - SHOWS) * wide, TEXT), x(SHOWS), y, TEXT)
      y += STEP_MM
    }
    y += 0.6
  }
  if (told.end.length > 0) {
    room(LINE_MM)
    const keys = strokesText(controller, keying, told.end)
    sheet.text(`At the very end: ${keys}. Only then is it in the controller.`, MARGIN_MM, y + 0.5, 9, {
      face: 'bold',
    })
  }
  for (const unit of told.unsaid) {
    room(STEP_MM)
    const text = `Not on the sheet: part of ${fullPlaceText(controller, unit.place)} cannot be keyed in so; see the manual.`
    sheet.text(sheet.cut(text, wide, TEXT), MARGIN_MM, y + 0.5, TEXT)
    y += STEP_MM
  }
  return sheet.end()

  /** The steps of a line; one whose keys take more than a line goes on below. */
  function stepRows(line: KeyInLine): { for: string; keys: string; shows: string }[] {
    const rows = line.steps.flatMap((step) => {
      const parts = sheet.broken(
        strokesText(controller!, keying, step.strokes) || 'nothing',
        (SHOWS - KEYS) * wide - 2,
        TEXT,
        'bold',
      )
      const last = parts.length - 1
      return parts.map((keys, n) => ({
        for: n === 0 ? stepText(step) : '',
        keys,
        shows: n === last && step.shows !== null ? step.shows : '',
      }))
    })
    const left = (line.unit?.left ?? []).length
    if (left > 0)
      rows.push({ for: 'Not here', keys: 'Part of it cannot be keyed in: see the manual', shows: '' })
    return rows
  }
}

function lossText(controller: Controller): string {
  const { losesOn } = keyingOf(controller)
  const on = [
    ...(losesOn.includes('leave') ? ['leaving'] : []),
    ...(losesOn.includes('bank') ? ['turning banks'] : []),
    ...(losesOn.includes('power') ? ['switching off'] : []),
  ]
  return on.length === 0 ? '' : `Not saved is lost by ${on.join(', ')}.`
}
