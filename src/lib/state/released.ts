import { officeOfFile, readProfileFile } from '$core/hand-over/profile-file';
import type { Stratum } from '$core/strata/stratum';

/** The office stratum as a release has frozen it. Throws an error that says what the server answered. */
export async function officeInRelease(path: string, release: number): Promise<Stratum | undefined> {
	const answer = await fetch(`${path}/releases/${release}`);
	if (!answer.ok) throw new Error(`Release ${release} could not be read: the server answered ${answer.status}.`);
	return officeOfFile(readProfileFile(`release ${release}`, await answer.text()));
}
