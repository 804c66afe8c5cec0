import { NOTHING, type Row, type Shelf } from '../../context/kernel.ts';
import type { CommandSet, Field, Rule } from './rule.ts';

/** Where bindings of two or more commands are alive. */
function contested({ all, alive }: Field, shelf: Shelf): Row {
	const byCommand = new Map<CommandSet, Row>();
	all.forEach(({ command }, i) => {
		const known = byCommand.get(command);
		if (known) shelf.absorb(known, alive[i]!);
		else byCommand.set(command, shelf.copy(alive[i]!));
	});
	const once = shelf.empty();
	const twice = shelf.empty();
	for (const row of byCommand.values()) {
		shelf.absorbBoth(twice, once, row);
		shelf.absorb(once, row);
	}
	return shelf.isEmpty(twice) ? NOTHING : twice;
}

/** All are offered in the order of the list; the user pays for choosing with arrow keys and Enter. */
export const chooser: Rule = {
	label: 'A chooser opens',
	decide(live) {
		const offered = [...new Map(live.map((l) => [l.binding.command, l.binding])).values()];
		return { offered, masked: [], why: 'several commands wait on this input, so the application asks' };
	},
	spread(field, _, shelf) {
		const tied = contested(field, shelf);
		const parties = field.alive.map((alive) => (tied === NOTHING || alive === NOTHING ? NOTHING : shelf.both(alive, tied)));
		return { wins: field.alive, tied, parties };
	}
};
