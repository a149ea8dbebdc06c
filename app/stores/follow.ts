import { defineStore } from 'pinia'
import { onScopeDispose, ref, shallowRef, watch } from 'vue'
import { own } from '#core/base'
import { hearStep, mayBePedal, type Heard } from '#core/listen'
import { hexOf } from '#core/midi'
import { placeKey } from '#core/rig'
import { useIncoming } from '~/stores/useIncoming'
import { usePlatform } from '~/platform/platform'
import { useFloorStore } from './floor'
import { useMidiStore } from './midi'
import { useRigStore } from './rig'

/** Messages no further apart than this belong to one step, in ms: a list of sixteen takes 16 ms on a DIN cable. */
const TOGETHER = 40
/** Messages a step sends later are waited for so long, in ms. */
const LATER = 20_000
/** Timing clock and active sensing: sent all the time. */
const ASIDE = [0xf8, 0xfe]

/** The simulated floor follows a real controller: what comes in tells which switch the foot was on. */
export const useFollowStore = defineStore('follow', () => {
  const { clock } = usePlatform()
  const midi = useMidiStore()
  const floor = useFloorStore()
  const rigs = useRigStore()

  const isOn = ref(false)
  /** What the last messages were taken for; null while none came. */
  const heard = shallowRef<Heard | null>(null)
  const messages = ref(0)
  let together: string[] = []
  /** What a pedal may have sent meanwhile. */
  let swept: string[] = []
  let later: string[] = []
  let stop: (() => void) | null = null
  let forget: (() => void) | null = null
  onScopeDispose(() => {
    stop?.()
    forget?.()
  })

  useIncoming(
    () => isOn.value,
    ({ bytes }) => {
      if (bytes.length === 0 || ASIDE.includes(bytes[0]!)) return
      messages.value++
      const hex = hexOf(bytes)
      const at = later.indexOf(hex)
      // What the last step still had to send is no step of its own.
      if (at >= 0) later.splice(at, 1)
      else if (rigs.rig && mayBePedal(rigs.rig, hex)) {
        // A pedal under way holds nothing up, and is no step.
        if (together.length > 0) swept.push(hex)
      } else {
        together.push(hex)
        stop?.()
        stop = clock.after(TOGETHER, conclude)
      }
    },
  )

  function conclude(): void {
    const { rig } = rigs
    const [some, pedals] = [together, swept]
    together = []
    swept = []
    if (!rig || !floor.state || some.length === 0) return
    const { known } = floor.state
    const alone = hearStep(rig, known, some)
    // A step may move a control that a pedal moves as well.
    const what =
      alone.kind === 'nothing' && pedals.length > 0 ? hearStep(rig, known, [...some, ...pedals]) : alone
    heard.value = what
    if (what.kind !== 'step') return
    const { bankId, layer, how, position, switchId } = what.step
    later = [...what.step.later]
    forget?.()
    forget = later.length === 0 ? null : clock.after(LATER, () => (later = []))
    if (known.bankId !== bankId) floor.goToBank(bankId)
    if (floor.layer !== layer) floor.goToLayer(layer)
    const of = own(rig.switches, switchId)?.positions.length ?? 1
    const next = own(floor.state.known.next, switchId) ?? 0
    floor.stepOnPlace(placeKey(what.step), how, how === 'press' ? ((position - next + of) % of) + 1 : 1)
  }

  async function start(): Promise<void> {
    await midi.open()
    if (midi.state !== 'open') return
    // The real one plays the devices: what the simulated one would send as well stays here.
    midi.isMuted = true
    messages.value = 0
    heard.value = null
    isOn.value = true
  }

  function end(): void {
    isOn.value = false
    midi.isMuted = false
    together = []
    swept = []
    later = []
    stop?.()
  }
  watch(() => rigs.rigId, end)

  return { isOn, heard, messages, start, end }
})
