/** The strata of Altspur Cabins above the factory, as the edits that made them: `op | keys | command | scope name`. */
export const officeEdits = [
	{
		role: 'steward',
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
`
	},
	{
		role: 'steward',
		stratum: 'office',
		label: 'Interference check for the door group',
		lines: `
set | Alt+I | inspect.interference | assembly
set | Shift+W | asm.variants | assembly
set | Shift+D | dim.chain | drawing
`
	},
	{
		role: 'steward',
		stratum: 'office',
		label: 'Clearance check, not yet published',
		lines: `
set | G | inspect.clearance | assembly
set | Alt+V | inspect.thickness | part
`
	},
	{
		role: 'designer',
		stratum: 'personal',
		label: 'My own keys',
		lines: `
set | F | solid.fillet | edge
set | Q | edit.repeat | part
set | Shift+Q | select.none | space
set | A | solid.fillet-full | face
set | Alt+Q | view.shaded-edges | space
set | Alt+W | view.wire | space
set | P P | file.print-preview | any
set | Alt+D | draw.detail | part
remove | Space | edit.repeat | canvas
set | Space | view.fit-selection | canvas
`
	}
] as const;

/** After which edit, counted from 1, the steward published, with which notes. */
export const releases = [
	{
		after: 1,
		notes:
			'First office standard for Gneiss Solid 5. Sheet work sits on B, parts lists on W and L. Close document moves to Ctrl+F4: it was hit by accident.'
	},
	{ after: 2, notes: 'Interference check on Alt+I for the door group; chain dimensions on Shift+D.' }
];

export const seats = [
	{ id: 'C-01', note: 'Cladding team' },
	{ id: 'C-02', note: 'Door and floor team' },
	{ id: 'C-03', note: 'Hanger team' }
];
