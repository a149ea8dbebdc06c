import { createEventStream, defineEventHandler } from 'h3'
import { BEAT_MS, FLOOR_EVENTS } from '#shared/contract/floor'
import { requireRig, requireServices, requireStore, rigIdOf } from '../../../http/context'
import { findHead } from '../../../services/rigs'

/** The floor of a rig as it is at a desk, for as long as somebody listens. */
export default defineEventHandler(async (event) => {
  const { id } = requireRig(await findHead(requireStore(event), rigIdOf(event)))
  const { floors } = requireServices(event)
  const stream = createEventStream(event)
  const push = (name: string, data: string) => void stream.push({ event: name, data })
  const beat = setInterval(() => push(FLOOR_EVENTS.beat, ''), BEAT_MS)
  const stop = await floors.follow(id, (floor) => push(FLOOR_EVENTS.floor, JSON.stringify(floor)))
  const forget = floors.onEnd(() => void stream.close())
  stream.onClosed(() => {
    clearInterval(beat)
    stop()
    forget()
  })
  push(FLOOR_EVENTS.beat, '')
  return stream.send()
})
