/** "1/20": how much slower than in life. */
export const speedText = (rate: number): string => (rate === 0 ? 'still' : `1/${Math.round(1 / rate)}`)
