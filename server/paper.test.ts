import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { describe, expect, it } from 'vitest'
import { seeds } from '#testing/runs'
import { own } from '#core/base'
import { sayAllKeyedIn, toldSheet } from '#core/keyin'
import { testPlan } from '#core/logbook'
import { cableTags, standIn, stripsOf } from '#core/paper'
import { applyEdit, playedParts, showOn, type KeyInId, type Rig } from '#core/rig'
import { keyedPlaceText } from '#shared/keyInText'
import { placeShort } from '#shared/placeText'
import { testDoes } from '#shared/testText'
import { stampLine } from '#shared/stamp'
import { makeShowRig } from '../core/show/testing/makeShowRig'
import { tidewright } from './demo/tidewright'
import { cableTagsPdf } from './paper/cableTags'
import { keyInPdf } from './paper/keyIn'
import { setSheetPdf } from './paper/setSheet'
import { MARGIN_MM, PAPER_MM, type PaperSize } from './paper/sheet'
import { standInPdf } from './paper/standIn'
import { stripsPdf } from './paper/strips'
import { testPlanPdf } from './paper/testPlan'
import { ask } from './testing/ask'
import { readFont, startTestServer } from './testing/testServer'

const fonts = { regular: await readFont('regular'), bold: await readFont('bold') }
const SIZES = ['a4', 'letter'] as const

interface Word {
  readonly text: string
  /** Ends and baseline on its page in mm from the upper left corner. */
  readonly left: number
  readonly right: number
  readonly base: number
  readonly points: number
  readonly page: number
}

/** What a reader of PDF (pdfjs-dist 4.10) sees: pages in mm, and every piece of text where it stands. */
async function read(pdf: Buffer): Promise<{ pages: { width: number; height: number }[]; words: Word[] }> {
  const document = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise
  const toMm = (points: number) => (points * 25.4) / 72
  const [pages, words] = [[] as { width: number; height: number }[], [] as Word[]]
  for (let page = 1; page <= document.numPages; page++) {
    const sheet = await document.getPage(page)
    const [, , width = 0, height = 0] = sheet.view
    pages.push({ width: toMm(width), height: toMm(height) })
    for (const item of (await sheet.getTextContent()).items) {
      if (!('str' in item) || item.str.trim() === '') continue
      const [points, , , , x, y] = item.transform as number[]
      words.push({
        text: item.str,
        left: toMm(x!),
        right: toMm(x! + item.width),
        base: toMm(height - y!),
        points: points!,
        page,
      })
    }
  }
  await document.destroy()
  return { pages, words }
}

const withController = (rig: Rig, fields: object): Rig => {
  const [controller] = Object.values(rig.controllers)
  return { ...rig, controllers: { [controller!.id]: { ...controller!, ...fields } } } as Rig
}
/** Labels and what the switch is called, over and over. */
const renamed = (rig: Rig, names: readonly string[]): Rig => ({
  ...rig,
  switches: Object.fromEntries(
    Object.values(rig.switches).map((one, n) => [one.id, { ...one, label: names[n % names.length]! }]),
  ),
})

