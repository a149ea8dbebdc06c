/** Whether `value` is a whole number from `low` to `high`, both included. NaN and fractions are not. */
function isIntegerBetween(value: number, low: number, high: number): boolean {
  return Number.isInteger(value) && value >= low && value <= high
}

/** Returns `value`, or throws RangeError naming it, when it is not a whole number from `low` to `high`. */
export function requireIntegerBetween(what: string, value: number, low: number, high: number): number {
  if (!isIntegerBetween(value, low, high))
    throw new RangeError(`${what} must be a whole number from ${low} to ${high}, got ${value}`)
  return value
}
