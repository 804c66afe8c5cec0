import { Blame } from '../../../core/profile/blame.ts';
import { chapterOf } from '../../../core/profile/chapters.ts';
import type { Edit } from '../../../core/profile/edit.ts';
import type { StratumId } from '../../../core/strata/stratum.ts';
import { pauses } from './pauses.ts';
import { Problem } from './problem.ts';
import type { Profiles } from './profiles.ts';

/** Who made an edit, when, and what it was called. */
export type Maker = Pick<Edit, 'by' | 'at' | 'label'>;

/** Who said what last of one chapter of one stratum. */
export interface Blamed {
	/** The revision up to which this is said. */
	readonly revision: number;
	/** By thing the revision, of a keyed chapter: those after the revision that was asked for. */
	readonly things: Readonly<Record<string, number>>;
	/** By line the revision, of a text; 0 is before all edits. */
	readonly lines: readonly number[];
	/** The edits that are spoken of. */
	readonly makers: Readonly<Record<number, Maker>>;
}

/** So many applications are kept followed. */
const MOST = 20;

/** Who said what: worked out from all edits when somebody asks first, and followed from then on. */
export class Blames {
	readonly #profiles: Profiles;
	readonly #followed = new Map<string, Promise<{ blame: Blame; makers: Map<number, Maker> }>>();

	constructor(profiles: Profiles) {
		this.#profiles = profiles;
	}

	/** An application is there no more. */
	forget(): void {
		this.#followed.clear();
	}

	/** Throws `Problem` 404 for an application or a stratum that is not here, 422 for no chapter. */
	async of(application: string, stratum: StratumId, chapter: string, after: number): Promise<Blamed> {
		const { profile } = await this.#profiles.load(application);
		if (!profile.some(({ id }) => id === stratum))
			throw new Problem(404, 'not-found', `${application} has no level "${stratum}".`);
		const { form } = refuseNone(chapter);
		const { blame, makers } = await this.#follow(application);
		const lines = form === 'text' ? blame.lines(stratum, chapter) : [];
		const things = [...blame.things(stratum, chapter)].filter(([, revision]) => revision > after);
		const spoken = new Set([...lines, ...things.map(([, revision]) => revision)]);
		return {
			revision: blame.revision,
			things: Object.fromEntries(things),
			lines,
			makers: Object.fromEntries(
				[...spoken].flatMap((revision) => (makers.has(revision) ? [[revision, makers.get(revision)!]] : []))
			)
		};
	}

	/** Up to the last edit; several that ask at once wait for one. */
	#follow(application: string): Promise<{ blame: Blame; makers: Map<number, Maker> }> {
		const before = this.#followed.get(application) ?? Promise.resolve(undefined);
		const next = before
			.catch(() => undefined)
			.then(async (held) => {
				const { profile, revision } = await this.#profiles.load(application);
				if (held?.blame.revision === revision) return held;
				// of an application that came anew under its former id nothing is known
				const isKnown = held !== undefined && held.blame.revision < revision;
				const edits = await this.#profiles.editsSince(application, isKnown ? held.blame.revision : 0);
				const upTo = edits.filter((edit) => edit.revision <= revision);
				const { blame, makers } = isKnown
					? held
					: { blame: await inSteps(Blame.after(profile, upTo)), makers: new Map<number, Maker>() };
				if (isKnown) for (const edit of upTo) blame.follow(edit);
				for (const { revision: number, by, at, label } of upTo) makers.set(number, { by, at, label });
				return { blame, makers };
			});
		if (!this.#followed.has(application) && this.#followed.size >= MOST)
			this.#followed.delete(this.#followed.keys().next().value!);
		this.#followed.set(application, next);
		next.catch(() => this.#followed.delete(application));
		return next;
	}
}

/** Works it out without keeping others waiting for longer than a moment. */
async function inSteps<T>(work: Generator<undefined, T>): Promise<T> {
	const rest = pauses();
	for (let step = work.next(); ; step = work.next()) {
		if (step.done) return step.value;
		await rest();
	}
}

function refuseNone(chapter: string) {
	try {
		return chapterOf(chapter);
	} catch (error) {
		throw new Problem(422, 'not-sound', (error as Error).message);
	}
}
