import { defineEventHandler } from 'h3'
import type { RigListReply } from '#shared/contract/rigs'
import { requireStore } from '../../http/context'
import { sendJson } from '../../http/sendJson'
import { listRigs } from '../../services/rigs'

export default defineEventHandler(async (event) =>
  sendJson(event, { rigs: await listRigs(requireStore(event)) } satisfies RigListReply),
)
