import type { DemoEdit, DemoRelease } from '../stand-in.ts';
import { shapesDrawn } from '../shapes.ts';
import { officeBars, personalBars } from './bars.ts';

/** What Altspur Cabins says above the factory, as the edits that made it; the last ones hold an example of every finding. */
export const edits: readonly DemoEdit[] = [
	{
		stratum: 'office',
		label: 'Office standard for cabin work',
		lines: `
remove | Ctrl+W | file.close | any
set | Ctrl+F4 | file.close | any
set | Ctrl+E | file.export | any
set | Ctrl+Shift+P | file.pack | any
set | B | sheet.base | part
set | Shift+B | sheet.bend | part
set | Alt+B | sheet.flange | part
set | T | sheet.table | part
set | Ctrl+Shift+E | sheet.export-flat | part
set | Ctrl+M | body.material | part
set | Alt+M | inspect.mass | space
set | B | asm.bolt-set | assembly
set | C | asm.cable-line | assembly
set | T | asm.replace | assembly
set | W | asm.parts-list | assembly
set | L | note.parts-list | drawing
set | Shift+B | note.balloon-auto | drawing
set | R | note.revision-cloud | drawing
lock | Q | sketch.finish | sketch
lock | Ctrl+S | file.save | any
`,
		options: `
units.decimals = 1
save.every = 10
bend.radius = 1.5
`,
		also: officeBars,
		macros: `
macro:door-print | Flat pattern of a door panel | layout-board | | cancel; run sheet.flatten; run view.top; run sheet.export-flat; pick "the folder of the job"; accept | Lays the panel flat and writes it for the laser.
macro:show-sheet | Open the bend table of the shop | table | inside | launch "document-viewer" "standards/bend-table.pdf" |
`
	},
	{
		stratum: 'office',
		label: 'Interference check for the door group',
		lines: `
set | Alt+I | inspect.interference | assembly
set | Shift+W | asm.variants | assembly
set | Shift+D | dim.chain | drawing
`
	},
	{
		stratum: 'office',
		label: 'Clearance check, not yet published',
		lines: `
set | G | inspect.clearance | assembly
set | Alt+V | inspect.thickness | part
drop | W | asm.parts-list | assembly
set | W | joint.check | assembly
`
	},
	{
		stratum: 'personal',
		label: 'My shortcuts',
		also: personalBars,
		lines: `
set | F | solid.fillet | edge
set | Q | edit.repeat | part
set | Shift+Q | select.none | space
set | A | solid.fillet-whole | face
set | Alt+Q | view.shaded-edges | space
set | Alt+W | view.wire | space
set | P P | file.print-preview | any
set | Alt+D | draw.detail | part
remove | Space | edit.repeat | canvas
set | Space | view.fit-selection | canvas
set | P M | inspect.mass | model
set | Shift+K | edit.find | console
set | Alt+Space | view.fit-selection | model
set | Ctrl+Alt+E | view.shaded-edges | part
set | T | sheet.table | part
set | Shift+7 | inspect.mass | model
remove | Shift+D | dim.chain | drawing
`
	},
	{
		stratum: 'office',
		label: 'Chain dimensions stay where they are',
		lines: `
lock | Shift+D | dim.chain | drawing
`
	},
	{
		stratum: 'office',
		label: 'Flicks with the right button, four directions in each context, and drawn shapes',
		also: shapesDrawn('Ring', 'Frame', 'Zigzag', 'Hook'),
		roses: `
Right | 4 | part
Right | 4 | sketch
Right | 4 | assembly
Right | 4 | drawing
`,
		lines: `
set | RightFlickN | solid.extrude | part
set | RightFlickS | solid.extrude-cut | part
set | RightFlickE | solid.fillet | part
set | RightFlickW | solid.shell | part
set | RightFlickN | sketch.line | sketch
set | RightFlickS | sketch.trim | sketch
set | RightFlickE | sketch.rectangle | sketch
set | RightFlickW | sketch.offset | sketch
set | RightFlickN | asm.insert | assembly
set | RightFlickS | asm.move | assembly
set | RightFlickE | joint.coincide | assembly
set | RightFlickW | joint.check | assembly
set | RightFlickN | draw.view | drawing
set | RightFlickS | draw.section | drawing
set | RightFlickE | dim.place | drawing
set | RightFlickW | dim.chain | drawing
set | RightShape-ring | sketch.circle | sketch
set | RightShape-frame | sketch.rectangle | sketch
set | RightShape-zigzag | sketch.trim | sketch
set | RightShape-hook | sketch.fillet | sketch
set | RightShape-ring | view.fit | part
`
	},
	{
		stratum: 'personal',
		label: 'Eight directions while sketching, one unassigned command, and two drawn shapes',
		also: shapesDrawn('Tick', 'Notch'),
		roses: `
Right | 8 | sketch
`,
		lines: `
set | RightFlickNE | sketch.extend | sketch
set | RightFlickSE | sketch.circle | sketch
set | RightFlickNW | sketch.mirror | sketch
set | RightFlickNE | solid.revolve | part
set | RightShape-tick | sketch.finish | sketch
set | RightShape-notch | sketch.arc | sketch
`
	}
];

export const releases: readonly DemoRelease[] = [
	{
		after: 1,
		notes:
			'First office standard for Gneiss Solid 5. Sheet work sits on B, parts lists on W and L. Close document moves to Ctrl+F4: it was hit by accident.'
	},
	{ after: 2, notes: 'Interference check on Alt+I for the door group; chain dimensions on Shift+D.' }
];
