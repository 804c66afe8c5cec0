import '$core/recipe/shapes/all';
import { aliasReport, type AliasReport, type AliasSetting, type AliasStrata } from '$core/alias/report';
import type { Catalogue } from '$core/application/application';
import type { Command } from '$core/application/command';

export type ToAliases =
	| { readonly kind: 'start'; readonly commands: readonly Command[] }
	| { readonly kind: 'setting'; readonly setting: AliasSetting }
	| { readonly kind: 'ask'; readonly n: number; readonly strata: AliasStrata };

/** The findings come first, since people wait for them as they type; the rows of the table follow. */
export type FromAliases = { readonly n: number } & (Pick<AliasReport, 'findings'> | Pick<AliasReport, 'rows'>);

let catalogue: Catalogue = new Map();
let setting: AliasSetting;
let last: AliasStrata | undefined;

self.onmessage = ({ data }: MessageEvent<ToAliases>) => {
	if (data.kind === 'start') catalogue = new Map(data.commands.map((command) => [command.id, command]));
	else if (data.kind === 'setting') setting = data.setting;
	else {
		const say = (message: FromAliases) => self.postMessage(message);
		const report = aliasReport(data.strata, setting, catalogue, last);
		last = data.strata;
		say({ n: data.n, findings: report.findings });
		say({ n: data.n, rows: report.rows });
	}
};
