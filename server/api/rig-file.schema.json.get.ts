import { defineEventHandler } from 'h3'
import { rigFileJsonSchema } from '../services/rigFiles'

export default defineEventHandler(() => rigFileJsonSchema())
