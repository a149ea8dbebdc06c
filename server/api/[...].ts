import { defineEventHandler } from 'h3'
import { apiError } from '../http/apiError'

/** Whatever no route takes. */
export default defineEventHandler(() => {
  throw apiError('notFound')
})
