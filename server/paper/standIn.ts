import { own } from '#core/base'
import { standIn, type BoardMap, type BoardTile, type StandIn } from '#core/paper'
import { rigName, type Rig } from '#core/rig'
import { jackPlaces } from '#core/simulate'
import { gestureLines, shortDoes } from '#shared/actions'
import { placeShort, stepShort } from '#shared/placeText'
import { whenText } from '#shared/whenText'
import { MARGIN_MM, Sheet, type Fonts, type PaperSize } from './sheet'

const TEXT = 8
const LINE_MM = 4
const HEAD_MM = 6.5
const TILE_MM = 10
const BOARD_HEAD_MM = 5
const GAP_MM = 4
/** Boards with more columns than this take the whole width. */
const NARROW = 6

/** The rig for somebody who has never stood before it: how it starts, what is where, what the pedals do. */
export async function standInPdf(rig: Rig, size: PaperSize, fonts: Fonts, foot = ''): Promise<Buffer | null> {
  const about = standIn(rig)
  if (!about) return null
  const page = new Page(new Sheet(`Stand-in: ${rigName(rig)}`, size, fonts))
  page.title(rig)
  begin(page, about)
  everywhere(page, rig, about)
  pedals(page, rig, about)
  sounds(page, rig, about)
  boards(page, rig, about)
  if (foot !== '') page.say(foot)
  return page.sheet.end()
}

/** A sheet written from top to bottom. */
class Page {
  y = MARGIN_MM
  readonly #wide: number

  constructor(readonly sheet: Sheet) {
    this.#wide = sheet.widthMm - 2 * MARGIN_MM
  }

  get wide(): number {
    return this.#wide
  }

  /** Room for so many mm, on this page or the next. */
  room(mm: number): void {
    if (this.y + mm <= this.sheet.heightMm - MARGIN_MM) return
    this.sheet.page()
    this.y = MARGIN_MM
  }

  title(rig: Rig): void {
    const text = `${rigName(rig)}: for a stand-in`
    this.sheet.text(text, MARGIN_MM, this.y, this.sheet.pointsFor(text, this.wide, 13, 'bold'), {
      face: 'bold',
    })
    this.y += 8
  }

  head(text: string): void {
    this.room(HEAD_MM + LINE_MM)
    this.sheet.text(text, MARGIN_MM, this.y + 1, 9.5, { face: 'bold' })
    this.y += HEAD_MM
  }

  say(text: string): void {
    for (const line of this.sheet.broken(text, this.wide, TEXT)) {
      this.room(LINE_MM)
      this.sheet.text(line, MARGIN_MM, this.y, this.sheet.pointsFor(line, this.wide, TEXT))
      this.y += LINE_MM
    }
  }

  /** Short texts in columns, read down; as many columns as the longest leaves room for, three at most. */
  columns(texts: readonly string[]): void {
    const longest = Math.max(...texts.map((text) => this.sheet.widthOf(text, TEXT)))
    const across = Math.max(1, Math.min(3, Math.floor(this.wide / (longest + 4))))
    const wide = this.wide / across
    const down = Math.ceil(texts.length / across)
    for (let row = 0; row < down; row++) {
      this.room(LINE_MM)
      for (let column = 0; column < across; column++) {
        const text = texts[column * down + row]
        if (text === undefined) continue
        const points = this.sheet.pointsFor(text, wide - 2, TEXT)
        this.sheet.text(text, MARGIN_MM + column * wide, this.y, points)
      }
      this.y += LINE_MM
    }
  }
}

function begin(page: Page, { controller, start, powerOrder, others }: StandIn): void {
  page.head('To begin')
  if (powerOrder.length > 0)
    page.say(`Turn the loudness down, then switch on in this order: ${powerOrder.join(', then ')}.`)
  if (start)
    page.say(
      `${controller.name} wakes up in bank ${`${start.shown} ${start.bank.name}`.trim()}. Play one sound softly before anything is loud.`,
    )
  if (others.length > 0) page.say(`This sheet is about ${controller.name}. Not on it: ${others.join(', ')}.`)
  page.say(
    'Leave plugs and power as they are; keep cables off the walkway. Anything hot, humming or smelling: switch it off and ask a technician. The makers’ manuals have the last word.',
  )
}

const tileText = (rig: Rig, tile: BoardTile): string =>
  [tileName(rig, tile), ...gestureLines(rig, tile)].filter(Boolean).join('; ')

