import { section } from '../section.ts';

export const general = [
	...section(
		'Scene',
		['any'],
		`
scene.new | New scene | Begins an empty scene. | o | file-plus | begin
scene.open | Open scene | Opens a scene. | d | folder-open | load
scene.save | Save scene | Writes the scene. | o | device-floppy | write | | document.save
scene.save-as | Save scene as | Writes under another name. | d | copy | copy
scene.freeze | Save version | Saves a numbered version for the workshop. | o | stack | version
scene.import | Import shapes | Reads another format. | d | file-import | load
scene.export | Export shapes | Writes another format. | d | file-export | write
scene.structure | Bring the frame | Shows the carrying frame that is to be clad. | d | link | skeleton, structure
scene.weights | Weight sheet | Writes the weight of every panel. | o | weight | mass
scene.loose | Find loose fixings | Lists clips and rivets that hold nothing. | d | search | stray
scene.units | Units | Sets millimetres and scale. | d | ruler-2 | measure
scene.close | Close scene | Closes the scene. | o | x | leave
`
	),
	...section(
		'Edit',
		['any'],
		`
edit.undo | Undo | Takes the last step back. | o | arrow-back-up | back | edit.redo | edit.undo
edit.redo | Redo | Brings a step again. | o | arrow-forward-up | again | edit.undo | edit.redo
edit.history | Steps | Lists what was done. | d | history | past
edit.again | Do again | Runs the last command once more. | o | repeat | repeat
edit.tolerance | Tolerances | Sets how far a panel may stray from the skin. | d | plus-minus | limits
edit.cancel | Cancel | Leaves what runs. | o | x | stop
edit.rename | Rename | Gives another name. | o | edit | name | | edit.rename
edit.find | Find a command | Searches all commands. | d | search | menu
edit.options | Options | Sets how the program works. | d | settings | preferences
edit.copy | Copy | Copies to the clipboard. | o | copy | take | | edit.copy
edit.paste | Paste | Sets what the clipboard holds. | o | clipboard | insert | | edit.paste
`
	),
	...section(
		'View',
		['space'],
		`
view.fit | Fit all | Shows everything. | o | maximize | whole | | view.fit-all
view.fit-selection | Fit selection | Shows the selection large. | o | focus-centered | close | | view.fit-selection
view.box | Zoom to box | Shows a part large. | i | zoom-in-area | frame
view.orbit | Orbit | Turns the view around. | i | rotate-360 | turn | | view.orbit
view.pan | Pan | Moves the view. | i | hand-move | shift | | view.pan
view.front | From the front | Looks from the front. | o | square | elevation | | view.front
view.right | From the right | Looks from the right. | o | box-align-right | side | | view.right
view.top | From above | Looks from above. | o | box-align-top | plan | | view.top
view.left | From the left | Looks from the left. | o | box-align-left | side | | view.left
view.bottom | From below | Looks from below. | o | arrow-bar-up | underside | | view.bottom
view.seat | From a seat | Looks from where a passenger sits. | o | eye | passenger
view.platform | From the platform | Looks from where people board. | o | target | station
view.perspective | Perspective or parallel | Changes the projection. | t | perspective | lens
view.girth | Girth view | Rolls the view along the girth of the cabin. | i | rotate-360 | around
view.only | Only the selection | Hides all else for a while. | t | focus-2 | isolate | | visibility.isolate
view.wire | Wireframe | Shows edges only. | o | cube-unfolded | lines | | view.wireframe
view.solid | Solid shading | Shows plain surfaces. | o | cube | shade | | view.shaded
view.finish | Finish | Shows foil, paint and bare metal. | o | sphere | look
view.daylight | Daylight | Shows the sun on the panels. | o | sun | shadow
view.through | See through | Makes the front transparent. | t | ghost | transparent
view.joints | Joints and numbers | Shows joints, panel numbers and datums. | t | layers-intersect | aids
view.outside | Outside and inside | Colours the two sides of a panel. | t | contrast | normals
view.back | View before | Goes back to the last view. | o | chevron-left | before | | view.back
view.section | Cut the view | Cuts what is shown with a plane. | t | section | clip | | view.section
`
	),
	...section(
		'Windows',
		['any'],
		`
pane.space | Space pane | Goes to the space. | o | cube | viewport
pane.stations | Stations pane | Goes to the stations along the cabin. | o | columns-3 | rib, frame
pane.sheet | Sheet board pane | Goes to the unrolled sheets. | o | layout-board | nesting
pane.gaps | Gap strip pane | Goes to the gaps along a joint. | o | chart-area | joint
pane.book | Panel book pane | Goes to the list of panels. | o | list-tree | tree
pane.words | Notes pane | Goes to notes and scripts. | o | file-text | text
pane.large | Pane large | Makes the pane fill the window. | t | arrows-maximize | full
pane.clips | Clip shelf | Shows or hides clips and profiles. | t | layout-sidebar | panel
pane.values | Value shelf | Shows or hides the values. | t | layout-sidebar-right | panel
pane.next | Next desk | Goes to the next arrangement. | o | chevron-right | workspace
pane.previous | Desk before | Goes to the arrangement before. | o | chevron-left | workspace | pane.next
`
	),
	...section(
		'Modes',
		['space'],
		`
mode.panel | Panels | Works on whole panels. | o | box | sheet
mode.skin | Skin | Works on the skin's mesh. | o | grid-3x3 | edit
mode.moulding | Mouldings | Works on mouldings and seals. | o | vector-spline | trim, profile
mode.foil | Foil | Lays foil on the panels. | o | background | lettering
mode.sight | Sight lines | Checks what passengers see. | o | eye | view
mode.back | Mode before | Goes back to the last mode. | o | history | toggle
`
	)
];
