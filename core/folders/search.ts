import { z } from 'zod';

/** Whose a folder is: one person's drive, the office's share, or where the program was installed. */
export const FolderKind = z.enum(['personal', 'office', 'program']);
export type FolderKind = z.infer<typeof FolderKind>;

const Path = z
	.string()
	.min(1)
	.max(260)
	.refine((path) => !path.split(/[\\/]/).includes('..'), 'a path without ..');

export const SearchFolder = z.strictObject({ path: Path, kind: FolderKind, writable: z.boolean() });
export type SearchFolder = z.infer<typeof SearchFolder>;

/** A file of a program: what it is called, and whether the program writes it while people work. */
export const WantedFile = z.strictObject({ name: Path, holds: z.string().min(1).max(80), written: z.boolean() });
export type WantedFile = z.infer<typeof WantedFile>;

/** A file on a disk or share, as a seat sees it. */
export const FoundFile = z.strictObject({ path: Path, modified: z.iso.datetime() });
export type FoundFile = z.infer<typeof FoundFile>;

/** In which order the programs of some seats search for their files, and what lies there. */
export const SeatGroup = z.strictObject({
	name: z.string().min(1).max(60),
	seats: z.array(z.string().min(1).max(20)).min(1).max(1_000),
	folders: z.array(SearchFolder).min(1).max(12)
});
export type SeatGroup = z.infer<typeof SeatGroup>;

export const SearchPaths = z
	.strictObject({
		files: z.array(WantedFile).max(60),
		groups: z.array(SeatGroup).max(60),
		/** What each seat sees, shares among it. Of a seat that is not named nobody knows. */
		disks: z.record(z.string().max(20), z.array(FoundFile).max(2_000)),
		/** When that was looked at, and who says so: the seat itself, or a person by their id. */
		looked: z
			.record(z.string().max(20), z.strictObject({ at: z.iso.datetime(), by: z.string().max(60).nullable() }))
			.optional()
			.meta({ description: 'when each seat was looked at; `by` is null where it has reported itself' })
	})
	.check((ctx) => {
		const seen = new Map<string, string>();
		for (const { name, seats } of ctx.value.groups)
			for (const seat of seats) {
				const other = seen.get(seat);
				if (other !== undefined)
					ctx.issues.push({
						code: 'custom',
						input: ctx.value,
						path: ['groups'],
						message: `seat ${seat} is in the groups ${other} and ${name}`
					});
				seen.set(seat, name);
			}
	});
export type SearchPaths = z.infer<typeof SearchPaths>;

/**
 * The three arrangements of an office, by who has a copy: one person alone; one copy for all, which only the steward writes;
 * a copy of one's own over that of the office.
 */
export const ARRANGEMENTS = ['alone', 'one copy', 'personal before office'] as const;
export type Arrangement = (typeof ARRANGEMENTS)[number];

export const ARRANGEMENT_TEXTS: Readonly<Record<Arrangement, string>> = {
	alone: 'personal only: personal drive, then program',
	'one copy': 'one copy for all, edited by stewards: office share, then program',
	'personal before office': 'personal copy before the office copy: personal drive, office share, program'
};

const ORDERS: Readonly<Record<Arrangement, readonly FolderKind[]>> = {
	alone: ['personal', 'program'],
	'one copy': ['office', 'program'],
	'personal before office': ['personal', 'office', 'program']
};

/** The folders in the order of an arrangement; folders of a kind that it does not search are left out. */
export function arranged(folders: readonly SearchFolder[], arrangement: Arrangement): SearchFolder[] {
	return ORDERS[arrangement].flatMap((kind) =>
		folders.filter((f) => f.kind === kind).map((f) => (kind === 'office' ? { ...f, writable: false } : f))
	);
}

export type FolderWarning =
	/** The winner hides a newer file of the office. */
	| { readonly kind: 'stale'; readonly sentence: string }
	/** The program has to write the file and may not. */
	| { readonly kind: 'read-only'; readonly sentence: string }
	/** Other seats of the group read another folder's file, or none. */
	| { readonly kind: 'only some'; readonly sentence: string }
	| { readonly kind: 'missing'; readonly sentence: string };

