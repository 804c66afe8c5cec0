import { Option, type Command } from 'commander';
import { differences } from '../../core/chapters/shortcuts/diff.ts';
import { effectiveProfile } from '../../core/chapters/shortcuts/effective.ts';
import { mayMeet, scopeText } from '../../core/context/scope.ts';
import { aliasDifferences } from '../../core/chapters/aliases/diff.ts';
import { macroDifferences } from '../../core/chapters/macros/diff.ts';
import { loadApplication, loadProfile } from '../files.ts';
import { tellRefused, type Ends } from './subject.ts';

const SIGNS = { added: '+', changed: '~', removed: '-' } as const;

export function diffCommand(program: Command, end: Ends): void {
	program
		.command('diff')
		.description('what is in force in one profile and not in the other; ends with 1 when they differ')
		.argument('<before>', 'profile file')
		.argument('<after>', 'profile file')
		.option('-a, --application <file>', 'application file; tells which scopes meet, and so what locks hold')
		.addOption(new Option('-f, --format <format>', 'text or json').choices(['text', 'json']).default('text'))
		.addHelpText('after', '\nExample:\n  skarn diff released.json office.json')
		.action((before: string, after: string, { format, application }: { format: string; application?: string }) => {
			const files = [loadProfile([before]), loadProfile([after])] as const;
			const [a, b] = [files[0].profile, files[1].profile];
			const space = application ? loadApplication(application).space : { meet: mayMeet };
			const shortcuts = differences(effectiveProfile(a, space), effectiveProfile(b, space)).map(({ kind, binding }) => ({
				kind,
				input: binding.keys as string,
				command: binding.command as string,
				scope: scopeText(binding.scope)
			}));
			const aliases = aliasDifferences(a, b).map(({ kind, alias, command }) => ({ kind, input: alias, command, scope: '' }));
			const macros = macroDifferences(a, b).map(({ kind, id, label }) => ({
				kind,
				input: id as string,
				command: label,
				scope: ''
			}));
			const all = [...shortcuts, ...aliases, ...macros];
			console.log(
				format === 'json'
					? JSON.stringify({ format: 'skarn-diff', version: 1, differences: all }, null, 2)
					: all.map((d) => `${SIGNS[d.kind]} ${d.input}\t${d.command}${d.scope && `\t${d.scope}`}`).join('\n') || 'no difference'
			);
			if (all.length > 0) end(1);
			tellRefused({ refused: files.flatMap((file) => file.refused) }, end);
		});
}
