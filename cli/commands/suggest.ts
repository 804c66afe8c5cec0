import { Option, type Command } from 'commander';
import { suggestAliases } from '../../core/chapters/aliases/suggest.ts';
import { aliasTable } from '../../core/chapters/aliases/table.ts';
import type { CommandId } from '../../core/application/command.ts';
import { circumstancesOf } from '../../core/profile/circumstances.ts';
import { parseScope } from '../../core/context/scope.ts';
import { desksOf } from '../../core/keyboard/desk.ts';
import { suggest } from '../../core/suggest/suggest.ts';
import { BadInputError, reading } from '../problem.ts';
import { subjectOf, takesSubject, tellRefused, type Ends, type SubjectOptions } from './subject.ts';

export function suggestCommand(program: Command, end: Ends): void {
	takesSubject(program.command('suggest'))
		.description('suggest free inputs for a command, best first, with reasons')
		.argument('<command>', 'the id of the command')
		.option('-p, --profile <file...>', 'profile files')
		.option('--in <scope>', 'scope of the input', '')
		.option('--alias', 'suggest aliases instead of keys')
		.option('-n, --most <number>', 'number of suggestions', '8')
		.addOption(new Option('-f, --format <format>', 'text or json').choices(['text', 'json']).default('text'))
		.addHelpText('after', '\nExample:\n  skarn suggest draw.ellipse --alias -p office.json -a varve.application.json')
		.action(
			async (
				id: string,
				options: SubjectOptions & { profile?: string[]; in: string; alias?: boolean; most: string; format: string }
			) => {
				const { application, loaded } = await subjectOf(options.profile ?? [], options);
				tellRefused(loaded, end);
				const command = application.catalogue.get(id as CommandId);
				if (!command) throw new BadInputError(`There is no command ${id} in ${application.application.name}.`);
				const most = Number(options.most);
				if (!Number.isInteger(most) || most < 1)
					throw new BadInputError(`--most ${options.most} is not a number of suggestions.`);
				let found: { input: string; reasons: string[] }[];
				if (options.alias) {
					const input = application.application.rules.aliases;
					if (!input) throw new BadInputError(`${application.application.name} has no command line.`);
					const table = aliasTable(loaded.profile, input);
					found = suggestAliases(table, application.catalogue, command)
						.slice(0, most)
						.map(({ alias, reason, seconds }) => ({ input: alias, reasons: [reason, `${seconds.toFixed(1)} s`] }));
				} else {
					const { index, office } = circumstancesOf(application, loaded.profile, desksOf(application.seats), null);
					found = suggest(index, office, { command, scope: reading(() => parseScope(options.in)), most }).map((s) => ({
						input: s.keys,
						reasons: [...s.reasons.map((r) => r.text), `${s.reach.mm.toFixed(0)} mm`]
					}));
				}
				console.log(
					options.format === 'json'
						? JSON.stringify(found, null, 2)
						: found.map((s) => `${s.input}\t${s.reasons.join('; ')}`).join('\n') || 'nothing is free'
				);
			}
		);
}
