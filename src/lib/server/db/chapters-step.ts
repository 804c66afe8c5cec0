import { sql } from 'drizzle-orm';
import type { Transaction } from './database.ts';

/*
 * Carries over what a folder held before there were chapters. It knows the forms of that time by itself, so that what is written
 * later changes nothing here.
 */

type Json = Record<string, unknown>;

interface EntryBefore extends Json {
	readonly op: string;
	readonly rank: number;
	readonly acceptance?: Json;
}

interface ChangeBefore {
	readonly stratum: string;
	readonly before: EntryBefore | null;
	readonly after: EntryBefore | null;
}

interface FileBefore extends Json {
	readonly text: string;
}

type AliasBefore =
	| { readonly stratum: string; readonly at: number; readonly before: string; readonly after: string }
	| { readonly stratum: string; readonly from: FileBefore | null; readonly to: FileBefore | null };

interface MacroSaid extends Json {
	readonly id: string;
	readonly gone?: true;
	readonly locks?: boolean;
}

interface MacroBefore {
	readonly stratum: string;
	readonly before: MacroSaid | null;
	readonly after: MacroSaid | null;
}

interface EditBefore {
	readonly revision: number;
	readonly role: string;
	readonly changes: readonly ChangeBefore[];
	readonly aliases: readonly AliasBefore[];
	readonly macros: readonly MacroBefore[];
	readonly undoes: number | null;
	readonly redoes: number | null;
}

interface StratumBefore {
	readonly id: string;
	readonly kind: string;
	readonly aliases: FileBefore | null;
	readonly macros: readonly MacroSaid[] | null;
}

/** A change as it is kept from now on. */
type Change = Json & { readonly chapter: string; readonly stratum: string };

interface MacroEntry extends Json {
	readonly op: 'set' | 'remove' | 'lock';
	readonly id: string;
	readonly rank: number;
}

/** How the file began that was typed into a stratum which had none. */
const FIRST_FILE = {
	recipe: {
		format: 'skarn-recipe',
		version: 1,
		name: 'Arrow lines',
		holds: 'aliases',
		record: { shape: 'line', template: '{alias} -> {command}[ {lock:!}][ # {note}]', comment: '#', sections: 'none' },
		contexts: {}
	},
	encoding: 'utf-8'
};

const ordered = (value: unknown): unknown => {
	if (Array.isArray(value)) return value.map(ordered);
	if (typeof value !== 'object' || value === null) return value;
	return Object.fromEntries(
		Object.keys(value)
			.sort()
			.map((name) => [name, ordered((value as Json)[name])])
	);
};
const same = (a: unknown, b: unknown): boolean => JSON.stringify(ordered(a)) === JSON.stringify(ordered(b));

/** A shortcut or an acceptance of it, as an entry of its chapter. */
function entryNow({ acceptance, op, command, keys, scope, rank }: EntryBefore): { chapter: string; entry: Json } {
	if (!acceptance) return { chapter: 'shortcuts', entry: { op, command, keys, scope, rank } };
	return { chapter: 'acceptances', entry: { op: 'set', ...acceptance, command, keys, scope, rank } };
}

/** The chapters of one application while its edits are gone through. */
class Folding {
	readonly #files = new Map<string, FileBefore | null>();
	readonly #macros = new Map<string, Map<string, MacroEntry>>();
	/** What each edit has become. */
	readonly #made = new Map<number, readonly Change[]>();

