import { catalogueOf, type Application } from '$core/application/application';
import type { Command } from '$core/application/command';
import { contextSpace } from '$core/context/space';
import type { Desk } from '$core/keyboard/desk';
import { circumstancesOf } from '$core/profile/circumstances';
import { heldBy, listName, type HeldError } from '$core/release/held';
import type { Profile, Stratum } from '$core/strata/stratum';

export interface ToHeld {
	readonly application: Application;
	readonly commands: readonly Command[];
	readonly desks: readonly Desk[];
	/** The office stratum as the seats have it; null before the first release. */
	readonly released: Stratum | null;
	readonly lists: readonly Profile[];
}

/** A list of strata with the errors in it that no list before it has. */
export interface HeldList {
	readonly name: string;
	readonly errors: readonly HeldError[];
}

export type FromHeld =
	{ readonly kind: 'progress'; readonly done: number } | { readonly kind: 'found'; readonly held: readonly HeldList[] };

const say = (message: FromHeld) => self.postMessage(message);

export const hear = ({ data }: MessageEvent<ToHeld>) => {
	const { application, commands, desks, released, lists } = data;
	const space = contextSpace(application.axes, application.reachable);
	const subject = { application, space, catalogue: catalogueOf(commands, space) };
	const told = new Set<string>();
	const held: HeldList[] = [];
	for (const [i, strata] of lists.entries()) {
		say({ kind: 'progress', done: i / lists.length });
		const found = heldBy(strata, circumstancesOf(subject, strata, desks, released), released);
		const errors = found.filter(({ finding }) => !told.has(finding));
		for (const { finding } of errors) told.add(finding);
		if (errors.length > 0) held.push({ name: listName(strata), errors });
	}
	say({ kind: 'found', held });
};
