import type { Command } from 'commander';
import { BARS } from '../../core/chapters/bars/bar.ts';
import { bars } from '../../core/chapters/bars/chapter.ts';
import { barRecords, readBars } from '../../core/chapters/bars/file.ts';
import type { StratumId } from '../../core/strata/stratum.ts';
import { macroRecords, readMacros } from '../../core/chapters/macros/file.ts';
import type { FileProblem } from '../../core/format/problem.ts';
import { readWith, writeWith } from '../../core/recipe/reading.ts';
import type { Values } from '../../core/recipe/record.ts';
import { readShortcuts, shortcutRecords } from '../../core/chapters/shortcuts/file.ts';
import { deliver, load, loadRecipe } from '../files.ts';
import { BadInputError } from '../problem.ts';
import type { Ends } from './subject.ts';

export function convertCommand(program: Command, end: Ends): void {
	program
		.command('convert')
		.description('convert a file to another format with two recipes')
		.argument('<file>', 'the file, or - for standard input')
		.requiredOption('--from <recipe>', 'recipe file, or a shipped recipe')
		.requiredOption('--to <recipe>', 'recipe file, or a shipped recipe')
		.option('-o, --output <file>', 'write to this file')
		.addHelpText('after', '\nExample:\n  skarn convert names.txt --from list7.recipe.json --to aliases-csv -o names.csv')
		.action((file: string, { from, to, output }: { from: string; to: string; output?: string }) => {
			const [source, target] = [loadRecipe(from), loadRecipe(to)];
			if (source.holds !== target.holds)
				throw new BadInputError(`${from} contains ${source.holds}and ${to} contains ${target.holds}; they cannot be converted.`);
			const { text, encoding } = load(file);
			const told = (problems: readonly FileProblem[]) =>
				problems.map(({ line, column, message }) => `${file}:${line}:${column}: ${message}`);
			let rows: readonly Values[];
			let left: string[];
			if (source.holds === 'aliases') {
				const { records, unknown } = readWith(source, file, text);
				rows = records
					.filter((r) => !r.off)
					.map((r) => Object.fromEntries(Object.entries(r.fields).map(([f, s]) => [f, s.value])));
				left = told(unknown);
			} else if (source.holds === 'macros') {
				const read = readMacros(source, file, text);
				rows = macroRecords(read.entries);
				left = told(read.refused);
			} else if (source.holds === 'bars') {
				const head = { id: 'personal' as StratumId, name: 'Personal', kind: 'personal' as const };
				const read = readBars(source, file, text, []);
				const written = barRecords([{ ...head, contents: { [BARS]: bars.contentOf(read.rows.map(({ said }) => said)) } }]);
				rows = written.rows;
				left = [...told(read.refused), ...written.left];
			} else {
				const read = readShortcuts(source, file, text);
				const written = shortcutRecords(
					target,
					read.rows.map(({ said }) => said)
				);
				rows = written.rows;
				left = [...told(read.refused), ...written.left];
			}
			deliver(output, writeWith(target, rows), encoding === 'latin-1' || encoding === 'windows-1252' ? 'utf-8' : encoding);
			for (const line of left) console.error(`skipped: ${line}`);
			if (left.length > 0) end(1);
		});
}
