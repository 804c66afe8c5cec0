import '$core/recipe/shapes/all';
import highs from 'highs';
import wasmUrl from 'highs/runtime?url';
import { suggestAliasSet, type AliasSet, type Solve } from '$core/chapters/aliases/suggest-set';
import { aliasTable } from '$core/chapters/aliases/table';
import type { AliasInput } from '$core/application/command-line';
import type { Profile } from '$core/strata/stratum';
import type { Command } from '$core/application/command';

export interface ToAliasSet {
	readonly strata: Profile;
	readonly input: AliasInput;
	readonly commands: readonly Command[];
	/** For which of them aliases are wanted. */
	readonly wanted: readonly string[];
}

export type FromAliasSet = { readonly set: AliasSet } | { readonly problem: string };

self.onmessage = async ({ data }: MessageEvent<ToAliasSet>) => {
	try {
		const solver = await highs({ locateFile: () => wasmUrl });
		const solve: Solve = (model) => {
			const { Status, Columns } = solver.solve(model, { time_limit: 20 });
			const values = Object.entries(Columns).map(([name, column]) => [name, 'Primal' in column ? column.Primal : 0] as const);
			return { status: Status, values: Object.fromEntries(values) };
		};
		const table = aliasTable(data.strata, data.input);
		const catalogue = new Map(data.commands.map((c) => [c.id, c]));
		const commands = data.commands.filter((c) => data.wanted.includes(c.id));
		self.postMessage({ set: suggestAliasSet(table, catalogue, commands, solve) } satisfies FromAliasSet);
	} catch (error) {
		self.postMessage({ problem: (error as Error).message } satisfies FromAliasSet);
	}
};
