import type { NotLooked } from '#core/check'

/** What a proof did not look at, in a few words each. */
export const NOT_LOOKED_TEXT: Record<NotLooked, string> = {
  controllers: 'switches of another controller',
  unrecalled: 'sounds that no switch recalls',
  pedals: 'what a pedal leads',
  backTwice: 'going back twice in a row',
  tempo: 'tempo',
  loops: 'loops',
}
