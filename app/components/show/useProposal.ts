import { computed, type Ref } from 'vue'
import { own } from '#core/base'
import type { Rig } from '#core/rig'
import { moveSwitches, type BoardMove, type NoBoard, type Proposal } from '#core/show'

/** What of a proposed board is still to be moved, and all of it as one edit. */
export function useProposal(rig: Ref<Rig>, found: Ref<Proposal | NoBoard | null>) {
  const proposal = computed(() =>
    found.value === null || typeof found.value === 'string' ? null : found.value,
  )
  /** Those that are not where they would go yet, from where they are now. */
  const left = computed((): BoardMove[] =>
    (proposal.value?.moves ?? []).flatMap(({ switchId, to }) => {
      const row = own(rig.value.switches, switchId)
      if (!row) return []
      const from = { bankId: row.bankId, layer: row.layer, number: row.number }
      return from.bankId === to.bankId && from.layer === to.layer && from.number === to.number
        ? []
        : [{ switchId, from, to }]
    }),
  )
  /** Null where the rig has changed so that it cannot be done as found. */
  const whole = computed(() => moveSwitches(rig.value, left.value))
  return { proposal, left, whole }
}
