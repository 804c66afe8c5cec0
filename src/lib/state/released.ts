import { officeOfFile, readProfileFile, strataOf, type ProfileReading } from '$core/hand-over/profile-file';
import type { Profile, Stratum } from '$core/strata/stratum';

/** What a release has frozen. Throws an error that says what the server answered. */
async function fileOf(path: string, release: number): Promise<ProfileReading> {
	const answer = await fetch(`${path}/releases/${release}`);
	if (!answer.ok) throw new Error(`Release ${release} could not be read: the server answered ${answer.status}.`);
	// it may hold files of any shape
	await import('$core/recipe/shapes/all');
	return readProfileFile(`release ${release}`, await answer.text());
}

/** The office stratum as a release has frozen it. Throws an error that says what the server answered. */
export const officeInRelease = async (path: string, release: number): Promise<Stratum | undefined> =>
	officeOfFile(await fileOf(path, release));

/** All strata of a release, the lowest first. Throws an error that says what the server answered. */
export async function strataInRelease(path: string, release: number): Promise<Profile> {
	const { strata, rows } = await fileOf(path, release);
	return strataOf(strata, rows);
}
