import { eq } from 'drizzle-orm';
import type { OwnInput } from '../../../../core/application/catalogue-table.ts';
import type { CommandId } from '../../../../core/application/command.ts';
import type { AnyChange } from '../../../../core/chapter/chapter.ts';
import { contextSpace } from '../../../../core/context/space.ts';
import { addedToFactory } from '../../../../core/hand-over/factory-of.ts';
import type { Person } from '../../../../core/people/person.ts';
import { ALL_CHAPTERS } from '../../../../core/profile/chapters.ts';
import { applyAnywhere, type Edit } from '../../../../core/profile/edit.ts';
import { afterCatalogue, followingRenames, type Renames, type StratumAfterCatalogue } from '../../../../core/profile/renames.ts';
import { writingAs } from '../../../../core/strata/role.ts';
import type { Profile } from '../../../../core/strata/stratum.ts';
import type { RowTransaction } from '../db/database.ts';
import { applications, commands } from '../db/schema.ts';
import { notSound, refuseForeignScope, refuseUncanonical, refuseUnsound, type NewApplication } from './sound.ts';
import { writeCommands, writeEdit, writeOutcome } from './tables.ts';
import type { Workspace } from './workspace.ts';

/** What an application is to be. */
export interface ChangedApplication extends Pick<NewApplication, 'application' | 'commands'> {
	readonly renamed?: Renames;
	/** The keys and typed names that the program brings for commands that are new in it. */
	readonly defaults?: readonly OwnInput[];
}

/** All that is written when an application changes, worked out before any of it is. */
export interface ApplicationChange extends ChangedApplication {
	/** Of the factory: what follows to new ids, and what it says of new commands. */
	readonly factory: readonly AnyChange[];
	/** Typed names that the format of the factory's alias file cannot say. */
	readonly left: readonly OwnInput[];
	readonly edits: readonly Edit[];
	/** What it means for each stratum that speaks of what is renamed or gone, the factory among them. */
	readonly strata: readonly StratumAfterCatalogue[];
	/** Whether commands come, go, or get another id. */
	readonly movesCommands: boolean;
	readonly after: Profile;
}

/** What becomes of the application and of all its strata. Throws `Problem` 422 for what does not fit together. */
export function applicationChange(
	{ application: { id }, commands: former, profile, revision }: Workspace,
	changed: ChangedApplication,
	person: Person,
	now: Date
): ApplicationChange {
	const { application, commands: list, renamed = new Map(), defaults = [] } = changed;
	if (application.id !== id) throw notSound([`The id cannot change: expected "${id}", found "${application.id}".`]);
	// what is said of commands that are gone stays, and is told as orphans
	refuseUnsound({ application, commands: list, strata: profile, factory: {} });
	const space = contextSpace(application.axes, application.reachable);
	for (const stratum of profile)
		for (const chapter of ALL_CHAPTERS)
			for (const said of chapter.list(chapter.contentIn(stratum))) refuseForeignScope(space, chapter, said, stratum.name);
	const was = new Set(former.map((c) => c.id));
	const is = new Set(list.map((c) => c.id));
	refuseRenames(renamed, was, is);
	for (const { command, keys } of defaults) {
		if (was.has(command) || !is.has(command))
			throw notSound([`a default of ${command}: expected a command that is new in this catalogue`]);
		if (keys) refuseUncanonical(keys, `a default of ${command}`);
	}

	const lowest = profile.find((stratum) => stratum.kind === 'factory')!;
	const follows = followingRenames(lowest, renamed);
	const followed = applyAnywhere([lowest], follows);
	const { changes: added, left } = addedToFactory(followed[0]!, defaults);
	const factory = [...follows, ...added];
	let after: Profile = profile.map((stratum) => (stratum === lowest ? applyAnywhere([stratum], factory)[0]! : stratum));
	const edits: Edit[] = [];
	for (const { id: stratum, kind } of profile) {
		if (kind === 'factory') continue;
		const changes = followingRenames(
			after.find((s) => s.id === stratum)!,
			renamed
		);
		if (changes.length === 0) continue;
		after = applyAnywhere(after, changes);
		edits.push({
			revision: revision + edits.length + 1,
			at: now.toISOString(),
			role: writingAs(person.role, kind),
			by: person.id,
			stratum,
			label: 'Commands have new ids',
			changes
		});
	}
	const gone = new Set([...was].filter((command) => !is.has(command) && !renamed.has(command)));
	return {
		...changed,
		factory,
		left,
		edits,
		strata: afterCatalogue(profile, renamed, gone),
		movesCommands: gone.size > 0 || renamed.size > 0 || [...is].some((command) => !was.has(command)),
		after
	};
}

function refuseRenames(renamed: Renames, was: ReadonlySet<CommandId>, is: ReadonlySet<CommandId>): void {
	const taken = new Set<CommandId>();
	for (const [from, to] of renamed) {
		if (!was.has(from) || is.has(from)) throw notSound([`${from} → ${to}: expected a command that is gone from this catalogue`]);
		if (!is.has(to) || was.has(to)) throw notSound([`${from} → ${to}: expected a command that is new in this catalogue`]);
		if (taken.has(to)) throw notSound([`${from} → ${to}: another command is already renamed to it`]);
		taken.add(to);
	}
}

/** Writes all of it. */
export async function writeApplicationChange(tx: RowTransaction, id: string, change: ApplicationChange): Promise<void> {
	const { application, commands: list, factory, edits, after } = change;
	const revision = edits.at(-1)?.revision;
	await tx
		.update(applications)
		.set({ body: application, ...(revision !== undefined && { revision }) })
		.where(eq(applications.id, id));
	await tx.delete(commands).where(eq(commands.application, id));
	await writeCommands(tx, id, list);
	await writeOutcome(tx, id, after, factory);
	for (const edit of edits) await writeEdit(tx, id, edit, after);
}
