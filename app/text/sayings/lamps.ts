import { count } from '#shared/words/counts'
import { CURE_TEXT, movesText } from '../lies'
import type { Sayings } from './saying'

export const lampSayings: Sayings<'lyingLamp' | 'runDiffers'> = {
  lyingLamp: ({ facts, fix }) => {
    const what = [facts.device, facts.control].filter(Boolean).join(' ') || 'A device'
    return {
      title: `The lamp of ${facts.switch} can lie after ${count(facts.moves.length, 'step')}.`,
      body: `${what}: the lamp is then ${facts.isLit ? 'on' : 'off'}, and that is not so. ${movesText(facts.moves)}`,
      fix: fix ? (CURE_TEXT[fix.label] ?? null) : null,
    }
  },
  runDiffers: ({ facts }) => ({
    title: `The run "${facts.run}" no longer does what it did.`,
    body: `Played again, it comes out with ${count(facts.differences, 'difference')}. Look at them under Runs in the floor, and mend the rig or take the run as it is now.`,
    fix: 'Take it as it is now',
  }),
}
