import { defineEventHandler } from 'h3'
import type { SessionReply } from '#shared/contract/session'
import { requireServices } from '../http/context'

export default defineEventHandler((event): SessionReply => ({
  hasSignIn: requireServices(event).gate !== null,
}))
