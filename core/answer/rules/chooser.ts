import { absorb, intersection, noBits, type Bits } from '../../context/bits.ts';
import type { CommandId } from '../../application/command.ts';
import type { Contender, Rule } from './rule.ts';

/** Where bindings of two or more commands are alive. */
function contested(contenders: readonly Contender[], size: number): Bits {
	const byCommand = new Map<CommandId, Bits>();
	for (const { binding, reach } of contenders) {
		const bits = byCommand.get(binding.command);
		if (bits) absorb(bits, reach);
		else byCommand.set(binding.command, Uint32Array.from(reach));
	}
	const once = noBits(size);
	const twice = noBits(size);
	for (const bits of byCommand.values()) {
		absorb(twice, intersection(once, bits));
		absorb(once, bits);
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
	spread(contenders, { situations }) {
		return { wins: contenders.map((c) => c.reach), tied: contested(contenders, situations.length) };
	}
};
