import type { Lateness } from '#core/switching'

/** By how much later than the foot a plain press is heard; empty where it is at once. */
export function latenessText({ waitsFor, least, most }: Lateness): string {
  switch (waitsFor) {
    case 'nothing':
      return ''
    case 'release':
      return `A plain press fires when the foot comes off: up to ${most / 1000} ms late.`
    case 'double':
      return `A plain press fires ${least / 1000} ms late: it may still become a double one.`
    case 'both':
      return `A plain press fires ${least / 1000} ms late or more, when the foot comes off: up to ${most / 1000} ms.`
  }
}
