import { workerUrl } from '~/workers/workerUrl'
import { browserClock } from './clock'
import { createWorkers, type OpenPort, type Workers } from './workers'

/** With fewer cores than this a second worker would only take time from the first, and from the page. */
const CORES_FOR_TWO = 4

const openPort: OpenPort = ({ heard, died }) => {
  const worker = new Worker(workerUrl, { type: 'module', name: 'Wire Step' })
  worker.addEventListener('message', ({ data }: MessageEvent) => heard(data))
  worker.addEventListener('error', (event) => {
    event.preventDefault()
    died(event.message || 'The worker could not be fetched.')
  })
  worker.addEventListener('messageerror', () => died('What the worker sent cannot be read.'))
  return { post: (message) => worker.postMessage(message), close: () => worker.terminate() }
}

export function browserWorkers(): Workers {
  const workers = createWorkers(openPort, browserClock.after, navigator.hardwareConcurrency < CORES_FOR_TWO)
  addEventListener('keydown', workers.key, { capture: true, passive: true })
  return workers
}
