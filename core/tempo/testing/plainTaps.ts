/** Taps read once more, for tests: written plainly from what is said of it, and sharing no code with `readTaps`. */
export function plainTempo(all: readonly number[]): number | null {
  let taps = all.slice(-9)
  if (taps.length >= 5) {
    const d: number[] = []
    for (let n = 1; n < all.length; n++) d.push(all[n]! - all[n - 1]!)
    const last = d[d.length - 1]!
    const before = d[d.length - 2]!
    const older = d.slice(0, d.length - 2).sort((a, b) => a - b)
    const usual = older[Math.ceil(older.length / 2) - 1]!
    const alike = Math.abs(last - before) <= 0.06 * Math.max(last, before)
    if (alike && Math.abs(last - usual) > 0.1 * usual && Math.abs(before - usual) > 0.1 * usual)
      taps = all.slice(-3)
  }
  if (taps.length < 2) return null
  const rows = [rowsOf(taps)]
  if (taps.length >= 5 && uneven(rows[0]!) > 0.04) {
    for (let leave = 0; leave < taps.length; leave++) rows.push(rowsOf(taps.filter((_, n) => n !== leave)))
    for (let leave = 1; leave < rows[0]!.length - 1; leave++)
      rows.push(rows[0]!.filter((_, n) => n !== leave))
  }
  let chosen = rows[0]!
  let least = uneven(chosen) * (0.05 + 0.05 * (taps.length - 2))
  for (let n = 1; n < rows.length; n++) {
    const now = uneven(rows[n]!)
    if (now < least || (now === least && chosen === rows[0])) {
      least = now
      chosen = rows[n]!
    }
  }
  let time = 0
  let beats = 0
  for (const [length, many] of chosen) {
    time += length
    beats += many
  }
  // Divided once, so that what lies just between two tenths is not moved.
  return Math.min(400, Math.max(20, Math.round((600_000_000 * beats) / time) / 10))
}

type Row = readonly (readonly [length: number, beats: number])[]

function rowsOf(taps: readonly number[]): Row {
  const lengths: number[] = []
  for (let n = 1; n < taps.length; n++) lengths.push(taps[n]! - taps[n - 1]!)
  const sorted = [...lengths].sort((a, b) => a - b)
  const usual = sorted[Math.ceil(sorted.length / 2) - 1]!
  return lengths.map((length) => [length, Math.max(1, Math.round(length / usual))])
}

function uneven(row: Row): number {
  let [least, most, sum] = [Infinity, -Infinity, 0]
  for (const [length, beats] of row) {
    least = Math.min(least, length / beats)
    most = Math.max(most, length / beats)
    sum += length / beats
  }
  return (most - least) / (sum / row.length)
}
