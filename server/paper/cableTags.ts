import { cableTags, type CableTag, type TagEnd } from '#core/paper'
import type { Rig } from '#core/rig'
import { LEAD_TEXT, lengthText } from '#shared/cableText'
import { count } from '#shared/words/counts'
import { MARGIN_MM, Sheet, type Fonts, type PaperSize } from './sheet'

/** A tag as it is cut out: folded over the cable in its middle, so that both halves can be read. */
const TAG_MM = 15
const GAP_MM = 3
const HEAD_MM = 9
const SIDE_MM = 2
/** The strip in the middle that lies round the cable. */
const FOLD_MM = 6

/**
 * Two tags for every cable, one for each end: where this end goes, and where the other one is. Null where the rig has no
 * cables.
 */
export async function cableTagsPdf(rig: Rig, size: PaperSize, fonts: Fonts): Promise<Buffer | null> {
  const tags = cableTags(rig)
  if (tags.length === 0) return null
  const sheet = new Sheet('Cable tags', size, fonts)
  const wide = (sheet.widthMm - 2 * MARGIN_MM - GAP_MM) / 2
  let y = head(sheet)
  for (const tag of tags) {
    if (y + TAG_MM > sheet.heightMm - MARGIN_MM) {
      sheet.page()
      y = head(sheet)
    }
    draw(sheet, tag, tag.from, tag.to, { x: MARGIN_MM, y, wide })
    draw(sheet, tag, tag.to, tag.from, { x: MARGIN_MM + wide + GAP_MM, y, wide })
    y += TAG_MM + GAP_MM
  }
  return sheet.end()
}

function head(sheet: Sheet): number {
  sheet.text(
    'Cut out, fold round the cable at the dashed lines, glue. Left and right of a row are the two ends of one cable.',
    MARGIN_MM,
    MARGIN_MM,
    7,
  )
  return MARGIN_MM + HEAD_MM - 3
}

interface Place {
  readonly x: number
  readonly y: number
  readonly wide: number
}

/** The same on both halves: whichever side is up can be read. */
function draw(sheet: Sheet, tag: CableTag, here: TagEnd, there: TagEnd, { x, y, wide }: Place): void {
  sheet.box(x, y, wide, TAG_MM)
  const half = (wide - FOLD_MM) / 2
  for (const fold of [x + half, x + half + FOLD_MM])
    sheet.line(fold, y, fold, y + TAG_MM, { grey: 0.5, isDashed: true })
  const most = half - 2 * SIDE_MM
  const about = [
    String(tag.number),
    LEAD_TEXT[tag.cable.lead],
    ...(tag.cable.adapters.length > 0 ? [count(tag.cable.adapters.length, 'adapter')] : []),
    lengthText(tag.cable.centimetres),
    tag.cable.colour,
  ]
    .filter(Boolean)
    .join(', ')
  const lines = [
    { text: here.box, largest: 9, face: 'bold', down: 1 },
    { text: here.jack, largest: 9, face: 'bold', down: 4.6 },
    { text: `other end: ${there.box}, ${there.jack}`, largest: 7, face: 'regular', down: 8.6 },
    { text: about, largest: 6, face: 'regular', down: 11.7 },
  ] as const
  for (const left of [x + SIDE_MM, x + half + FOLD_MM + SIDE_MM])
    for (const { text, largest, face, down } of lines)
      sheet.text(text, left, y + down, sheet.pointsFor(text, most, largest, face), { face })
}
