import type { Catalogue } from '../../application/application.ts';
import type { Acceptable } from '../../check/acceptance.ts';
import type { Severity } from '../../check/severity.ts';
import type { FileProblem } from '../../format/problem.ts';
import type { Profile, StratumId, StratumKind } from '../../strata/stratum.ts';
import { changeRecord, removeRecord, switchRecord } from '../../recipe/reading.ts';
import { NotWritableError, type Splice } from '../../recipe/record.ts';
import { aliasAcceptable } from './acceptance.ts';
import { checkAliases } from './check.ts';
import { aliasCost } from './cost.ts';
import { ALIASES, aliasLines, emptyAliasFile, type AliasFile } from './file.ts';
import type { AliasFinding, AliasFix, AliasRuleId } from './finding.ts';
import type { AliasInput } from '../../application/command-line.ts';
import { commandNames } from './names.ts';
import { ALIAS_RULES } from './rules/rules.ts';
import { aliasTable, type AliasEntry } from './table.ts';

/** A line of an alias file as people see it in a table. Plain data, so that a worker can send it. */
export interface AliasRow {
	readonly stratum: StratumId;
	readonly kind: StratumKind;
	/** Its line in the file, and its number among the records. */
	readonly line: number;
	readonly record: number;
	readonly alias: string;
	readonly command: string;
	readonly note: string;
	readonly locks: boolean;
	readonly state: 'holds' | 'off' | 'twice' | 'covered' | 'locked' | 'nothing';
	/** Seconds. */
	readonly cost: number;
}

export interface AliasReportFinding {
	readonly rule: AliasRuleId | 'unknown';
	readonly title: string;
	readonly severity: Severity;
	readonly stratum: StratumId;
	readonly line: number;
	/** Where it shows in the text of the file. */
	readonly start: number;
	readonly end: number;
	readonly typed: string;
	readonly sentence: string;
	readonly acceptable: Acceptable | undefined;
	/** Ways out as changes of the text; of the file that the finding stands in, or of that of `stratum`. */
	readonly fixes: readonly { readonly label: string; readonly stratum: StratumId; readonly splices: readonly Splice[] }[];
}

/** A finding with its place; all else is worked out when it is asked for. */
export interface FoundInFile {
	readonly severity: Severity;
	readonly stratum: StratumId;
	readonly line: number;
	/** What is let stand with it; a line that is not read is mended or commented out. */
	acceptable(): Acceptable | undefined;
	/** As plain data, which a worker can send. */
	told(): AliasReportFinding;
}

export interface AliasReport {
	/** Errors first. */
	readonly found: readonly FoundInFile[];
	/** All of them told. */
	readonly findings: readonly AliasReportFinding[];
	readonly rows: readonly AliasRow[];
}

export type AliasStrata = readonly {
	readonly id: StratumId;
	readonly kind: StratumKind;
	readonly name: string;
	readonly aliases?: AliasFile;
}[];

/** What the report goes by besides the files. */
export interface AliasSetting {
	readonly input: AliasInput;
	/** Seconds of the shortest shortcut, by command. */
	readonly costs: ReadonlyMap<string, number>;
	readonly released: ReadonlyMap<string, string> | undefined;
}

/**
 * All that the alias files say, and what is wrong with it; the rows are worked out when they are asked for. The strata that were
 * reported on before save reading again what has not changed in their files.
 */
