import '$core/recipe/shapes/all';
import {
	aliasReport,
	type AliasReportFinding,
	type AliasRow,
	type AliasSetting,
	type AliasStrata
} from '$core/chapters/aliases/report';
import { aliasSight, type AliasLook, type AliasSight } from '$core/chapters/aliases/sight';
import { soundWays, type AliasWay } from '$core/chapters/aliases/sound-ways';
import type { Catalogue } from '$core/application/application';
import type { Command } from '$core/application/command';

export type ToAliases =
	| { readonly kind: 'start'; readonly commands: readonly Command[] }
	| { readonly kind: 'setting'; readonly setting: AliasSetting }
	| { readonly kind: 'ask'; readonly n: number; readonly strata: AliasStrata; readonly look: AliasLook }
	/** Which ways out of a finding are sound in what was asked about last. */
	| { readonly kind: 'try'; readonly n: number; readonly finding: AliasReportFinding };

/** What is seen of the findings comes first, since people wait for it as they type; the rows of the table follow. */
export type FromAliases =
	| { readonly n: number; readonly sight: AliasSight }
	| { readonly rows: readonly AliasRow[] }
	| { readonly tried: number; readonly ways: readonly AliasWay[] };

/** So long after the last key the rows follow, in milliseconds. */
const ROWS_AFTER = 250;

let catalogue: Catalogue = new Map();
let setting: AliasSetting;
let last: AliasStrata | undefined;
let rows: ReturnType<typeof setTimeout> | undefined;

const say = (message: FromAliases) => self.postMessage(message);

export const hear = ({ data }: MessageEvent<ToAliases>) => {
	if (data.kind === 'start') catalogue = new Map(data.commands.map((command) => [command.id, command]));
	else if (data.kind === 'setting') setting = data.setting;
	else if (data.kind === 'try') say({ tried: data.n, ways: last ? soundWays(last, setting, catalogue, data.finding) : [] });
	else {
		clearTimeout(rows);
		const report = aliasReport(data.strata, setting, catalogue, last);
		const isFirst = last === undefined;
		last = data.strata;
		say({ n: data.n, sight: aliasSight(report.found, data.look) });
		rows = setTimeout(() => say({ rows: report.rows }), isFirst ? 0 : ROWS_AFTER);
	}
};
