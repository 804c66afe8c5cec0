import { z } from 'zod';
import { rememberedList, rememberList } from './remembered';

const RecentFile = z.array(z.object({ name: z.string(), text: z.string(), at: z.number() }));
/** One of the last files that somebody opened here. */
export type RecentFile = z.infer<typeof RecentFile>[number];

const MOST = 4;
/** Longer texts are not kept, so that the browser's storage lasts. */
const LONGEST = 200_000;

/** The last files that were opened in a view, kept in this browser. */
export class RecentFiles {
	readonly #key: string;
	list = $state.raw<readonly RecentFile[]>([]);

	constructor(view: string) {
		this.#key = `recent ${view}`;
		this.list = rememberedList(this.#key, RecentFile);
	}

	/** Puts the file first; one of the same name goes. */
	add(name: string, text: string): void {
		if (text.length > LONGEST) return;
		this.list = [{ name, text, at: Date.now() }, ...this.list.filter((f) => f.name !== name)].slice(0, MOST);
		rememberList(this.#key, this.list);
	}
}
