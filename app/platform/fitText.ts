/** How wide a text is in parts of its size. */
export type Measure = (text: string) => number

/** From line to line. */
const LINE = 1.08
/** Letters by themselves may be a little narrower than in a word. */
const APART = 1.03

interface Word {
  readonly width: number
  readonly letters: readonly number[]
}

const wordsOf = (text: string, measure: Measure): Word[] =>
  text
    .split(/\s+/)
    .filter((one) => one !== '')
    .map((word) => ({
      width: measure(word),
      letters: [...word].map((letter) => measure(letter) * APART),
    }))

/** The lines a text takes where so much of its size goes into one, broken between words; words that fit in none are broken between letters. */
function linesOf(words: readonly Word[], space: number, room: number): number {
  let lines = 1
  let left = room
  for (const { width, letters } of words) {
    const isFirst = left === room
    if (!isFirst && width + space > left) {
      lines++
      left = room
    } else if (!isFirst) left -= space
    if (width <= left) {
      left -= width
      continue
    }
    for (const letter of letters) {
      if (letter > left) {
        lines++
        left = room
      }
      left -= letter
    }
  }
  return lines
}

/**
 * The largest size in px at which a text has room in a box of so many px, no word of it broken as long as that leaves it
 * at least `least` px; broken words are at most three times as large as whole ones could be. Never less than 6.
 */
export function fitText(
  text: string,
  width: number,
  height: number,
  most: number,
  measure: Measure,
  least = 9,
): number {
  const words = wordsOf(text, measure)
  const longest = Math.max(0.1, ...words.map((word) => word.width))
  const space = measure(' ')
  const whole = Math.floor(Math.min(most, width / longest))
  const fits = (size: number) => linesOf(words, space, width / size) * LINE * size <= height
  for (let size = whole; size >= least; size--) if (fits(size)) return size
  const largest = Math.min(Math.floor(most), Math.max(least, 3 * whole))
  for (let size = largest; size > SMALLEST; size--) if (fits(size)) return size
  return SMALLEST
}

const SMALLEST = 6
