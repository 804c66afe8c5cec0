import { section } from '../section.ts';

export const mesh = [
	...section(
		'Mesh > Select',
		['mesh'],
		`
mesh.points | Points | Works on points. | o | point | vertex
mesh.edges | Edges | Works on edges. | o | line | edge
mesh.faces | Faces | Works on faces. | o | square | polygon
mesh.all | Select all | Selects the whole mesh. | o | select-all | everything | mesh.none | select.all
mesh.none | Select nothing | Clears the selection. | o | deselect | clear | mesh.all | select.none
mesh.grow | Grow selection | Takes the neighbours in. | o | plus | more | mesh.shrink | select.grow
mesh.shrink | Shrink selection | Leaves the border out. | o | minus | less | mesh.grow | select.shrink
mesh.loop | Select loop | Selects the edges in a row. | i | route | ring
mesh.ring | Select ring | Selects the edges side by side. | i | circle-dashed | loop
mesh.island | Select island | Selects all that hangs together. | i | cloud | linked
mesh.border | Select border | Selects the open edges. | o | border-corners | boundary
mesh.sharp | Select sharp edges | Selects edges above an angle. | d | angle | crease
mesh.alike | Select alike | Selects faces of the same kind. | d | filter-search | similar
mesh.hide | Hide | Hides the selected faces. | o | eye-off | away | mesh.show | visibility.hide
mesh.show | Show hidden | Shows hidden faces. | o | eye | back | mesh.hide | visibility.show-all
`
	),
	...section(
		'Mesh > Place',
		['shape'],
		`
mesh.move | Move | Moves the selection. | i | arrows-move | shift | | modify.move
mesh.turn | Turn | Turns the selection. | i | rotate | rotate | | modify.rotate
mesh.size | Resize | Makes larger or smaller. | i | resize | scale
mesh.along | Move along normals | Moves along the surface's direction. | i | arrow-up-right | inflate
mesh.slide | Slide | Slides along the edges. | i | arrows-horizontal | glide
mesh.flatten | Flatten | Makes the selection flat. | o | minus | plane
mesh.round | Make round | Moves points to a ball. | i | circle | sphere
mesh.shear | Shear | Leans the selection. | i | italic | slant
mesh.soft | Soft move | Takes the neighbourhood along. | t | wave-sine | falloff
mesh.symmetry | Work on both sides | Repeats on the other side. | t | flip-vertical | mirror
`
	),
	...section(
		'Mesh > Build',
		['shape'],
		`
mesh.pull | Extrude | Pulls faces out. | i | box-align-top | extrude | | solid.extrude
mesh.pull-each | Extrude each | Pulls each face by itself. | i | columns-3 | extrude
mesh.inset | Inset faces | Draws a frame into faces. | i | box-margin | frame
mesh.bevel | Bevel edges | Cuts edges off or rounds them. | i | border-corner-ios | chamfer, fillet | | modify.chamfer
mesh.cut-loop | Cut a loop | Cuts a row of edges in. | i | separator | loop
mesh.knife | Knife | Cuts along a drawn line. | i | cut | slice
mesh.slice | Slice with plane | Cuts with a plane. | i | section | bisect
mesh.divide | Divide | Divides faces. | o | grid-3x3 | subdivide | mesh.undivide
mesh.undivide | Take division back | Makes faces coarser. | o | arrows-minimize | reduce | mesh.divide
mesh.fill | Fill | Fills a border with faces. | o | bucket-droplet | close
mesh.grid-fill | Fill with grid | Fills a border with a grid. | o | grid-dots | close
mesh.bridge | Bridge | Joins two borders by faces. | o | link | loft | | solid.loft
mesh.lathe | Lathe | Turns a profile around an axis. | i | rotate-360 | revolve | | solid.revolve
mesh.sweep | Sweep | Pulls a profile along a curve. | i | route | path | | solid.sweep
mesh.shell | Give thickness | Makes a surface a shell. | i | box-multiple | wall
mesh.double | Duplicate | Copies the selection in the mesh. | i | copy | clone
mesh.part | Part selection | Makes a thing of the selection. | o | arrows-split | separate
mesh.tear | Tear open | Opens the mesh at edges. | i | arrows-split-2 | rip | mesh.merge
mesh.merge | Merge points | Makes one point of several. | d | arrows-join-2 | weld | mesh.tear
mesh.merge-near | Merge near points | Makes one of points close together. | o | magnet | weld
mesh.connect | Connect points | Joins points by an edge. | o | line | path
mesh.heal | Remove and heal | Removes and keeps the surface closed. | o | eraser | simplify
mesh.remove | Delete | Removes the selection. | d | trash | remove | | edit.delete
mesh.collapse | Collapse | Shrinks edges to points. | o | arrows-minimize | shrink
mesh.triangles | To triangles | Divides faces into triangles. | o | triangle | three
mesh.quads | To quads | Joins triangles to quads. | o | square | four | mesh.triangles
mesh.turn-edge | Turn edge | Turns an edge within two faces. | o | rotate-clockwise | flip
mesh.centre | Raise a centre | Sets a point into each face. | o | point | middle
mesh.smooth | Smooth | Evens the points out. | o | wave-sine | relax
mesh.fair | Fair surface | Evens the curvature out. | o | vector-spline | relax
`
	),
	...section(
		'Mesh > Marks',
		['shape'],
		`
mark.crease | Crease | Keeps edges sharp when smoothed. | i | angle | weight
mark.seam | Mark seam | Marks where to cut the unwrapping. | o | scissors | uv | mark.seam-clear
mark.seam-clear | Clear seam | Takes the mark off. | o | eraser | uv | mark.seam
mark.hard | Hard edge | Shades the edge sharp. | o | square | sharp | mark.soft
mark.soft | Soft edge | Shades the edge round. | o | circle | smooth | mark.hard
mark.outward | Turn faces outward | Turns all faces to the outside. | o | arrow-up-right | normals
mark.flip | Flip faces | Turns faces around. | o | flip-horizontal | normals
mark.group | Point group | Keeps a set of points. | d | bookmark | set
mark.material | Material for faces | Gives faces a material. | d | palette | paint
`
	),
	...section(
		'Mesh > Check',
		['shape'],
		`
check.open | Find open edges | Selects where the surface is open. | o | search | manifold
check.crossing | Find crossing faces | Selects faces that cross. | o | x | intersect
check.flat | Find thin faces | Selects faces without area. | o | minus | degenerate
check.measure | Measure | Measures lengths and angles. | i | ruler-measure | distance | | inspect.measure
check.volume | Volume and area | Works volume and area out. | d | weight | mass
check.thickness | Wall thickness | Colours thin walls. | t | line-height | print
`
	),
	...section(
		'UV board',
		['flat'],
		`
uv.unwrap | Unwrap | Lays the surface flat. | o | layout-board | flatten
uv.smart | Unwrap by angle | Cuts and lays flat by itself. | d | wand | automatic
uv.project | Project from view | Lays flat as seen. | o | perspective | view
uv.pack | Pack islands | Sets islands close together. | o | package | arrange
uv.stitch | Stitch | Joins islands at an edge. | o | needle-thread | weld | uv.rip
uv.rip | Cut island | Cuts an island at an edge. | o | scissors | part | uv.stitch
uv.straight | Straighten | Makes a row of edges straight. | o | line | align
uv.even | Same scale | Gives all islands one scale. | o | equal | texel
uv.pin | Pin | Keeps points where they are. | o | pin | hold | uv.unpin
uv.unpin | Unpin | Lets points move again. | o | x | free | uv.pin
uv.turn | Turn island | Turns by a quarter. | o | rotate-clockwise | rotate
uv.check | Checker picture | Shows squares to judge stretching. | t | grid-dots | test
uv.move | Move | Moves on the board. | i | arrows-move | shift
uv.size | Resize | Makes larger or smaller on the board. | i | resize | scale
`
	)
];
