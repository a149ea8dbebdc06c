/** Half of a surrogate pair, or a NUL: neither survives the way through UTF-8 and SQLite. */
const UNKEEPABLE = /[\p{Surrogate}\0]/u

/** Whether a text comes back from a file and from the database as it went in. */
export const canBeKept = (text: string): boolean => !UNKEEPABLE.test(text)

/** The text with what cannot be kept put as U+FFFD, the replacement character; the same text when there is none. */
export const keepable = (text: string): string => text.replace(/[\p{Surrogate}\0]/gu, '\uFFFD')

/** How many code points a text has: an emoji counts one or a few, never a half. */
export function letterCount(text: string): number {
  let count = 0
  for (let n = 0; n < text.length; n++) {
    const unit = text.charCodeAt(n)
    // The second half of a pair is counted with its first.
    if (unit < 0xdc00 || unit > 0xdfff || !isFirstHalf(text.charCodeAt(n - 1))) count++
  }
  return count
}

/** The first `most` code points of a text: no pair is cut in two. */
export function cutText(text: string, most: number): string {
  if (text.length <= most) return text
  let end = 0
  for (let letters = 0; letters < most && end < text.length; letters++)
    end += text.codePointAt(end)! > 0xffff ? 2 : 1
  return text.slice(0, end)
}

const isFirstHalf = (unit: number): boolean => unit >= 0xd800 && unit <= 0xdbff

/** Bytes of a text in UTF-8 (RFC 3629). */
export function utf8Length(text: string): number {
  let bytes = 0
  for (let n = 0; n < text.length; n++) {
    const unit = text.charCodeAt(n)
    if (unit < 0x80) bytes += 1
    else if (unit < 0x800) bytes += 2
    else if (isFirstHalf(unit) && n + 1 < text.length) {
      bytes += 4
      n++
    } else bytes += 3
  }
  return bytes
}
