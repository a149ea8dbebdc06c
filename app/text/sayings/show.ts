import type { Finding } from '#core/check'
import { listText } from '#shared/words/counts'
import type { Sayings } from './saying'

type Kind = Extract<Finding, { code: 'wrongMoment' }>['facts']['kinds'][number]

const said = (kind: Kind, devices: string): string => {
  switch (kind) {
    case 'noSound':
      return 'It names no sound yet: choose one.'
    case 'noSwitch':
      return 'No switch plays its sound: put it on one.'
    case 'noStep':
      return 'The show is stepped on part by part, and no switch goes to the next one: put Next part on a switch.'
    case 'noWay':
      return 'No switch leads from the part before to the bank that has its switch: add one.'
    case 'otherPart':
      return 'The step to the next part comes to another part by then: something on the way moves the list too.'
    case 'device':
      return `${devices} ${devices.includes(' and ') ? 'are' : 'is'} not as its sound says once all has come to rest.`
    case 'lost':
      return `Messages are lost on ${devices} while loading.`
    case 'late':
      return 'It is ready later than its first note: move its switch nearer, or step on it earlier.'
    case 'tempo':
      return "The song's tempo does not hold: a sound or bank on the way says otherwise."
  }
}

/** More than these are told where it is looked at. */
const SAID = 2

export const showSayings: Sayings<'wrongMoment'> = {
  wrongMoment: ({ facts: { song, part, kinds, devices } }) => ({
    title: `${part === '' ? 'A part' : part} in ${song} does not come out right.`,
    body: `${kinds
      .slice(0, SAID)
      .map((kind) => said(kind, listText(devices)))
      .join(' ')} Look at it under Walk through in Set list.`,
    fix: null,
  }),
}
