import { absorb, type Bits, type Shelf } from '../../context/bits.ts';
import type { CommandId } from '../../application/command.ts';
import type { Live, Rule } from './rule.ts';

/** Where bindings of two or more commands are alive. */
function contested(all: readonly Live[], alive: readonly Bits[], shelf: Shelf): Bits {
	const byCommand = new Map<CommandId, Bits>();
	all.forEach(({ binding }, i) => {
		const bits = byCommand.get(binding.command);
		if (bits) absorb(bits, alive[i]!);
		else byCommand.set(binding.command, shelf.copy(alive[i]!));
	});
	const once = shelf.empty();
	const twice = shelf.empty();
	for (const bits of byCommand.values())
		for (let w = 0; w < bits.length; w++) {
			twice[w]! |= once[w]! & bits[w]!;
			once[w]! |= bits[w]!;
		}
	return twice;
}

/** All are offered in the order of the list; the user pays for choosing with arrow keys and Enter. */
export const chooser: Rule = {
	label: 'A chooser opens',
	decide(live) {
		const offered = [...new Map(live.map((l) => [l.binding.command, l.binding])).values()];
		return { offered, masked: [], why: 'several commands wait on this input, so the application asks' };
	},
	spread(all, alive, _, shelf) {
		return { wins: alive, tied: contested(all, alive, shelf) };
	}
};