/** Which file a program reads at a seat, and why. */
export interface Searched {
	readonly seat: string;
	/** Whether anybody has looked what lies there. */
	readonly isKnown: boolean;
	readonly group: SeatGroup;
	readonly file: WantedFile;
	readonly folder: SearchFolder | undefined;
	readonly found: FoundFile | undefined;
	/** One step for each folder, in the order in which they are searched. */
	readonly trace: readonly {
		readonly folder: SearchFolder;
		readonly found: FoundFile | undefined;
		readonly outcome: 'read' | 'masked' | 'not there' | 'unknown';
	}[];
	readonly warnings: readonly FolderWarning[];
}

/** The path as it is compared: either slash, and no difference of case, as on the shares of most offices (common practice, no source). */
export const comparedPath = (path: string): string => path.replaceAll('\\', '/').replaceAll(/\/+/g, '/').toLowerCase();

const inFolder = (folder: SearchFolder, name: string): string => comparedPath(`${folder.path}/${name}`);

const day = (iso: string): string => iso.slice(0, 10);

/** Searches as the programs do: the first folder that has the file wins. */
export function search({ files, groups, disks }: SearchPaths): Searched[] {
	return groups.flatMap((group) =>
		files.flatMap((file) => {
			const all = group.seats.map((seat) => searchAt(seat, group, file, disks[seat]));
			const read = all.filter(({ isKnown }) => isKnown);
			const folders = new Set(read.map((r) => r.folder?.path));
			if (folders.size <= 1) return all;
			const most = [...folders].sort(
				(a, b) => read.filter((r) => r.folder?.path === b).length - read.filter((r) => r.folder?.path === a).length
			)[0];
			return all.map((r): Searched => {
				if (!r.isKnown || r.folder?.path === most) return r;
				const others = read.filter((o) => o.folder?.path === most).map((o) => o.seat);
				const sentence = `${r.seat} reads ${file.name} ${r.folder ? `from ${r.folder.path}` : 'nowhere'}; ${others.join(', ')} ${others.length === 1 ? 'reads' : 'read'} it ${most ? `from ${most}` : 'nowhere'}.`;
				return { ...r, warnings: [...r.warnings, { kind: 'only some', sentence }] };
			});
		})
	);
}

function searchAt(seat: string, group: SeatGroup, file: WantedFile, disk: readonly FoundFile[] | undefined): Searched {
	if (!disk) {
		const trace = group.folders.map((folder) => ({ folder, found: undefined, outcome: 'unknown' as const }));
		return { seat, isKnown: false, group, file, folder: undefined, found: undefined, trace, warnings: [] };
	}
	const byPath = new Map(disk.map((f) => [comparedPath(f.path), f]));
	let winner: { folder: SearchFolder; found: FoundFile } | undefined;
	const trace = group.folders.map((folder): Searched['trace'][number] => {
		const found = byPath.get(inFolder(folder, file.name));
		if (!found) return { folder, found, outcome: 'not there' };
		if (winner) return { folder, found, outcome: 'masked' };
		winner = { folder, found };
		return { folder, found, outcome: 'read' };
	});
	const warnings: FolderWarning[] = [];
	if (!winner)
		warnings.push({ kind: 'missing', sentence: `${seat} finds ${file.name} in none of its ${group.folders.length} folders.` });
	else {
		const newer = trace.find(
			(t) => t.outcome === 'masked' && t.folder.kind === 'office' && t.found!.modified > winner!.found.modified
		);
		if (newer && winner.folder.kind === 'personal')
			warnings.push({
				kind: 'stale',
				sentence: `${seat} reads its own ${file.name} of ${day(winner.found.modified)}, which hides the office's of ${day(newer.found!.modified)}.`
			});
		if (file.written && !winner.folder.writable)
			warnings.push({
				kind: 'read-only',
				sentence: `${seat} has to write ${file.name}, but ${winner.folder.path} is read-only.`
			});
	}
	return { seat, isKnown: true, group, file, folder: winner?.folder, found: winner?.found, trace, warnings };
}

/** All paths where a file that the programs want may lie at a seat; none for a seat in no group. */
export const pathsAt = ({ files, groups }: SearchPaths, seat: string): string[] =>
	groups
		.filter((group) => group.seats.includes(seat))
		.flatMap((group) => group.folders.flatMap((folder) => files.map((file) => `${folder.path}/${file.name}`)));

/** The same with what a seat, or somebody who has been there, has found. */
export const withLook = (
	paths: SearchPaths,
	seat: string,
	found: readonly FoundFile[],
	look: { readonly at: string; readonly by: string | null }
): SearchPaths => ({
	...paths,
	disks: { ...paths.disks, [seat]: [...found] },
	looked: { ...paths.looked, [seat]: look }
});
