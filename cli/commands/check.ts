import { counted } from '../../core/text/counted.ts';
import { Option, type Command } from 'commander';
import { SEVERITIES, type Severity } from '../../core/check/severity.ts';
import { sarifLog } from '../../core/hand-over/sarif.ts';
import { deliver, findingsOf, loadRecipe, withAliases } from '../files.ts';
import { BadInputError } from '../problem.ts';
import { subjectOf, takesSubject, tellRefused, type Ends, type SubjectOptions } from './subject.ts';

interface Options extends SubjectOptions {
	readonly aliases?: string;
	readonly recipe: string;
	readonly stratum: string;
	readonly failOn: Severity | 'never';
	readonly format: 'text' | 'json' | 'sarif';
	readonly output?: string;
	readonly accepted?: boolean;
}

export function checkCommand(program: Command, end: Ends): void {
	takesSubject(program.command('check'))
		.description('find conflicts, masked and impossible inputs, and improvements')
		.argument('[profile...]', 'profile files (JSON), or shortcuts (CSV)')
		.option('--released <file>', 'the released profile, to find changed inputs')
		.option('--aliases <file>', 'an alias file to check with it')
		.option('--recipe <name>', 'how the alias file is read: a recipe file or a shipped recipe', 'aliases-arrow')
		.option('--stratum <id>', 'the level of the alias file', 'personal')
		.addOption(
			new Option('--fail-on <severity>', 'end with 1 when there is such a finding or a worse one')
				.choices([...SEVERITIES, 'never'])
				.default('error')
		)
		.addOption(
			new Option('-f, --format <format>', 'output format of findings').choices(['text', 'json', 'sarif']).default('text')
		)
		.option('-o, --output <file>', 'write to this file instead of the terminal')
		.option('--accepted', 'include accepted findings')
		.addHelpText(
			'after',
			`
Examples:
  skarn check office.json --application varve.application.json
  skarn check office.json -a varve.application.json --aliases names.txt --recipe list7.recipe.json
  skarn check office.json -a varve.application.json --format sarif -o findings.sarif
  skarn check --server http://127.0.0.1:5180 -a varve-draft-7 --fail-on attention`
		)
		.action(async (files: string[], options: Options) => {
			const { application, loaded, released } = await subjectOf(files, options);
			if (!options.aliases && !loaded.profile.some(({ id }) => id === options.stratum) && options.stratum !== 'personal')
				throw new BadInputError(
					`--stratum "${options.stratum}" applies to the alias file; name one with --aliases. The profile has ${loaded.profile.map((s) => s.id).join(', ')}.`
				);
			const subject = options.aliases
				? withAliases(loaded, options.aliases, loadRecipe(options.recipe), options.stratum)
				: loaded;
			const all = findingsOf(application, subject, released, options.format !== 'text').filter(
				(f) => options.accepted || !f.accepted
			);
			const bySeverity = SEVERITIES.map((severity) => all.filter((f) => f.severity === severity));
			const found = bySeverity.flat();
			const counts = Object.fromEntries(SEVERITIES.map((s, i) => [s, bySeverity[i]!.length]));
			if (options.format === 'sarif') deliver(options.output, JSON.stringify(sarifLog(found, '0.1.0'), null, 2) + '\n');
			else if (options.format === 'json')
				deliver(
					options.output,
					JSON.stringify({ format: 'skarn-findings', version: 1, counts, findings: found }, null, 2) + '\n'
				);
			else
				deliver(
					options.output,
					found.map((f) => `${f.file}${f.line ? `:${f.line}` : ''}: ${f.severity} ${f.rule}: ${f.sentence}\n`).join('') +
						`${counted(counts['error']!, 'error')}, ${counted(counts['attention']!, 'warning')}, ${counted(counts['note']!, 'note')}\n`
				);
			const worst = options.failOn === 'never' ? -1 : SEVERITIES.indexOf(options.failOn);
			if (bySeverity.some((list, i) => i <= worst && list.length > 0)) end(1);
			tellRefused(loaded, end);
		});
}
