import { Option, type Command } from 'commander';
import { aliasFileIn } from '../../core/chapters/aliases/file.ts';
import { barTree } from '../../core/chapters/bars/tree.ts';
import { indexOf } from '../../core/profile/circumstances.ts';
import { SECTIONS, selectProfile, USUAL } from '../../core/hand-over/selection.ts';
import { htmlSheet } from '../../core/sheet/html.ts';
import { markdownSheet } from '../../core/sheet/markdown.ts';
import { sheetOfProfile } from '../../core/sheet/of-profile.ts';
import { ARRANGEMENTS, type Arrangement } from '../../core/sheet/sheet.ts';
import { SHEET_PLATFORMS, type SheetPlatform } from '../../core/sheet/ground.ts';
import { desksOf } from '../../core/keyboard/desk.ts';
import { writeShortcutsCsv } from '../../core/hand-over/shortcuts-csv.ts';
import { profileCatalogue } from '../../core/profile/catalogue.ts';
import { profileFile, writeProfileFile } from '../../core/hand-over/profile-file.ts';
import { deliver } from '../files.ts';
import { BadInputError } from '../problem.ts';
import { applicationJson } from '../server.ts';
import { selectionOf, type SelectionOptions } from './selection.ts';
import { subjectOf, takesSubject, tellRefused, type Ends } from './subject.ts';

type What = 'profile' | 'csv' | 'application' | 'aliases' | 'markdown' | 'html';

export function exportCommand(program: Command, end: Ends): void {
	takesSubject(program.command('export'))
		.description('write a profile, its application, an alias file, or a quick reference')
		.argument('[profile...]', 'profile files')
		.addOption(
			new Option('-w, --what <what>', 'what to write')
				.choices(['profile', 'csv', 'application', 'aliases', 'markdown', 'html'])
				.default('profile')
		)
		.option('--stratum <id>', 'only this level')
		.option('--sections <names>', `parts, separated by commas: ${SECTIONS.join(', ')}`, USUAL.sections.join(','))
		.option('--in <scope>', 'only this situation, such as "document=part"')
		.option('--category <name...>', 'only commands of these outermost categories')
		.option('--bar <id...>', 'only these bars, each with all that is in it')
		.addOption(new Option('--by <order>', 'order of a print sheet').choices(ARRANGEMENTS).default('category'))
		.addOption(
			new Option('--platforms <system...>', 'systems whose key names a print sheet shows')
				.choices(SHEET_PLATFORMS)
				.default(['windows'])
		)
		.option('-o, --output <file>', 'write to this file')
		.addHelpText(
			'after',
			'\nExamples:\n  skarn export --server http://127.0.0.1:5180 -a varve-draft-7 --what application -o varve.application.json\n  skarn export office.json -a varve.application.json --what html -o sheet.html'
		)
		.action(
			async (
				files: string[],
				{
					what,
					stratum,
					output,
					by,
					platforms,
					...options
				}: SelectionOptions & {
					what: What;
					stratum?: string;
					output?: string;
					by: Arrangement;
					platforms: readonly SheetPlatform[];
				}
			) => {
				const { application, loaded } = await subjectOf(files, options);
				tellRefused(loaded, end);
				const catalogue = profileCatalogue(application.catalogue, loaded.profile);
				const known = new Set(barTree(loaded.profile).bars.map(({ id }) => id as string));
				const noBar = options.bar?.find((id) => !known.has(id));
				if (noBar !== undefined)
					throw new BadInputError(
						`--bar "${noBar}": there is no such bar; ${known.size > 0 ? `the profile has ${[...known].join(', ')}` : 'the profile has no bars'}.`
					);
				const picked = selectProfile(loaded.profile, selectionOf(options), { index: indexOf(application, loaded.profile) });
				const strata = stratum === undefined ? picked : picked.filter((s) => s.id === stratum);
				if (strata.length === 0)
					throw new BadInputError(
						`There is no stratum ${stratum}; this profile has ${loaded.profile.map((s) => s.id).join(', ')}.`
					);
				if (what === 'application') return deliver(output, applicationJson(application));
				if (what === 'profile') return deliver(output, writeProfileFile(profileFile(application.application, strata)));
				if (what === 'csv') return deliver(output, writeShortcutsCsv(strata, catalogue));
				if (what === 'aliases') {
					const file = strata.map(aliasFileIn).findLast((one) => one !== null);
					if (!file) throw new BadInputError('No level has an alias file.');
					return deliver(output, file.text, file.encoding);
				}
				const sheet = sheetOfProfile(application, strata, desksOf(application.seats), {
					arrangement: by,
					platforms: [...platforms],
					setup: strata.map((s) => s.name).join(', '),
					state: options.server ? 'edited, not released' : 'from files',
					date: new Date()
				});
				deliver(output, what === 'html' ? htmlSheet(sheet) : markdownSheet(sheet));
			}
		);
}
