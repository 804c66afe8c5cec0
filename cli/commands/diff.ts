import { Option, type Command } from 'commander';
import type { Names } from '../../core/chapter/chapter.ts';
import { differencesBetween } from '../../core/profile/differences.ts';
import { profileSpace } from '../../core/profile/profile-index.ts';
import { loadApplication, loadProfile, PLAIN } from '../files.ts';
import { tellRefused, type Ends } from './subject.ts';

const SIGNS = { added: '+', changed: '~', removed: '-' } as const;

export function diffCommand(program: Command, end: Ends): void {
	program
		.command('diff')
		.description('differences between the shortcuts of two profiles; exit code 1 if they differ')
		.argument('<before>', 'profile file')
		.argument('<after>', 'profile file')
		.option('-a, --application <file>', 'application file; defines which scopes overlap and which locks apply')
		.addOption(new Option('-f, --format <format>', 'text or json').choices(['text', 'json']).default('text'))
		.addHelpText('after', '\nExample:\n  skarn diff released.json office.json')
		.action((before: string, after: string, { format, application }: { format: string; application?: string }) => {
			const files = [loadProfile([before]), loadProfile([after])] as const;
			const [a, b] = [files[0].profile, files[1].profile];
			const subject = application ? loadApplication(application) : undefined;
			const names: Names = subject ? { ...PLAIN, meet: profileSpace(subject.space, b).meet } : PLAIN;
			const all = differencesBetween(a, b, names).map(({ chapter, kind, command, caption: { keys, typed, label, detail } }) => ({
				kind,
				chapter,
				input: (keys ?? typed ?? command ?? label) as string,
				command: keys === undefined && typed === undefined ? label : ((command as string | undefined) ?? label),
				scope: keys === undefined ? '' : detail
			}));
			console.log(
				format === 'json'
					? JSON.stringify({ format: 'skarn-diff', version: 1, differences: all }, null, 2)
					: all.map((d) => `${SIGNS[d.kind]} ${d.input}\t${d.command}${d.scope && `\t${d.scope}`}`).join('\n') || 'no difference'
			);
			if (all.length > 0) end(1);
			tellRefused({ refused: files.flatMap((file) => file.refused) }, end);
		});
}
