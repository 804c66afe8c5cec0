import { statSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import type { FoundFile } from '../core/folders/search.ts';
import { jsonOf } from './ask.ts';
import { saidIn, type SeatSession } from './identity.ts';

/** What a seat is asked to look for. */
const Asked = z.object({ paths: z.array(z.string().max(600)).max(2_000) });

/**
 * Where a path lies below the folder that stands for the workstation's drives: `H:\\own\\keys.txt` is `H/own/keys.txt` there, and a share
 * `\\\\office\\standard` is `office/standard`. Undefined for a path that would lead out of it.
 */
export function placeOf(drives: string, path: string): string | undefined {
	const parts = path.split(/[\\/]+/).filter(Boolean);
	if (parts.includes('..')) return undefined;
	return join(drives, ...parts.map((part, i) => (i === 0 ? part.replace(/^([a-z]):$/i, '$1') : part)));
}

/** Which of the paths are there, and when they were changed. */
export const lookAt = (drives: string, paths: readonly string[]): FoundFile[] =>
	paths.flatMap((path) => {
		const place = placeOf(drives, path);
		const file = place === undefined ? undefined : statSync(place, { throwIfNoEntry: false });
		return file?.isFile() ? [{ path, modified: file.mtime.toISOString() }] : [];
	});

/** Looks for the files that the office asks about, and tells what is there; nothing where it asks about none. */
export async function tellFiles(session: SeatSession, drives: string): Promise<void> {
	const path = `/api/seats/${session.seat}/files`;
	const asked = await session.ask(path);
	if (!asked.ok) throw new Error(saidIn(asked));
	const { paths } = Asked.parse(jsonOf(asked));
	if (paths.length === 0) return;
	const sent = await session.ask(path, {
		method: 'PUT',
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify({ found: lookAt(drives, paths) })
	});
	if (!sent.ok) throw new Error(saidIn(sent));
}
