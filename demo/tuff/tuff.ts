import { standIn } from '../stand-in.ts';
import { crafts } from './commands/crafts.ts';
import { general } from './commands/general.ts';
import { mesh } from './commands/mesh.ts';
import { things } from './commands/things.ts';
import { axes, reachable, rules, scopes } from './contexts.ts';
import { options } from './options.ts';
import { factory } from './factory.ts';
import { edits, releases } from './office.ts';

export const tuff = standIn({
	application: { id: 'tuff-mesh-3', name: 'Tuff Mesh 3', version: '3.4', axes, reachable, rules: { ...rules, options } },
	scopes,
	commands: [...general, ...things, ...mesh, ...crafts],
	use: `
mesh.move 90
mesh.pull 45
mesh.cut-loop 40
mesh.bevel 30
thing.move 60
view.fit-selection 70
mesh.knife 20
mesh.bridge 12
mesh.shell 9
mark.seam 7
mesh.soft 22
pane.time 0
add.light-lamp 0
clay.inflate 0
mesh.connect 0
`,
	factory,
	edits,
	releases
});