export function aliasReport(
	strata: AliasStrata,
	{ input, costs, released }: AliasSetting,
	catalogue: Catalogue,
	before: AliasStrata = []
): AliasReport {
	for (const { id, aliases } of strata) if (aliases) aliasLines(aliases, before.find((s) => s.id === id)?.aliases);
	const profile: Profile = strata.map(({ aliases, ...head }) => ({ ...head, contents: { [ALIASES]: aliases ?? null } }));
	const table = aliasTable(profile, input);
	const fileOf = new Map(strata.map((s) => [s.id, s.aliases ?? emptyAliasFile]));
	let known: Map<unknown, number> | undefined;
	const numbers = () =>
		(known ??= new Map(
			[...fileOf.values()].flatMap((file) => aliasLines(file).lines.map((line, i) => [line.record, i] as const))
		));
	const rowOf = (entry: AliasEntry, state: AliasRow['state']): AliasRow => ({
		stratum: entry.stratum.id,
		kind: entry.stratum.kind,
		line: entry.record.line,
		record: numbers().get(entry.record)!,
		alias: entry.alias,
		command: entry.command,
		note: entry.note,
		locks: entry.locks,
		state,
		cost: aliasCost(entry.alias)
	});

	const said = checkAliases({
		table,
		catalogue,
		released,
		names: commandNames(catalogue, input),
		shortcutCosts: costs
	});
	const found: FoundInFile[] = said.map((finding) => new FindingInFile(finding, fileOf));
	for (const [stratum, file] of fileOf)
		for (const problem of aliasLines(file).unknown) found.push(unknownLine(stratum, file.text, problem));
	return {
		found,
		get findings() {
			return found.map((each) => each.told());
		},
		get rows() {
			return [...table.entries.map((e) => rowOf(e, table.idle.get(e) ?? 'holds')), ...table.off.map((e) => rowOf(e, 'off'))];
		}
	};
}

class FindingInFile implements FoundInFile {
	readonly #finding: AliasFinding;
	readonly #fileOf: ReadonlyMap<StratumId, AliasFile>;

	constructor(finding: AliasFinding, fileOf: ReadonlyMap<StratumId, AliasFile>) {
		this.#finding = finding;
		this.#fileOf = fileOf;
	}

	get severity(): Severity {
		return this.#finding.severity;
	}

	get stratum(): StratumId {
		return this.#finding.entry.stratum.id;
	}

	get line(): number {
		return this.#finding.entry.record.line;
	}

	acceptable(): Acceptable {
		return aliasAcceptable(this.#finding);
	}

	told(): AliasReportFinding {
		const { rule, severity, entry, sentence, fixes } = this.#finding;
		const { start, end } = entry.record.fields.alias!;
		return {
			rule,
			title: ALIAS_RULES[rule].title,
			severity,
			stratum: entry.stratum.id,
			line: entry.record.line,
			start,
			end,
			typed: entry.alias,
			sentence,
			acceptable: this.acceptable(),
			fixes: fixes.flatMap((fix) => written(fix, this.#fileOf))
		};
	}
}

/** The fix as changes of the text; none where the shape of the file has no such change. */
function written(fix: AliasFix, fileOf: ReadonlyMap<StratumId, AliasFile>) {
	const { stratum } = fix.entry;
	if (stratum.kind === 'factory') return [];
	const splices = splicesOf(fix, fileOf.get(stratum.id)!);
	return splices.length > 0 ? [{ label: fix.label, stratum: stratum.id, splices }] : [];
}

/** The fix as changes of the text of the file that its line stands in; none where its shape has no such change. */
export function splicesOf(fix: AliasFix, { recipe, text }: AliasFile): Splice[] {
	const { record } = fix.entry;
	try {
		if (fix.kind === 'set') return changeRecord(recipe, text, record, fix.values);
		return fix.kind === 'off' ? switchRecord(recipe, text, record, true) : removeRecord(recipe, text, record);
	} catch (error) {
		if (error instanceof NotWritableError) return [];
		throw error;
	}
}

const unknownLine = (stratum: StratumId, text: string, problem: FileProblem): FoundInFile => ({
	severity: 'attention',
	stratum,
	line: problem.line,
	acceptable: () => undefined,
	told: () => unknownTold(stratum, text, problem)
});

function unknownTold(stratum: StratumId, text: string, { line, column, message }: FileProblem): AliasReportFinding {
	let start = 0;
	for (let n = 1; n < line; n++) {
		const next = text.indexOf('\n', start);
		if (next === -1) break;
		start = next + 1;
	}
	const lf = text.indexOf('\n', start);
	const end = lf === -1 ? text.length : lf;
	const at = start + column - 1;
	return {
		rule: 'unknown',
		title: 'Not read by the recipe',
		severity: 'attention',
		stratum,
		line,
		// what is expected behind the last sign has no place of its own: then it is the line
		start: at < end ? at : start,
		end,
		typed: '',
		sentence: `Line ${line} is kept unchanged, but has no effect: ${message}.`,
		acceptable: undefined,
		fixes: []
	};
}
