import { standIn } from '../stand-in.ts';
import { aliases } from './aliases.ts';
import { annotate } from './commands/annotate.ts';
import { change } from './commands/change.ts';
import { draw } from './commands/draw.ts';
import { general } from './commands/general.ts';
import { structure } from './commands/structure.ts';
import { axes, reachable, rules, scopes } from './contexts.ts';
import { options } from './options.ts';
import { bars } from './bars.ts';
import { factory } from './factory.ts';
import { edits, releases } from './office.ts';

export const varve = standIn({
	application: { id: 'varve-draft-7', name: 'Varve Draft 7', version: '7.1', axes, reachable, rules: { ...rules, options } },
	scopes,
	commands: [...general, ...draw, ...change, ...annotate, ...structure],
	use: `
draw.segment 80
draw.chain 35
shape.trim 60
shape.offset 40
dim.place 70
modify.move 55
modify.copy 38
view.window 50
layer.of-object 22
text.block 14
modify.array-path 7
series.step 0
aid.once-crossing 0
select.ungroup 0
measure.distance 25
`,
	factory,
	bars,
	aliases,
	edits,
	releases
});
