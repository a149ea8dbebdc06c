import { defineEventHandler } from 'h3'
import { requireDatabase, requireRig, rigIdOf } from '../../../http/context'
import { findRig } from '../../../services/rigs'

export default defineEventHandler(async (event) =>
  requireRig(await findRig(requireDatabase(), rigIdOf(event))),
)
