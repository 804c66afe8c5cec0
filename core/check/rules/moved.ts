import { put, takeAway } from '../../answer/choices.ts';
import type { CommandId } from '../../application/command.ts';
import type { ShortcutIndex } from '../../answer/shortcut-index.ts';
import { absorb, count, hasBit, noBits, type Bits } from '../../context/bits.ts';
import { NOTHING, type Row } from '../../context/kernel.ts';
import type { Contender } from '../../answer/rules/rule.ts';
import type { Binding } from '../../profile/effective.ts';
import type { Keys } from '../../stroke/stroke.ts';
import type { Circumstances } from '../circumstances.ts';
import { contestOn, type Contest } from '../contest.ts';
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
		const anywhere = noBits(released.space.situations.length);
		const byCommand = new Map<CommandId, { binding: Binding; situations: Bits }>();
		contestOn(released, keys, ({ contenders, wins, tied, shelf }) =>
			contenders.forEach(({ binding }, i) => {
				const won = shelf.bits(shelf.without(wins[i]!, tied));
				absorb(anywhere, won);
				const known = byCommand.get(binding.command);
				if (known) absorb(known.situations, won);
				else byCommand.set(binding.command, { binding, situations: won });
			})
		);
		byKeys.set(keys, (owners = { anywhere, byCommand }));
	}
	return owners;
}

/** On the same keys, so that command and scope are all that can differ. */
function saysSame(was: readonly Contender[], is: readonly Contender[]): boolean {
	if (was.length !== is.length) return false;
	for (let i = 0; i < was.length; i++) {
		const [before, now] = [was[i]!, is[i]!];
		if (before.command.id !== now.command.id || before.scope !== now.scope) return false;
	}
	return true;
}

/** What the released profile did with the keys, or undefined when nothing on them has changed. */
function before({ released }: Circumstances, { keys, others }: Contest): Owners | undefined {
	if (!released) return undefined;
	const was = released.contenders(keys);
	return was.length === 0 || saysSame(was, others) ? undefined : ownersOf(released, keys);
}

/** The first command that ran in the situation. */
function ownerAt({ byCommand }: Owners, situation: number): Binding {
	return [...byCommand.values()].find(({ situations }) => hasBit(situations, situation))!.binding;
}

/** The situations in which the binding's command runs now and another one ran before. */
function changedOn({ contenders, wins, shelf }: Contest, was: Owners, settled: Row, place: number): Row {
	const changed = shelf.both(wins[place]!, settled);
	const mine = changed !== NOTHING && was.byCommand.get(contenders[place]!.binding.command);
	return mine ? shelf.without(changed, shelf.put(mine.situations)) : changed;
}

/** Where a command ran before and none is left undecided now. */
const settledIn = ({ shelf, tied }: Contest, was: Owners): Row => shelf.without(shelf.put(was.anywhere), tied);

/** Against the last release, a stroke now does something else: old habits misfire, which is worse than a new stroke. */
export const moved: CheckRule = {
	id: 'moved',
	title: 'Does something else than in the last release',
	onContest(contest, c, report) {
		const was = before(c, contest);
		if (!was) return;
		const settled = settledIn(contest, was);
		for (let place = 0; place < contest.contenders.length; place++) {
			const changed = changedOn(contest, was, settled, place);
			if (changed !== NOTHING) report('attention', contest.contenders[place]!.binding, contest.shelf.first(changed));
		}
	},
	tell({ bindings: [binding], witness: { keys, situation } }, c, contest) {
		const was = before(c, contest())!;
		const place = contest().placeOf(binding!);
		const old = ownerAt(was, situation);
		return {
			sentence: `${keys} runs ${labelOf(c, binding!)} in ${c.index.space.labelOf(situation)}; in the last release it ran ${labelOf(c, old)}.`,
			get count() {
				const now = contest();
				return count(now.shelf.bits(changedOn(now, was, settledIn(now, was), place)));
			},
			causes: [old]
		};
	},
	proposals({ bindings: [binding], witness: { keys, situation } }, c, contest, pen) {
		const was = before(c, contest)!;
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
