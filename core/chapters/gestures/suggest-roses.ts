import type { Command, CommandId } from '../../application/command.ts';
import { turned } from '../../hand/circular.ts';
import type { Solve } from '../../suggest/solve.ts';
import { handSummary, missesIn, type Flick } from '../../hand/hand-test.ts';

/** One rose that commands are wanted for. */
export interface RoseWish {
	readonly id: string;
	/** Its directions, in degrees clockwise from up. */
	readonly directions: readonly number[];
	/** The commands that may lie on it. */
	readonly candidates: readonly Command[];
	/** What lies where now, by the direction: of choices that are as good as each other, the one that changes least is made. */
	readonly now?: Readonly<Record<number, readonly string[]>>;
	/** The seconds that the quickest other way to a command takes, by its id. */
	readonly otherwise?: Readonly<Record<string, number>>;
}

export interface RoseSet {
	/** What lies where, rose by rose. */
	readonly roses: readonly {
		readonly id: string;
		readonly on: readonly { readonly degrees: number; readonly command: CommandId }[];
	}[];
	/** Whether the solver has proved that no other choice is better. */
	readonly proved: boolean;
}

/** A flick up, down, left or right, and into any other direction, in seconds: diagonals take longer (common practice, no source). */
const [CARDINAL, DIAGONAL] = [0.2, 0.25] as const;
/** What it costs to have flicked into a wrong direction: to see it, and to undo it, in seconds (common practice, no source). */
const MISSED = 2;
/** What finding a command costs that has no other way known, in seconds: more than any flick. */
const OTHERWISE = 4;

/** By so much, in seconds a day, what lies somewhere now is better than the same elsewhere. */
const KEPT = 0.001;

/** A command whose use is not known counts as run once a day. */
const runsOf = (command: Command): number => Math.max(1, command.use ?? 1);

/** What a flick into each of these directions costs a hand, in seconds: its time, and what it misses. */
export function costsOf(directions: readonly number[], flicks: readonly Flick[] = []): Map<number, number> {
	const hand = handSummary(flicks);
	return new Map(
		directions.map((degrees) => {
			const plain = degrees % 90 === 0 ? CARDINAL : DIAGONAL;
			if (!hand) return [degrees, plain];
			const tested = hand.directions.find(({ wanted }) => wanted === degrees);
			return [degrees, (tested ? tested.ms / 1000 : plain) + MISSED * missesIn(hand, degrees, directions.length)];
		})
	);
}

/** What it takes a day, in seconds, to run a command that lies on no direction, or on the one that it lies on now. */
function secondsNow(rose: RoseWish, costs: ReadonlyMap<number, number>, command: Command): number {
	const on = rose.directions.filter((degrees) => rose.now?.[degrees]?.includes(command.id)).map((degrees) => costs.get(degrees)!);
	const one = on.length > 0 ? Math.min(...on) : (rose.otherwise?.[command.id] ?? OTHERWISE);
	return runsOf(command) * one;
}

/**
 * How many seconds a day it saves to have a command on a direction, with what those lose that lie there now and get no other direction by
 * `set`; negative where it costs more than it saves.
 */
export function gainOf(
	rose: RoseWish,
	costs: ReadonlyMap<number, number>,
	set: RoseSet,
	{ degrees, command }: { readonly degrees: number; readonly command: CommandId }
): number {
	const byId = new Map(rose.candidates.map((one) => [one.id as string, one]));
	const comes = byId.get(command);
	const placed = new Set(set.roses.find(({ id }) => id === rose.id)?.on.map((one) => one.command as string));
	const gain = comes ? secondsNow(rose, costs, comes) - runsOf(comes) * costs.get(degrees)! : 0;
	const lost = (rose.now?.[degrees] ?? []).flatMap((id) => (id === command || placed.has(id) ? [] : (byId.get(id) ?? [])));
	return gain - lost.reduce((sum, one) => sum + runsOf(one) * ((rose.otherwise?.[one.id] ?? OTHERWISE) - costs.get(degrees)!), 0);
}

/**
 * Commands for the directions of several roses at once: the seconds a day that flicks and what lies on no rose cost are least; no
 * direction has two commands; a command and its opposite lie opposite, or one of them is not there; and a command lies in the same direction of
 * every rose that has it. An integer programme: x(r, c, d) is 1 when rose r has command c on direction d.
 */
export function suggestRoses(
	wishes: readonly RoseWish[],
	costs: (degrees: number, rose: RoseWish) => number,
	solve: Solve
): RoseSet {
	const cost: string[] = [];
	const rows: string[] = [];
	const variables: string[] = [];
	const name = (r: number, c: number, d: number) => `x${r}_${c}_${d}`;
	const row = (terms: readonly string[], rest: string) =>
		rows.push(`r${rows.length}: ${terms.join(' + ').replaceAll('+ -', '- ')} ${rest}`);
	/** By command and direction, what says that it lies there; by command, the directions that it lies in. */
	const shared = new Map<string, Map<number, string[]>>();
	wishes.forEach((rose, r) => {
		rose.candidates.forEach((command, c) => {
			const own = rose.directions.map((degrees, d) => {
				const variable = name(r, c, d);
				variables.push(variable);
				const gain = costs(degrees, rose) - (rose.otherwise?.[command.id] ?? OTHERWISE);
				const kept = rose.now?.[degrees]?.includes(command.id) ? KEPT : 0;
				cost.push(`${(runsOf(command) * gain - kept).toFixed(5)} ${variable}`);
				const ways = shared.get(command.id) ?? new Map<number, string[]>();
				shared.set(command.id, ways.set(degrees, [...(ways.get(degrees) ?? []), variable]));
				return variable;
			});
			row(own, '<= 1');
			rose.candidates.forEach((partner, across) => {
				// either of two may name the other; each pair once
				if (across <= c || (command.opposite !== partner.id && partner.opposite !== command.id)) return;
				rose.directions.forEach((degrees, d) => {
					const elsewhere = rose.directions.flatMap((other, e) => (other === turned(degrees + 180) ? [] : [name(r, across, e)]));
					row([name(r, c, d), ...elsewhere], '<= 1');
				});
			});
		});
		rose.directions.forEach((_, d) => {
			if (rose.candidates.length > 0)
				row(
					rose.candidates.map((__, c) => name(r, c, d)),
					'<= 1'
				);
		});
	});
	let z = 0;
	for (const ways of shared.values()) {
		if (Math.max(...Array.from(ways.values(), (list) => list.length)) < 2) continue;
		const chosen = Array.from(ways, ([, list]) => {
			const way = `z${z++}`;
			variables.push(way);
			for (const variable of list) row([variable, `-${way}`], '<= 0');
			return way;
		});
		row(chosen, '<= 1');
	}
	if (variables.length === 0) return { roses: wishes.map(({ id }) => ({ id, on: [] })), proved: true };
	const lines = (parts: readonly string[]) => parts.map((part) => `${part.startsWith('-') ? '' : '+'}${part}`).join('\n ');
	const model = `Minimize\n obj: ${lines(cost)}\nSubject To\n${rows.map((r) => ` ${r}`).join('\n')}\nBinary\n${variables.map((v) => ` ${v}`).join('\n')}\nEnd\n`;
	const { status, values } = solve(model);
	return {
		roses: wishes.map(({ id, directions, candidates }, r) => ({
			id,
			on: directions.flatMap((degrees, d) => {
				const command = candidates.find((_, c) => (values[name(r, c, d)] ?? 0) > 0.5);
				return command ? [{ degrees, command: command.id }] : [];
			})
		})),
		proved: status === 'Optimal'
	};
}
