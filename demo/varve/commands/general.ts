import { section } from '../section.ts';

export const general = [
	...section(
		'File',
		['any'],
		`
file.new | New | Begins a drawing. | o | file-plus | begin
file.open | Open | Opens a drawing. | d | folder-open | load
file.save | Save | Writes the drawing. | o | device-floppy | write | | document.save
file.save-as | Save as | Writes under another name. | d | copy | copy
file.close | Close | Closes the drawing. | o | x | leave
file.print | Print | Prints a sheet. | d | printer | plot
file.print-all | Print sheets | Prints several sheets. | d | stack | plot, batch
file.export | Export | Writes another format. | d | file-export | convert
file.import | Import | Reads another format. | d | file-import | convert
file.tidy | Tidy drawing | Removes what nothing uses. | d | trash | clean
file.check | Check drawing | Looks for faults in the file. | o | stethoscope | repair
file.compare | Compare drawings | Shows what differs. | d | arrows-diff | difference
file.archive | Pack for sending | Packs the drawing with all it needs. | d | package | send
`
	),
	...section(
		'Edit',
		['any'],
		`
edit.undo | Undo | Takes the last step back. | o | arrow-back-up | back | edit.redo | edit.undo
edit.redo | Redo | Brings a step again. | o | arrow-forward-up | again | edit.undo | edit.redo
edit.cut | Cut | Takes the selection to the clipboard. | o | cut | take | edit.paste | edit.cut
edit.copy | Copy | Copies the selection to the clipboard. | o | copy | take | | edit.copy
edit.copy-base | Copy with base point | Copies with a point to hold it by. | i | copy-plus | take
edit.paste | Paste | Sets what the clipboard holds. | i | clipboard | insert | edit.cut | edit.paste
edit.paste-place | Paste in place | Sets at the same coordinates. | o | pin | insert
edit.repeat | Repeat last command | Runs the last command once more. | o | repeat | again
edit.cancel | Cancel | Leaves what runs. | o | x | stop
edit.properties | Properties | Shows the properties of the selection. | t | adjustments | values
`
	),
	...section(
		'Select',
		['any'],
		`
select.all | Select all | Selects everything in sight. | o | select-all | everything | select.none | select.all
select.none | Select nothing | Clears the selection. | o | deselect | clear | select.all | select.none
select.last | Last drawn | Selects what was drawn last. | o | history | newest
select.panel | Select a panel | Selects outline, holes and folds of a panel. | i | rectangle | whole
select.series | Select a series | Selects what belongs to one series. | d | stack | variant
select.lasso | Lasso | Selects what a loop holds. | i | lasso | loop
select.similar | Select similar | Selects what is of the same kind. | o | filter-search | alike
select.filter | Select by properties | Selects by properties. | d | filter | query
select.invert | Invert selection | Selects what was not. | o | arrows-exchange | reverse
select.group | Group | Makes a group. | o | box-multiple | together | select.ungroup
select.ungroup | Ungroup | Takes a group apart. | o | box-off | apart | select.group
select.hide | Hide objects | Hides the selection. | o | eye-off | away | select.show
select.show | Show hidden | Shows what was hidden. | o | eye | back | select.hide
`
	),
	...section(
		'View',
		['any'],
		`
view.fit | Fit all | Shows everything. | o | maximize | zoom | | view.fit-all
view.fit-selection | Fit selection | Shows the selection large. | o | focus-centered | zoom | | view.fit-selection
view.window | Zoom to window | Shows a part large. | i | zoom-in-area | zoom
view.in | Zoom in | Makes everything larger. | o | zoom-in | closer | view.out | view.zoom-in
view.out | Zoom out | Makes everything smaller. | o | zoom-out | farther | view.in | view.zoom-out
view.pan | Pan | Moves the sheet under the window. | i | hand-move | shift | | view.pan
view.before | View before | Goes back to the last view. | o | chevron-left | back | | view.back
view.redraw | Redraw | Redraws everything. | o | refresh | refresh
view.named | Named views | Keeps and restores views. | d | bookmark | saved
view.level | Turn to the slope | Turns the sheet to the slope of the rope, or back. | t | rotate-clockwise | twist
view.full | Full canvas | Hides all but the canvas. | t | arrows-maximize | clean
view.printed | As printed | Draws lines as they will be printed. | t | line-height | thick
`
	),
	...section(
		'Aids',
		['any'],
		`
aid.grid | Grid | Shows the grid. | t | grid-dots | raster
aid.snap | Snap to grid | Catches the grid. | t | magnet | catch
aid.square | Square only | Draws across and up only. | t | axis-x | square
aid.slope | Slope guide | Catches the slope of the rope. | t | angle | degrees
aid.object-snap | Catch points | Catches ends, middles and centres. | t | crosshair | snap
aid.object-snap-set | Points to catch | Chooses which points are caught. | d | settings | snap
aid.levels | Level guides | Shows guides at the levels of the cabin. | t | arrow-guide | height
aid.input | Values at the cursor | Writes values beside the cursor. | t | keyboard | cursor
aid.once-end | Catch an end once | Catches an end for the next click. | o | point | snap
aid.once-hole | Catch a hole once | Catches the middle of a hole for the next click. | o | minus | snap
aid.once-centre | Catch a centre once | Catches a centre for the next click. | o | circle-dot | snap
aid.once-crossing | Catch a crossing once | Catches a crossing for the next click. | o | x | snap
aid.on-rope | On the rope | Catches a point of the rope. | i | wave-sine | snap
aid.origin | Set origin | Moves the zero point. | i | target | zero
aid.origin-back | Origin back | Moves the zero point back. | o | history | zero
`,
		true
	),
	...section(
		'Measure',
		['any'],
		`
measure.distance | Distance | Measures between two points. | i | ruler-measure | length | | inspect.measure
measure.area | Area | Measures an area. | i | chart-area | size
measure.angle | Angle between | Measures between two lines. | i | angle | degrees
measure.door | Door clearances | Measures what is free around a door. | o | list-details | gap
measure.level | Level of a point | Writes the level of a point. | i | crosshair | height
measure.mass | Section values | Works out the values of a section. | d | weight | inertia
`
	),
	...section(
		'Tools',
		['any'],
		`
tool.options | Options | Sets how the program works. | d | settings | preferences
tool.help | Help for a command | Explains the command. | o | help | explain
tool.macro | Record steps | Records what is done. | t | player-record | macro
tool.script | Run script | Runs steps from a file. | d | terminal | batch
tool.command-line | Command line | Shows or hides the command line. | t | terminal-2 | prompt
tool.panel | Tool panel | Shows or hides the tools. | t | layout-sidebar | palette
tool.reload | Reload aliases | Reads the alias file again. | o | refresh | short names
tool.calculator | Calculator | Works a value out. | d | math-function | sum
`
	)
];
