import { SeatFolder } from './folder.ts';
import { followOnce } from './follow.ts';

export interface SeatOptions {
	readonly id: string;
	readonly folder: string;
	readonly server: string;
	/** Milliseconds between two questions. */
	readonly every: number;
}

/** A workstation's stand-in: asks the office again and again, and says what has become otherwise. Ends with its process. */
export async function runSeat({ id, folder: path, server, every }: SeatOptions): Promise<never> {
	const folder = new SeatFolder(path);
	let last = '';
	for (;;) {
		let line: string;
		try {
			const { state, release, message } = await followOnce(server, id, folder);
			line = `${id}: ${state}, release ${release ?? 'none'}${message && `, ${message}`}`;
		} catch (error) {
			line = `${id}: keeps what it has, ${(error as Error).message}`;
		}
		if (line !== last) console.log((last = line));
		await new Promise((resolve) => setTimeout(resolve, every));
	}
}
