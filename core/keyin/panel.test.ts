import { describe, expect, it } from 'vitest'
import { seeds } from '#testing/runs'
import { seeded } from '../base/seeded'
import { MANNERS } from '../rig/table/keying'
import { amendSteps } from './amending'
import { capacityOf, emptyAt, placeName } from './keyPlaces'
import { sameContent, type Content } from './content'
import { alteredContent, makeBoard, makeRow, type MadeBoard } from './testing/makeBoards'
import { panelShows, pressPanel, startPanel, type Panel } from './panel'
import { openStrokes, routeOf, type VisitRoute, type RouteStep } from './visits'
import type { Job } from './visitWeights'
import { pressesIn, type Stroke } from './setting'
import { linePresses, stepsOfLine } from './sheet'
import { choicesOf, NOWHERE, type Box, type Choices } from './ways'

const SEEDS = 100

function play(box: Box, panel: Panel, strokes: readonly Stroke[]): Panel {
  let after = panel
  for (const { times, ...press } of strokes)
    for (let n = 0; n < times; n++) after = pressPanel(box, after, press)
  return after
}

/** Plays steps as the sheet says, and holds the display to what it promises. */
function playRoute(box: Box, panel: Panel, steps: readonly RouteStep[], start: Choices = NOWHERE): Panel {
  let [after, here] = [panel, start]
  for (const step of steps) {
    const before = after.presses
    for (const { strokes, shows } of stepsOfLine(box, step, here)) {
      after = play(box, after, strokes)
      if (shows !== null) expect(panelShows(box, after)).toBe(shows)
    }
    expect(after.presses - before).toBe(step.presses)
    if (step.job.place.kind === 'switch') here = choicesOf(step.job.place)
  }
  return after
}

const sendAll = (box: Box, panel: Panel): Panel => {
  const { keys, when } = box.shape.keying.save
  return when === 'each'
    ? panel
    : play(
        box,
        panel,
        keys.map((press) => ({ ...press, times: 1 })),
      )
}

const jobsOf = ({ box, places }: MadeBoard, stored: ReadonlyMap<string, Content> = new Map()): Job[] =>
  places.map(({ place, content }) => ({
    place,
    wanted: content,
    was: stored.get(placeName(place)) ?? emptyAt(box.shape, place),
  }))

function holds(box: Box, panel: Panel, places: MadeBoard['places']): void {
  for (const { place, content } of places)
    expect(panel.stored.get(placeName(place)) ?? emptyAt(box.shape, place)).toEqual(content)
  for (const [key, content] of panel.stored) {
    const one = places.find(({ place }) => placeName(place) === key)
    if (!one) expect(content.lists.every(({ rows }) => rows.length === 0)).toBe(true)
  }
}

