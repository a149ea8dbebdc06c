import type { WorkFault } from '~/platform/workers'

/** Why something could not be worked out, and what helps. */
export function workFaultText({ kind, text }: WorkFault): string {
  switch (kind) {
    case 'threw':
      return `Something went wrong in it: a fault of Wire Step, not yours. (${text})`
    case 'gone':
      return 'The part of Wire Step that works it out did not come, or has stopped: the server may be away, or this device short of memory.'
    case 'silent':
      return 'It gave no sign for a minute and a half.'
  }
}
