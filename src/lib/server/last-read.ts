import { createHash } from 'node:crypto';
import type { RequestEvent } from '@sveltejs/kit';

/** So much is kept of what was answered, in characters, and of one answer. */
const MOST = 24_000_000;
const MOST_OF_ONE = 6_000_000;

/**
 * What each reader was answered last, so that reading goes on while the database is away, or held by a long transaction. The oldest
 * goes first.
 */
export class LastRead {
	readonly #kept = new Map<string, { readonly text: string; readonly writes: number }>();
	#size = 0;

	/** Answers the value as JSON, and keeps it for who asked; `writes` counts what had been written when it was asked for. */
	keep(event: RequestEvent, value: unknown, writes: number): Response {
		const text = JSON.stringify(value);
		const key = keyOf(event);
		if (key !== undefined && text.length <= MOST_OF_ONE) {
			this.#drop(key);
			this.#kept.set(key, { text, writes });
			this.#size += text.length;
			for (const oldest of this.#kept.keys()) {
				if (this.#size <= MOST) break;
				this.#drop(oldest);
			}
		}
		return jsonText(text);
	}

	/**
	 * What this reader was answered last, if nothing was written since where `writes` is given; undefined for a write, and for what was
	 * not read before.
	 */
	of(event: RequestEvent, writes?: number): Response | undefined {
		const key = keyOf(event);
		const kept = key === undefined ? undefined : this.#kept.get(key);
		if (!kept || (writes !== undefined && kept.writes !== writes)) return undefined;
		// RFC 9111, 5.2.2: nobody keeps it for longer
		return jsonText(kept.text, { 'cache-control': 'no-store' });
	}

	#drop(key: string): void {
		this.#size -= this.#kept.get(key)?.text.length ?? 0;
		this.#kept.delete(key);
	}
}

const jsonText = (text: string, headers: Record<string, string> = {}): Response =>
	new Response(text, { headers: { 'content-type': 'application/json', ...headers } });

/** Who asks for what; undefined where it is no reading. */
function keyOf({ request, url }: RequestEvent): string | undefined {
	if (request.method !== 'GET') return undefined;
	const who = [request.headers.get('cookie') ?? '', request.headers.get('authorization') ?? ''].join('\n');
	return createHash('sha256').update(`${who}\n${url.pathname}${url.search}`).digest('base64');
}
