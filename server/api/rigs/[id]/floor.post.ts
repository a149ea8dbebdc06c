import { defineEventHandler } from 'h3'
import { FLOOR_LIMIT, postFloorSchema, type FloorReply, type PostFloor } from '#shared/contract/floor'
import { readJson } from '../../../http/body'
import { requireRig, requireServices, requireStore, rigIdOf } from '../../../http/context'
import { findHead } from '../../../services/rigs'

export default defineEventHandler(async (event): Promise<FloorReply> => {
  const post = (await readJson(event, postFloorSchema, FLOOR_LIMIT)) as PostFloor
  const { id } = requireRig(await findHead(requireStore(event), rigIdOf(event)))
  return { followers: await requireServices(event).floors.post(id, post) }
})
