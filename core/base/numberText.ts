/** With just so many digits behind the point, rounded: "12.50", and never "-0.0". */
export const fixedText = (value: number, digits: number): string =>
  value.toFixed(digits).replace(/^-(0(?:\.0+)?)$/, '$1')

/** With at most so many digits behind the point, none of them an idle zero: "12.5", "12". A point and no marks between thousands, as on a device. */
export const numberText = (value: number, most: number): string => String(Number(fixedText(value, most)))
