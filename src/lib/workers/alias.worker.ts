import { aliasReport, type AliasReport, type AliasSetting, type AliasStrata } from '$core/alias/report';
import type { Catalogue } from '$core/application/application';
import type { Command } from '$core/application/command';

export type ToAliases =
	| { readonly kind: 'start'; readonly commands: readonly Command[] }
	| { readonly kind: 'setting'; readonly setting: AliasSetting }
	| { readonly kind: 'ask'; readonly n: number; readonly strata: AliasStrata };

export interface FromAliases {
	readonly n: number;
	readonly report: AliasReport;
}

let catalogue: Catalogue = new Map();
let setting: AliasSetting;

self.onmessage = ({ data }: MessageEvent<ToAliases>) => {
	if (data.kind === 'start') catalogue = new Map(data.commands.map((command) => [command.id, command]));
	else if (data.kind === 'setting') setting = data.setting;
	else self.postMessage({ n: data.n, report: aliasReport(data.strata, setting, catalogue) } satisfies FromAliases);
};
