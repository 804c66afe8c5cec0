import {
	catalogueOf,
	CatalogueError,
	type Application,
	type Catalogue,
	type OpenApplication
} from '../../../../core/application/application.ts';
import type { Command } from '../../../../core/application/command.ts';
import type { AnyChange } from '../../../../core/chapter/chapter.ts';
import { contextSpace, type ContextSpace } from '../../../../core/context/space.ts';
import { stratumFrom } from '../../../../core/hand-over/profile-file.ts';
import { ALL_CHAPTERS } from '../../../../core/profile/chapters.ts';
import { indexOf } from '../../../../core/profile/circumstances.ts';
import { groundFor, problemsOf } from '../../../../core/profile/problems.ts';
import type { Profile, Stratum, StratumHead } from '../../../../core/strata/stratum.ts';
import { parseKeys, type Keys } from '../../../../core/stroke/stroke.ts';
import { inSlices } from '../pauses.ts';
import { Problem } from '../problem.ts';

export interface NewApplication {
	readonly application: Application;
	readonly commands: readonly Command[];
	readonly strata: readonly StratumHead[];
	/** What the factory says, by chapter. */
	readonly factory: Readonly<Record<string, readonly unknown[]>>;
}

export const notSound = (problems: readonly string[]) =>
	new Problem(422, 'not-sound', problems[0]!, { errors: problems.slice(0, 50).map((detail) => ({ detail })) });

export function refuseForeignScope(
	space: ContextSpace,
	{ scopeOf, words }: (typeof ALL_CHAPTERS)[number],
	said: unknown,
	where: string
): void {
	const scope = scopeOf?.(said);
	if (!scope) return;
	try {
		space.bitsOf(scope);
	} catch (error) {
		throw notSound([`${where}, a ${words.one}: ${(error as Error).message}`]);
	}
}

/** Throws `Problem` 422 for keys that are none, or that Skarn spells otherwise. */
export function refuseUncanonical(keys: Keys, where: string): void {
	let canonical: Keys;
	try {
		canonical = parseKeys(keys);
	} catch (error) {
		throw notSound([`${where}: ${(error as Error).message}`]);
	}
	if (canonical !== keys) throw notSound([`${where}: the keys must be written ${canonical}`]);
}

/** Throws `Problem` 422 if the application, its catalogue, strata and factory do not fit together; gives the factory's stratum. */
export function refuseUnsound({
	application,
	commands: list,
	strata: heads,
	factory
}: Pick<NewApplication, 'application' | 'commands' | 'strata' | 'factory'>): Stratum {
	const space = contextSpace(application.axes, application.reachable);
	const twice = heads.find((head, i) => heads.findIndex((h) => h.id === head.id) !== i);
	if (twice) throw notSound([`two levels are called "${twice.id}"; expected a different id for each`]);
	const factories = heads.filter((head) => head.kind === 'factory');
	if (factories.length !== 1) throw notSound([`expected one factory level, found ${factories.length}`]);
	if (heads[0]!.kind !== 'factory') throw notSound(['the factory level must be first, below all others']);
	let catalogue: Catalogue;
	try {
		catalogue = catalogueOf(list, space);
	} catch (error) {
		if (!(error instanceof CatalogueError)) throw error;
		throw new Problem(422, 'not-sound', error.message, { errors: error.problems.slice(0, 50).map((detail) => ({ detail })) });
	}
	for (const { keys, does } of application.rules.hardwired) refuseUncanonical(keys, `the kept key that ${does}`);
	const base = stratumFrom(factories[0]!, (chapter) => factory[chapter] ?? []);
	const empty: Profile = [{ ...base, contents: {} }];
	const index = indexOf({ application, space, catalogue }, empty);
	for (const chapter of ALL_CHAPTERS) {
		const said = factory[chapter.id] ?? [];
		const seen = new Set<string>();
		for (const one of chapter.form === 'keyed' ? said : []) {
			const { op } = one as { op: string };
			const { key } = chapter.keyOf(one);
			const named = `the factory ${chapter.words.one} ${key.replaceAll('\n', ' ').trim()}`;
			if (op !== 'set') throw notSound([`${named}: expected the op set, found ${op}`]);
			if (seen.has(key)) throw notSound([`${named} appears twice`]);
			seen.add(key);
		}
		const changes = said.map((one) =>
			chapter.form === 'keyed' ? { stratum: base.id, before: null, after: one } : { stratum: base.id, from: null, to: one }
		);
		const [problem] = changes.length > 0 ? chapter.problems(changes, { index, profile: empty }) : [];
		if (problem) throw notSound([`the factory ${chapter.words.one}: ${problem.message}`]);
	}
	return base;
}

/** So many changes are judged without a pause. */
const SLICE = 500;

/** Throws `Problem` 422 with all that stands against the changes on the profile that their writer looks at. Each is judged by itself. */
export async function refuseProblems(
	application: OpenApplication,
	profile: Profile,
	changes: readonly AnyChange[]
): Promise<void> {
	const ground = groundFor(application, profile, changes);
	const found = await inSlices(changes, SLICE, (slice, from) =>
		problemsOf(slice, ground).map(({ index, message }) => ({ index: from + index, message }))
	);
	const problems = found.flat();
	if (problems.length > 0)
		throw new Problem(422, 'not-sound', problems[0]!.message, {
			errors: problems.slice(0, 50).map((p) => ({ pointer: `/changes/${p.index}`, detail: p.message }))
		});
}