	constructor(strata: readonly StratumBefore[]) {
		for (const { id, kind, aliases, macros } of strata) {
			this.#files.set(id, kind === 'factory' ? aliases : null);
			const own = new Map<string, MacroEntry>();
			this.#macros.set(id, own);
			if (kind !== 'factory') continue;
			for (const said of macros ?? []) for (const entry of this.#entriesOf(id, said)) own.set(keyOf(entry), entry);
		}
	}

	file(stratum: string): FileBefore | null {
		return this.#files.get(stratum) ?? null;
	}

	macros(stratum: string): readonly MacroEntry[] {
		return [...(this.#macros.get(stratum)?.values() ?? [])];
	}

	/** The edit as changes of chapters, each on what those before it have left. */
	take(edit: EditBefore): readonly Change[] {
		const { undoes, redoes } = edit;
		const made =
			undoes !== null
				? this.#inverse(this.#made.get(undoes) ?? [])
				: redoes !== null
					? (this.#made.get(redoes) ?? [])
					: [
							...edit.changes.map(shortcutNow),
							...edit.aliases.map((change) => this.#aliasNow(change)),
							...edit.macros.flatMap((change) => this.#macroNow(change))
						];
		if (undoes !== null || redoes !== null) for (const change of made) this.#apply(change);
		this.#made.set(edit.revision, made);
		return made;
	}

	#inverse(changes: readonly Change[]): Change[] {
		return changes
			.map((change): Change => {
				if ('from' in change) return { ...change, from: change.to, to: change.from };
				return { ...change, before: change.after, after: change.before };
			})
			.reverse();
	}

	#apply(change: Change): void {
		const { stratum } = change;
		if (change.chapter === 'aliases') this.#applyFile(change);
		if (change.chapter !== 'macros') return;
		const [before, after] = [change.before, change.after] as (MacroEntry | null)[];
		const own = this.#macros.get(stratum)!;
		if (after) own.set(keyOf(after), after);
		else own.delete(keyOf(before!));
	}

	#applyFile(change: Change): void {
		const { stratum } = change;
		if ('from' in change) return void this.#files.set(stratum, change.to as FileBefore | null);
		const { at, before, after } = change as unknown as { at: number; before: string; after: string };
		const file = this.#files.get(stratum)!;
		const { text } = file;
		if (text.slice(at, at + before.length) !== before) throw new Error(`an alias file of ${stratum} differs from its edits`);
		this.#files.set(stratum, { ...file, text: text.slice(0, at) + after + text.slice(at + before.length) });
	}

	#aliasNow(change: AliasBefore): Change {
		const { stratum } = change;
		const file = this.file(stratum);
		const now: Change =
			'at' in change
				? file
					? { chapter: 'aliases', ...change }
					: { chapter: 'aliases', stratum, from: null, to: { ...FIRST_FILE, text: change.after } }
				: { chapter: 'aliases', stratum, from: file, to: change.to };
		this.#applyFile(now);
		return now;
	}

	/** The entries that say what the stratum said of a macro, with the ranks that they have or get. */
	#entriesOf(stratum: string, said: MacroSaid | null): MacroEntry[] {
		if (!said) return [];
		const own = this.#macros.get(stratum)!;
		let next = Math.max(-1, ...Array.from(own.values(), (entry) => entry.rank)) + 1;
		const rankOf = (key: string) => own.get(key)?.rank ?? next++;
		const { gone, locks, ...macro } = said;
		const entry: MacroEntry = gone
			? { op: 'remove', id: said.id, rank: rankOf(said.id) }
			: { op: 'set', ...macro, rank: rankOf(said.id) };
		return locks ? [entry, { op: 'lock', id: said.id, rank: rankOf(`lock\n${said.id}`) }] : [entry];
	}

	#macroNow({ stratum, before, after }: MacroBefore): Change[] {
		const own = this.#macros.get(stratum)!;
		const { id } = (before ?? after)!;
		const wanted = new Map(this.#entriesOf(stratum, after).map((entry) => [keyOf(entry), entry]));
		return [id, `lock\n${id}`].flatMap((key): Change[] => {
			const [was, is] = [own.get(key) ?? null, wanted.get(key) ?? null];
			if (same(was, is)) return [];
			if (is) own.set(key, is);
			else own.delete(key);
			return [{ chapter: 'macros', stratum, before: was, after: is }];
		});
	}
}

const keyOf = ({ op, id }: MacroEntry): string => (op === 'lock' ? `lock\n${id}` : id);

function shortcutNow({ stratum, before, after }: ChangeBefore): Change {
	const { chapter } = entryNow((before ?? after)!);
	return { chapter, stratum, before: before && entryNow(before).entry, after: after && entryNow(after).entry };
}

const EDITS_AT_ONCE = 100;

/** Throws an error that says what differs; then the whole migration is undone. */
export async function carryOverChapters(tx: Transaction): Promise<void> {
	await tx.execute(sql`
		insert into entries (application, stratum, chapter, key, is_lock, op, value, rank)
		select application, stratum, 'shortcuts',
			case when op = 'lock' then substr(key, 6) else key end, op = 'lock', op,
			jsonb_build_object('command', command, 'keys', keys, 'scope', scope), rank
		from entries_before where op <> 'accept'`);
	await tx.execute(sql`
		insert into entries (application, stratum, chapter, key, is_lock, op, value, rank)
		select application, stratum, 'acceptances', substr(key, 8), false, 'set',
			acceptance || jsonb_build_object('command', command, 'keys', keys, 'scope', scope), rank
		from entries_before where op = 'accept'`);
	const { rows: counts } = await tx.execute<{ before: string; now: string }>(
		sql`select (select count(*) from entries_before)::text as before, (select count(*) from entries)::text as now`
	);
	if (counts[0]!.before !== counts[0]!.now)
		throw new Error(`of ${counts[0]!.before} entries ${counts[0]!.now} were converted; nothing was changed`);
	const { rows: applications } = await tx.execute<{ id: string }>(sql`select id from applications order by id`);
	for (const { id } of applications) await carryOver(tx, id);
}

async function carryOver(tx: Transaction, application: string): Promise<void> {
	const { rows: strata } = await tx.execute<StratumBefore & Json>(
		sql`select id, kind, aliases, macros from strata where application = ${application} order by position`
	);
	const kindOf = new Map(strata.map(({ id, kind }) => [id, kind]));
	const folding = new Folding(strata);
	for (let revision = 0; ;) {
		const { rows } = await tx.execute<EditBefore & Json>(sql`
			select revision, role, changes, aliases, macros, undoes, redoes from edits
			where application = ${application} and revision > ${revision} order by revision limit ${EDITS_AT_ONCE}`);
		if (rows.length === 0) break;
		for (const edit of rows) {
			({ revision } = edit);
			const said = edit.changes.length + edit.aliases.length + edit.macros.length;
			const changes = folding.take(edit);
			if (said > 0 && changes.length === 0 && edit.macros.length < said)
				throw new Error(`edit ${revision} of ${application} has become empty; nothing was changed`);
			const stratum = writtenTo(changes, edit.role, kindOf);
			await tx.execute(
				sql`update edits set changes = ${JSON.stringify(changes)}::jsonb, stratum = ${stratum} where application = ${application} and revision = ${revision}`
			);
		}
	}
	for (const stratum of strata) await keep(tx, application, stratum, folding);
}

/** The stratum that was written to: that of all changes, or the lowest of several that whoever wrote may write. */
function writtenTo(changes: readonly Change[], role: string, kindOf: ReadonlyMap<string, string>): string {
	const written = [...kindOf].filter(([id]) => changes.some((change) => change.stratum === id)).map(([id]) => id);
	const isOwn = (id: string) => kindOf.get(id) === 'personal';
	return (
		written.find((id) => isOwn(id) === (role === 'designer')) ??
		written[0] ??
		[...kindOf].find(([, kind]) => kind === (role === 'designer' ? 'personal' : 'office'))?.[0] ??
		[...kindOf.keys()].at(-1)!
	);
}

/** Writes what the edits come to, after it was compared with what the stratum said. */
async function keep(
	tx: Transaction,
	application: string,
	{ id, aliases, macros }: StratumBefore,
	folding: Folding
): Promise<void> {
	const file = folding.file(id);
	if ((file?.text ?? '') !== (aliases?.text ?? ''))
		throw new Error(`the alias file of ${id} in ${application} differs from its edits; nothing was changed`);
	if (file)
		await tx.execute(
			sql`insert into texts (application, stratum, chapter, body) values (${application}, ${id}, 'aliases', ${JSON.stringify(file)}::jsonb)`
		);
	const entries = folding.macros(id);
	const locked = new Set(entries.filter(({ op }) => op === 'lock').map((entry) => entry.id));
	const said = entries
		.filter(({ op }) => op !== 'lock')
		.map(({ op, rank: _, ...macro }) =>
			op === 'remove' ? { id: macro.id, gone: true } : { ...macro, locks: locked.has(macro.id) }
		);
	const known = (macros ?? []).map((macro) => (macro.gone ? macro : { ...macro, locks: macro.locks ?? false }));
	const sorted = (list: readonly Json[]) => [...list].sort((a, b) => (String(a['id']) < String(b['id']) ? -1 : 1));
	if (!same(sorted(said), sorted(known)))
		throw new Error(`the macros of ${id} in ${application} differ from their edits; nothing was changed`);
	for (const { op, rank, ...value } of entries)
		await tx.execute(sql`
			insert into entries (application, stratum, chapter, key, is_lock, op, value, rank)
			values (${application}, ${id}, 'macros', ${value.id}, ${op === 'lock'}, ${op}, ${JSON.stringify(value)}::jsonb, ${rank})`);
}
