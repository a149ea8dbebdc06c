import type { Counter } from './numbering'

const A = 'A'.charCodeAt(0)

/** Writes the part counted `n` from 0: letters run A to Z, then AA, as columns of a sheet do. */
export function formatCounter(counter: Counter, n: number): string {
  if (counter.symbols === 'digits') return String(n + counter.first)
  let letters = ''
  for (let rest = n + 1; rest > 0; rest = Math.floor((rest - 1) / 26))
    letters = String.fromCharCode(A + ((rest - 1) % 26)) + letters
  return letters
}

/** Inverse of {@link formatCounter}; small letters and leading zeros are allowed. Null when it is neither. */
export function parseCounter(counter: Counter, text: string): number | null {
  if (counter.symbols === 'digits') {
    if (!/^\d{1,6}$/.test(text)) return null
    const n = Number(text) - counter.first
    return n < 0 ? null : n
  }
  if (!/^[a-z]{1,4}$/i.test(text)) return null
  let n = 0
  for (const letter of text.toUpperCase()) n = n * 26 + (letter.charCodeAt(0) - A + 1)
  return n - 1
}
