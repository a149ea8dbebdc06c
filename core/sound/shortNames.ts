/**
 * Names no longer than `most` letters, all different (upper and lower case alike), each as near to its own as
 * it can be: whole where it fits, else without spaces and marks, then without vowels inside words, then cut; one
 * that another has already ends in a number. In the order given: earlier names are served first.
 */
export function shortNames(names: readonly string[], most: number): string[] {
  const taken = new Set<string>()
  // Names that fit as they are keep themselves, before any other is cut to the same.
  const whole = names.map((name) => {
    const fits = [...name].length <= most && !taken.has(name.toLowerCase())
    if (fits) taken.add(name.toLowerCase())
    return fits
  })
  return names.map((name, n) => {
    if (whole[n]) return name
    for (const one of candidates(name, most)) {
      if (taken.has(one.toLowerCase())) continue
      taken.add(one.toLowerCase())
      return one
    }
    return name
  })
}

function* candidates(name: string, most: number): Generator<string> {
  const words = name.split(/[^\p{L}\p{N}]+/u).filter((word) => word !== '')
  const thin = words.map((word) =>
    [...word].filter((letter, n) => n === 0 || !/[aeiouäöüy]/i.test(letter)).join(''),
  )
  const cut = (text: string, length = most) => [...text].slice(0, length).join('').trim()
  for (const shorter of [
    words.join(' '),
    words.map(capital).join(''),
    thin.join(' '),
    thin.map(capital).join(''),
  ])
    if (shorter !== '' && [...shorter].length <= most) yield shorter
  const base = thin.map(capital).join('') || 'S'
  yield cut(base)
  for (let number = 2; ; number++) {
    const end = number.toString(36)
    yield cut(base, Math.max(0, most - end.length)) + end
  }
}

const capital = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1)
