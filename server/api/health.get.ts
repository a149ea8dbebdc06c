import { defineEventHandler } from 'h3'
import { countRigs } from '../db/repositories/rigHeads'
import { requireStore } from '../http/context'

export default defineEventHandler(async (event) => ({
  ok: true,
  rigs: await countRigs(requireStore(event).database.db),
}))
