/** How wide a text is in parts of its size. */
export type Measure = (text: string) => number

/** From line to line. */
const LINE = 1.08

const wordsOf = (text: string): string[] => text.split(/\s+/).filter((one) => one !== '')

/** The lines a text takes where so much of its size goes into one, broken between words; words that fit in none are broken. */
function linesOf(words: readonly { readonly width: number }[], space: number, room: number): number {
  let lines = 1
  let left = room
  for (const { width } of words) {
    const isFirst = left === room
    if (!isFirst && width + space > left) {
      lines++
      left = room
    } else if (!isFirst) left -= space
    if (width > left) lines += Math.ceil(width / room) - 1
    left = width > left ? 0 : left - width
  }
  return lines
}

/**
 * The largest size in px at which a text has room in a box of so many px, no word of it broken as long as that leaves it
 * at least `least` px. Never less than 8.
 */
export function fitText(
  text: string,
  width: number,
  height: number,
  most: number,
  measure: Measure,
  least = 10,
): number {
  const words = wordsOf(text).map((word) => ({ width: measure(word) }))
  const longest = Math.max(0.1, ...words.map((word) => word.width))
  const space = measure(' ')
  for (const mayBreak of [false, true])
    for (let size = Math.floor(most); size >= (mayBreak ? 8 : least); size--) {
      const room = width / size
      if (!mayBreak && longest > room) continue
      if (linesOf(words, space, room) * LINE * size <= height) return size
    }
  return 8
}
