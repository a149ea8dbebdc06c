/** A message named by its number: "cc 21 127", "cc21", "cc#105 = 64", "pc 12 ch 4". */
export interface NumberSaid {
  readonly number: number
  /** 1-16; null where none was said. */
  readonly channel: number | null
  readonly left: readonly string[]
}

/** Finds a number said as one of a kind of message; null where none is. Channels are read beside one only: "Ch2" may be a name. */
export function numberSaid(words: readonly string[], kind: 'cc' | 'pc'): NumberSaid | null {
  const first = pick(words, [kind], /^\d{1,3}$/)
  if (!first) return null
  const rest = first.left.filter((word) => word !== '=')
  const second = pick(rest, ['ch', 'chan', 'channel'], /^(?:[1-9]|1[0-6])$/)
  return { number: first.number, channel: second?.number ?? null, left: second?.left ?? rest }
}

/** Takes "word 21", "word #21", "word21" or "word#21" out. */
function pick(words: readonly string[], names: readonly string[], digits: RegExp) {
  for (const [n, word] of words.entries()) {
    const name = names.find((one) => word.startsWith(one))
    if (name === undefined) continue
    const joined = word.slice(name.length).replace(/^#/, '')
    if (digits.test(joined)) return { number: Number(joined), left: words.toSpliced(n, 1) }
    const next = (words[n + 1] ?? '').replace(/^#/, '')
    if (joined === '' && digits.test(next)) return { number: Number(next), left: words.toSpliced(n, 2) }
  }
  return null
}
