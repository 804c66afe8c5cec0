import { standIn } from '../stand-in.ts';
import { assemblyAndDrawing } from './commands/assembly-drawing.ts';
import { general } from './commands/general.ts';
import { sketch } from './commands/sketch.ts';
import { solid } from './commands/solid.ts';
import { view } from './commands/view.ts';
import { axes, reachable, rules, scopes } from './contexts.ts';
import { bars } from './bars.ts';
import { factory } from './factory.ts';
import { edits, releases } from './office.ts';
import { options } from './options.ts';
import { use } from './use.ts';

export const gneiss = standIn({
	application: {
		id: 'gneiss-solid-5',
		name: 'Gneiss Solid 5',
		version: '5.2',
		axes,
		reachable,
		rules: { ...rules, options, bars: { givesWay: 'turns' as const } }
	},
	scopes,
	commands: [...general, ...view, ...sketch, ...solid, ...assemblyAndDrawing],
	use,
	factory,
	bars,
	edits,
	releases
});
