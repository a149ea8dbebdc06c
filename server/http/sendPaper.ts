import { getQuery, type H3Event } from 'h3'
import { paperQuerySchema } from '#shared/contract/rigs'
import { readStamp } from '#shared/stamp'
import { printPaper, type PaperName } from '../services/rigFiles'
import { apiError } from './apiError'
import { parseWith } from './body'
import { requireRig, requireServices, requireStore, rigIdOf } from './context'
import { sendFile } from './sendFile'

/** Answers with a paper of a rig as PDF. Throws `nothingToPrint` where the rig has nothing for it. */
export async function sendPaper(event: H3Event, name: PaperName): Promise<void> {
  const { paper, stamp } = parseWith(paperQuerySchema, getQuery(event))
  const store = requireStore(event)
  const fonts = await requireServices(event).fonts()
  const pdf = requireRig(await printPaper(store, rigIdOf(event), name, paper, fonts, readStamp(stamp ?? '')))
  if (pdf === 'nothing') throw apiError('nothingToPrint')
  return sendFile(event, `${name}.pdf`, 'application/pdf', pdf)
}
