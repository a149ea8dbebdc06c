import { defineEventHandler, setResponseStatus } from 'h3'
import { ALL_RIGS_LIMIT, type CreatedRigsReply } from '#shared/contract/rigs'
import { isBackup } from '../backup/backupFile'
import { restoreBackup } from '../backup/restoreBackup'
import { apiError } from '../http/apiError'
import { readBytes } from '../http/body'
import { requireStore } from '../http/context'
import { importAllRigs } from '../services/allRigs'
import { findHead } from '../services/rigs'

/** New rigs from an archive of rig files; a backup, which is told by what is in it, is opened as one. */
export default defineEventHandler(async (event): Promise<CreatedRigsReply> => {
  const archive = await readBytes(event, ALL_RIGS_LIMIT)
  const store = requireStore(event)
  if (await isBackup(archive)) {
    const restored = await restoreBackup(store, archive, new Date())
    if (!restored.ok) throw apiError(restored.refusal.code, restored.refusal)
    const ids = [...restored.value.restored, ...restored.value.beside].map(({ id }) => id)
    const heads = await Promise.all(ids.map((id) => findHead(store, id)))
    return { rigs: heads.flatMap((head) => (head ? [{ id: head.id, revision: head.revision }] : [])) }
  }
  const created = await importAllRigs(store, archive, new Date())
  if (!created.ok) throw apiError(created.refusal.code, created.refusal)
  setResponseStatus(event, 201)
  return { rigs: created.value }
})
