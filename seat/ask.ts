/** What a seat asks of the office: no answer may take forever, nor be endless. */

/** The answer was not taken: it was too long, came too slowly, or not at all. */
export class AnswerError extends Error {
	override name = 'AnswerError';
}

export type Fetch = (url: string, init?: RequestInit) => Promise<Response>;

/** How long a seat waits, in ms, and how fast an answer must come at least, in bytes a second. */
export interface Patience {
	/** Until the answer begins, and between two parts of it. */
	readonly silence: number;
	readonly slowest: number;
}

export const PATIENCE: Patience = { silence: 15_000, slowest: 32_000 };

/** Answers other than files have at most so many bytes. */
export const MOST_OF_ANSWER = 64_000;

export interface Answer {
	readonly ok: boolean;
	readonly status: number;
	readonly bytes: Uint8Array;
}

/**
 * Asks and reads the whole answer, of at most so many bytes. In all it may take the silence that is waited for, and the time in which the
 * most that it may have comes at the slowest. Throws `AnswerError`.
 */
export async function ask(
	get: Fetch,
	url: string,
	{ most = MOST_OF_ANSWER, patience = PATIENCE, ...init }: RequestInit & { most?: number; patience?: Patience } = {}
): Promise<Answer> {
	const stop = new AbortController();
	const whole = patience.silence + (most / patience.slowest) * 1_000;
	const end = setTimeout(
		() => stop.abort(new AnswerError(`the server answered too slowly: not finished after ${seconds(whole)}`)),
		whole
	);
	let silence: ReturnType<typeof setTimeout> | undefined;
	const listen = () => {
		clearTimeout(silence);
		silence = setTimeout(
			() => stop.abort(new AnswerError(`the server did not answer for ${seconds(patience.silence)}`)),
			patience.silence
		);
	};
	/** Whoever answers may never settle: what was waited for ends with the patience. */
	const ended = new Promise<never>((_, refuse) => {
		stop.signal.addEventListener('abort', () => refuse(stop.signal.reason as Error), { once: true });
	});
	ended.catch(() => {});
	try {
		listen();
		const asked = { ...init, signal: stop.signal, redirect: 'error' } as const;
		const response = await Promise.race([get(url, asked).catch(onceMore(() => get(url, asked))), ended]);
		const chunks: Uint8Array[] = [];
		let size = 0;
		const reader = response.body?.getReader();
		for (;;) {
			listen();
			const part = reader && (await Promise.race([reader.read(), ended]));
			if (!part || part.done) break;
			size += part.value.byteLength;
			if (size > most) throw new AnswerError(`the answer is longer than ${most} bytes`);
			chunks.push(part.value);
		}
		return { ok: response.ok, status: response.status, bytes: Buffer.concat(chunks) };
	} catch (error) {
		// the rest is not read any more
		if (!stop.signal.aborted) stop.abort(error);
		throw stop.signal.reason instanceof AnswerError ? stop.signal.reason : error;
	} finally {
		clearTimeout(end);
		clearTimeout(silence);
	}
}

/** Where a path of the office is; it never leads to another server. */
export function within(server: string, path: string): string {
	const url = new URL(path, server);
	if (url.origin !== new URL(server).origin) throw new AnswerError(`${path} leads to another server, ${url.origin}`);
	return url.href;
}

/** The other side may close a line that was idle in the moment in which it is asked on: then it was not asked, and is asked once more. */
const onceMore =
	(again: () => Promise<Response>) =>
	(error: unknown): Promise<Response> => {
		const { code } = ((error as Error).cause ?? {}) as { code?: string };
		return code === 'UND_ERR_SOCKET' || code === 'ECONNRESET' ? again() : Promise.reject(error as Error);
	};

const seconds = (ms: number): string => `${Math.round(ms / 100) / 10} s`;

/** The answer as JSON. Throws `AnswerError` for any other. */
export function jsonOf({ bytes }: Answer): unknown {
	try {
		return JSON.parse(Buffer.from(bytes).toString('utf8'));
	} catch {
		throw new AnswerError('the answer is not JSON');
	}
}
