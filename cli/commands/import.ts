import type { Command } from 'commander';
import { bring, refusals } from '../../core/hand-over/bring.ts';
import type { FileProblem } from '../../core/format/problem.ts';
import { compareFile, type Parsed } from '../../core/hand-over/compare.ts';
import { SECTIONS, USUAL } from '../../core/hand-over/selection.ts';
import { profileFile, readProfileFile, writeProfileFile } from '../../core/hand-over/profile-file.ts';
import { readByRecipe } from '../../core/hand-over/by-recipe.ts';
import { readShortcutsCsv } from '../../core/hand-over/shortcuts-csv.ts';
import { desksOf } from '../../core/keyboard/desk.ts';
import { officeDesks } from '../../core/keyboard/office-desks.ts';
import { applyEdit } from '../../core/profile/edit.ts';
import { stratumById, type Profile, type StratumId } from '../../core/strata/stratum.ts';
import { deliver, isJson, load, loadRecipe } from '../files.ts';
import { BadInputError } from '../problem.ts';
import { askServer, workspaceOn } from '../server.ts';
import { selectionOf, type SelectionOptions } from './selection.ts';
import { refuseForeign, subjectOf, takesSubject, tellRefused, type Ends } from './subject.ts';

interface Options extends SelectionOptions {
	readonly profile?: string[];
	readonly recipe?: string;
	readonly into?: string;
	readonly keep?: boolean;
	readonly output?: string;
	readonly dryRun?: boolean;
}

export function importCommand(program: Command, end: Ends): void {
	takesSubject(program.command('import'))
		.description('import a file into a profile; refused entries are not written')
		.argument('<file>', 'a profile, shortcuts as CSV, or shortcuts in any format that --recipe reads')
		.option('-p, --profile <file...>', 'profile files to import into')
		.option('--recipe <name>', 'recipe to read the file with')
		.option('--into <stratum>', 'the level; default: those in the file, or personal')
		.option('--sections <names>', `parts, separated by commas: ${SECTIONS.join(', ')}`, USUAL.sections.join(','))
		.option('--in <scope>', 'only this situation, such as "document=part"')
		.option('--category <name...>', 'only commands of these outermost categories')
		.option('--bar <id...>', 'only these bars, each with all that is in it')
		.option('--keep', 'skip entries that would replace something')
		.option('--dry-run', 'only show what would change')
		.option('-o, --output <file>', 'output file of the profile')
		.addHelpText(
			'after',
			'\nExamples:\n  skarn import keys.csv -p office.json -a gneiss.application.json --into office -o office.json\n  skarn import keys.ini --recipe shortcuts-ini --server http://127.0.0.1:5180 -a gneiss-solid-5 --dry-run\n  skarn import theirs.json -p mine.json -a varve.application.json --sections macros --keep -o mine.json'
		)
		.action(async (file: string, options: Options) => {
			const { application, loaded } = await subjectOf(options.profile ?? [], options);
			tellRefused(loaded, end);
			const { profile } = loaded;
			const selection = selectionOf(options);
			const into = options.into as StratumId | undefined;
			if (into !== undefined)
				try {
					stratumById(profile, into);
				} catch (error) {
					throw new BadInputError((error as Error).message);
				}
			const read = readFile(file, options.recipe, into ?? ('personal' as StratumId), profile);
			if (read.application) refuseForeign(application.application, { ...read.application, file }, options.foreign ?? false);
			const compared = compareFile(application, profile, read, {
				selection,
				into,
				otherwise: 'personal' as StratumId,
				office: officeDesks(application.application.rules, desksOf(application.seats))
			});
			const { index, items } = compared;
			const chosen = options.keep ? items.filter((item) => item.state !== 'replaced') : items;
			const { changes, left } = bring(index, profile, chosen);
			const refused = [...refusals(read.refused, items), ...left];
			for (const state of ['new', 'replaced', 'same'] as const)
				console.error(`${items.filter((item) => item.state === state).length} ${state}`);
			for (const { line, column, message } of refused) console.error(`${file}:${line}:${column}: refused: ${message}`);
			for (const { line, spelled, caption } of items)
				if (spelled)
					console.error(
						`${file}:${line}: ${spelled} is read as ${caption.keys}, which is what ${application.application.name} receives`
					);
			if (refused.length > 0) end(1);
			if (options.dryRun) return;
			if (options.server) {
				const { revision, strata } = await workspaceOn(options.server, options.application!);
				if (changes.length > 0)
					await askServer(options.server, `/api/applications/${options.application}/edits`, 'POST', {
						base: revision,
						stratum: (strata.find((s) => s.kind === 'office') ?? strata.at(-1)!).id,
						label: `Import ${file}`,
						changes
					});
			} else deliver(options.output, writeProfileFile(profileFile(application.application, applyEdit(profile, changes))));
		});
}

/** A profile by its first sign, else by its recipe, else shortcuts as CSV. */
function readFile(
	file: string,
	name: string | undefined,
	into: StratumId,
	profile: Profile
): Parsed & { refused: readonly FileProblem[]; application?: { readonly id: string; readonly version: string } } {
	const { text } = load(file);
	if (name === undefined) return isJson(file, text) ? readProfileFile(file, text) : readShortcutsCsv(file, text);
	const recipe = loadRecipe(name);
	if (recipe.holds === 'aliases')
		throw new BadInputError(
			`${name} contains aliases; check them with \`skarn check --aliases\`, or import the file in Recipes.`
		);
	return readByRecipe(recipe, file, text, into, profile);
}
