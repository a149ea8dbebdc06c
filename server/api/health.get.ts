import { defineEventHandler } from 'h3'
import { countRigs } from '../db/repositories/rigHeads'
import { requireDatabase } from '../http/context'

export default defineEventHandler(async () => ({ ok: true, rigs: await countRigs(requireDatabase().db) }))
