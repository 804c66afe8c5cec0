import { put, takeAway } from '../../answer/choices.ts';
import type { ShortcutIndex } from '../../answer/shortcut-index.ts';
import { firstBit } from '../../context/bits.ts';
import type { Binding } from '../../profile/effective.ts';
import type { Keys } from '../../stroke/stroke.ts';
import type { Circumstances } from '../circumstances.ts';
import { contestsOn, type Contest } from '../contest.ts';
import { labelOf, type CheckRule } from '../finding.ts';

/** Which command an input ran in each situation, as a number from 1; 0 where none ran or several might have. */
interface Owners {
	readonly commands: readonly Binding[];
	readonly bySituation: Uint16Array;
}

const known = new WeakMap<ShortcutIndex, Map<Keys, Owners>>();

function ownersOf(released: ShortcutIndex, keys: Keys): Owners {
	let byKeys = known.get(released);
	if (!byKeys) known.set(released, (byKeys = new Map()));
	let owners = byKeys.get(keys);
	if (!owners) {
		const was = contestsOn(released)(keys);
		const commands: Binding[] = [];
		const bySituation = new Uint16Array(released.space.situations.length);
		was.contenders.forEach(({ binding }, i) => {
			let no = commands.findIndex((b) => b.command === binding.command) + 1;
			if (no === 0) no = commands.push(binding);
			const wins = was.wins[i]!;
			for (let w = 0; w < wins.length; w++)
				for (let word = wins[w]! & ~was.tied[w]!; word !== 0; word &= word - 1) bySituation[firstBit(word, w)] ||= no;
		});
		byKeys.set(keys, (owners = { commands, bySituation }));
	}
	return owners;
}

/** What the released profile did with the keys, or undefined when nothing on them has changed. */
function before({ index, released }: Circumstances, keys: Keys): Owners | undefined {
	if (!released) return undefined;
	const was = released.on(keys);
	const is = index.on(keys);
	if (was.length === 0 || is.length === 0) return undefined;
	if (was === is || (was.length === is.length && was.every((b, i) => b.key === is[i]!.key))) return undefined;
	return ownersOf(released, keys);
}

/** The situations in which the binding's command runs now and another one ran before, in their order, at most so many. */
function changedAt(was: Owners, is: Contest, place: number, most: number): number[] {
	const { command } = is.contenders[place]!.binding;
	const mine = was.commands.findIndex((b) => b.command === command) + 1;
	const { bySituation } = was;
	const { tied } = is;
	const now = is.wins[place]!;
	const found: number[] = [];
	for (let w = 0; w < now.length; w++)
		for (let word = now[w]! & ~tied[w]!; word !== 0; word &= word - 1) {
			const situation = firstBit(word, w);
			const owner = bySituation[situation]!;
			if (owner === 0 || owner === mine) continue;
			found.push(situation);
			if (found.length === most) return found;
		}
	return found;
}

/** Against the last release, a stroke now does something else: old habits misfire, which is worse than a new stroke. */
export const moved: CheckRule = {
	id: 'moved',
	title: 'Does something else than in the last release',
	onInput(contest, c, report) {
		const was = before(c, contest.keys);
		if (!was) return;
		const { nowhere } = c.index.space;
		for (let place = 0; place < contest.contenders.length; place++) {
			if (contest.wins[place] === nowhere) continue;
			const [situation] = changedAt(was, contest, place, 1);
			if (situation === undefined) continue;
			const { binding } = contest.contenders[place]!;
			report({
				rule: 'moved',
				severity: 'attention',
				command: binding.command,
				bindings: [binding],
				witness: { keys: contest.keys, situation }
			});
		}
	},
	tell({ bindings: [binding], witness: { keys, situation } }, c, contest) {
		const was = before(c, keys!)!;
		const place = contest.placeOf(binding!);
		const old = was.commands[was.bySituation[situation]! - 1]!;
		return {
			sentence: `${keys} runs ${labelOf(c, binding!)} in ${c.index.space.labelOf(situation)}; in the last release it ran ${labelOf(c, old)}.`,
			count: changedAt(was, contest, place, Infinity).length,
			causes: [old]
		};
	},
	proposals({ bindings: [binding], witness: { keys, situation } }, c, _, pen) {
		const was = before(c, keys!)!;
		const { command } = was.commands[was.bySituation[situation]! - 1]!;
		const gone = c
			.released!.on(keys!)
			.filter((b) => b.command === command && !c.index.on(keys!).some((now) => now.key === b.key));
		return [
			{
				kind: 'as released',
				label: `Give ${keys} back to ${labelOf(c, { command })}`,
				changes: () => [
					...takeAway(c.index, pen.profile, pen.target, binding!),
					...gone.flatMap((b, i) => put(pen.profile, pen.target, { command, keys: keys!, scope: b.scope }, i + 1))
				]
			}
		];
	}
};