describe.each(MANNERS)('a sheet played on the front panel in the manner "%s"', (manner) => {
  it.each(Array.from({ length: SEEDS }, (_, n) => n))('leaves the planned board, board %i', (seed) => {
    const board = makeBoard(manner, seed)
    const route = routeOf(board.box, jobsOf(board), [])
    const played = playRoute(board.box, startPanel(), route.steps)
    const panel = route.steps.length === 0 ? played : sendAll(board.box, played)
    expect(panel.presses).toBe(route.presses)
    holds(board.box, panel, board.places)
    expect(route.presses).toBeLessThanOrEqual(leastOfThree(board))
  })

  it.each(Array.from({ length: SEEDS / 4 }, (_, n) => n))(
    'keys in only what changed over a chain of edits, and goes on where a sheet was left half done, board %i',
    (seed) => {
      const random = seeded(seed + 999)
      const int = (size: number) => Math.floor(random() * size)
      const board = makeBoard(manner, seed + 500, 14)
      const { box } = board
      let { places } = board
      let panel = startPanel()
      for (let edit = 0; edit < 4; edit++) {
        const jobs = places
          .map(({ place, content }): Job => ({
            place,
            wanted: content,
            was: panel.stored.get(placeName(place)) ?? emptyAt(box.shape, place),
          }))
          .filter(({ was, wanted }) => was === null || !sameContent(was, wanted))
        const others = places
          .filter(({ place, content }) =>
            sameContent(panel.stored.get(placeName(place)) ?? emptyAt(box.shape, place), content),
          )
          .map(({ place, content }) => [place, content] as const)
        const route = routeOf(box, jobs, others, panel.chosen)
        const all: VisitRoute = routeOf(box, jobsOf({ box, places }), [])
        expect(route.presses).toBeLessThanOrEqual(all.presses + 60 + box.shape.controller.bankCount)
        // Left after some lines; what is held then is what the rest is planned from.
        const done = int(route.steps.length + 1)
        panel = sendAll(box, playRoute(box, panel, route.steps.slice(0, done), panel.chosen))
        const rest = jobs.filter(
          ({ place }) => !route.steps.slice(0, done).some(({ job }) => job.place === place),
        )
        const now = [
          ...others,
          ...route.steps.slice(0, done).map(({ job }) => [job.place, job.wanted] as const),
        ]
        const then = routeOf(box, rest, now, panel.chosen)
        panel = sendAll(box, playRoute(box, panel, then.steps, panel.chosen))
        holds(box, panel, places)
        const pool = Array.from({ length: 6 }, () => makeRow(box.shape, int))
        places = places.map((one) =>
          int(3) > 0 || one.place.kind === 'kept'
            ? one
            : { ...one, content: alteredContent(box.shape, one.content, pool, int) },
        )
      }
    },
  )

  it('makes a place right of which nobody knows what it holds', () => {
    for (const seed of seeds(30)) {
      const board = makeBoard(manner, seed + 300, 6)
      const { box } = board
      const random = seeded(seed)
      const int = (size: number) => Math.floor(random() * size)
      const pool = [makeRow(box.shape, int), makeRow(box.shape, int)]
      // Something else stands there than anyone was told.
      const stored = new Map(
        board.places.map(({ place, content }) => [
          placeName(place),
          alteredContent(box.shape, content, pool, int),
        ]),
      )
      const jobs = jobsOf(board).map((job): Job => ({ ...job, was: null }))
      const route = routeOf(box, jobs, [])
      const panel = sendAll(box, playRoute(box, startPanel(stored), route.steps))
      holds(box, panel, board.places)
    }
  })
})

/** From nothing, as a copy of the one before, as a copy of the cheapest before: presses counted stroke by stroke. */
function leastOfThree(board: MadeBoard): number {
  const { box, places } = board
  const { keying } = box.shape
  const end = keying.save.when === 'end' && places.length > 0 ? keying.save.keys.length : 0
  const kept = places.filter(({ place }) => place.kind === 'kept')
  const switches = places
    .filter(({ place }) => place.kind === 'switch')
    .sort((a, b) => order(a.place) - order(b.place))
  const cost = (n: number, from: number, here: Choices): number => {
    const { place, content } = switches[n]!
    const job = { place, wanted: content, was: emptyAt(box.shape, place) }
    const other = switches[from]
    const base = other
      ? { kind: 'copy' as const, from: other.place, content: other.content }
      : { kind: 'amend' as const }
    const { strokes, copies } = openStrokes(box, { job, base, presses: 0 }, here)
    const made = amendSteps(
      box.shape,
      other ? other.content : job.was,
      content,
      capacityOf(place, box.shape.controller),
    )
    const save = keying.save.when === 'each' ? keying.save.keys.length : 0
    return pressesIn(strokes) + pressesIn(copies) + linePresses(made) + save
  }
  const total = (from: (n: number, here: Choices) => number): number => {
    let here = NOWHERE
    return switches.reduce((all, { place }, n) => {
      const presses = cost(n, from(n, here), here)
      here = choicesOf(place)
      return all + presses
    }, 0)
  }
  const ways = [total(() => -1)]
  if (keying.copy)
    ways.push(
      total((n) => n - 1),
      total((n, here) =>
        Array.from({ length: n }, (_, u) => u).reduce(
          (least, u) => (cost(n, u, here) < cost(n, least, here) ? u : least),
          -1,
        ),
      ),
    )
  const keptPresses = kept.reduce((all, { place, content }) => {
    const job = { place, wanted: content, was: emptyAt(box.shape, place) }
    return all + linePresses(stepsOfLine(box, { job, base: { kind: 'amend' }, presses: 0 }, NOWHERE))
  }, 0)
  return Math.min(...ways) + keptPresses + end
}

const order = (place: MadeBoard['places'][number]['place']): number => {
  const { bank, layer, place: at } = choicesOf(place)
  return (bank * 2 + layer) * 100 + at
}
