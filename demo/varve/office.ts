import type { DemoEdit, DemoRelease } from '../stand-in.ts';

/** What Altspur Cabins says above the factory; the last edits hold an example of every finding that this program can have. */
export const edits: readonly DemoEdit[] = [
	{
		role: 'steward',
		stratum: 'office',
		label: 'Cabin drawings: symbols, levels, measures',
		lines: `
set | Ctrl+Shift+I | symbol.replace | any
set | Ctrl+L | layer.of-object | any
set | Ctrl+Shift+L | layer.to-current | any
set | Alt+W | dim.level | any
set | Alt+G | measure.distance | any
set | Alt+X | layer.isolate | any
set | Alt+Shift+X | layer.unisolate | any
lock | Ctrl+S | file.save | any
`
	},
	{
		role: 'designer',
		stratum: 'personal',
		label: 'My own keys',
		lines: `
set | E | shape.extend | canvas
set | Alt+D | dim.straight | dimension
set | Alt+X | shape.explode | draw
set | Ctrl+Alt+7 | look.by-layer | any
set | Ctrl+Shift+Escape | edit.repeat | any
set | Alt+B | editor.base | plan
set | Ctrl+K | select.lasso | any
set | Ctrl+K L | layer.step | any
set | F1 | tool.help | any
set | Ctrl+L | layer.of-object | any
remove | Alt+G | measure.distance | any
`
	},
	{
		role: 'steward',
		stratum: 'office',
		label: 'Measuring stays on Alt+G; stretch moves',
		lines: `
lock | Alt+G | measure.distance | any
remove | Alt+S | modify.stretch | any
set | Alt+S | modify.scale | any
`
	}
];

export const releases: readonly DemoRelease[] = [
	{ after: 1, notes: 'First office standard for Varve Draft 7: levels on Alt+W, measuring on Alt+G, isolating layers on Alt+X.' }
];
