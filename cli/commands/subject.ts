import type { Command } from 'commander';
import type { OpenApplication } from '../../core/application/application.ts';
import { profileSpace } from '../../core/profile/profile-index.ts';
import { ALL_CHAPTERS } from '../../core/profile/chapters.ts';
import { SHORTCUTS } from '../../core/shortcut/entry.ts';
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
		.option('-s, --server <url>', 'use the data of a Skarn server instead of files')
		.option('--foreign', 'accept a profile of another application');
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
	const loaded = withoutUnknownContexts(application, loadProfile(got ? [got.profile] : files));
	for (const of of loaded.applications) refuseForeign(application.application, of, options.foreign ?? false);
	return { application, loaded, released: before === undefined ? undefined : loadProfile([before]).profile };
}

/** Throws `BadInputError` for a file of another application, or of another version of it, unless that is wanted. */
export function refuseForeign(
	{ id, version }: Pick<OpenApplication['application'], 'id' | 'version'>,
	of: { readonly id: string; readonly version: string; readonly file: string },
	isWanted: boolean
): void {
	if (isWanted || (of.id === id && of.version === version)) return;
	const what = of.id === id ? `${of.id}, version ${of.version}` : of.id;
	const here = of.id === id ? `version ${version}` : id;
	throw new BadInputError(`${of.file} is a profile of ${what}; the application is ${here}. Use --foreign to accept it anyway.`);
}

/** The profile without what names contexts that the application does not have; each is told as not taken, at its line. */
function withoutUnknownContexts({ space: bare }: OpenApplication, loaded: LoadedProfile): LoadedProfile {
	const space = profileSpace(bare, loaded.profile);
	const refused = [...loaded.refused];
	const profile = loaded.profile.map((stratum) => {
		const contents: Record<string, unknown> = { ...stratum.contents };
		for (const chapter of ALL_CHAPTERS) {
			const said = chapter.list(chapter.contentIn(stratum));
			const known = said.filter((one) => {
				const scope = chapter.scopeOf?.(one);
				try {
					if (scope) space.bitsOf(scope);
					return true;
				} catch (error) {
					const { rank } = one as { rank?: number };
					const place = chapter.id === SHORTCUTS && rank !== undefined ? loaded.places.get(stratum.id)?.[rank] : undefined;
					refused.push({
						file: place?.file ?? loaded.fileOf.get(stratum.id) ?? '-',
						line: place?.line ?? 1,
						column: 1,
						message: (error as Error).message
					});
					return false;
				}
			});
			if (known.length < said.length) contents[chapter.id] = chapter.contentOf(known);
		}
		return { ...stratum, contents };
	});
	return { ...loaded, profile, refused };
}

/** Says which lines of the profile's files were not taken; then the command ends as with bad input. */
export function tellRefused({ refused }: Pick<LoadedProfile, 'refused'>, end: Ends): void {
	for (const { file, line, column, message } of refused) console.error(`${file}:${line}:${column}: not imported: ${message}`);
	if (refused.length > 0) end(2);
}

export type Ends = (code: number) => void;
