import type { SwitchEvent } from '#core/switching'
import { ordinal } from '#shared/words/counts'

/** What the foot does, as it begins a sentence: "The 2nd press", "Holding it long". */
export function gestureText(event: SwitchEvent, position = 0, positions = 1): string {
  switch (event) {
    case 'press':
      return positions > 1 ? `The ${ordinal(position + 1)} press` : 'A press'
    case 'release':
      return 'Taking the foot off'
    case 'longPress':
      return 'A long press'
    case 'doublePress':
      return 'A double press'
  }
}

/** As it stands over a list of actions. */
export function gestureTitle(event: SwitchEvent, position = 0, positions = 1): string {
  switch (event) {
    case 'press':
      return positions > 1 ? `On the ${ordinal(position + 1)} press` : 'On every press'
    case 'release':
      return 'When the foot comes off'
    case 'longPress':
      return 'Held down long'
    case 'doublePress':
      return 'Pressed twice'
  }
}
