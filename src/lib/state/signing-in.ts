import WorkWorker from '$lib/workers/work.worker?worker';
import type { ToWork } from '$lib/workers/work.worker';
import { ApiError, ask } from './api';

/** Does the work that is asked for after many wrong tries, beside the page; gives the challenge with its number. */
function done(work: ToWork): Promise<string> {
	const worker = new WorkWorker();
	return new Promise<string>((resolve, reject) => {
		worker.onmessage = ({ data }: MessageEvent<number>) => resolve(`${work.challenge} ${data}`);
		worker.onerror = (event) => reject(new Error(event.message));
		worker.postMessage(work);
	}).finally(() => worker.terminate());
}

/**
 * Sends what needs a password. Where there were many wrong tries, the server asks for work: `working` is told, and it is sent again with
 * that. Throws `ApiError`.
 */
export async function askWithPassword<T>(
	path: string,
	method: 'POST' | 'PUT',
	body: object,
	{ code = '', working = () => {} }: { readonly code?: string; readonly working?: () => void } = {}
): Promise<T> {
	const headers: Record<string, string> = code.trim() === '' ? {} : { 'skarn-code': code.trim() };
	let more: { work?: string } = {};
	for (let tries = 0; ; tries++)
		try {
			return await ask<T>(path, method, { ...body, ...more }, fetch, headers);
		} catch (error) {
			const work = error instanceof ApiError ? (error.problem['work'] as ToWork | undefined) : undefined;
			if (!work || tries > 3) throw error;
			working();
			more = { work: await done(work) };
		}
}
