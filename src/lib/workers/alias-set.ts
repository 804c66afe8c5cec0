import '$core/recipe/shapes/all';
import { suggestAliasSet, type AliasSet } from '$core/chapters/aliases/suggest-set';
import { aliasTable } from '$core/chapters/aliases/table';
import type { AliasInput } from '$core/application/command-line';
import type { Profile } from '$core/strata/stratum';
import type { Command } from '$core/application/command';
import { solver } from './solver';

export interface ToAliasSet {
	readonly strata: Profile;
	readonly input: AliasInput;
	readonly commands: readonly Command[];
	/** For which of them aliases are wanted. */
	readonly wanted: readonly string[];
}

export type FromAliasSet = { readonly set: AliasSet } | { readonly problem: string };

export const hear = async ({ data }: MessageEvent<ToAliasSet>) => {
	try {
		const table = aliasTable(data.strata, data.input);
		const catalogue = new Map(data.commands.map((c) => [c.id, c]));
		const commands = data.commands.filter((c) => data.wanted.includes(c.id));
		self.postMessage({ set: suggestAliasSet(table, catalogue, commands, await solver()) } satisfies FromAliasSet);
	} catch (error) {
		self.postMessage({ problem: (error as Error).message } satisfies FromAliasSet);
	}
};
