import { defineEventHandler } from 'h3'
import { EDIT_LIMIT, postEditSchema, type PostEdit } from '#shared/contract/rigs'
import { readJson } from '../../../http/body'
import { requireStore, rigIdOf } from '../../../http/context'
import { postRefusalError } from '../../../http/postRefusalError'
import { postEdit } from '../../../services/edits'

export default defineEventHandler(async (event) => {
  // The shape is checked here; the rows inside are checked when the edit is applied.
  const body = (await readJson(event, postEditSchema, EDIT_LIMIT)) as unknown as PostEdit
  const posted = await postEdit(requireStore(event), rigIdOf(event), body, new Date())
  if (!posted.ok) throw postRefusalError(posted.refusal)
  return posted.value
})
