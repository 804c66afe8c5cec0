import { JOBS, type JobName } from './jobs';

/** The start of every worker: its name says which job it does. They are built as one, so that they share the core. */
const job = JOBS[self.name as JobName]() as Promise<{ hear(event: MessageEvent): unknown }>;

// messages wait for the job, in their order
self.onmessage = async (event) => void (await job).hear(event);
