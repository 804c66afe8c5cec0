import type { Command } from 'commander';
import { answerTo } from '../../core/alias/prompt.ts';
import { aliasTable } from '../../core/alias/table.ts';
import { explain, resolveEverywhere } from '../../core/answer/resolve.ts';
import { indexOf } from '../../core/check/circumstances.ts';
import { first } from '../../core/context/bits.ts';
import { parseScope } from '../../core/context/scope.ts';
import { profileCatalogue } from '../../core/macro/table.ts';
import { parseKeys } from '../../core/stroke/stroke.ts';
import { BadInputError } from '../problem.ts';
import { subjectOf, takesSubject, type Ends, type SubjectOptions } from './subject.ts';

interface Options extends SubjectOptions {
	readonly profile?: string[];
	readonly in?: string;
	readonly alias?: boolean;
	readonly format: string;
}

export function explainCommand(program: Command, _: Ends): void {
	takesSubject(program.command('explain'))
		.description('what an input does, here or everywhere, with the reasoning')
		.argument('<input...>', 'keys such as Ctrl+Shift+F or G F; with --alias what is typed')
		.option('-p, --profile <file...>', 'profile files')
		.option('--in <scope>', 'a situation, such as "document=part; pane=canvas"; without it, everywhere')
		.option('--alias', 'the input is typed at the command line')
		.option('-f, --format <format>', 'text or json', 'text')
		.addHelpText(
			'after',
			'\nExamples:\n  skarn explain F -p office.json -a gneiss.application.json --in "document=part"\n  skarn explain --alias ln -p office.json -a varve.application.json'
		)
		.action(async (words: string[], options: Options) => {
			const { application, loaded } = await subjectOf(options.profile ?? [], options);
			const say = (value: object, lines: readonly string[]) =>
				console.log(options.format === 'json' ? JSON.stringify(value, null, 2) : lines.join('\n'));
			if (options.alias) {
				const input = application.application.rules.aliases;
				if (!input) throw new BadInputError(`${application.application.name} has no command line.`);
				const { answer, trace } = answerTo(
					aliasTable(loaded.profile, input),
					profileCatalogue(application.catalogue, loaded.profile),
					words.join(' ')
				);
				const { kind } = answer;
				return say({ kind, ...(answer.kind === 'runs' && { command: answer.command }), trace }, trace);
			}
			const index = indexOf(application, loaded.profile);
			const keys = reading(() => parseKeys(words.join(' ')));
			if (options.in === undefined) {
				const groups = resolveEverywhere(index, keys).map(({ outcome, situations }) => ({
					kind: outcome.kind,
					...(outcome.kind === 'fires' && { command: outcome.winner.command }),
					situations: situations.length,
					example: index.space.labelOf(situations[0]!)
				}));
				return say({ keys, groups }, [
					`${keys}:`,
					...groups.map((g) => `  ${g.command ?? g.kind} in ${g.situations} situations, such as ${g.example}`)
				]);
			}
			const bits = reading(() => index.space.bitsOf(parseScope(options.in!)));
			const situation = first(bits);
			if (situation < 0) throw new BadInputError(`${options.in} never occurs in ${application.application.name}.`);
			const { outcome, trace } = explain(index, keys, situation);
			say(
				{
					keys,
					situation: index.space.labelOf(situation),
					kind: outcome.kind,
					...(outcome.kind === 'fires' && { command: outcome.winner.command }),
					trace: trace.map((t) => t.text)
				},
				trace.map((t) => t.text)
			);
		});
}

function reading<T>(work: () => T): T {
	try {
		return work();
	} catch (error) {
		throw new BadInputError((error as Error).message);
	}
}
