import { SvelteMap } from 'svelte/reactivity';
import type { StratumId } from '$core/strata/stratum';
import type { Blamed, Maker } from '$lib/server/blames';
import { ask } from './api';

/** Something of a stratum: a thing of a keyed chapter, or the line of a text. */
export interface Blamable {
	readonly stratum: StratumId;
	readonly chapter: string;
	/** What `keyOf` of the chapter calls it, or the number of the line. */
	readonly thing: string | number;
}

interface Asking {
	readonly path: string;
	readonly revision: number;
}

/** Who said what last, asked of the server for what is looked at, and again when there is a newer edit. */
export class Blames {
	readonly #workspace: Asking;
	readonly #told = new SvelteMap<string, Blamed>();
	/** Up to which revision each was asked. */
	readonly #asked = new Map<string, number>();

	constructor(workspace: Asking) {
		this.#workspace = workspace;
	}

	/** What is known of it; undefined while it is not known, and where no edit has said it. */
	of({ stratum, chapter, thing }: Blamable): Maker | undefined {
		const told = this.#told.get(`${stratum}\n${chapter}`);
		if (!told) return undefined;
		const revision = typeof thing === 'number' ? told.lines[thing - 1] : told.things[thing];
		return revision === undefined ? undefined : told.makers[revision];
	}

	/** Asks if there is anything newer than what is known. What cannot be asked is asked again with the next edit. */
	async want({ stratum, chapter }: Omit<Blamable, 'thing'>): Promise<void> {
		const { path, revision } = this.#workspace;
		const place = `${stratum}\n${chapter}`;
		if ((this.#asked.get(place) ?? -1) >= revision) return;
		this.#asked.set(place, revision);
		const before = this.#told.get(place);
		try {
			const query = new URLSearchParams({ stratum, chapter, after: String(before?.revision ?? 0) });
			const told = await ask<Blamed>(`${path}/blame?${query}`);
			if ((this.#told.get(place)?.revision ?? -1) > told.revision) return;
			this.#told.set(place, {
				revision: told.revision,
				lines: told.lines,
				things: { ...before?.things, ...told.things },
				makers: { ...before?.makers, ...told.makers }
			});
		} catch {
			// it is said beside other things, and nothing depends on it
		}
	}
}
