import { defineStore } from 'pinia'
import { nanoid } from 'nanoid'
import { computed, ref, shallowRef, watch } from 'vue'
import { own } from '#core/base'
import {
  callable,
  judgeStep,
  keepRound,
  nextCall,
  pairTally,
  showCalls,
  tallyWith,
  wayFromHere,
  type CallAnswer,
  type StepVerdict,
} from '#core/practice'
import type { PlayedPart, PracticeId, SoundId } from '#core/rig'
import type { FootMove } from '#core/show'
import { settle } from '#core/simulate'
import { usePlatform } from '~/platform/platform'
import { isoDate } from '#shared/words/times'
import { useFloorStore } from './floor'
import { useRigStore } from './rig'

export type CallOrder = 'show' | 'random'

/** A sound that is called now. */
export interface Call {
  readonly soundId: SoundId
  /** In the show's order the part it is for. */
  readonly played: PlayedPart | null
  readonly from: SoundId | null
  /** In ms on the page's clock. */
  readonly at: number
  readonly wrongSteps: number
}

/** Between a sound that was found and the next call, in ms. */
const BREATH = 700
/** After one was given up, to read where it would have been. */
const LONG_BREATH = 4000

/** A sound that was given up, and the way to it from where the foot was. */
export interface GivenUp {
  readonly soundId: SoundId
  readonly moves: readonly FootMove[]
}

/** Sounds called one after the other, and how the foot finds them on the floor. */
export const usePracticeStore = defineStore('practice', () => {
  const { clock } = usePlatform()
  const rigs = useRigStore()
  const floor = useFloorStore()

  const order = ref<CallOrder>('random')
  const calls = ref(20)
  const isRunning = ref(false)
  const call = shallowRef<Call | null>(null)
  const answers = shallowRef<readonly CallAnswer[]>([])
  /** What the last step was; null before the first of a call. */
  const verdict = ref<StepVerdict | null>(null)
  const givenUp = shallowRef<GivenUp | null>(null)
  /** What a wrong step played; null where it played nothing new. */
  const playedInstead = shallowRef<SoundId | null>(null)
  const coming = shallowRef<readonly PlayedPart[]>([])
  let stop: (() => void) | null = null

  const total = computed(() => (order.value === 'show' ? coming.value.length : calls.value))

  watch(
    () => rigs.rigId,
    () => {
      end()
      answers.value = []
    },
  )

  const now = (): number => clock.microseconds() / 1000

  function start(): void {
    if (!rigs.rig || !floor.state) return
    stop?.()
    answers.value = []
    coming.value = order.value === 'show' ? showCalls(rigs.rig) : []
    isRunning.value = true
    next()
  }

  function next(): void {
    stop = null
    const { rig } = rigs
    if (!rig || !floor.state || !isRunning.value) return
    verdict.value = null
    givenUp.value = null
    const from = floor.state.known.sound
    const done = answers.value.length
    let played: PlayedPart | null = null
    let soundId: SoundId | null = null
    if (order.value === 'show') {
      // What plays already is not called: its part is passed over.
      if (coming.value[done]?.soundId === from) coming.value = coming.value.toSpliced(done, 1)
      played = coming.value[done] ?? null
      soundId = played && own(rig.sounds, played.soundId ?? '') ? played.soundId : null
    } else if (done < calls.value) {
      const recent = answers.value.slice(-3).map(({ to }) => to)
      soundId = nextCall(
        callable(rig),
        from === null ? recent : [...recent.filter((id) => id !== from), from],
        tallyWith(pairTally(rig), answers.value),
        Math.random,
      )
    }
    if (soundId === null) finish()
    else call.value = { soundId, played, from, at: now(), wrongSteps: 0 }
  }

  function answer(ms: number | null): void {
    const called = call.value
    if (!called) return
    const { from, soundId: to, wrongSteps } = called
    answers.value = [...answers.value, { from, to, wrongSteps, ms }]
    call.value = null
    stop = clock.after(ms === null ? LONG_BREATH : BREATH, next)
  }

  /** The round ends: what was answered is put to its day. */
  function finish(): void {
    end()
    if (rigs.rig)
      rigs.edit(
        keepRound(rigs.rig, answers.value, {
          on: isoDate(clock.now()),
          newId: nanoid(12) as PracticeId,
        }),
      )
  }

  function end(): void {
    stop?.()
    stop = null
    isRunning.value = false
    call.value = null
    verdict.value = null
    givenUp.value = null
  }

  function giveUp(): void {
    const called = call.value
    if (!called || !rigs.rig || !floor.state) return
    const way = wayFromHere(rigs.rig, floor.state.known, called.soundId)
    givenUp.value = { soundId: called.soundId, moves: way?.moves ?? [] }
    answer(null)
  }

  /** On at once, where the next call waits to be read. */
  function goOn(): void {
    stop?.()
    next()
  }

  floor.onGesture((gesture, before) => {
    const { rig } = rigs
    const called = call.value
    if (gesture.event === 'release' || !rig || !called || !floor.state) return
    // What its pauses still hold back counts as done.
    const after = settle(rig, floor.state).state.known
    const what = judgeStep(rig, before, after, called.soundId)
    verdict.value = what
    playedInstead.value = after.sound === before.sound ? null : after.sound
    if (what === 'found') answer(now() - called.at)
    else if (what === 'wrong') call.value = { ...called, wrongSteps: called.wrongSteps + 1 }
  })

  return {
    order,
    calls,
    isRunning,
    call,
    givenUp,
    answers,
    verdict,
    playedInstead,
    total,
    start,
    finish,
    giveUp,
    goOn,
  }
})
