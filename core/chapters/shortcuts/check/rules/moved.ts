import { put, takeAway } from '../../../../answer/choices.ts';
import type { Input } from '../../../../answer/input.ts';
import { count, hasBit } from '../../../../context/bits.ts';
import { NOTHING, type Row } from '../../../../context/kernel.ts';
import type { Contender } from '../../../../answer/rules/rule.ts';
import type { Binding } from '../../../../shortcut/effective.ts';
import type { Keys } from '../../../../stroke/stroke.ts';
import type { Circumstances } from '../../../../check/circumstances.ts';
import { contestOn, type Contest } from '../contest.ts';
import { labelOf, type CheckRule } from '../finding.ts';

/**
 * The places of the bindings that have come to an input, if nothing else on it has changed; otherwise undefined. Bindings on
 * the same keys differ by command and scope.
 */
function added(was: readonly Contender[], is: readonly Contender[]): number[] | undefined {
	if (was.length > is.length) return undefined;
	const places: number[] = [];
	let next = 0;
	for (let place = 0; place < is.length; place++) {
		const now = is[place]!;
		const before = was[next];
		if (before && before.scope === now.scope && before.command.id === now.command.id) next++;
		else places.push(place);
	}
	return next === was.length ? places : undefined;
}

/** What the released profile did with the input, or undefined when there is no release or nothing was on it. */
function before({ released }: Circumstances, { keys }: Input): Input | undefined {
	const was = released?.at(keys);
	return was && was.contenders.length > 0 ? was : undefined;
}

/**
 * Outside of these situations nothing can have moved: where bindings have only come, all else does what it did but where one
 * of them runs. Where an application refuses bindings for the sake of others that it has loaded, any other may matter.
 */
function suspect({ index }: Circumstances, { input, wins, shelf }: Contest, was: Input): Row {
	const refuses = index.rules.ambiguity === 'refuse';
	const come = refuses ? added(was.contenders, input.contenders) : added(was.living, input.living);
	if (come?.length === 0) return NOTHING;
	return shelf.any(refuses || !come ? wins : come.map((place) => wins[place]!));
}

/** Where each of the bindings ran its command, those situations left out where several might have run. */
const ran = ({ wins, tied, shelf }: Contest): readonly Row[] =>
	tied === NOTHING ? wins : wins.map((row) => (row === NOTHING ? NOTHING : shelf.without(row, tied)));

/** The first binding that ran in the situation. */
function ownerAt(c: Circumstances, keys: Keys, situation: number): Binding {
	const { index } = c;
	return contestOn(c.released!, before(c, index.at(keys))!, (was) => {
		const place = ran(was).findIndex((row) => hasBit(was.shelf.bits(row), situation));
		return was.contenders[place]!.binding;
	});
}

/** For each binding the situations in which its command runs now and another one ran before. */
function changes(now: Contest, was: Contest): readonly Row[] {
	const { shelf } = now;
	const rows = ran(was);
	const settled = shelf.any(rows);
	const decided = now.tied === NOTHING ? settled : shelf.without(settled, now.tied);
	return now.contenders.map(({ command }, place) => {
		let changed = now.wins[place]!;
		if (changed !== NOTHING) changed = shelf.both(changed, decided);
		for (let i = 0; i < rows.length && changed !== NOTHING; i++)
			if (rows[i] !== NOTHING && was.contenders[i]!.command.id === command.id) changed = shelf.without(changed, rows[i]!);
		return changed;
	});
}

/** Against the last release, a stroke now does something else: old habits misfire, which is worse than a new stroke. */
export const moved: CheckRule = {
	id: 'moved',
	title: 'Changed since the last release',
	onContest(contest, c, report) {
		if (!contest.wins.some((row) => row !== NOTHING)) return;
		const released = before(c, contest.input);
		if (!released) return;
		const where = suspect(c, contest, released);
		if (where === NOTHING) return;
		const { contenders, shelf } = contest;
		changes(contest, contest.beside(c.released!, released, where)).forEach((row, place) => {
			if (row !== NOTHING) report('attention', contenders[place]!.binding, shelf.first(row));
		});
	},
	tell({ bindings: [binding], witness: { keys, situation } }, c, contest) {
		const old = ownerAt(c, keys!, situation);
		return {
			sentence: `${keys} runs ${labelOf(c, binding!)} in ${c.index.space.labelOf(situation)}; in the last release it ran ${labelOf(c, old)}.`,
			count() {
				const now = contest();
				const place = now.placeOf(binding!);
				return count(now.shelf.bits(changes(now, now.beside(c.released!, before(c, now.input)!))[place]!));
			},
			causes: [old]
		};
	},
	proposals({ bindings: [binding], witness: { keys, situation } }, c, _, pen) {
		const { command } = ownerAt(c, keys!, situation);
		const gone = c
			.released!.on(keys!)
			.filter((b) => b.command === command && !c.index.on(keys!).some((now) => now.key === b.key));
		return [
			{
				kind: 'as released',
				label: `Return ${keys} to ${labelOf(c, { command })}`,
				changes: () => [
					...takeAway(c.index, pen.profile, pen.target, binding!),
					...gone.flatMap((b, i) => put(pen.profile, pen.target, { command, keys: keys!, scope: b.scope }, i + 1))
				]
			}
		];
	}
};