describe('label strips as PDF', () => {
  const rig = tidewright()

  it.each(SIZES)('of %s measure as the switches are apart, to a tenth of a millimetre', async (size) => {
    for (const columnMm of [25, 45, 65, 92]) {
      const spaced = withController(rig, { columnMm })
      const { pages, words } = await read((await stripsPdf(spaced, size, fonts))!)
      const { width, height } = PAPER_MM[size]
      const isLying = pages[0]!.width > pages[0]!.height
      for (const page of pages)
        expect([page.width, page.height]).toEqual(
          (isLying ? [height, width] : [width, height]).map((side) => expect.closeTo(side, 1)),
        )
      // Labels on one line: where their middles are, from the left end of the strip.
      const strips = stripsOf(spaced, (isLying ? height : width) - 2 * MARGIN_MM)
      const wanted = strips.flatMap(({ labels }) => labels.filter(({ name }) => name !== ''))
      let measured = 0
      const labels = words.filter(({ points, text }) => points !== 7 && !text.startsWith('This line'))
      const middle = ({ left, right }: Word) => (left + right) / 2 - MARGIN_MM
      for (const { name, middleMm } of wanted) {
        const same = labels.filter(({ text }) => text === name)
        // One broken into two lines is measured line by line below.
        if (same.length === 0) continue
        measured++
        expect(Math.min(...same.map((one) => Math.abs(middle(one) - middleMm)))).toBeLessThan(0.1)
      }
      for (const one of labels) {
        // From the middle of the first switch to that of any other: whole steps of the spacing.
        const steps = (middle(one) - columnMm / 2) / columnMm
        expect(Math.abs(steps - Math.round(steps)) * columnMm).toBeLessThan(0.1)
      }
      expect(measured).toBeGreaterThan(30)
    }
  })

  it.each(SIZES)('of %s cut no label, however long, and print nothing beyond the page', async (size) => {
    const names = [
      'The long farewell of the harbour master',
      'Łódź, żółw',
      'Unbrokenlettersofanamethatgoeson',
      'On',
      'Ω',
    ]
    for (const columnMm of [20, 40, 65]) {
      const long = withController(renamed(rig, names), { columnMm })
      const { pages, words } = await read((await stripsPdf(long, size, fonts))!)
      for (const { left, right, base, page } of words) {
        const { width, height } = pages[page - 1]!
        expect(left).toBeGreaterThanOrEqual(MARGIN_MM - 0.1)
        expect(right).toBeLessThanOrEqual(width - MARGIN_MM + 0.1)
        expect(base).toBeLessThanOrEqual(height - MARGIN_MM + 0.1)
      }
      for (const { text, left, right, points } of words) {
        if (points === 7 || text.startsWith('This line')) continue
        // Within its own switch's room.
        const cell = Math.floor(((left + right) / 2 - MARGIN_MM) / columnMm)
        expect(left).toBeGreaterThanOrEqual(MARGIN_MM + cell * columnMm)
        expect(right).toBeLessThanOrEqual(MARGIN_MM + (cell + 1) * columnMm)
        expect(text).not.toContain('…')
      }
      expect(words.some(({ text }) => text.includes('Łódź'))).toBe(true)
    }
  })

  it('are none where nothing stands', async () => {
    expect(await stripsPdf({ ...rig, switches: {} }, 'a4', fonts)).toBeNull()
  })
})

/** Within the margins of every page, and on one line no text runs into the next. */
function expectRoom(
  pages: readonly { readonly width: number; readonly height: number }[],
  words: readonly Word[],
): void {
  for (const { left, right, base, page } of words) {
    expect(left).toBeGreaterThanOrEqual(MARGIN_MM - 0.1)
    expect(right).toBeLessThanOrEqual(pages[page - 1]!.width - MARGIN_MM + 0.2)
    expect(base).toBeLessThanOrEqual(pages[page - 1]!.height - MARGIN_MM + 0.1)
  }
  for (let n = 1; n < words.length; n++) {
    const [a, b] = [words[n - 1]!, words[n]!]
    if (a.page === b.page && Math.abs(a.base - b.base) < 0.5) expect(b.left).toBeGreaterThan(a.right - 0.1)
  }
}

