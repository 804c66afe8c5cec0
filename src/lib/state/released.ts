import { strataInFile } from '$core/hand-over/profile-file';
import type { Profile } from '$core/strata/stratum';

/** What a release has frozen, the lowest first. Throws an error that says what the server answered. */
export async function strataInRelease(path: string, release: number): Promise<Profile> {
	const answer = await fetch(`${path}/releases/${release}`);
	if (!answer.ok) throw new Error(`Release ${release} could not be read: the server answered ${answer.status}.`);
	// it may hold files of any shape
	await import('$core/recipe/shapes/all');
	return strataInFile(`release ${release}`, await answer.text());
}
