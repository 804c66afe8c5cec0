import type { Command } from 'commander';
import { loadApplication, loadProfile, type LoadedProfile } from '../files.ts';
import { BadInputError } from '../problem.ts';
import { filesFrom } from '../server.ts';

export interface SubjectOptions {
	readonly application?: string;
	readonly server?: string;
	readonly released?: string;
}

/** The options by which a command is told what it works on. */
export function takesSubject(command: Command): Command {
	return command
		.option('-a, --application <file>', 'application file; with --server the id of the application')
		.option('-s, --server <url>', 'work on what a Skarn server holds, instead of files');
}

/** Application and profile from files or from a server. */
export async function subjectOf(files: readonly string[], { application, server, released }: SubjectOptions) {
	if (server) {
		if (files.length > 0) throw new BadInputError('With --server the profile comes from there; name no files.');
		if (!application) throw new BadInputError('Name the application on the server with --application <id>.');
		const got = await filesFrom(server, application);
		const before = released ?? got.released;
		return {
			application: loadApplication(got.application),
			loaded: loadProfile([got.profile]),
			released: before === undefined ? undefined : loadProfile([before]).profile
		};
	}
	if (files.length === 0) throw new BadInputError('Name a profile file, or a server with --server.');
	return {
		application: loadApplication(application),
		loaded: loadProfile(files) as LoadedProfile,
		released: released === undefined ? undefined : loadProfile([released]).profile
	};
}

export type Ends = (code: number) => void;
