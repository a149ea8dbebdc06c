/** Where the worker's file is. In a build it is a file of the page's own build (`build/workerChunk.ts`), so that both share what they can. */
export const workerUrl: string | URL = new URL('./rig.worker.ts?worker_file&type=module', import.meta.url)