describe('the test plan as PDF', () => {
  it.each(SIZES)(
    'of %s asks for everything of the demo in its order, within its margins, nothing over anything else',
    async (size) => {
      const rig = tidewright()
      const { pages, words } = await read((await testPlanPdf(rig, size, fonts, ''))!)
      const asked = words
        .map(({ text }) => text)
        .filter((text) => /^(Press|Hold|Twice|All the way|Watch it)/.test(text))
      const does = testPlan(rig).map((line) => testDoes(line))
      expect(asked).toHaveLength(does.length)
      asked.forEach((text, n) => expect([n, text.startsWith(`${does[n]}.`)]).toEqual([n, true]))
      // What was found before stands beside its line.
      expect(words.filter(({ text }) => text === 'passed before')).toHaveLength(4)
      expectRoom(pages, words)
    },
  )

  it('is none where nothing does anything', async () => {
    expect(
      await testPlanPdf({ ...tidewright(), switches: {}, pedals: {}, devices: {} }, 'a4', fonts, ''),
    ).toBeNull()
  })
})

describe('the key-in sheet as PDF', () => {
  it.each(SIZES)(
    'of %s has every line of the demo in order, within its margins, nothing over anything else',
    async (size) => {
      for (const rig of [tidewright(), { ...tidewright(), keyIns: {} }]) {
        const { pages, words } = await read((await keyInPdf(rig, size, fonts))!)
        const controller = Object.values(rig.controllers)[0]!
        const sheet = toldSheet(rig, controller.id)!
        const all = words.map(({ text }) => text)
        let at = 0
        for (const { place, presses } of sheet.lines) {
          const name = keyedPlaceText(controller, place)
          at = all.findIndex((text, n) => n >= at && text.startsWith(name))
          expect([name, at >= 0]).toEqual([name, true])
          expect(all[at + 1]).toMatch(new RegExp(`, ${presses}$`))
          at++
        }
        expectRoom(pages, words)
      }
    },
  )

  it('is none where all is in the controller, and cuts no name of keys', async () => {
    const rig = tidewright()
    const controller = Object.values(rig.controllers)[0]!
    let made = 0
    const edit = sayAllKeyedIn(rig, controller, {
      revision: 1,
      at: '2026-11-01T10:00:00.000Z',
      newId: () => `p${++made}` as KeyInId,
    })!
    const all = applyEdit(rig, edit)
    expect(all.ok && (await keyInPdf(all.value, 'a4', fonts))).toBeNull()
    const { words } = await read((await keyInPdf({ ...rig, keyIns: {} }, 'letter', fonts))!)
    expect(words.filter(({ text }) => text.includes('…')).length).toBeLessThan(4)
  })
})

describe('the set sheet as PDF', () => {
  it.each(SIZES)(
    'of %s names every song and sound of the demo in order, on two pages at most',
    async (size) => {
      const rig = tidewright()
      const { pages, words } = await read((await setSheetPdf(rig, size, fonts))!)
      expect(pages.length).toBeLessThanOrEqual(2)
      const all = words.map(({ text }) => text)
      let at = 0
      for (const { song, isFirstOfSong, soundId, nth } of playedParts(rig, showOn(rig)!)) {
        if (isFirstOfSong) {
          at =
            all.indexOf(`${nth + 1} ${song.name}`, at) >= 0
              ? all.indexOf(`${nth + 1} ${song.name}`, at)
              : all.findIndex(
                  (text, n) => n >= at && text.replaceAll(/\s+/g, ' ') === `${nth + 1} ${song.name}`,
                )
          expect([song.name, at >= 0]).toEqual([song.name, true])
        }
        const name = own(rig.sounds, soundId!)!.name
        at = all.findIndex((text, n) => n >= at && text === name)
        expect([name, at >= 0]).toEqual([name, true])
        at++
      }
      for (const { left, right, base, page } of words) {
        expect(left).toBeGreaterThanOrEqual(MARGIN_MM - 0.1)
        expect(right).toBeLessThanOrEqual(pages[page - 1]!.width - MARGIN_MM + 0.2)
        expect(base).toBeLessThanOrEqual(pages[page - 1]!.height - MARGIN_MM + 0.1)
      }
    },
  )

  it('has a line for every part of generated shows, and none without a show', async () => {
    for (const seed of seeds(10, 1)) {
      const rig = makeShowRig(seed)
      const { words } = await read((await setSheetPdf(rig, 'a4', fonts))!)
      const parts = playedParts(rig, showOn(rig)!)
      const sounds = new Set(Object.values(rig.sounds).map(({ name }) => name))
      expect(words.filter(({ text }) => sounds.has(text)).map(({ text }) => text)).toEqual(
        parts.map(({ soundId }) => rig.sounds[soundId!]!.name),
      )
    }
    expect(await setSheetPdf({ ...tidewright(), shows: {} }, 'a4', fonts)).toBeNull()
  })
})

