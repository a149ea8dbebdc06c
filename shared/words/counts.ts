/** "1 message", "3 messages". */
export const count = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`

/** "1st", "2nd", "3rd", "4th"... */
export function ordinal(n: number): string {
  const endings: Record<string, string> = { one: 'st', two: 'nd', few: 'rd', other: 'th' }
  return `${n}${endings[ordinals.select(n)] ?? 'th'}`
}

const ordinals = new Intl.PluralRules('en', { type: 'ordinal' })

const lists = new Intl.ListFormat('en', { style: 'long', type: 'conjunction' })

const choices = new Intl.ListFormat('en', { style: 'long', type: 'disjunction' })

/** "Preamp, Tape echo, and Reverb"; with "or" where one of them is meant. */
export const listText = (words: readonly string[], joint: 'and' | 'or' = 'and'): string =>
  (joint === 'and' ? lists : choices).format(words)
