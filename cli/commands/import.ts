import type { Command } from 'commander';
import { indexOf } from '../../core/check/circumstances.ts';
import { importChanges, previewImport } from '../../core/format/preview.ts';
import { profileFile, writeProfileFile } from '../../core/format/profile-json.ts';
import { readShortcutsCsv } from '../../core/format/shortcuts-csv.ts';
import { applyChanges } from '../../core/profile/edit.ts';
import { stratumById, type StratumId } from '../../core/profile/stratum.ts';
import { readShortcuts } from '../../core/recipe/rows.ts';
import { deliver, load, loadRecipe } from '../files.ts';
import { BadInputError } from '../problem.ts';
import { askServer, workspaceOn } from '../server.ts';
import { subjectOf, takesSubject, type Ends, type SubjectOptions } from './subject.ts';

interface Options extends SubjectOptions {
	readonly profile?: string[];
	readonly recipe?: string;
	readonly into: string;
	readonly output?: string;
	readonly dryRun?: boolean;
}

export function importCommand(program: Command, end: Ends): void {
	takesSubject(program.command('import'))
		.description('take the shortcuts of a file into a stratum; nothing that is refused is written')
		.argument('<file>', 'shortcuts as CSV, or in any format that --recipe reads')
		.option('-p, --profile <file...>', 'profile files to import into')
		.option('--recipe <name>', 'how the file is read')
		.option('--into <stratum>', 'the stratum', 'personal')
		.option('--dry-run', 'only say what it would do')
		.option('-o, --output <file>', 'where the profile is written')
		.addHelpText(
			'after',
			'\nExamples:\n  skarn import keys.csv -p office.json -a gneiss.application.json --into office -o office.json\n  skarn import keys.ini --recipe shortcuts-ini --server http://127.0.0.1:5180 -a gneiss-solid-5 --dry-run'
		)
		.action(async (file: string, options: Options) => {
			const { application, loaded } = await subjectOf(options.profile ?? [], options);
			const { text } = load(file);
			const read = options.recipe ? readShortcuts(loadRecipe(options.recipe), file, text) : readShortcutsCsv(file, text);
			const into = options.into as StratumId;
			try {
				stratumById(loaded.profile, into);
			} catch (error) {
				throw new BadInputError((error as Error).message);
			}
			const index = indexOf(application, loaded.profile);
			const rows = previewImport(index, loaded.profile, read.rows, () => into);
			const { changes, left } = importChanges(index, loaded.profile, rows);
			const refused = [
				...read.refused,
				...left,
				...rows.filter((r) => r.state === 'refused').map((r) => ({ line: r.row.line, column: 1, message: r.reason ?? '' }))
			];
			for (const state of ['new', 'replaced', 'same'] as const)
				console.error(`${rows.filter((r) => r.state === state).length} ${state}`);
			for (const { line, column, message } of refused) console.error(`${file}:${line}:${column}: refused: ${message}`);
			if (refused.length > 0) end(1);
			if (options.dryRun) return;
			if (options.server) {
				const { revision } = await workspaceOn(options.server, options.application!);
				if (changes.length > 0)
					await askServer(options.server, `/api/applications/${options.application}/edits`, 'POST', {
						base: revision,
						role: 'steward',
						label: `Import ${file}`,
						changes
					});
			} else
				deliver(options.output, writeProfileFile(profileFile(application.application, applyChanges(loaded.profile, changes))));
		});
}