/** Nothing beyond the page's margins, and nothing cut short. */
function expectInside({ pages, words }: Awaited<ReturnType<typeof read>>): void {
  for (const { text, left, right, base, page } of words) {
    expect([text, left >= MARGIN_MM - 0.1]).toEqual([text, true])
    expect([text, right <= pages[page - 1]!.width - MARGIN_MM + 0.2]).toEqual([text, true])
    expect([text, base <= pages[page - 1]!.height - MARGIN_MM + 0.1]).toEqual([text, true])
    expect(text).not.toContain('…')
  }
}

/** The demo with names of 60 letters wherever there is one. */
function longNamed(): Rig {
  const rig = tidewright()
  const long = (name: string, n: number) =>
    `${name} ${n} the long farewell of the harbour master and his crew`.slice(0, 60).trim()
  const named = <Row extends { readonly name: string }>(rows: { readonly [id: string]: Row }) =>
    Object.fromEntries(Object.entries(rows).map(([id, row], n) => [id, { ...row, name: long(row.name, n) }]))
  return {
    ...renamed(rig, ['The long farewell of the harbour master', 'Unbrokenlettersofanamethatgoeson']),
    devices: named(rig.devices),
    controllers: named(rig.controllers),
    banks: named(rig.banks),
    sounds: named(rig.sounds),
    controls: named(rig.controls),
    pedals: named(rig.pedals),
  } as Rig
}

describe('cable tags as PDF', () => {
  it.each(SIZES)(
    'of %s have two for every cable, one for each end, each saying where the other is',
    async (size) => {
      for (const rig of [tidewright(), longNamed()]) {
        const sheet = await read((await cableTagsPdf(rig, size, fonts))!)
        expectInside(sheet)
        const { width, height } = PAPER_MM[size]
        for (const page of sheet.pages)
          expect([page.width, page.height]).toEqual([expect.closeTo(width, 1), expect.closeTo(height, 1)])
        const tags = cableTags(rig)
        expect(tags.length).toBe(Object.values(rig.cables).filter(({ lead }) => lead !== 'air').length)
        const count = (text: string) => sheet.words.filter((word) => word.text === text).length
        for (const { from, to } of tags)
          for (const [here, there] of [
            [from, to],
            [to, from],
          ] as const) {
            // On both halves of the tag, and as often again where other cables end there.
            expect(count(here.box)).toBeGreaterThanOrEqual(2)
            expect(count(`other end: ${there.box}, ${there.jack}`)).toBeGreaterThanOrEqual(2)
          }
        // Every text in its own half: a tag is folded there.
        const half = ((width - 2 * MARGIN_MM - 3) / 2 - 6) / 2
        for (const { text, left, right } of sheet.words) {
          if (text.startsWith('Cut out')) continue
          const at = (left - MARGIN_MM) % ((width - 2 * MARGIN_MM + 3) / 2)
          const begins = at < half ? at : at - half - 6
          expect([text, begins >= 0 && begins + (right - left) <= half]).toEqual([text, true])
        }
      }
    },
  )

  it('are none of a rig without cables', async () => {
    expect(await cableTagsPdf({ ...tidewright(), cables: {} }, 'a4', fonts)).toBeNull()
  })
})

