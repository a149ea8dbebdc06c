import { setSheet, type SheetLine } from '#core/paper'
import { rigName, showOn, songTempo, type Rig } from '#core/rig'
import { MARGIN_MM, Sheet, type Fonts, type PaperSize } from './sheet'
import { placeShort, stepShort } from '#shared/placeText'

const LINE_MM = 5.2
const SONG_MM = 6.6
const TEXT = 8.5

/** Where each column begins and how wide it is, in parts of the page between its margins. */
const COLUMNS = {
  sound: [0, 0.3],
  place: [0.3, 0.1],
  steps: [0.4, 0.28],
  time: [0.68, 0.1],
  hand: [0.78, 0.22],
} as const

const WHY = {
  noSound: 'no sound yet',
  noSwitch: 'no switch',
  noStep: 'no Next part',
  noWay: 'no way there',
} as const

/** "5 held, 4, 2, 2": every step, the last as often as it takes. */
const stepsText = (rig: Rig, { moves, lastPresses, stays, why }: SheetLine): string => {
  if (why !== null && moves.length === 0) return WHY[why]
  if (stays) return 'stays'
  const last = moves.at(-1)
  return [
    ...moves.map((move) => stepShort(rig, move)),
    ...Array.from({ length: Math.max(0, lastPresses - 1) }, () => stepShort(rig, last!)),
  ].join(', ')
}

const seconds = (ms: number | null): string =>
  ms === null ? '' : ms < 60_000 ? `${Math.round(ms / 1000)} s` : minutes(Math.round(ms / 1000))
const minutes = (all: number): string => `${Math.floor(all / 60)}:${String(all % 60).padStart(2, '0')}`

/** The show that is on, for the stand: song, part, sound, where it is, what the foot steps on. Null where there is none. */
export async function setSheetPdf(
  rig: Rig,
  size: PaperSize,
  fonts: Fonts,
  foot = '',
): Promise<Buffer | null> {
  const lines = setSheet(rig)
  const show = showOn(rig)
  if (!show || lines.length === 0) return null
  const sheet = new Sheet(`Set list: ${show.name}`, size, fonts)
  const wide = sheet.widthMm - 2 * MARGIN_MM
  const column = (name: keyof typeof COLUMNS) => {
    const [from, share] = COLUMNS[name]
    return { x: MARGIN_MM + from * wide, width: share * wide - 1.5 }
  }
  const put = (name: keyof typeof COLUMNS, text: string, y: number, face: 'regular' | 'bold' = 'regular') => {
    const { x, width } = column(name)
    sheet.text(sheet.cut(text, width, TEXT, face), x, y, TEXT, { face })
  }
  let y = 0
  let page = 0
  const head = () => {
    page++
    y = MARGIN_MM
    sheet.text(sheet.cut(`${show.name}, ${rigName(rig)}`, wide - 16, 12, 'bold'), MARGIN_MM, y, 12, {
      face: 'bold',
    })
    sheet.text(String(page), sheet.widthMm - MARGIN_MM, y, 9, { at: 'right' })
    y += 7
    put('sound', 'Sound', y, 'bold')
    put('place', 'Bank.switch', y, 'bold')
    put('steps', 'Step on', y, 'bold')
    put('time', 'Lasts', y, 'bold')
    put('hand', 'By hand', y, 'bold')
    y += LINE_MM
  }
  head()
  for (const [n, line] of lines.entries()) {
    const { played } = line
    const last = line.moves.at(-1)
    const isNewSong = lines[n - 1]?.played.nth !== played.nth
    // A song's name does not stand alone at the foot of a page.
    if (y + LINE_MM + (isNewSong ? SONG_MM : 0) > sheet.heightMm - MARGIN_MM) {
      sheet.page()
      head()
    }
    if (isNewSong) {
      const { song, nth } = played
      const bpm = songTempo(song)
      sheet.line(MARGIN_MM, y + 0.6, MARGIN_MM + wide, y + 0.6, { grey: 0.4 })
      const about = [...(bpm === null ? [] : [`${bpm} bpm`]), ...(song.key === '' ? [] : [song.key])].join(
        ', ',
      )
      const right = sheet.widthOf(about, TEXT)
      sheet.text(
        sheet.cut(`${nth + 1}  ${song.name}`, wide - right - 4, 10, 'bold'),
        MARGIN_MM,
        y + 1.8,
        10,
        {
          face: 'bold',
        },
      )
      sheet.text(about, MARGIN_MM + wide, y + 2.2, TEXT, { at: 'right' })
      y += SONG_MM
    }
    put('sound', [played.part.name, line.sound || 'no sound yet'].filter(Boolean).join(': '), y)
    put('place', last ? placeShort(rig, { ...last.from, number: last.number }, last.jack) : '', y)
    put('steps', stepsText(rig, line), y)
    put('time', seconds(line.lastsMs), y)
    put('hand', line.byHand.map(({ device, does }) => (does ? `${device}: ${does}` : device)).join('; '), y)
    y += LINE_MM
  }
  if (foot !== '') {
    if (y + LINE_MM > sheet.heightMm - MARGIN_MM) {
      sheet.page()
      head()
    }
    sheet.text(foot, MARGIN_MM, y + 1, sheet.pointsFor(foot, wide, TEXT - 1))
  }
  return sheet.end()
}
