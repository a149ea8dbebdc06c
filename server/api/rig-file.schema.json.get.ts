import { defineEventHandler } from 'h3'
import { sendJson } from '../http/sendJson'
import { rigFileJsonSchema } from '../services/rigFileSchema'

export default defineEventHandler((event) => sendJson(event, rigFileJsonSchema()))
