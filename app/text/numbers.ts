import { numberText } from '#core/base'
import type { NumberLimits, NumberRefusal } from '#core/rig'

/** What was wrong with a typed number, what may be typed, and what stays. */
export function numberRefusalText(refusal: NumberRefusal, limits: NumberLimits, kept: number): string {
  const { min, max, decimals, unit } = limits
  const shown = (value: number) => numberText(value, decimals)
  const range = `${shown(min)} to ${shown(max)}${unit && ` ${unit}`}`
  const stays = `${shown(kept)} stays.`
  switch (refusal.code) {
    case 'noNumber':
      return `Not a number${unit && ` in ${unit}`}. ${range}. ${stays}`
    case 'outside':
      return `Outside ${range}. ${stays}`
    case 'tooFine':
      return decimals === 0
        ? `Whole numbers only, ${range}. ${stays}`
        : `At most ${decimals === 1 ? 'one digit' : `${decimals} digits`} behind the point. ${stays}`
    case 'twoMeanings':
      return `Can be ${refusal.meant.map(shown).join(' or ')}: type which. ${stays}`
  }
}
