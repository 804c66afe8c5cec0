import { section } from '../section.ts';

export const skin = [
	...section(
		'Skin > Select',
		['skin'],
		`
mesh.points | Points | Works on points. | o | point | vertex
mesh.edges | Edges | Works on edges. | o | line | edge
mesh.faces | Faces | Works on faces. | o | square | polygon
mesh.all | Select all | Selects the whole mesh. | o | select-all | everything | mesh.none | select.all
mesh.none | Select nothing | Clears the selection. | o | deselect | clear | mesh.all | select.none
mesh.grow | Grow selection | Adds the neighbours. | o | plus | more | mesh.shrink | select.grow
mesh.shrink | Shrink selection | Leaves the border out. | o | minus | less | mesh.grow | select.shrink
mesh.loop | Select loop | Selects the edges in a row. | i | route | ring
mesh.ring | Select ring | Selects the edges side by side. | i | circle-dashed | loop
mesh.patch | Select patch | Selects all patches up to the next mark. | i | cloud | region
mesh.border | Select border | Selects the open edges. | o | border-corners | boundary
mesh.sharp | Select sharp edges | Selects edges above an angle. | d | angle | crease
mesh.alike | Select alike | Selects faces of the same kind. | d | filter-search | similar
mesh.hide | Hide | Hides the selected faces. | o | eye-off | away | mesh.show | visibility.hide
mesh.show | Show hidden | Shows hidden faces. | o | eye | back | mesh.hide | visibility.show-all
`
	),
	...section(
		'Skin > Place',
		['shape'],
		`
mesh.move | Move | Moves the selection. | i | arrows-move | shift | | modify.move
mesh.turn | Turn | Turns the selection. | i | rotate | rotate | | modify.rotate
mesh.size | Resize | Makes larger or smaller. | i | resize | scale
mesh.along | Move along normals | Moves along the surface's direction. | i | arrow-up-right | inflate
mesh.slide | Slide | Slides along the edges. | i | arrows-horizontal | glide
mesh.flatten | Make flat | Moves the selection into one plane. | o | minus | plane
mesh.arc | Lay on an arc | Moves points onto an arc. | i | vector-bezier-arc | circle
mesh.shear | Shear | Leans the selection. | i | italic | slant
mesh.pull-skin | Drag the skin | Moves the surrounding skin along. | t | wave-sine | falloff
mesh.both-sides | Work on both sides | Repeats on the other side. | t | flip-vertical | mirror
`
	),
	...section(
		'Skin > Build',
		['shape'],
		`
mesh.pull | Extrude | Pulls faces out. | i | box-align-top | extrude | | solid.extrude
mesh.pull-each | Extrude each | Pulls each face by itself. | i | columns-3 | extrude
mesh.margin | Margin | Draws a margin into patches. | i | box-margin | inset
mesh.bevel | Bevel edges | Cuts edges off or rounds them. | i | border-corner-ios | chamfer, fillet | | modify.chamfer
mesh.cut-loop | Cut a loop | Cuts a row of edges in. | i | separator | loop
mesh.knife | Knife | Cuts along a drawn line. | i | cut | slice
mesh.slice | Slice with plane | Cuts with a plane. | i | section | bisect
mesh.divide | Divide | Divides faces. | o | grid-3x3 | subdivide | mesh.undivide
mesh.undivide | Undo division | Makes faces coarser. | o | arrows-minimize | reduce | mesh.divide
mesh.close | Close opening | Spans a patch over an opening. | o | bucket-droplet | fill
mesh.four-sides | Patch on four curves | Spans a patch between four curves. | o | grid-dots | blend
mesh.bridge | Bridge | Joins two borders by faces. | o | link | loft | | solid.loft
mesh.lathe | Lathe | Turns a profile around an axis. | i | rotate-360 | revolve | | solid.revolve
mesh.sweep | Sweep | Pulls a profile along a curve. | i | route | path | | solid.sweep
mesh.shell | Give thickness | Makes a surface a shell. | i | box-multiple | wall
mesh.double | Duplicate | Copies the selection in the skin. | i | copy | clone
mesh.part | Part selection | Makes a thing of the selection. | o | arrows-split | separate
mesh.tear | Tear open | Opens the mesh at edges. | i | arrows-split-2 | rip | mesh.merge
mesh.merge | Merge points | Makes one point of several. | d | arrows-join-2 | weld | mesh.tear
mesh.merge-near | Merge near points | Makes one of points close together. | o | magnet | weld
mesh.connect | Connect points | Joins points by an edge. | o | line | path
mesh.heal | Remove edges | Removes edges and keeps the skin closed. | o | eraser | simplify
mesh.remove | Delete | Removes the selection. | d | trash | remove | | edit.delete
mesh.collapse | Collapse | Shrinks edges to points. | o | arrows-minimize | shrink
mesh.triangles | To triangles | Divides faces into triangles. | o | triangle | three
mesh.quads | To quads | Joins triangles to quads. | o | square | four | mesh.triangles
mesh.flow | Lay along the flow | Turns edges along the run of the cabin. | o | rotate-clockwise | direction
mesh.crown | Crown | Raises the middle of a patch. | i | arrow-bar-up | bulge
mesh.smooth | Smooth | Evens the points out. | o | wave-sine | relax
mesh.fair | Fair surface | Evens the curvature out. | o | vector-spline | relax
`
	),
	...section(
		'Skin > Marks',
		['shape'],
		`
mark.bend | Bend line | Marks where the sheet is bent. | i | angle | fold
mark.cut | Mark cut line | Marks where the skin becomes two panels. | o | scissors | joint | mark.cut-clear
mark.cut-clear | Clear cut line | Removes the mark. | o | eraser | joint | mark.cut
mark.edge | Style edge | Keeps an edge to be seen. | o | square | sharp | mark.no-edge
mark.no-edge | No style edge | Lets the surface run through. | o | circle | smooth | mark.edge
mark.outward | Turn faces outward | Turns all faces to the outside. | o | arrow-up-right | normals
mark.flip | Flip faces | Turns faces around. | o | flip-horizontal | normals
mark.station | Put on a station | Ties points to a station. | d | bookmark | rib
mark.finish | Finish of patches | Gives patches a finish. | d | palette | paint
`
	),
	...section(
		'Skin > Check',
		['shape'],
		`
check.open | Find open edges | Selects where the surface is open. | o | search | manifold
check.clash | Find clashes | Selects where panel and frame meet. | o | x | intersect
check.slivers | Find slivers | Selects patches too narrow to cut. | o | minus | thin
check.measure | Measure | Measures lengths and angles. | i | ruler-measure | distance | | inspect.measure
check.weight | Weight and area | Works out weight and area. | d | weight | mass
check.stripes | Reflection stripes | Shows how light runs over the joints. | t | line-height | curvature
`
	),
	...section(
		'Sheet board',
		['sheet'],
		`
sheet.unroll | Unroll | Lays a panel flat. | o | layout-board | develop
sheet.unroll-all | Unroll the set | Lays every panel of a set flat. | d | stack | develop
sheet.allowance | Bend allowance | Sets what a bend adds. | d | angle | stretch
sheet.nest | Nest on sheets | Sets panels onto stock sheets. | o | package | cutting
sheet.together | Cut together | Cuts two panels in one line. | o | link | common line | sheet.apart
sheet.apart | Cut apart | Gives each panel its own cut. | o | scissors | separate | sheet.together
sheet.square | Square to the sheet | Turns a panel square to the sheet. | o | line | align
sheet.stock | Stock sheet | Chooses size and grade of the sheet. | d | rectangle | material
sheet.pin | Hold in place | Keeps a panel where it lies. | o | pin | fix | sheet.unpin
sheet.unpin | Let go | Lets a panel be nested again. | o | x | free | sheet.pin
sheet.turn | Turn to the grain | Turns a panel along the grain. | o | rotate-clockwise | rotate
sheet.strain | Show strain | Colours where the sheet is stretched. | t | grid-dots | stretch
sheet.move | Move | Moves on the board. | i | arrows-move | shift
sheet.margin | Cutting margin | Sets the margin around the panels. | i | resize | kerf
`
	)
];
