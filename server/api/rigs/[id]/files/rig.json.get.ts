import { defineEventHandler } from 'h3'
import { requireStore, requireRig, rigIdOf } from '../../../../http/context'
import { sendFile } from '../../../../http/sendFile'
import { exportRigFile } from '../../../../services/rigFiles'

export default defineEventHandler(async (event) => {
  const text = requireRig(await exportRigFile(requireStore(event), rigIdOf(event)))
  return sendFile(event, 'rig.json', 'application/json; charset=utf-8', text)
})
