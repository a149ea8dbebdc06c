import { ANSWERERS } from './answers'
import { serveQuestions, type ToWorker } from './serveQuestions'

const hear = serveQuestions(ANSWERERS, (message) => postMessage(message))

addEventListener('message', ({ data }: MessageEvent<ToWorker>) => hear(data))
