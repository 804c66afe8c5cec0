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
scene.save-step | Save as next step | Writes with the next number. | o | stack | version
scene.import | Import shapes | Reads another format. | d | file-import | load
scene.export | Export shapes | Writes another format. | d | file-export | write
scene.link | Link a library | Uses things of another scene. | d | link | reference
scene.pack | Pack pictures | Writes pictures into the scene. | o | package | collect
scene.tidy | Remove unused | Removes what nothing uses. | d | trash | clean
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
edit.tune | Change last step | Changes the values of the last step. | d | adjustments | adjust
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
view.camera | Through the camera | Looks through the camera. | o | photo | shot
view.camera-here | Camera to view | Puts the camera where one looks from. | o | target | shot
view.perspective | Perspective or parallel | Changes the projection. | t | perspective | lens
view.quad | Four views | Shows four views at once. | t | layout-grid | split
view.only | Only the selection | Hides all else for a while. | t | focus-2 | isolate | | visibility.isolate
view.wire | Wireframe | Shows edges only. | o | cube-unfolded | lines | | view.wireframe
view.solid | Solid shading | Shows plain surfaces. | o | cube | shade | | view.shaded
view.material | Material shading | Shows materials. | o | sphere | look
view.lit | Lit shading | Shows lights and shadows. | o | shadow | render
view.through | See through | Shows what lies behind. | t | ghost | transparent
view.overlay | Overlays | Shows grid, names and axes. | t | layers-intersect | aids
view.face-turn | Show face direction | Colours the sides of faces. | t | contrast | normals
view.back | View before | Goes back to the last view. | o | chevron-left | before | | view.back
view.section | Cut the view | Cuts what is shown with a plane. | t | section | clip | | view.section
`
	),
	...section(
		'Windows',
		['any'],
		`
pane.space | Space pane | Goes to the space. | o | cube | viewport
pane.graph | Node graph pane | Goes to the node graph. | o | hierarchy | nodes
pane.flat | UV board pane | Goes to the UV board. | o | layout-board | unwrap
pane.time | Timeline pane | Goes to the timeline. | o | clock | animation
pane.outline | Outline pane | Goes to the outline. | o | list-tree | tree
pane.words | Notes pane | Goes to notes and scripts. | o | file-text | text
pane.large | Pane large | Makes the pane fill the window. | t | arrows-maximize | full
pane.tools | Tool shelf | Shows or hides the tools. | t | layout-sidebar | panel
pane.values | Value shelf | Shows or hides the values. | t | layout-sidebar-right | panel
pane.next | Next desk | Goes to the next arrangement. | o | chevron-right | workspace
pane.previous | Desk before | Goes to the arrangement before. | o | chevron-left | workspace | pane.next
`
	),
	...section(
		'Modes',
		['space'],
		`
mode.thing | Things | Works on whole things. | o | box | object
mode.mesh | Mesh | Works on the mesh. | o | grid-3x3 | edit
mode.clay | Clay | Shapes like clay. | o | hand-click | sculpt
mode.colour | Colour | Paints on the surface. | o | brush | paint
mode.bones | Bones | Poses bones. | o | hierarchy | pose
mode.back | Mode before | Goes back to the last mode. | o | history | toggle
`
	)
];
