import { distance } from 'fastest-levenshtein';

/** Answers for so many names are kept. */
const MOST_KNOWN = 1_000;

/** Finds which of many names, which stay the same, is spelt most like a given one. */
export class Spellings {
	readonly #names: readonly string[];
	readonly #answers = new Map<string, string | undefined>();
	readonly #longest: number;
	/** The last name that was not known yet, and how far from it each of the names lies at least. */
	#last = '';
	readonly #least: Uint16Array;

	constructor(names: Iterable<string>) {
		this.#names = [...names];
		this.#longest = this.#names.reduce((longest, name) => Math.max(longest, name.length), 0);
		this.#least = Uint16Array.from(this.#names, (name) => name.length);
	}

	/** The first of the nearest, if at most a third of the letters must be put, taken or exchanged (Levenshtein 1966). */
	nearest(name: string): string | undefined {
		if (name.length - Math.floor(name.length / 3) > this.#longest) return undefined;
		if (this.#answers.has(name)) return this.#answers.get(name);
		const found = this.#find(name);
		if (this.#answers.size >= MOST_KNOWN) this.#answers.clear();
		this.#answers.set(name, found);
		return found;
	}

	/**
	 * Distances are a metric: what lay `d` from the last name lies at least `d - shift` from one that lies `shift` from that.
	 * Who types a name letter by letter has it compared with few.
	 */
	#find(name: string): string | undefined {
		const least = this.#least;
		const shift = distance(this.#last, name);
		this.#last = name;
		let most = Math.floor(name.length / 3);
		let found: string | undefined;
		for (let i = 0; i < least.length; i++) {
			const other = this.#names[i]!;
			least[i] = Math.max(least[i]! - shift, Math.abs(other.length - name.length));
			if (least[i]! > most || (least[i] === most && found !== undefined)) continue;
			const exact = (least[i] = distance(name, other));
			if (exact > most || (exact === most && found !== undefined)) continue;
			found = other;
			most = exact;
		}
		return found;
	}
}
