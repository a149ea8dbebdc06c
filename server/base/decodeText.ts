export const NOT_TEXT = 'It is not UTF-8 text.'

/** Bytes as text, without a byte order mark; null when they are not UTF-8: a guess would change names silently. */
export function decodeText(bytes: Uint8Array): string | null {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch (error) {
    if (error instanceof TypeError) return null
    throw error
  }
}
