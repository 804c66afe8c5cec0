import type { CommandId } from '../../core/application/command.ts';
import type { Item } from '../../core/chapters/bars/bar.ts';
import { barTree } from '../../core/chapters/bars/tree.ts';
import { insertItem, insertItems } from '../../core/chapters/bars/writing.ts';
import { favour, setMode } from '../../core/chapters/modes/writing.ts';
import type { AxisId, NodeId } from '../../core/context/axis.ts';
import { stratumById } from '../../core/strata/stratum.ts';
import { inTurn } from '../bars.ts';
import type { DemoEdit } from '../stand-in.ts';

const MODE = 'mode' as AxisId;
const PANEL = 'panel' as NodeId;
const FIT_UP = 'own.fit-up' as NodeId;

const BAR: Item = {
	kind: 'bar',
	form: 'toolbar',
	name: 'Fit-up',
	scope: { [MODE]: [FIT_UP], ['pane' as AxisId]: ['space' as NodeId] },
	dock: { edge: 'right', row: 0 },
	icon: 24,
	text: 'none',
	hidden: false
};

const PLACES = ['panel.align', 'check.open', 'check.measure', 'check.stripes', 'view.joints'];

/** A designer has once had a mode for nesting, and still has it among the favourites. */
export const personalModes: DemoEdit['also'] = (profile, stratum) => favour(profile, stratum, MODE, 'own.nesting' as NodeId, 0);

/** The office works in three of the modes, and has made one of its own for fitting panels up, with a bar for it. */
export const officeModes: DemoEdit['also'] = (profile, stratum) => {
	const bar = insertItem(profile, stratum, BAR, null, barTree(profile).bars.length);
	return inTurn(profile, [
		(now) => setMode(stratumById(now, stratum), FIT_UP, { axis: MODE, label: 'Fit-up', from: PANEL, bars: 'shared' }),
		...[PANEL, FIT_UP, 'foil' as NodeId].map((id, at) => (now: typeof profile) => favour(now, stratum, MODE, id, at)),
		() => bar.changes,
		(now) =>
			insertItems(
				now,
				stratum,
				PLACES.map((id) => ({ kind: 'place', command: id as CommandId, size: 'small', shows: 'both', hidden: false })),
				bar.id
			)
	]);
};
