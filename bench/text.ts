import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parse } from 'csv-parse/sync';
import { emptyAliasFile } from '../core/chapters/aliases/file.ts';
import { aliasReport, type AliasStrata } from '../core/chapters/aliases/report.ts';
import { FileRefusedError } from '../core/format/problem.ts';
import { profileFile, writeProfileFile } from '../core/hand-over/profile-file.ts';
import { readWith } from '../core/recipe/reading.ts';
import { SHIPPED_RECIPES } from '../core/recipe/shipped.ts';
import { importers, mutated } from '../tests/mutated.ts';
import { aliasSight } from '../core/chapters/aliases/sight.ts';
import { writeWith } from '../core/recipe/reading.ts';
import type { Command } from '../core/application/command.ts';
import type { StratumId } from '../core/strata/stratum.ts';
import { applicationJson } from '../cli/server.ts';
import { ALIAS_INPUT, aliases, generate, longAliasFile, seeded } from './generate.ts';
import { median, percentile, type Line } from './report.ts';

const timed = (work: () => unknown): number => {
	const start = performance.now();
	work();
	return performance.now() - start;
};

/** So many files that were changed at random are given to each importer. */
const MUTATIONS = 100_000;

/** Reading and checking text formats, and the command line as a whole process. */
export function textBench(fuzzSeconds: number | undefined): Line[] {
	const { application, commands, profile } = generate(5_000, 20_000);
	const many = aliases(commands, 100_000);
	const arrows = writeWith(emptyAliasFile.recipe, many);
	const table = writeWith(SHIPPED_RECIPES['aliases-csv']!, many);
	const [byRecipe, byLibrary]: [number[], number[]] = [[], []];
	for (let i = 0; i < 7; i++) {
		byLibrary.push(timed(() => parse(table) as unknown));
		byRecipe.push(timed(() => readWith(emptyAliasFile.recipe, 'file', arrows)));
	}

	const keystrokes = typing(longAliasFile(commands), commands);

	const folder = mkdtempSync(join(tmpdir(), 'skarn-bench-'));
	const [app, file] = [join(folder, 'app.json'), join(folder, 'profile.json')];
	writeFileSync(app, applicationJson({ application, commands, seats: [] }));
	writeFileSync(file, writeProfileFile(profileFile(application, profile)));
	const here = (path: string) => fileURLToPath(new URL(path, import.meta.url));
	const bare = join(folder, 'bare.mjs');
	// the same modules, and the profile parsed, and nothing else
	writeFileSync(
		bare,
		`import { register } from ${JSON.stringify(import.meta.resolve('tsx/esm/api'))};
register();
await import(${JSON.stringify(here('../cli/skarn.ts'))});
const { readFileSync } = await import('node:fs');
JSON.parse(readFileSync(${JSON.stringify(app)}, 'utf8'));
JSON.parse(readFileSync(${JSON.stringify(file)}, 'utf8'));
`
	);
	const process_ = (args: string[]) => timed(() => spawnSync(process.execPath, args, { stdio: ['ignore', 'ignore', 'inherit'] }));
	const [checks, bares]: [number[], number[]] = [[], []];
	for (let i = 0; i < 11; i++) {
		bares.push(process_([bare]));
		checks.push(process_([here('../bin/skarn.mjs'), 'check', file, '-a', app, '-o', join(folder, 'out.txt')]));
	}
	rmSync(folder, { recursive: true });

	return [
		{ what: 'text formats and the command line' },
		{ what: 'csv-parse of 100,000 records (yardstick), median', value: median(byLibrary), unit: 'ms' },
		{ what: '100,000 alias lines by a recipe, x csv-parse', value: median(byRecipe) / median(byLibrary), unit: 'x', most: 3 },
		{
			what: 'findings of a 5,000-line alias file after a key, p95, with the way out of the worker',
			value: percentile(keystrokes, 95),
			unit: 'ms',
			most: 50
		},
		{
			what: 'a process that imports the same modules and parses the files (yardstick), median',
			value: median(bares),
			unit: 'ms'
		},
		{ what: 'skarn check of 20,000 shortcuts, whole process, x that', value: median(checks) / median(bares), unit: 'x', most: 2 },
		...(fuzzSeconds === undefined ? [] : fuzz(fuzzSeconds))
	];
}

/** How long the findings of a file take after each key, in milliseconds; the keys come in the middle of it, one by one. */
function typing(file: string, commands: readonly Command[]): number[] {
	const catalogue = new Map(commands.map((c) => [c.id, c]));
	const setting = { input: ALIAS_INPUT, costs: new Map<string, number>(), released: undefined };
	const middle = file.length >> 1;
	const look = {
		stratum: 'office' as StratumId,
		accepted: new Map(),
		withAccepted: false,
		most: 200,
		lines: { from: 2_480, to: 2_520 }
	};
	let last: AliasStrata = [];
	let typed = '';
	const times = Array.from({ length: 220 }, (_, i) => {
		// a word, a space, a word …
		typed += i % 8 === 7 ? ' ' : 'x';
		const text = file.slice(0, middle) + typed + file.slice(middle);
		// as the worker gets it and sends it back
		return timed(() => {
			const strata = structuredClone([
				{ id: 'office' as StratumId, kind: 'office' as const, name: 'Office', aliases: { ...emptyAliasFile, text } }
			]);
			structuredClone(aliasSight(aliasReport(strata, setting, catalogue, last).found, look));
			last = strata;
		});
	});
	// the first ones warm the worker up, as the opening of the view does
	return times.slice(20);
}

/**
 * Gives every importer files that were changed at random: each is read or refused with its place, in good time. Ends after so many
 * seconds, of which each importer has its share, or when each has had its files; how far it is stands on standard error.
 */
export function fuzz(seconds: number): Line[] {
	const all = Object.entries(importers());
	const lines: Line[] = [{ what: `mutated files for each importer, ${MUTATIONS} at most, in ${seconds} s` }];
	for (const [n, [name, { sound, read }]] of all.entries()) {
		const random = seeded(name.length * 97);
		const end = Date.now() + (1000 * seconds) / all.length;
		let told = Date.now();
		let longest = 0;
		let refused = 0;
		let given = 0;
		for (; given < MUTATIONS && Date.now() < end; given++) {
			if (Date.now() - told > 2_000) {
				told = Date.now();
				console.error(`  fuzz ${n + 1} of ${all.length}: ${name}, ${given} files`);
			}
			const text = mutated(sound, random);
			const time = timed(() => {
				try {
					read(text);
				} catch (error) {
					if (!(error instanceof FileRefusedError) || !(error.problems[0]!.line > 0)) throw error;
					refused++;
				}
			});
			if (time > longest) longest = time;
		}
		if (Object.keys(Object.prototype).length > 0) throw new Error(`${name} has changed Object.prototype`);
		lines.push({ what: `${name}: ${given} files, ${refused} refused, the longest`, value: longest, unit: 'ms', most: 1_000 });
	}
	return lines;
}
