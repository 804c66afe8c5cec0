import { section } from '../section.ts';

export const general = [
	...section(
		'File',
		['any'],
		`
file.new | New document | Starts a part, an assembly or a drawing. | d | file-plus | create, start
file.open | Open document | Opens a document from disk. | d | folder-open | load
file.close | Close document | Closes the document in front. | o | file-x | leave document
file.save | Save | Writes the document to its file. | o | device-floppy | store | | document.save
file.save-as | Save under a new name | Writes a copy and goes on with it. | d | file-text | copy to
file.save-all | Save all | Writes every open document that has changed. | o | files | store all
file.revert | Back to the saved state | Drops everything since the last save. | d | history | discard
file.properties | Document properties | Material, density, author role and units of the document. | d | file-info | units, material
file.print | Print | Sends the view or the sheet to a printer. | d | printer | plot
file.print-preview | Print preview | Shows the sheet as it will be printed. | o | eye-check | plot preview
file.import | Import geometry | Reads solids or curves from an exchange file. | d | file-import | read, exchange
file.export | Export geometry | Writes solids or curves to an exchange file. | d | file-export | write, exchange
file.export-mesh | Export mesh | Writes the body as triangles for printing. | d | file-3d | triangles, additive
file.pack | Pack with references | Collects the document and all it refers to in one folder. | d | package | collect, zip
file.links | Document links | Lists what this document refers to and whether it is there. | d | link | references
file.templates | Templates | Chooses the templates for new documents. | d | template | start files
file.recent | Recent documents | Lists the last documents to open one again. | d | clock | last files
file.quit | Quit | Ends the program after asking about unsaved documents. | o | power | exit, leave
`
	),
	...section(
		'Edit',
		['any'],
		`
edit.undo | Undo | Takes the last step back. | o | arrow-back-up | back | edit.redo | edit.undo
edit.redo | Redo | Brings a step back that was undone. | o | arrow-forward-up | again | edit.undo | edit.redo
edit.repeat | Repeat last command | Runs the last command once more. | o | repeat | again, once more
edit.cut | Cut | Moves the selection to the clipboard. | o | cut | | | edit.cut
edit.copy | Copy | Copies the selection to the clipboard. | o | copy | | | edit.copy
edit.paste | Paste | Inserts the clipboard. | o | clipboard | insert | | edit.paste
edit.paste-place | Paste in place | Inserts the clipboard where it was copied. | o | clipboard-check | same position
edit.delete | Delete | Removes the selection. | o | trash | erase, remove | | edit.delete
edit.rename | Rename | Gives the selected thing another name. | i | pencil | name, label | | edit.rename
edit.properties | Edit properties | Opens the properties of the selection. | d | adjustments | settings
edit.values | Values of a feature | Opens the values with which a feature was made. | d | edit | change feature, values
edit.parameters | Parameters | Table of named values and formulas. | d | math-function | variables, formulas
edit.find | Find in document | Finds features, bodies and notes by name. | d | search | look for
edit.cancel | Cancel | Leaves the running command without effect. | o | x | stop, abort
edit.accept | Accept | Ends the running command and keeps its result. | o | check | ok, done
`
	),
	...section(
		'Edit > Features',
		['model'],
		`
edit.leave-out | Leave feature out | Computes the part without a feature. | t | eye-off | skip | edit.take-in
edit.take-in | Take feature in | Computes the part with the feature again. | t | eye | restore | edit.leave-out
edit.compute | Compute changes | Computes everything that has changed. | o | refresh | update, regenerate | | document.rebuild
edit.compute-all | Compute everything | Recomputes all features, changed or not. | o | rotate-2 | regenerate all
edit.as-of | As it was at this feature | Shows the part without what came after. | o | player-skip-back | history, earlier | edit.as-now
edit.as-now | As it is now | Shows the part with all its features. | o | player-skip-forward | history, latest | edit.as-of
edit.reorder | Reorder features | Moves a feature before or after another. | i | arrows-sort | order
edit.same-again | Same feature elsewhere | Makes a second feature with the same values. | i | copy-plus | clone
`
	),
	...section(
		'Select',
		['any'],
		`
select.all | Select all | Selects everything of the active kind. | o | select-all | everything | select.none | select.all
select.none | Clear selection | Selects nothing. | o | deselect | unselect, nothing | select.all | select.none
select.invert | Invert selection | Selects what was not selected. | o | contrast | reverse
select.box | Box selection | Selects everything inside a dragged box. | i | box-margin | window, fence
select.lasso | Lasso selection | Selects what a drawn loop encloses. | i | lasso | loop, free hand
select.paint | Paint selection | Selects what the pointer sweeps over. | i | brush | sweep
select.last | Select previous | Brings the previous selection back. | o | history | before
select.grow | Grow selection | Adds the neighbours of what is selected. | o | plus | more | select.shrink
select.shrink | Shrink selection | Drops the outermost of what is selected. | o | minus | less | select.grow
select.tangent | Select tangent chain | Adds edges or faces that go on smoothly. | o | wave-sine | smooth chain
select.loop | Select loop | Adds the edges around the face. | o | circle-dashed | boundary
select.through | Select through | Reaches things that lie behind others. | t | stack-2 | behind, hidden
`,
		true
	),
	...section(
		'Select > Filters',
		['canvas'],
		`
select.filter | Filter selection | Chooses which kinds of things can be picked. | d | filter | pick filter
select.filter-vertex | Only vertices | Limits picking to vertices. | t | point | corner
select.filter-edge | Only edges | Limits picking to edges. | t | line | curve
select.filter-face | Only faces | Limits picking to faces. | t | square | surface
select.filter-body | Only bodies | Limits picking to whole bodies. | t | cube | solid
select.filter-off | Pick everything | Removes the picking limits. | o | filter-off | no filter
`,
		true
	),
	...section(
		'Tree',
		['tree'],
		`
tree.expand | Expand branch | Opens the selected branch of the tree. | o | chevrons-down | open | tree.collapse
tree.collapse | Collapse branch | Closes the selected branch of the tree. | o | chevrons-up | close | tree.expand
tree.collapse-all | Collapse tree | Closes all branches. | o | list-tree | close all
tree.folder | New folder in tree | Puts the selected features into a folder. | o | folder-plus | group
tree.reveal | Reveal in tree | Scrolls the tree to what is selected on the canvas. | o | focus-2 | locate, show
tree.filter | Filter tree | Shows only branches whose names match. | i | filter-search | search tree
tree.colour | Colour by branch | Tints branches by their folder. | t | palette | tint
`
	),
	...section(
		'Window',
		['any'],
		`
window.tile | Tile windows | Sets all documents side by side. | o | layout-grid | arrange
window.next | Next document | Brings the next document to the front. | o | arrow-right | switch | window.previous
window.previous | Previous document | Brings the previous document to the front. | o | arrow-left | switch | window.next
window.tree | Show or hide tree | Toggles the tree pane. | t | layout-sidebar | browser
window.properties | Show or hide properties | Toggles the properties pane. | t | layout-sidebar-right | inspector
window.console | Show or hide console | Toggles the console pane. | t | terminal-2 | log
window.full | Full canvas | Hides all panes until called again. | t | maximize | full screen
window.split | Split canvas | Shows two or four viewports. | d | layout-columns | viewports
window.focus-canvas | Go to canvas | Gives the canvas the keys. | o | focus | pane
window.focus-tree | Go to tree | Gives the tree the keys. | o | list-tree | pane
window.focus-console | Go to console | Gives the console the keys. | o | terminal | pane
`,
		true
	),
	...section(
		'Office',
		['any'],
		`
office.options | Options | Settings of the program. | d | settings | preferences
office.shortcuts | Shortcuts | Opens the list of shortcuts. | d | keyboard | keys
office.units | Units | Changes the units of the document. | d | ruler-2 | millimetre, inch
office.materials | Material library | Chooses and edits materials. | d | box-model-2 | steel, aluminium
office.journal | Record journal | Writes every step to a text file. | t | player-record | log, protocol
office.play | Play journal | Runs the steps of a journal. | d | player-play | replay
office.help | Help for command | Explains the command under the pointer. | o | help | manual
office.tips | Tips on controls | Shows or hides the tips on controls. | t | message | hints
`
	)
];
