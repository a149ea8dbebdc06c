import { numberText } from '#core/base'
const clockTime = new Intl.DateTimeFormat('en-GB', {
  hour: '2-digit',
  minute: '2-digit',
  second: '2-digit',
  fractionalSecondDigits: 3,
})
const shortTime = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' })
const dayTime = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' })

/** 14:02:31.204 */
export const timeText = (date: Date): string => clockTime.format(date)

/** 14:02 */
export const shortTimeText = (iso: string): string => shortTime.format(new Date(iso))

/** 24 Nov 2026, 14:02 */
export const dayText = (iso: string): string => dayTime.format(new Date(iso))

/** Milliseconds as a player says them: "50 ms", "1.5 s", with at most so many digits of a second. */
export const secondsText = (ms: number, digits = 2): string =>
  Math.round(ms) < 1000 ? `${Math.round(ms)} ms` : `${numberText(ms / 1000, digits)} s`

const dayOnly = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short' })

/** 24 Nov, for a date as it is stored: "2026-11-24". */
export const dateText = (date: string): string => dayOnly.format(new Date(`${date}T12:00:00`))

const dayAndYear = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })

/** 24 Nov, and of another year than this "24 Nov 2025". */
export const dayOf = (date: string, now: Date): string =>
  date.startsWith(String(now.getFullYear()))
    ? dateText(date)
    : dayAndYear.format(new Date(`${date}T12:00:00`))

/** The day a moment falls on here, as it is stored: "2026-11-24". */
export const isoDate = (date: Date): string =>
  [date.getFullYear(), date.getMonth() + 1, date.getDate()]
    .map((part) => String(part).padStart(2, '0'))
    .join('-')
