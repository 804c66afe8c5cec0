import { Option, type Command } from 'commander';
import { answerTo } from '../../core/chapters/aliases/prompt.ts';
import { aliasTable } from '../../core/chapters/aliases/table.ts';
import { explain, resolveEverywhere } from '../../core/answer/resolve.ts';
import { indexOf } from '../../core/profile/circumstances.ts';
import { first } from '../../core/context/bits.ts';
import { parseScope } from '../../core/context/scope.ts';
import { desksOf } from '../../core/keyboard/desk.ts';
import { officeDesks } from '../../core/keyboard/office-desks.ts';
import { profileCatalogue } from '../../core/profile/catalogue.ts';
import { parseKeys } from '../../core/stroke/stroke.ts';
import { BadInputError, reading } from '../problem.ts';
import { subjectOf, takesSubject, tellRefused, type Ends, type SubjectOptions } from './subject.ts';

interface Options extends SubjectOptions {
	readonly profile?: string[];
	readonly in?: string;
	readonly alias?: boolean;
	readonly flick?: string;
	readonly drag?: string;
	readonly format: string;
}

/** The input as it is written. Throws `BadInputError` unless it is said in one way. */
function askedFor(words: readonly string[], { flick, drag }: Options): string {
	const [trigger, way] = flick?.includes(':') ? flick.split(':', 2) : ['Right', flick];
	const ways = [
		...(words.length > 0 ? [words.join(' ')] : []),
		...(flick !== undefined ? [`${trigger}Flick${way}`] : []),
		...(drag !== undefined ? [`${drag}Drag`] : [])
	];
	if (ways.length !== 1) throw new BadInputError('Give one input: keys, --flick or --drag.');
	return ways[0]!;
}

export function explainCommand(program: Command, end: Ends): void {
	takesSubject(program.command('explain'))
		.description('explain what an input does, here or everywhere')
		.argument('[input...]', 'keys such as Ctrl+Shift+F or G F, or mouse input such as RightFlickNE; with --alias the typed text')
		.option('-p, --profile <file...>', 'profile files')
		.option('--in <scope>', 'a situation, such as "document=part; pane=canvas"; without it, everywhere')
		.option('--alias', 'the input is typed at the command line')
		.option('--flick <direction>', 'a flick such as NE or 30, with another trigger than the right button as in Ctrl+Middle:NE')
		.option('--drag <trigger>', 'a drag with a button and modifiers, such as Alt+Left')
		.addOption(new Option('-f, --format <format>', 'text or json').choices(['text', 'json']).default('text'))
		.addHelpText(
			'after',
			'\nExamples:\n  skarn explain F -p office.json -a gneiss.application.json --in "document=part"\n  skarn explain --alias ln -p office.json -a varve.application.json\n  skarn explain --flick NE -p office.json -a gneiss.application.json'
		)
		.action(async (words: string[], options: Options) => {
			const { application, loaded } = await subjectOf(options.profile ?? [], options);
			tellRefused(loaded, end);
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
			const asked = reading(() => parseKeys(askedFor(words, options)));
			const { name, rules } = application.application;
			const office = officeDesks(rules, desksOf(application.seats));
			const keys = office.heardAs(asked);
			if (keys === undefined) {
				const meanings = office.meanings(asked);
				throw new BadInputError(
					`${name} matches ${rules.match === 'position' ? 'positions' : 'characters'} and cannot receive ${asked}. ${
						meanings.length > 0
							? `On the office's layouts it means ${meanings.join(' or ')}; ask for one of these.`
							: 'No layout of the office has such a key.'
					}`
				);
			}
			const spelled = keys === asked ? [] : [`${asked} is read as ${keys}, which is what ${name} receives.`];
			const keeps = office
				.kept(keys)
				.map((k) => `${k.platform ?? name} reserves it${k.taken === 'default' ? ' by default' : ''}: it ${k.does}.`);
			if (options.in === undefined) {
				const groups = resolveEverywhere(index, keys).map(({ outcome, situations }) => ({
					kind: outcome.kind,
					...(outcome.kind === 'fires' && { command: outcome.winner.command }),
					situations: situations.length,
					example: index.space.labelOf(situations[0]!)
				}));
				return say({ keys, groups, ...(keeps.length > 0 && { kept: keeps }) }, [
					...spelled,
					`${keys}:`,
					...keeps.map((line) => `  ${line}`),
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
					...(keeps.length > 0 && { kept: keeps }),
					trace: trace.map((t) => t.text)
				},
				[...spelled, ...keeps, ...trace.map((t) => t.text)]
			);
		});
}
