import { defineStore } from 'pinia'
import { nanoid } from 'nanoid'
import { onScopeDispose, shallowRef, watch } from 'vue'
import type { ShowPlace } from '#core/rig'
import type { FloorState } from '#core/simulate'
import { showAfter, stageNow, type StageNow } from '#core/stage'
import { usePlatform } from '~/platform/platform'
import { useFloorStore } from './floor'
import { useRigStore } from './rig'

/** Before a server that was away is told again, in ms. */
const AGAIN = 2000

/** What this tab's own floor shows on stage, told to the server so that other screens can follow. */
export const useStageStore = defineStore('stage', () => {
  const { server, clock } = usePlatform()
  const rigs = useRigStore()
  const floor = useFloorStore()
  const tab = nanoid(12)

  const now = shallowRef<StageNow | null>(null)
  const followers = shallowRef(0)
  let showAt: ShowPlace | null = null
  let before: FloorState | null = null
  /** Until something was stepped on here, another desk's floor goes first. */
  let isFirst = true
  let told = ''
  let isTelling = false
  let stop: (() => void) | null = null
  onScopeDispose(() => stop?.())

  watch(
    () => rigs.rigId,
    () => {
      now.value = null
      followers.value = 0
      showAt = null
      before = null
      isFirst = true
      told = ''
    },
  )
  watch(
    () => [rigs.rig, floor.state, floor.last] as const,
    ([rig, state]) => {
      if (!rig || !state) return
      showAt = showAfter(rig, showAt, (before ?? state).known, state.known)
      before = state
      const next = stageNow(rig, state, showAt, floor.last?.switchId ?? null)
      if (JSON.stringify(next) === JSON.stringify(now.value)) return
      if (floor.last !== null) isFirst = false
      now.value = next
      void tell()
    },
    { immediate: true },
  )

  /** One at a time; what changes meanwhile goes in one. */
  async function tell(): Promise<void> {
    const { rigId } = rigs
    if (isTelling || rigId === null || now.value === null) return
    const text = JSON.stringify(now.value)
    if (text === told) return
    isTelling = true
    told = text
    const answer = await server.postFloor(rigId, {
      by: tab,
      isFirst,
      revision: rigs.revision,
      now: now.value,
    })
    isTelling = false
    if (rigs.rigId !== rigId) return
    if (answer.kind === 'done') followers.value = answer.value.followers
    if (answer.kind === 'away') {
      // Told again once the server is there.
      told = ''
      stop = clock.after(AGAIN, () => void tell())
    } else void tell()
  }

  return { now, followers }
})
