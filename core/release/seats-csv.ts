import { readList } from '../format/list.ts';
import { Site } from '../people/person.ts';
import { SeatId } from './release.ts';
import { EVERYONE, type Ring, type RingId } from './rings.ts';

/** A seat of a list, as it is to be added. */
export interface ListedSeat {
	readonly id: string;
	/** Null for everyone's. */
	readonly ring: RingId | null;
	readonly site: string;
	readonly note: string;
}

/** A row of the list with its line (the first is 1), and what is wrong with it. */
export interface ReadSeat {
	readonly line: number;
	readonly seat: ListedSeat;
	readonly problems: readonly string[];
}

export const SEAT_COLUMNS = ['id', 'ring', 'site', 'note'] as const;
type Column = (typeof SEAT_COLUMNS)[number];
const NAMES: Readonly<Record<Column, readonly string[]>> = {
	id: ['id', 'seat', 'workstation', 'name'],
	ring: ['ring'],
	site: ['site', 'office', 'place', 'location'],
	note: ['note', 'team', 'who', 'remark']
};
const plain = (text: string) => text.trim().toLowerCase();

/**
 * A list of seats as a table, with a head or in the order id, ring, site, note (see `readList`). `known` are the ids that there are already.
 * What is wrong is said row by row.
 */
export function readSeats(text: string, rings: readonly Pick<Ring, 'id' | 'name'>[], known: readonly string[]): ReadSeat[] {
	const seen = new Set<string>();
	return readList(text, NAMES, 'id').map(({ line, cell }): ReadSeat => {
		const problems: string[] = [];
		const id = cell('id').toUpperCase();
		if (!SeatId.safeParse(id).success) problems.push(`“${cell('id')}” is not a seat id; expected one such as C-04`);
		else if (known.includes(id)) problems.push(`there is already a seat ${id}`);
		else if (seen.has(id)) problems.push(`${id} appears twice in the list`);
		seen.add(id);
		const wanted = plain(cell('ring'));
		const ring = rings.find((one) => plain(one.id) === wanted || plain(one.name) === wanted);
		if (wanted !== '' && !ring)
			problems.push(`there is no ring “${cell('ring')}”; expected ${rings.map(({ name }) => name).join(', ')}`);
		const site = Site.safeParse(cell('site'));
		if (!site.success) problems.push(site.error.issues[0]!.message);
		const note = cell('note');
		if (note.length > 200) problems.push('the note has more than 200 characters');
		const everyone = !ring || ring.id === EVERYONE;
		return { line, seat: { id, ring: everyone ? null : ring.id, site: site.success ? site.data : '', note }, problems };
	});
}
