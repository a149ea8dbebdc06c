/**
 * A short mark of a text, eight hex digits: another text has another mark, but for one in four thousand million. FNV-1a,
 * 32 bits (G. Fowler, L. C. Noll, K.-P. Vo), over the bytes of its code units, high halves that are 0 left out.
 */
export function digest(text: string): string {
  let hash = 0x811c9dc5
  const put = (byte: number) => (hash = Math.imul(hash ^ byte, 0x01000193))
  for (let n = 0; n < text.length; n++) {
    const unit = text.charCodeAt(n)
    put(unit & 0xff)
    if (unit > 0xff) put(unit >> 8)
  }
  return (hash >>> 0).toString(16).padStart(8, '0')
}
