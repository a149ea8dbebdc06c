import { stripsOf, type Strip } from '#core/paper'
import type { Rig } from '#core/rig'
import { shortNames } from '#core/sound'
import { MARGIN_MM, Sheet, type Fonts, type PaperSize, PAPER_MM } from './sheet'

/** The height of a strip, as label tape is, and the room above it for what it is of. */
const STRIP_MM = 12
const CAPTION_MM = 5
const GAP_MM = 4
/** Sizes of type, in points. */
const LARGEST = 18
const SMALLEST = 6
/** Left free on both sides of a label, in mm. */
const SIDE_MM = 1.5
const RULER_MM = 100

/**
 * Label strips to scale, to be cut out: each row of switches of each bank, every label over the middle of its switch.
 * `null` where the rig has none.
 */
export async function stripsPdf(rig: Rig, size: PaperSize, fonts: Fonts): Promise<Buffer | null> {
  const { width, height } = PAPER_MM[size]
  const upright = stripsOf(rig, width - 2 * MARGIN_MM)
  // Lying where that saves cuts.
  const lying = stripsOf(rig, height - 2 * MARGIN_MM)
  const isLandscape = lying.length < upright.length
  const strips = isLandscape ? lying : upright
  if (strips.length === 0) return null
  const sheet = new Sheet('Label strips', size, fonts, isLandscape)
  let y = ruler(sheet)
  for (const strip of strips) {
    const needs = CAPTION_MM + STRIP_MM + GAP_MM
    if (y + needs > sheet.heightMm - MARGIN_MM) {
      sheet.page()
      y = ruler(sheet)
    }
    draw(sheet, strip, y)
    y += needs
  }
  return sheet.end()
}

/** A measure at the head of each page: a page that was fitted to the paper shows there. */
function ruler(sheet: Sheet): number {
  const y = MARGIN_MM + 3
  sheet.line(MARGIN_MM, y, MARGIN_MM + RULER_MM, y)
  for (const x of [0, RULER_MM]) sheet.line(MARGIN_MM + x, y - 1.5, MARGIN_MM + x, y + 1.5)
  sheet.text(
    `This line is ${RULER_MM} mm long: print at 100 %, not fitted to the page.`,
    MARGIN_MM + 2,
    y - 4,
    7,
  )
  return y + 4
}

const captionOf = ({ bank, shown, layer, row, piece, pieces }: Strip): string =>
  [
    `${shown} ${bank.name}`.trim(),
    ...(layer === 'shift' ? ['shift layer'] : []),
    `row ${row}${row === 1 ? ', nearest' : ''}`,
    ...(pieces > 1 ? [`piece ${piece} of ${pieces}`] : []),
  ].join(', ')

function draw(sheet: Sheet, strip: Strip, top: number): void {
  const { labels, widthMm } = strip
  const [left, y] = [MARGIN_MM, top + CAPTION_MM]
  sheet.text(sheet.cut(captionOf(strip), sheet.widthMm - 2 * MARGIN_MM, 7), left, top + 1, 7)
  sheet.box(left, y, widthMm, STRIP_MM)
  const cell = widthMm / labels.length
  // Where scissors may go: between labels, as short ticks.
  for (let n = 1; n < labels.length; n++) {
    sheet.line(left + n * cell, y, left + n * cell, y + 1.5, { grey: 0.5 })
    sheet.line(left + n * cell, y + STRIP_MM - 1.5, left + n * cell, y + STRIP_MM, { grey: 0.5 })
  }
  const set = setLabels(
    sheet,
    labels.map(({ name }) => name),
    cell - 2 * SIDE_MM,
  )
  labels.forEach(({ middleMm }, n) => {
    const { lines, points } = set[n]!
    const step = points * 0.42
    const first = y + STRIP_MM / 2 - (lines.length * step) / 2
    lines.forEach((line, k) =>
      sheet.text(line, left + middleMm, first + k * step, points, { face: 'bold', at: 'middle' }),
    )
  })
}

interface SetLabel {
  readonly lines: readonly string[]
  readonly points: number
}

/**
 * Labels as large as each has room, on one line or two. One that has none even small is made shorter, so that it reads like
 * no other of its strip; nothing is cut off.
 */
function setLabels(sheet: Sheet, names: readonly string[], widthMm: number): SetLabel[] {
  const fits = (lines: readonly string[], points: number) =>
    lines.length * points * 0.42 <= STRIP_MM - 1 &&
    lines.every((line) => sheet.widthOf(line, points, 'bold') <= widthMm)
  const largest = (name: string, least: number): SetLabel | null => {
    for (let points = LARGEST; points >= least; points -= 0.5)
      for (const lines of [[name], ...inTwo(name)]) if (fits(lines, points)) return { lines, points }
    return null
  }
  const plain = names.map((name) => largest(name, SMALLEST))
  if (plain.every((one) => one !== null)) return plain
  const letters = Math.max(1, Math.floor(widthMm / sheet.widthOf('m', SMALLEST, 'bold')))
  const short = shortNames(names, letters)
  return plain.map((one, n) => one ?? largest(short[n]!, 2) ?? { lines: [short[n]!], points: 2 })
}

/** All ways to break a name between words. */
function inTwo(name: string): string[][] {
  const words = name.split(' ')
  return words.slice(1).map((_, n) => [words.slice(0, n + 1).join(' '), words.slice(n + 1).join(' ')])
}
