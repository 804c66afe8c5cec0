import { Option, type Command } from 'commander';
import { aliasFileIn } from '../../core/chapters/aliases/file.ts';
import { indexOf } from '../../core/profile/circumstances.ts';
import { aliasTable } from '../../core/chapters/aliases/table.ts';
import { SECTIONS, selectProfile, USUAL } from '../../core/hand-over/selection.ts';
import { htmlSheet, markdownSheet, sheetOf } from '../../core/hand-over/sheet.ts';
import { writeShortcutsCsv } from '../../core/hand-over/shortcuts-csv.ts';
import { profileCatalogue } from '../../core/chapters/macros/table.ts';
import { effectiveProfile } from '../../core/shortcut/effective.ts';
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
		.option('--stratum <id>', 'only this stratum')
		.option('--sections <names>', `which parts, joined by commas: ${SECTIONS.join(', ')}`, USUAL.sections.join(','))
		.option('--in <scope>', 'only what is heard there, such as "document=part"')
		.option('--category <name...>', 'only commands of these outermost categories')
		.option('-o, --output <file>', 'write there')
		.addHelpText(
			'after',
			'\nExamples:\n  skarn export --server http://127.0.0.1:5180 -a varve-draft-7 --what application -o varve.application.json\n  skarn export office.json -a varve.application.json --what html -o sheet.html'
		)
		.action(
			async (
				files: string[],
				{ what, stratum, output, ...options }: SelectionOptions & { what: What; stratum?: string; output?: string }
			) => {
				const { application, loaded } = await subjectOf(files, options);
				tellRefused(loaded, end);
				const catalogue = profileCatalogue(application.catalogue, loaded.profile);
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
					if (!file) throw new BadInputError('No stratum has an alias file.');
					return deliver(output, file.text, file.encoding);
				}
				const input = application.application.rules.aliases;
				const { name, version } = application.application;
				const sheet = sheetOf(
					`${name} ${version}`,
					catalogue,
					application.space,
					effectiveProfile(strata, application.space).bindings,
					input && aliasTable(strata, input).byCommand
				);
				deliver(output, what === 'html' ? htmlSheet(sheet) : markdownSheet(sheet));
			}
		);
}
