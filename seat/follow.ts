import { z } from 'zod';
import { Manifest, MOST_DRIFT, type Drift, type SeatReport } from '../core/release/release.ts';
import { readProfileFile } from '../core/hand-over/profile-file.ts';
import { sha256, type SeatFolder } from './folder.ts';

/** The release was not taken; the seat keeps what it has. */
export class ReleaseRefusedError extends Error {
	override name = 'ReleaseRefusedError';
}

export type Fetch = (url: string, init?: RequestInit) => Promise<Response>;

async function bytesOf(response: Response, most: number): Promise<Uint8Array> {
	const chunks: Uint8Array[] = [];
	let size = 0;
	for await (const chunk of response.body as unknown as AsyncIterable<Uint8Array>) {
		size += chunk.byteLength;
		if (size > most) throw new ReleaseRefusedError(`the file is longer than the ${most} bytes that the manifest names`);
		chunks.push(chunk);
	}
	return Buffer.concat(chunks);
}

/** Gets the release that the manifest names and proves it: length, SHA-256, and that it is a profile file. */
async function download(server: string, manifest: Manifest, get: Fetch): Promise<Uint8Array> {
	const response = await get(new URL(manifest.href!, server).href);
	if (!response.ok) throw new ReleaseRefusedError(`the server answered ${response.status} for release ${manifest.release}`);
	const bytes = await bytesOf(response, manifest.bytes!);
	const found = sha256(bytes);
	if (found !== manifest.sha256)
		throw new ReleaseRefusedError(`release ${manifest.release} fails its digest: expected ${manifest.sha256}, got ${found}`);
	try {
		// a chapter that this seat does not know yet is no fault of the file
		readProfileFile(`release ${manifest.release}`, Buffer.from(bytes).toString('utf8'));
	} catch (error) {
		throw new ReleaseRefusedError(`release ${manifest.release} is not a profile file: ${(error as Error).message}`);
	}
	return bytes;
}

/**
 * One round of a seat: ask for the manifest, install what is new, look whether the file was changed by hand, report.
 * A file changed by hand is left alone until a new release comes or the office asks to restore it.
 */
export async function followOnce(server: string, seat: string, folder: SeatFolder, get: Fetch = fetch): Promise<SeatReport> {
	const answer = await get(new URL(`/api/seats/${seat}/manifest`, server).href);
	if (!answer.ok) {
		const problem = z.object({ detail: z.string() }).safeParse(await answer.json().catch(() => undefined));
		throw new Error(problem.success ? problem.data.detail : `the server answered ${answer.status}`);
	}
	const manifest = Manifest.parse(await answer.json());
	const report = await bringUpToDate(server, manifest, folder, get);
	const sent = await get(new URL(`/api/seats/${seat}/reports`, server).href, {
		method: 'POST',
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify(report)
	});
	if (!sent.ok) throw new Error(`the report was answered ${sent.status}`);
	if (report.state === 'drifted' && report.sha256 !== folder.told) await tellDrift(server, seat, folder, get);
	return report;
}

/** Sends the file that was changed by hand, so that the office sees what differs. */
async function tellDrift(server: string, seat: string, folder: SeatFolder, get: Fetch): Promise<void> {
	const text = folder.content();
	const digest = folder.digest();
	if (text === undefined || digest === undefined || text.length > MOST_DRIFT) return;
	const sent = await get(new URL(`/api/seats/${seat}/drift`, server).href, {
		method: 'PUT',
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify({ sha256: digest, text } satisfies Drift)
	});
	if (sent.ok) folder.told = digest;
}

async function bringUpToDate(server: string, manifest: Manifest, folder: SeatFolder, get: Fetch): Promise<SeatReport> {
	const before = folder.installed();
	const isDrifted = before !== undefined && folder.digest() !== before.sha256;
	const isNew = manifest.release !== null && (before?.release !== manifest.release || before.sha256 !== manifest.sha256);
	if (isNew || (manifest.release !== null && isDrifted && manifest.restore))
		try {
			folder.install(manifest.release!, await download(server, manifest, get));
		} catch (error) {
			return {
				release: before?.release ?? null,
				state: 'refused',
				sha256: folder.digest() ?? null,
				message: (error as Error).message
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
