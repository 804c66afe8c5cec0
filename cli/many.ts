import { join } from 'node:path';
import { identityOf, USUAL } from '../seat/identity.ts';
import { round, seatIn, type SeatOptions } from '../seat/run.ts';
import type { SeatAtWork } from '../seat/follow.ts';
import { BadInputError } from './problem.ts';
import { askServer } from './server.ts';

/** So many workstations are started at a time. */
const AT_ONCE = 20;

/** The id of the simulated seat of this place: M-001 and so on, and N-01 and so on above 999. */
export function manyId(place: number): string {
	const letters = ['M', 'N', 'P', 'Q', 'R', 'S'];
	return `${letters[Math.floor(place / 999)]!}-${String((place % 999) + 1).padStart(3, '0')}`;
}

/**
 * Many workstations in one process: each has a folder and a key of its own. Those that the office does not know yet are added to its
 * first application, with a code each; that takes a steward (SKARN_TOKEN, in an office with accounts).
 */
export async function seatsIn(many: number, { folder, server, every }: SeatOptions): Promise<SeatAtWork[]> {
	const { applications } = await askServer<{ applications: { id: string }[] }>(server, '/api/applications');
	const application = applications[0]?.id;
	if (application === undefined) throw new BadInputError(`${server} has no application for seats. Add one first.`);
	const path = `/api/applications/${application}/seats`;
	const known = new Set((await askServer<{ seats: { id: string }[] }>(server, path)).seats.map(({ id }) => id));
	const seats: SeatAtWork[] = [];
	await inParts(many, async (place) => {
		const id = manyId(place);
		const own = join(folder, id);
		const isKnown = known.has(id);
		if (!isKnown) await askServer(server, path, 'POST', { id, note: 'simulated' });
		const code =
			isKnown && identityOf(own) ? undefined : (await askServer<{ code: string }>(server, `/api/seats/${id}/code`, 'POST')).code;
		seats[place] = await seatIn({ id, code, folder: own, server, every }, USUAL);
	});
	return seats;
}

async function inParts(many: number, work: (place: number) => Promise<void>): Promise<void> {
	let next = 0;
	await Promise.all(
		Array.from({ length: Math.min(AT_ONCE, many) }, async () => {
			while (next < many) await work(next++);
		})
	);
}

/** Runs them until the process ends, spread over the time between two questions; says every few seconds how they are. */
export async function runMany(many: number, options: SeatOptions): Promise<never> {
	const seats = await seatsIn(many, options);
	console.log(`${many} seats follow ${options.server}.`);
	const said = new Map<string, string>();
	for (const [place, seat] of seats.entries()) {
		const follow = async () => {
			const line = await round(seat);
			const { seat: id } = seat.session;
			said.set(id, line.replace(`${id}: `, ''));
			setTimeout(() => void follow(), options.every);
		};
		setTimeout(() => void follow(), (options.every * place) / many);
	}
	let last = '';
	for (;;) {
		await new Promise((resolve) => setTimeout(resolve, Math.max(1_000, options.every)));
		const counts = new Map<string, number>();
		for (const line of said.values()) counts.set(line, (counts.get(line) ?? 0) + 1);
		const text = [...counts]
			.sort(([, a], [, b]) => b - a)
			.slice(0, 5)
			.map(([line, n]) => `${n} ${line}`)
			.join('; ');
		if (text !== last) console.log((last = text));
	}
}
