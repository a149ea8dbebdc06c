import { defineEventHandler } from 'h3'
import type { DeletedRigsReply } from '#shared/contract/rigs'
import { requireStore } from '../../http/context'
import { sendJson } from '../../http/sendJson'
import { listDeletedRigs } from '../../services/rigs'

export default defineEventHandler(async (event) =>
  sendJson(event, { rigs: await listDeletedRigs(requireStore(event)) } satisfies DeletedRigsReply),
)
