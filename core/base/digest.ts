/**
 * A short mark of a text, eight hex digits: another text has another mark, but for one in four thousand million. FNV-1a,
 * 32 bits (G. Fowler, L. C. Noll, K.-P. Vo), over its code units, each in UTF-8.
 */
export function digest(text: string): string {
  let hash = 0x811c9dc5
  const put = (byte: number) => (hash = Math.imul(hash ^ byte, 0x01000193))
  for (let n = 0; n < text.length; n++) {
    const unit = text.charCodeAt(n)
    if (unit < 0x80) put(unit)
    else {
      if (unit < 0x800) put(0xc0 | (unit >> 6))
      else {
        put(0xe0 | (unit >> 12))
        put(0x80 | ((unit >> 6) & 0x3f))
      }
      put(0x80 | (unit & 0x3f))
    }
  }
  return (hash >>> 0).toString(16).padStart(8, '0')
}
