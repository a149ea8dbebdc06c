import { scaleBand, scalePow } from 'd3-scale'
import { cutText, letterCount } from '#core/base'

/** Where the squares of a matrix of sounds go, in px. */
export interface MatrixLayout {
  /** Room for the names at the left and above; 0 where the squares are too small for names. */
  readonly left: number
  readonly top: number
  /** From one square to the next, and the gap between them. */
  readonly right: number
  readonly cell: number
  readonly space: number
  /** All squares in one direction. */
  readonly size: number
  readonly hasNames: boolean
  readonly names: readonly string[]
  /** How dark a square is, 0-1, for a roughness of 0-1. */
  readonly darkness: (rough: number) => number
}

/** Squares smaller than this have no room for a line of names. */
const NAMED = 13
const LARGEST = 34
/** The last name leans out to the right. */
const RIGHT = 74
/** Letters of a name beside the squares. */
const LETTERS = 17

const short = (name: string): string =>
  letterCount(name) > LETTERS ? `${cutText(name, LETTERS - 1).trim()}…` : name

/** As large as the room allows, never smaller than 3 px: beyond, it scrolls. */
export function matrixLayout(names: readonly string[], width: number, height: number): MatrixLayout {
  const rooms = [
    { left: 150, top: 96 },
    { left: 2, top: 2 },
  ]
  const fit = ({ left, top }: { left: number; top: number }) =>
    Math.min(
      LARGEST,
      (Math.min(width - left - (left > 100 ? RIGHT : 0), height - top) - 4) / Math.max(1, names.length),
    )
  const room = fit(rooms[0]!) >= NAMED ? rooms[0]! : rooms[1]!
  const cell = Math.max(3, Math.floor(fit(room)))
  const band = scaleBand<number>()
    .domain(names.map((_, n) => n))
    .range([0, cell * names.length])
  // A little is already seen: what is nearly smooth is not the same as smooth.
  const darkness = scalePow().exponent(0.7).domain([0, 1]).range([0, 1]).clamp(true)
  return {
    ...room,
    cell: names.length === 0 ? cell : band.step(),
    space: cell > 8 ? 2 : cell > 4 ? 1 : 0,
    size: cell * names.length,
    hasNames: room === rooms[0],
    right: room === rooms[0] ? RIGHT : 2,
    names: names.map(short),
    darkness: (rough) => (rough === 0 ? 0 : Math.max(0.08, darkness(rough))),
  }
}
