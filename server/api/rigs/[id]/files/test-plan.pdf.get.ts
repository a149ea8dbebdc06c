import { defineEventHandler } from 'h3'
import { sendPaper } from '../../../../http/sendPaper'

export default defineEventHandler((event) => sendPaper(event, 'test-plan'))
