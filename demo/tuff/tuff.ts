import { standIn } from '../stand-in.ts';
import { crafts } from './commands/crafts.ts';
import { general } from './commands/general.ts';
import { skin } from './commands/skin.ts';
import { panels } from './commands/panels.ts';
import { axes, reachable, rules, scopes } from './contexts.ts';
import { options } from './options.ts';
import { bars } from './bars.ts';
import { factory } from './factory.ts';
import { edits, releases } from './office.ts';

export const tuff = standIn({
	application: {
		id: 'tuff-mesh-3',
		name: 'Tuff Mesh 3',
		version: '3.4',
		axes,
		reachable,
		rules: { ...rules, options, bars: { givesWay: 'widest' as const } }
	},
	scopes,
	commands: [...general, ...panels, ...skin, ...crafts],
	use: `
mesh.move 90
mesh.pull 45
mesh.cut-loop 40
mesh.bevel 30
panel.move 60
view.fit-selection 70
mesh.knife 20
mesh.bridge 12
mesh.shell 9
mark.cut 7
mesh.pull-skin 22
pane.gaps 0
lay.lamp 0
trim.longer 0
mesh.connect 0
`,
	factory,
	bars,
	edits,
	releases
});
