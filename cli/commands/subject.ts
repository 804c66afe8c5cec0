import type { Command } from 'commander';
import type { OpenApplication } from '../../core/application/application.ts';
import { shortcutsIn } from '../../core/shortcut/entry.ts';
import { inOrder } from '../../core/strata/entry.ts';
import { loadApplication, loadProfile, type LoadedProfile } from '../files.ts';
import { BadInputError } from '../problem.ts';
import { filesFrom } from '../server.ts';

export interface SubjectOptions {
	readonly application?: string;
	readonly server?: string;
	readonly released?: string;
	readonly foreign?: boolean;
}

/** The options by which a command is told what it works on. */
export function takesSubject(command: Command): Command {
	return command
		.option('-a, --application <file>', 'application file; with --server the id of the application')
		.option('-s, --server <url>', 'work on what a Skarn server holds, instead of files')
		.option('--foreign', 'take a profile of another application as well');
}

/** Application and profile from files or from a server. Throws `BadInputError` if they do not belong together. */
export async function subjectOf(files: readonly string[], options: SubjectOptions) {
	const { application: named, server, released } = options;
	if (!server && files.length === 0) throw new BadInputError('Name a profile file, or a server with --server.');
	if (server && files.length > 0) throw new BadInputError('With --server the profile comes from there; name no files.');
	if (server && !named) throw new BadInputError('Name the application on the server with --application <id>.');
	const got = server ? await filesFrom(server, named!) : undefined;
	const before = released ?? got?.released;
	const application = loadApplication(got?.application ?? named);
	const loaded = loadProfile(got ? [got.profile] : files);
	refuseForeign(application, loaded, options.foreign ?? false);
	return { application, loaded, released: before === undefined ? undefined : loadProfile([before]).profile };
}

/** Throws `BadInputError` for a profile of another application, unless that is wanted, and for contexts that this one has not. */
function refuseForeign(
	{ application, space }: OpenApplication,
	{ applications, profile, places }: LoadedProfile,
	isWanted: boolean
): void {
	const other = applications.find(({ id }) => id !== application.id);
	if (other && !isWanted)
		throw new BadInputError(
			`${other.file} is a profile of ${other.id}; the application is ${application.id}. With --foreign it is taken all the same.`
		);
	for (const stratum of profile)
		for (const { scope, rank } of inOrder(shortcutsIn(stratum)))
			try {
				space.bitsOf(scope);
			} catch (error) {
				const place = places.get(stratum.id)?.[rank];
				throw new BadInputError(`${place ? `${place.file}:${place.line}` : stratum.id}: ${(error as Error).message}`);
			}
}

/** Says which lines of the profile's files were not taken; then the command ends as with bad input. */
export function tellRefused({ refused }: Pick<LoadedProfile, 'refused'>, end: Ends): void {
	for (const { file, line, column, message } of refused) console.error(`${file}:${line}:${column}: not taken: ${message}`);
	if (refused.length > 0) end(2);
}

export type Ends = (code: number) => void;
