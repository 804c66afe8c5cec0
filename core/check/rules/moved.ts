import { put, takeAway } from '../../answer/choices.ts';
import type { CommandId } from '../../application/command.ts';
import type { ShortcutIndex } from '../../answer/shortcut-index.ts';
import { absorb, count, difference, firstBit, hasBit, noBits, type Bits } from '../../context/bits.ts';
import type { Binding } from '../../profile/effective.ts';
import type { Keys } from '../../stroke/stroke.ts';
import type { Circumstances } from '../circumstances.ts';
import { contestsOn, type Contest } from '../contest.ts';
import { labelOf, type CheckRule } from '../finding.ts';

/** Which commands an input ran in which situations, those left out where several might have. */
interface Owners {
	readonly anywhere: Bits;
	readonly byCommand: ReadonlyMap<CommandId, { readonly binding: Binding; readonly situations: Bits }>;
}

const known = new WeakMap<ShortcutIndex, Map<Keys, Owners>>();

function ownersOf(released: ShortcutIndex, keys: Keys): Owners {
	let byKeys = known.get(released);
	if (!byKeys) known.set(released, (byKeys = new Map()));
	let owners = byKeys.get(keys);
	if (!owners) {
		const was = contestsOn(released)(keys);
		const anywhere = noBits(released.space.situations.length);
		const byCommand = new Map<CommandId, { binding: Binding; situations: Bits }>();
		was.contenders.forEach(({ binding }, i) => {
			const wins = difference(was.wins[i]!, was.tied);
			absorb(anywhere, wins);
			const known = byCommand.get(binding.command);
			if (known) absorb(known.situations, wins);
			else byCommand.set(binding.command, { binding, situations: wins });
		});
		byKeys.set(keys, (owners = { anywhere, byCommand }));
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

/** The first command that ran in the situation. */
function ownerAt({ byCommand }: Owners, situation: number): Binding {
	return [...byCommand.values()].find(({ situations }) => hasBit(situations, situation))!.binding;
}

/** The situations in which the binding's command runs now and another one ran before, from one word of the set to the next. */
function changedAt(
	was: Owners,
	{ contenders, wins, tied }: Contest,
	place: number,
	take: (word: number, w: number) => boolean
): void {
	const mine = was.byCommand.get(contenders[place]!.binding.command)?.situations;
	const now = wins[place]!;
	for (let w = 0; w < now.length; w++) {
		const word = now[w]! & ~tied[w]! & was.anywhere[w]! & ~(mine ? mine[w]! : 0);
		if (word !== 0 && take(word, w)) return;
	}
}

/** The first of them, or -1. */
function firstChanged(was: Owners, contest: Contest, place: number): number {
	let situation = -1;
	changedAt(was, contest, place, (word, w) => {
		situation = firstBit(word, w);
		return true;
	});
	return situation;
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
			const situation = firstChanged(was, contest, place);
			if (situation < 0) continue;
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
		const old = ownerAt(was, situation);
		const changed = noBits(c.index.space.situations.length);
		changedAt(was, contest, place, (word, w) => {
			changed[w] = word;
			return false;
		});
		return {
			sentence: `${keys} runs ${labelOf(c, binding!)} in ${c.index.space.labelOf(situation)}; in the last release it ran ${labelOf(c, old)}.`,
			count: count(changed),
			causes: [old]
		};
	},
	proposals({ bindings: [binding], witness: { keys, situation } }, c, _, pen) {
		const was = before(c, keys!)!;
		const { command } = ownerAt(was, situation);
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
