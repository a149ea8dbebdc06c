import { listText } from '#shared/words/counts'
import type { Sayings } from './saying'

export const soundWaySayings: Sayings<
  'brokenLoop' | 'earthLoop' | 'stereoLost' | 'phonesBypassed' | 'soundEndsIn'
> = {
  brokenLoop: ({ facts: { box, through, endsAt } }) => ({
    title: `The loop of ${box} does not come back.`,
    body: `From its send it goes ${through.length === 0 ? 'on' : `through ${listText(through)}`} and ${
      endsAt === null ? 'ends there' : `comes to the return of ${endsAt}`
    }. Cable the last of them to the return of ${box}, or nothing is heard of the loop.`,
    fix: null,
  }),
  earthLoop: ({ facts: { source, ends } }) => ({
    title: `${listText(ends)} share one earth.`,
    body: `The sound of ${source} goes to ${ends.length} boxes on the mains: they may hum. Put an isolating box before one of them; never lift a safety earth.`,
    fix: null,
  }),
  stereoLost: ({ facts: { from, to, why } }) => ({
    title: `One side of ${from} is lost on the way to ${to}.`,
    body:
      why === 'jack'
        ? `${to} has a mono jack there: set ${from} to mono, or lay both sides to a box with two inputs.`
        : 'The lead is mono: take a TRS lead, or two mono ones.',
    fix: null,
  }),
  phonesBypassed: ({ facts: { box, behind } }) => ({
    title: `The headphones of ${box} do not hear ${listText(behind)}.`,
    body: `They carry what reaches ${box}, and ${behind.length === 1 ? 'that comes' : 'those come'} behind it. Listen at the last box.`,
    fix: null,
  }),
  soundEndsIn: ({ facts: { source, last } }) => ({
    title: `The sound of ${source} ends in ${last}.`,
    body: 'It comes to no amp, mixer or headphones. Lay its output on, or leave it if the rest is not drawn.',
    fix: null,
  }),
}
