/** So many bytes of what is signed are kept in memory. */
const MOST_BYTES = 64_000_000;

/** What was asked for, as bytes; begun anew when it gets too much. */
export class Bodies {
	readonly #bodies = new Map<string, Buffer>();
	#bytes = 0;

	get(name: string): Buffer | undefined {
		return this.#bodies.get(name);
	}

	keep(name: string, text: string): void {
		const bytes = Buffer.from(text, 'utf8');
		if (this.#bytes + bytes.length > MOST_BYTES) this.clear();
		this.#bodies.set(name, bytes);
		this.#bytes += bytes.length;
	}

	delete(name: string): void {
		this.#bytes -= this.#bodies.get(name)?.length ?? 0;
		this.#bodies.delete(name);
	}

	clear(): void {
		this.#bodies.clear();
		this.#bytes = 0;
	}
}
