import type { Rig } from '#core/rig'
import type { Answered, Asked, QuestionName } from '~/workers/questions'
import type { Workers } from '../workers'

/** What some questions are answered by; the others never are. */
export type MemoryAnswers = {
  readonly [Name in QuestionName]?: (rig: Rig, asked: Asked<Name>) => Answered<Name>
}

/** For tests: works things out on the spot, and tells a turn later. */
export const memoryWorkers = (answers: MemoryAnswers = {}): Workers => ({
  open: (name) => {
    let last = 0
    return {
      ask: (rig, asked, { heard, failed }) => {
        const mine = ++last
        void Promise.resolve().then(() => {
          const work = answers[name]
          if (mine !== last || !work) return
          try {
            heard(work(rig, asked), rig)
          } catch (error) {
            failed({ kind: 'threw', text: String(error) })
          }
        })
      },
      cancel: () => {
        last++
      },
      close: () => {
        last++
      },
    }
  },
  key: () => {},
  foot: () => {},
})
