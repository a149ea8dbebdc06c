import { defineEventHandler } from 'h3'
import type { RigListReply } from '#shared/contract/rigs'
import { requireDatabase } from '../../http/context'
import { listRigs } from '../../services/rigs'

export default defineEventHandler(async (): Promise<RigListReply> => ({
  rigs: await listRigs(requireDatabase()),
}))
