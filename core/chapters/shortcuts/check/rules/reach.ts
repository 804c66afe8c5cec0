import { heardOn, rivalsOn } from '../../../../answer/rivals.ts';
import type { ShortcutIndex } from '../../../../answer/shortcut-index.ts';
import type { Catalogue } from '../../../../application/application.ts';
import type { Command } from '../../../../application/command.ts';
import { count, first, isEmpty, isSubset } from '../../../../context/bits.ts';
import type { Binding } from '../../../../shortcut/effective.ts';
import type { OfficeDesks } from '../../../../keyboard/office-desks.ts';
import { HARDLY_USED } from '../../../../suggest/suggest.ts';
import type { Keys } from '../../../../stroke/stroke.ts';
import type { Circumstances } from '../../../../check/circumstances.ts';
import { labelOf, type CheckRule } from '../finding.ts';
import { listed } from '../../../../text/listed.ts';
import { movesTo } from '../proposals.ts';
import { takeAway } from '../../../../answer/choices.ts';

/** A command that is run at least this often in a day is frequent. */
export const FREQUENT = 20;

const frequent = new WeakMap<Catalogue, readonly Command[]>();

function frequentOf(catalogue: Catalogue): readonly Command[] {
	let list = frequent.get(catalogue);
	if (!list) frequent.set(catalogue, (list = [...catalogue.values()].filter((c) => (c.use ?? 0) >= FREQUENT)));
	return list;
}

/** The command's shortcut with the shortest way. */
function easiest(index: ShortcutIndex, office: OfficeDesks, command: Command): Binding | undefined {
	let best: Binding | undefined;
	let least = Infinity;
	for (const binding of index.of(command.id)) {
		const mm = office.reach(binding.keys)?.mm ?? Infinity;
		if (mm < least || !best) [best, least] = [binding, mm];
	}
	return best;
}

/** A shorter stroke that is free where the binding is alive, or is held only by commands that are hardly used. */
function better({ index, office }: Circumstances, binding: Binding): { keys: Keys; wasted: readonly Binding[] } | undefined {
	const now = office.reach(binding.keys);
	const reach = index.reach(binding);
	if (isEmpty(reach)) return undefined;
	const heardNow = heardOn(index, binding.keys, reach);
	for (const keys of office.goodStrokes) {
		const way = office.reach(keys)!;
		if (now && way.mm >= now.mm) return undefined;
		// a stroke that lies elsewhere at another desk is no better there
		if (way.effort !== 'easy' || office.troubles(keys).length > 0) continue;
		const heard = heardOn(index, keys, reach);
		if (!isSubset(heardNow, heard)) continue;
		const rivals = rivalsOn(index, keys, heard, index.scopeSet(binding).bits);
		const areWasted = rivals.every((b) => !b.lockedBy && (index.catalogue.get(b.command)?.use ?? Infinity) < HARDLY_USED);
		if (areWasted && !rivals.some((b) => b.command === binding.command)) return { keys, wasted: rivals };
	}
	return undefined;
}

/** A frequent command needs two hands or a long stretch while a better stroke is free or is wasted. */
export const reach: CheckRule = {
	id: 'reach',
	title: 'Hard to reach for a frequent command',
	onWhole(c, report) {
		for (const command of frequentOf(c.index.catalogue)) {
			const binding = easiest(c.index, c.office, command);
			if (!binding || c.office.reach(binding.keys)?.effort === 'easy') continue;
			const found = better(c, binding);
			if (found) report('note', binding, first(c.index.reach(binding)), found.keys);
		}
	},
	tell({ bindings: [binding], command, detail }, c) {
		const way = c.office.reach(binding!.keys);
		const found = better(c, binding!);
		const shorter = c.office.reach(detail as Keys);
		const effort = !way
			? 'cannot be pressed on the usual keyboard'
			: way.effort === 'away'
				? 'needs a hand to move'
				: 'is a stretch';
		const state = found && found.wasted.length > 0 ? `is used by ${listed(found.wasted.map((b) => labelOf(c, b)))}` : 'is free';
		return {
			sentence: `${binding!.keys} for ${labelOf(c, { command })}, run ${c.index.catalogue.get(command)?.use} times a day, ${effort}${way ? ` (${way.mm.toFixed(0)} mm)` : ''}; ${detail} (${shorter?.mm.toFixed(0)} mm) ${state}.`,
			count() {
				return count(c.index.reach(binding!));
			},
			causes: found?.wasted ?? []
		};
	},
	proposals({ bindings: [binding], detail }, c, _, pen) {
		const found = better(c, binding!);
		if (!found) return [];
		const move = movesTo(c, pen, binding!, detail as Keys);
		return [
			{
				...move,
				changes: () => [
					...move.changes(),
					...found.wasted.flatMap((b, i) => takeAway(c.index, pen.profile, pen.target, b, i + 2))
				]
			}
		];
	}
};
