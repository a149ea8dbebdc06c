/** The number key that steps on a footswitch: 1 to 9, 0 for the tenth; null beyond. */
export const keyOf = (number: number): string | null => (number > 10 ? null : String(number % 10))
