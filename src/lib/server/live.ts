/** Something that open pages want to hear of. */
export interface Change {
	/** The application that it is about; left out for something of the whole office. */
	readonly application?: string;
	/** The revision that an edit has made; without it, anything else may have changed. */
	readonly revision?: number;
	/** The strata that the edit has changed. */
	readonly strata?: readonly string[];
	/** What of the office it is, where a page need not read everything anew. */
	readonly about?: 'program' | 'proposals' | 'setups' | 'people';
}

/** Proxies and browsers end a connection on which nothing comes for long. */
const HEARTBEAT_MS = 20_000;
/** Pages beyond these follow as they did before: when they come to the front and when they write. */
const MOST_LISTENERS = 2_000;

/** Tells open pages of changes at once (Server-sent events, HTML Living Standard 9.2). */
export class Live {
	/** With whose page it is. */
	readonly #listeners = new Map<ReadableStreamDefaultController<Uint8Array>, string>();
	readonly #encoder = new TextEncoder();
	readonly #relay: (change: Change) => void;
	#heart: ReturnType<typeof setInterval> | undefined;

	get listeners(): number {
		return this.#listeners.size;
	}

	/** `relay` tells other servers of the office. */
	constructor(relay: (change: Change) => void = () => {}) {
		this.#relay = relay;
	}

	/** Tells pages of all servers. */
	tell(change: Change): void {
		this.#relay(change);
		this.tellHere(change);
	}

	/** Tells the pages of this server. */
	tellHere(change: Change): void {
		this.#say(`data: ${JSON.stringify(change)}\n\n`);
	}

	/** Ends the streams of somebody who is not here any more. */
	dismiss(person: string): void {
		for (const [listener, of] of [...this.#listeners])
			if (of === person) {
				this.#drop(listener);
				listener.close();
			}
	}

	/** The stream for one page of somebody; undefined if too many are open. It ends when the page goes, or with `end`. */
	stream(person = ''): ReadableStream<Uint8Array> | undefined {
		if (this.#listeners.size >= MOST_LISTENERS) return undefined;
		let mine: ReadableStreamDefaultController<Uint8Array>;
		return new ReadableStream({
			start: (controller) => {
				mine = controller;
				this.#listeners.set(controller, person);
				this.#heart ??= setInterval(() => this.#say(': here\n\n'), HEARTBEAT_MS).unref();
				controller.enqueue(this.#encoder.encode('retry: 2000\n\n'));
			},
			cancel: () => this.#drop(mine)
		});
	}

	end(): void {
		for (const listener of [...this.#listeners.keys()]) {
			this.#drop(listener);
			listener.close();
		}
	}

	#drop(listener: ReadableStreamDefaultController<Uint8Array>): void {
		this.#listeners.delete(listener);
		if (this.#listeners.size > 0) return;
		clearInterval(this.#heart);
		this.#heart = undefined;
	}

	#say(text: string): void {
		const bytes = this.#encoder.encode(text);
		for (const listener of [...this.#listeners.keys()])
			try {
				// one that does not read is let go; its page connects again
				if (listener.desiredSize !== null && listener.desiredSize < -1_000) throw new Error('does not read');
				listener.enqueue(bytes);
			} catch {
				this.#drop(listener);
				try {
					listener.error(new Error('does not read'));
				} catch {
					// it is closed already
				}
			}
	}
}
