import type { JobName } from './jobs';

/** A worker for the job; it ends with `terminate`. */
export const startWorker = (name: JobName): Worker =>
	new Worker(new URL('./job.worker.ts', import.meta.url), { type: 'module', name });
