import { defineEventHandler } from 'h3'
import { requireStore, requireRig, rigIdOf } from '../../../../http/context'
import { sendFile } from '../../../../http/sendFile'
import { exportSwitchesMidi } from '../../../../services/rigFiles'

export default defineEventHandler(async (event) => {
  const bytes = requireRig(await exportSwitchesMidi(requireStore(event), rigIdOf(event)))
  return sendFile(event, 'switches.mid', 'audio/midi', Buffer.from(bytes))
})
