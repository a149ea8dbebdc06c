/** Words for several of a kind, with the one for one of them. */
const PLURALS =
  /\b(slot|switch|footswitch|loop|preset|scene|channel|block|button|pedal|tap|band|knob|voice|relay|output|input|effect|patch|snapshot|macro|assign|level|send|return|group|track|step|part)e?s$/i

const ENDS =
  /^(.*?)[\s#(]*(?:(\d{1,3})\s*(?:-|–|—|\.\.\.?|to|bis)\s*(\d{1,3})|\b([A-Z])\s*(?:-|–|—|\.\.\.?|to|bis)\s*([A-Z]))\)?(.*)$/

/**
 * The names of `count` controls written in one: "Slots 1-4" is "Slot 1" to "Slot 4", "Boost A-D", "Bass, Mid, Treble".
 * Null where the name does not say as many.
 */
export function rangeNames(name: string, count: number): string[] | null {
  const [, before = '', from, to, fromLetter, toLetter, after = ''] = ENDS.exec(name) ?? []
  const stem = before.trim().replace(PLURALS, '$1')
  const more = after.trim() === '' ? '' : ` ${after.trim()}`
  const all = (first: number, last: number, shown: (n: number) => string) =>
    last - first + 1 === count && stem !== ''
      ? Array.from({ length: count }, (_, n) => `${stem} ${shown(first + n)}${more}`)
      : null
  if (from !== undefined) return all(Number(from), Number(to), String)
  if (fromLetter !== undefined)
    return all(fromLetter.charCodeAt(0), toLetter!.charCodeAt(0), (code) => String.fromCharCode(code))
  const list = name.split(/\s*[,;/]\s*/)
  return list.length === count && list.every((one) => /\p{L}/u.test(one)) ? list : null
}
