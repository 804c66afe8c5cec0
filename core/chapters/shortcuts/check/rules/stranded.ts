import type { Catalogue } from '../../../../application/application.ts';
import type { CommandId } from '../../../../application/command.ts';
import { count, first } from '../../../../context/bits.ts';
import type { CheckRule } from '../finding.ts';
import { gets } from '../proposals.ts';

/** A command that is run at least this often in a day has weight. */
export const WEIGHTY = 5;

const known = new WeakMap<Catalogue, readonly CommandId[]>();

/** A command of weight has neither a shortcut nor a place in the bars; or its opposite has a shortcut and it has neither. */
export const stranded: CheckRule = {
	id: 'stranded',
	title: 'Without a shortcut',
	commandsOf(catalogue) {
		let list = known.get(catalogue);
		if (!list) {
			const some = [...catalogue.values()].filter((c) => c.opposite !== undefined || (c.use ?? 0) >= WEIGHTY);
			known.set(catalogue, (list = some.map((c) => c.id)));
		}
		return list;
	},
	onCommand(id, { index, placed }, report) {
		const command = index.catalogue.get(id);
		if (!command || index.of(id).length > 0 || placed.has(id)) return;
		const hasPartner = command.opposite !== undefined && index.of(command.opposite).length > 0;
		const hasWeight = (command.use ?? 0) >= WEIGHTY;
		if (!hasPartner && !hasWeight) return;
		const where = index.reach({ command: id, scope: {}, scopeText: '' });
		report('note', id, Math.max(0, first(where)), hasWeight ? 'weight' : 'opposite');
	},
	tell({ command: id, detail }, { index }) {
		const command = index.catalogue.get(id)!;
		const partner = command.opposite && index.catalogue.get(command.opposite);
		const [theirs] = command.opposite ? index.of(command.opposite) : [];
		return {
			sentence:
				detail === 'weight'
					? `${command.label} is run ${command.use} times a day and has no shortcut.`
					: `${command.label} has no shortcut, while its opposite ${partner?.label ?? command.opposite} has ${theirs?.keys}.`,
			count() {
				return count(index.reach({ command: id, scope: {}, scopeText: '' }));
			},
			causes: theirs ? [theirs] : []
		};
	},
	proposals: ({ command }, c, _, pen) => gets(c, pen, c.index.catalogue.get(command)!)
};
