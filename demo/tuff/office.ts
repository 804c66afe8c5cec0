import type { DemoEdit, DemoRelease } from '../stand-in.ts';
import { officeModes, personalModes } from './modes.ts';

/** What Altspur Cabins says above the factory; the last edits hold an example of every finding that this program can have. */
export const edits: readonly DemoEdit[] = [
	{
		stratum: 'office',
		label: 'Cladding panels: measure, stripes, both sides at once',
		lines: `
set | KeyZ | check.measure | shape
set | Shift+KeyZ | check.stripes | shape
set | KeyY | mesh.both-sides | shape
set | Ctrl+KeyE | scene.export | any
set | Ctrl+KeyI | scene.import | any
set | Shift+KeyM | panel.align | panel
lock | Ctrl+KeyS | scene.save | any
`,
		options: `
navigation.orbit = reversed
navigation.about = middle
`,
		macros: `
macro:panel-check | Check a cladding panel | ruler-measure | | cancel; run check.open; run check.stripes; pick "the panel" | Open edges first, then how light runs over the joints.
`
	},
	{
		stratum: 'personal',
		label: 'My shortcuts',
		lines: `
set | KeyB | mesh.bridge | edge
set | KeyS | mesh.grow | skin
set | KeyD | view.joints | space
set | KeyM | view.through | space
set | KeyE | mesh.margin | panel
set | Ctrl+Alt+Digit7 | view.section | space
set | Alt+Tab | mode.back | space
set | IntlBackslash | view.outside | space
set | Shift+KeyV | view.fit | space
set | KeyK | edit.history | words
set | RightFlickN | view.fit | space
set | RightFlickS | view.outside | space
remove | Ctrl+KeyI | scene.import | any
`,
		roses: `
Right | 4 | space
`,
		also: personalModes
	},
	{
		stratum: 'office',
		label: 'Import stays; K finds open edges',
		lines: `
lock | Ctrl+KeyI | scene.import | any
drop | KeyZ | check.measure | shape
set | KeyZ | check.open | shape
`
	},
	{
		stratum: 'office',
		label: 'A mode for fitting panels up, and the modes we work in',
		lines: `
set | Ctrl+Digit5 | mode:fit-up | any
`,
		also: officeModes
	}
];

export const releases: readonly DemoRelease[] = [
	{
		after: 1,
		notes: 'First office standard for Tuff Mesh 3: measuring on Z, reflection stripes on Shift+Z, both sides at once on Y.'
	}
];
