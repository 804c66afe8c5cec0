import { z } from 'zod';
import { Manifest, MOST_DRIFT, type Drift, type SeatReport } from '../core/release/release.ts';
import { readProfileFile } from '../core/hand-over/profile-file.ts';
import { LARGEST_FILE } from '../core/format/problem.ts';
import { ask, jsonOf, PATIENCE, type Answer, type Fetch, type Patience } from './ask.ts';
import { sha256, type SeatFolder } from './folder.ts';

/** The release was not taken; the seat keeps what it has. */
export class ReleaseRefusedError extends Error {
	override name = 'ReleaseRefusedError';
}

/** What the office is asked with, and how patiently. */
export interface Asking {
	readonly get: Fetch;
	readonly patience: Patience;
}

const USUAL: Asking = { get: fetch, patience: PATIENCE };

/** Where a path of the office is; it never leads to another server. */
function within(server: string, path: string): string {
	const url = new URL(path, server);
	if (url.origin !== new URL(server).origin) throw new ReleaseRefusedError(`the manifest leads to another server, ${url.origin}`);
	return url.href;
}

/** Gets the release that the manifest names and proves it: length, SHA-256, and that it is a profile file of the application. */
async function download(server: string, manifest: Manifest, { get, patience }: Asking): Promise<Uint8Array> {
	const { release, application } = manifest;
	const most = manifest.bytes!;
	if (most > LARGEST_FILE) throw new ReleaseRefusedError(`release ${release} would have ${most} bytes, more than any release`);
	const answer = await ask(get, within(server, manifest.href!), { most, patience });
	if (!answer.ok) throw new ReleaseRefusedError(`the server answered ${answer.status} for release ${release}`);
	const { bytes } = answer;
	const found = sha256(bytes);
	if (found !== manifest.sha256)
		throw new ReleaseRefusedError(`release ${release} fails its digest: expected ${manifest.sha256}, got ${found}`);
	let file;
	try {
		// a chapter that this seat does not know yet is no fault of the file
		file = readProfileFile(`release ${release}`, Buffer.from(bytes).toString('utf8'));
	} catch (error) {
		throw new ReleaseRefusedError(`release ${release} is not a profile file: ${(error as Error).message}`);
	}
	const of = file.application.id;
	if (of !== application) throw new ReleaseRefusedError(`release ${release} is of ${of}, not of ${application}`);
	return bytes;
}

/**
 * One round of a seat: ask for the manifest, install what is new, look whether the file was changed by hand, report.
 * A file changed by hand is left alone until a new release comes or the office asks to restore it.
 */
export async function followOnce(server: string, seat: string, folder: SeatFolder, asking: Asking = USUAL): Promise<SeatReport> {
	const { get, patience } = asking;
	const answer = await ask(get, within(server, `/api/seats/${seat}/manifest`), { patience });
	if (!answer.ok) {
		const problem = z.object({ detail: z.string() }).safeParse(readable(answer));
		throw new Error(problem.success ? problem.data.detail : `the server answered ${answer.status}`);
	}
	const manifest = Manifest.parse(jsonOf(answer));
	const report = await bringUpToDate(server, manifest, folder, asking);
	const sent = await ask(get, within(server, `/api/seats/${seat}/reports`), {
		method: 'POST',
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify(report),
		patience
	});
	if (!sent.ok) throw new Error(`the report was answered ${sent.status}`);
	if (report.state === 'drifted' && report.sha256 !== folder.told) await tellDrift(server, seat, folder, asking);
	return report;
}

/** What a refusal says, where it says something. */
function readable(answer: Answer): unknown {
	try {
		return jsonOf(answer);
	} catch {
		return undefined;
	}
}

/** Sends the file that was changed by hand, so that the office sees what differs. */
async function tellDrift(server: string, seat: string, folder: SeatFolder, { get, patience }: Asking): Promise<void> {
	const text = folder.content();
	const digest = folder.digest();
	if (text === undefined || digest === undefined || text.length > MOST_DRIFT) return;
	const sent = await ask(get, within(server, `/api/seats/${seat}/drift`), {
		// the file goes out as slowly as an answer may come
		patience: { ...patience, silence: patience.silence + (text.length / patience.slowest) * 1_000 },
		method: 'PUT',
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify({ sha256: digest, text } satisfies Drift)
	});
	if (sent.ok) folder.told = digest;
}

async function bringUpToDate(server: string, manifest: Manifest, folder: SeatFolder, asking: Asking): Promise<SeatReport> {
	const before = folder.installed();
	const isDrifted = before !== undefined && folder.digest() !== before.sha256;
	const isNew = manifest.release !== null && (before?.release !== manifest.release || before.sha256 !== manifest.sha256);
	if (isNew || (manifest.release !== null && isDrifted && manifest.restore))
		try {
			if (before?.application !== undefined && before.application !== manifest.application)
				throw new ReleaseRefusedError(
					`this folder is ${before.application}'s; the manifest is of ${manifest.application}, which needs a folder of its own`
				);
			folder.install(manifest, await download(server, manifest, asking));
		} catch (error) {
			return {
				release: before?.release ?? null,
				state: 'refused',
				sha256: folder.digest() ?? null,
				message: (error as Error).message.slice(0, 500)
			};
		}
	const now = folder.installed();
	const digest = folder.digest() ?? null;
	if (!now) return { release: null, state: 'empty', sha256: digest, message: 'no release has been published' };
	return digest === now.sha256
		? { release: now.release, state: 'installed', sha256: digest, message: '' }
		: {
				release: now.release,
				state: 'drifted',
				sha256: digest,
				message: digest ? 'interface.json was changed by hand' : 'interface.json is missing'
			};
}