function everywhere(page: Page, rig: Rig, { everywhere: all, controller }: StandIn): void {
  if (all.length === 0) return
  const places = jackPlaces(rig, controller)
  const placeOf = ({ jack, number }: BoardTile) =>
    jack === ''
      ? `Switch ${number}`
      : (places.find((one) => one.jack === jack && one.number === number)?.name ?? `${jack} ${number}`)
  page.head('The same in every bank')
  page.columns(all.map((tile) => `${placeOf(tile)}: ${tileText(rig, tile)}`))
}

function pedals(page: Page, rig: Rig, { pedals: all }: StandIn): void {
  if (all.length === 0) return
  page.head('Pedals')
  for (const { pedal, roles } of all) {
    const said = roles.map(({ name, when, targets }) => {
      const leads = targets
        .map(({ controlId }) => {
          const control = own(rig.controls, controlId)
          return control ? `${own(rig.devices, control.deviceId)?.name ?? ''} ${control.name}`.trim() : ''
        })
        .filter(Boolean)
        .join(', ')
      return `${name === '' ? '' : `${name}: `}${leads}, ${whenText(rig, when)}`
    })
    page.say(`${pedal.name}. ${said.join('; ')}.`)
  }
}

function sounds(page: Page, rig: Rig, { sounds: all, start, unreached }: StandIn): void {
  if (all.length + unreached.length === 0) return
  page.head(`Sounds, and the steps to them${start ? ` from bank ${start.shown}` : ''}`)
  if (all.length > 0)
    page.columns(
      all.map(({ sound, moves }) => {
        const last = moves.at(-1)
        const steps = moves.map((move) => stepShort(rig, move)).join(', ')
        const place = last ? placeShort(rig, { ...last.from, number: last.number }, last.jack) : ''
        return `${sound.name}: ${place}${moves.length > 1 ? ` (step ${steps})` : ''}`
      }),
    )
  if (unreached.length > 0)
    page.say(`No way leads there from it: ${unreached.map(({ name }) => name).join(', ')}.`)
}

const tileName = (rig: Rig, { name, press, positions }: BoardTile): string => {
  const does = name || shortDoes(rig, press)
  return positions > 1 && does !== '' ? `${does}, in turn` : does
}

/** Two boards beside each other where they are narrow; the near row is the lower one. */
function boards(page: Page, rig: Rig, { boards: all, controller }: StandIn): void {
  page.head('Banks, as they lie before you: the nearest row is the lower one')
  const isNarrow = controller.columns <= NARROW
  const wide = isNarrow ? (page.wide - GAP_MM) / 2 : page.wide
  const tall = BOARD_HEAD_MM + controller.rows * TILE_MM + GAP_MM
  const beside = isNarrow ? 2 : 1
  for (let n = 0; n < all.length; n += beside) {
    page.room(tall)
    all
      .slice(n, n + beside)
      .forEach((board, k) => drawBoard(page, rig, board, MARGIN_MM + k * (wide + GAP_MM), wide))
    page.y += tall
  }
}

function drawBoard(
  { sheet, y }: Page,
  rig: Rig,
  { bank, shown, layer, rows }: BoardMap,
  x: number,
  wide: number,
): void {
  const title = `${shown} ${bank.name}${layer === 'shift' ? ', shift layer' : ''}`
  sheet.text(title, x, y, sheet.pointsFor(title, wide, 9, 'bold'), { face: 'bold' })
  rows.forEach((tiles, row) =>
    tiles.forEach((tile, column) => {
      const cell = wide / tiles.length
      const [left, top] = [x + column * cell, y + BOARD_HEAD_MM + row * TILE_MM]
      sheet.box(left, top, cell, TILE_MM)
      sheet.text(String(tile.number), left + 0.8, top + 0.6, 5)
      const lines = [
        { text: tileName(rig, tile), face: 'bold' as const, largest: 7 },
        ...gestureLines(rig, tile).map((text) => ({ text, face: 'regular' as const, largest: 5.5 })),
      ].filter(({ text }) => text !== '')
      const first = top + (lines.length === 1 ? 3.6 : lines.length === 2 ? 2.6 : 1.8)
      lines.forEach(({ text, face, largest }, n) =>
        sheet.text(text, left + cell / 2, first + n * 2.7, sheet.pointsFor(text, cell - 1.4, largest, face), {
          face,
          at: 'middle',
        }),
      )
    }),
  )
}
