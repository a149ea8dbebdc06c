import { defineEventHandler, getQuery } from 'h3'
import { chartQuerySchema } from '#shared/contract/rigs'
import { parseWith } from '../../../../http/body'
import { requireStore, requireRig, rigIdOf } from '../../../../http/context'
import { sendFile } from '../../../../http/sendFile'
import { exportChart } from '../../../../services/rigFiles'

export default defineEventHandler(async (event) => {
  const { device } = parseWith(chartQuerySchema, getQuery(event))
  const text = requireRig(await exportChart(requireStore(event), rigIdOf(event), device))
  return sendFile(event, 'chart.csv', 'text/csv; charset=utf-8', text)
})
