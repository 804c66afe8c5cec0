import type { DemoEdit, DemoRelease } from '../stand-in.ts';
import { lockedMacros, officeMacros, ownMacros } from './macros.ts';

/** What Altspur Cabins says above the factory; the last edits hold an example of every finding that this program can have. */
export const edits: readonly DemoEdit[] = [
	{
		stratum: 'office',
		label: 'Cabin drawings: symbols, levels, measures',
		lines: `
set | Ctrl+Shift+I | symbol.replace | any
set | Ctrl+L | layer.of-object | any
set | Ctrl+Shift+L | layer.to-current | any
set | Alt+W | dim.level | any
set | Alt+G | measure.distance | any
set | Alt+X | series.only | any
set | Alt+Shift+X | series.every | any
set | Alt+J | macro:frame-line | any
set | Ctrl+Shift+J | macro:clean-send | any
lock | Ctrl+S | file.save | any
`,
		macros: officeMacros,
		options: `
units.decimals = 1
save.every = 10
level.base = rail
files.folder = drawings
`,
		aliases: `
# Altspur Cabins, typed names for Varve Draft 7
# kept by the standards desk; ask before you change a line

# drawing
ln   -> draw.segment            # straight line
lnp  -> draw.parallel           # beside the cabin frame
rr   -> draw.rectangle-turned
ol   -> sheet.outline            # outline of a pane

# measures
lvl  -> dim.level               # the same in every drawing
md   -> measure.distance
mch  -> dim.chain

# layers
lo   -> layer.of-object
#lx  -> series.only           # Alt+X is quicker
`
	},
	{
		stratum: 'personal',
		label: 'My shortcuts',
		lines: `
set | E | shape.extend | canvas
set | Alt+D | dim.straight | dimension
set | Alt+X | sheet.unbend | draw
set | Ctrl+Alt+7 | look.standard | any
set | Ctrl+Shift+Escape | edit.repeat | any
set | Alt+B | editor.base | plan
set | Ctrl+K | select.lasso | any
set | Ctrl+K L | series.step | any
set | F1 | tool.help | any
set | Ctrl+L | layer.of-object | any
remove | Alt+G | measure.distance | any
`
	},
	{
		stratum: 'personal',
		label: 'My own typed names',
		lines: '',
		macros: ownMacros,
		options: `
units.decimals = 3
snap.reach = 14
interface.size = large
`,
		aliases: `
# seat C-02
tt          -> shape.trim
tt          -> text.block       # the second line about tt
circle      -> draw.circle-three
lvl         -> dim.ordinate
md          -> measure.distance
join2       -> shape.joint
wall-line   -> draw.double
savesheetas -> file.save-as
`
	},
	{
		stratum: 'office',
		label: 'Measuring stays on Alt+G; stretch moves',
		macros: lockedMacros,
		options: `
lock units.decimals
sheet.paper = a1
`,
		aliases: `
# Altspur Cabins, typed names for Varve Draft 7
# kept by the standards desk; ask before you change a line

# drawing
ln   -> draw.segment            # straight line
lnp  -> draw.parallel           # beside the cabin frame
rr   -> draw.rectangle-turned
ol   -> gasket.run              # gaskets, not outlines, since October

# measures
lvl  -> dim.level !             # the same in every drawing
md   -> measure.distance
mch  -> dim.chain

# layers
lo   -> layer.of-object
#lx  -> series.only           # Alt+X is quicker
`,
		lines: `
lock | Alt+G | measure.distance | any
remove | Alt+S | modify.stretch | any
set | Alt+S | modify.scale | any
`
	}
];

export const releases: readonly DemoRelease[] = [
	{ after: 1, notes: 'First office standard for Varve Draft 7: levels on Alt+W, measuring on Alt+G, one series on Alt+X.' }
];
