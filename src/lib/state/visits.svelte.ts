import { z } from 'zod';
import { remember, remembered, rememberedList, rememberList } from './remembered';

const Visit = z.object({ path: z.string(), name: z.string() });
export type Visit = z.infer<typeof Visit>;

const MOST = 5;

/** Where somebody was last in a program, and which revision they saw; kept in this browser. */
export class Visits {
	readonly #key: string;
	/** The last places, the newest first. */
	list = $state.raw<readonly Visit[]>([]);
	/** The revision when the browser was last closed on this program; undefined on a first visit. */
	readonly seen: number | undefined;

	constructor(application: string) {
		this.#key = `visits ${application}`;
		this.list = rememberedList(this.#key, z.array(Visit));
		const seen = Number(remembered(`seen ${application}`) ?? NaN);
		this.seen = Number.isInteger(seen) ? seen : undefined;
	}

	/** The path with what was looked at, as in `commands?command=solid.box`. */
	add(visit: Visit): void {
		this.list = [visit, ...this.list.filter((v) => v.path !== visit.path)].slice(0, MOST);
		rememberList(this.#key, this.list);
	}

	/** What is read now need not be told next time. */
	static see(application: string, revision: number): void {
		remember(`seen ${application}`, String(revision));
	}
}