describe('the sheet for a stand-in as PDF', () => {
  it.each(SIZES)(
    'of %s shows every bank, switch, sound and pedal of the demo, on two pages at most',
    async (size) => {
      const rig = tidewright()
      const sheet = await read((await standInPdf(rig, size, fonts))!)
      expectInside(sheet)
      expect(sheet.pages.length).toBeLessThanOrEqual(2)
      const all = sheet.words.map(({ text }) => text).join('\n')
      for (const { name } of Object.values(rig.banks)) expect(all).toContain(name)
      for (const { name } of Object.values(rig.pedals)) expect(all).toContain(name)
      for (const { label } of Object.values(rig.switches)) expect(all).toContain(label)
      const about = standIn(rig)!
      expect(about.sounds.length).toBe(Object.keys(rig.sounds).length)
      for (const { sound, moves } of about.sounds) {
        const { from, number, jack } = moves.at(-1)!
        expect(all).toContain(`${sound.name}: ${placeShort(rig, { ...from, number }, jack)}`)
      }
      // What is done before anything else, in the order the checklist has it.
      expect(about.powerOrder[0]).toBe('Pit power supply')
      expect(all.replaceAll('\n', ' ')).toContain(about.powerOrder.join(', then '))
    },
  )

  it('and the set sheet end with what was proven of the revision', async () => {
    const foot = stampLine(
      {
        revision: 57,
        holds: 212,
        fails: 0,
        open: 0,
        ways: 41,
        notLooked: ['pedals', 'backTwice', 'tempo', 'loops'],
      },
      57,
    )
    for (const made of [standInPdf, setSheetPdf]) {
      const sheet = await read((await made(tidewright(), 'a4', fonts, foot))!)
      expectInside(sheet)
      expect(sheet.words.map(({ text }) => text).join(' ')).toContain(
        'Revision 57. All 212 things asked hold',
      )
    }
  })

  it('holds names of 60 letters and a rig of generated banks, and is none where nothing stands', async () => {
    expectInside(await read((await standInPdf(longNamed(), 'a4', fonts))!))
    for (const seed of seeds(8, 1)) {
      const rig = makeShowRig(seed)
      const sheet = await read((await standInPdf(rig, 'letter', fonts))!)
      expectInside(sheet)
      for (const { label } of Object.values(rig.switches))
        if (label !== '') expect(sheet.words.some(({ text }) => text.includes(label))).toBe(true)
    }
    expect(await standInPdf({ ...tidewright(), switches: {} }, 'a4', fonts)).toBeNull()
    expect(await standInPdf({ ...tidewright(), controllers: {} }, 'a4', fonts)).toBeNull()
  })
})

it('papers are had from the server as files, and refused where there is nothing to print', async () => {
  const server = await startTestServer({ WIRE_STEP_DEMO: '1' })
  const [{ id }] = (await ask(`${server.url}/api/rigs`, 'GET')).json.rigs
  for (const name of ['strips', 'set-sheet', 'cable-tags', 'stand-in'])
    for (const paper of ['a4', 'letter'] satisfies PaperSize[]) {
      const { status, headers, text } = await ask(
        `${server.url}/api/rigs/${id}/files/${name}.pdf?paper=${paper}`,
        'GET',
      )
      expect([status, headers.get('content-type')]).toEqual([200, 'application/pdf'])
      expect(headers.get('content-disposition')).toContain(`${name}.pdf`)
      expect(text.startsWith('%PDF-')).toBe(true)
    }
  expect((await ask(`${server.url}/api/rigs/${id}/files/strips.pdf?paper=a3`, 'GET')).status).toBe(400)
  const bare = (await ask(`${server.url}/api/rigs`, 'POST', { name: 'Bare' })).json.id
  const refused = await ask(`${server.url}/api/rigs/${bare}/files/strips.pdf`, 'GET')
  expect([refused.status, refused.text]).toEqual([404, expect.stringContaining('nothing to print')])
  await server.stop()
})
