import { own } from '#core/base'
import { testPlan, testResult, type TestLine } from '#core/logbook'
import { rigName, type Rig } from '#core/rig'
import { numberText } from '#shared/placeText'
import { testDoes, testExpects } from '#shared/testText'
import { MARGIN_MM, Sheet, type Fonts, type PaperSize } from './sheet'

const [LINE_MM, MORE_MM, BOX_MM, TEXT] = [5.4, 3.7, 3.2, 8.5]
/** What is asked for in one line at most. */
const LINES_MAX = 4

/** The test plan: what to do and to watch, boxes for pass and fail, room for a note. Null where there is nothing to try. */
export async function testPlanPdf(
  rig: Rig,
  size: PaperSize,
  fonts: Fonts,
  stamp: string,
): Promise<Buffer | null> {
  const plan = testPlan(rig)
  if (plan.length === 0) return null
  const sheet = new Sheet(`Test plan: ${rigName(rig)}`, size, fonts)
  const wide = sheet.widthMm - 2 * MARGIN_MM
  const [pass, fail, note] = [0.68, 0.735, 0.79].map((part) => MARGIN_MM + part * wide) as [
    number,
    number,
    number,
  ]
  let y = 0
  let page = 0
  const head = () => {
    page++
    y = MARGIN_MM
    const title = `Test plan: ${rigName(rig)}`
    sheet.text(sheet.cut(title, wide - 16, 12, 'bold'), MARGIN_MM, y, 12, { face: 'bold' })
    sheet.text(String(page), sheet.widthMm - MARGIN_MM, y, 9, { at: 'right' })
    y += 6
    if (page === 1) {
      sheet.text('Volume low. Watch every device. What fails is noted at the right.', MARGIN_MM, y, TEXT)
      y += LINE_MM
      if (stamp) {
        sheet.text(sheet.cut(stamp, wide, 7.5), MARGIN_MM, y, 7.5)
        y += LINE_MM - 1
      }
    }
    for (const [text, x] of [
      ['pass', pass],
      ['fail', fail],
      ['note', note],
    ] as const)
      sheet.text(text, x, y, 7.5)
    y += LINE_MM - 1
  }
  head()
  let group = ''
  let place = ''
  for (const line of plan) {
    const its = groupOf(rig, line)
    const where = placeOf(rig, line)
    const isNew = its !== group
    if (y + LINE_MM * (isNew ? 3 : 2) + (LINES_MAX - 1) * MORE_MM > sheet.heightMm - MARGIN_MM) {
      sheet.page()
      head()
    }
    if (isNew) {
      y += 1.2
      sheet.line(MARGIN_MM, y, MARGIN_MM + wide, y, { grey: 0.4 })
      sheet.text(sheet.cut(its, wide, 10, 'bold'), MARGIN_MM, y + 1, 10, { face: 'bold' })
      y += LINE_MM + 1.2
      group = its
      place = ''
    }
    const room = pass - MARGIN_MM - 2
    const begin = where === place ? '' : where
    const beginWide = 0.26 * room
    if (begin) sheet.text(sheet.cut(begin, beginWide - 2, TEXT, 'bold'), MARGIN_MM, y, TEXT, { face: 'bold' })
    const texts = sheet.broken(`${testDoes(line)}. ${testExpects(rig, line)}`, room - beginWide, TEXT)
    texts.forEach((text, n) =>
      sheet.text(sheet.cut(text, room - beginWide, TEXT), MARGIN_MM + beginWide, y + n * MORE_MM, TEXT),
    )
    sheet.box(pass, y + 0.3, BOX_MM, BOX_MM)
    sheet.box(fail, y + 0.3, BOX_MM, BOX_MM)
    sheet.line(note, y + LINE_MM - 1.4, MARGIN_MM + wide, y + LINE_MM - 1.4, { grey: 0.7 })
    // What was found before stands where a note would.
    const result = testResult(rig, line)
    if (result && !result.isOld)
      sheet.text(result.verdict === 'pass' ? 'passed before' : 'failed before', note, y, 7)
    y += LINE_MM + (texts.length - 1) * MORE_MM
    place = where
  }
  return sheet.end()
}

function groupOf(rig: Rig, line: TestLine): string {
  if (line.kind === 'pedal') return 'Pedals'
  if (line.kind === 'device') return 'Every device is seen to move'
  const bank = own(rig.banks, line.bankId)
  const controller = own(rig.controllers, bank?.controllerId ?? '')
  return `Bank ${(bank?.index ?? 0) + (controller?.firstBank ?? 0)} ${bank?.name ?? ''}`.trim()
}

function placeOf(rig: Rig, line: TestLine): string {
  if (line.kind === 'pedal') return own(rig.pedals, line.pedalId)?.name ?? ''
  if (line.kind === 'device') return own(rig.devices, line.deviceId)?.name ?? ''
  const label = own(rig.switches, line.about.id)?.label ?? ''
  const shift = line.layer === 'shift' ? ' shift' : ''
  return `${numberText(rig, line)}${shift} ${label}`.trim()
}
