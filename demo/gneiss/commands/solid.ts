import { section } from '../section.ts';

export const solid = [
	...section(
		'Solid > Add',
		['part'],
		`
solid.extrude | Extrude | Pulls a profile along a direction. | i | arrow-up-from-arc | pull, boss, pad | solid.extrude-cut | solid.extrude
solid.revolve | Revolve | Turns a profile around an axis. | i | rotate-360 | turn, lathe | solid.revolve-cut | solid.revolve
solid.sweep | Profile along path | Moves a profile along a curve. | i | route | sweep, pipe | | solid.sweep
solid.loft | Loft | Blends between profiles. | i | layers-union | blend | | solid.loft
solid.helix | Coil | Winds a profile around an axis. | i | spiral | spring, helix
solid.thicken | Thicken face | Gives a face a thickness. | i | stack | offset solid
solid.box | Box | Makes a box by corners and height. | i | box | block, cuboid
solid.cylinder | Cylinder | Makes a cylinder by centre, radius and height. | i | cylinder | rod
solid.sphere | Sphere | Makes a sphere by centre and radius. | i | sphere | ball
solid.rib | Rib | Adds a stiffening wall from a line. | i | wall | stiffener, web
solid.emboss | Emboss | Raises or sinks letters on a face. | i | letter-case | engrave
`
	),
	...section(
		'Solid > Cut',
		['part'],
		`
solid.extrude-cut | Extruded cut | Cuts a profile along a direction. | i | arrow-down-to-arc | pocket, remove | solid.extrude
solid.revolve-cut | Revolved cut | Cuts a profile around an axis. | i | rotate-rectangle | groove | solid.revolve
solid.hole | Hole | Drills plain, stepped, sunk or threaded holes. | i | circle-dot | bore, drill | | solid.hole
solid.thread | Thread | Adds a thread to a round face. | i | spiral | screw
solid.shell | Shell | Hollows a body and leaves walls. | i | cube-off | hollow, wall
solid.split | Split body | Cuts a body with a plane or face. | i | arrows-split-2 | divide
solid.trim-body | Trim body | Removes the piece on one side of a face. | i | scissors | cut off
`
	),
	...section(
		'Solid > Edges',
		['part'],
		`
solid.fillet | Fillet edges | Rounds selected edges with a constant radius. | i | border-radius | round, blend, radius | | modify.fillet
solid.fillet-varying | Fillet with varying radius | Rounds an edge with a radius that changes. | i | border-corner-rounded | round, variable
solid.fillet-face | Face fillet | Rounds between two faces. | i | border-corner-pill | blend faces
solid.fillet-whole | Round over a face | Lets a round take the place of a face. | i | capsule-horizontal | round end
solid.chamfer | Chamfer edges | Cuts selected edges at an angle. | i | border-corner-square | bevel, break edge | | modify.chamfer
solid.unround | Remove rounds | Takes fillets off and restores sharp edges. | i | border-corners | defeature
`
	),
	...section(
		'Solid > Faces',
		['part'],
		`
face.move | Move face | Shifts faces and adapts the body. | i | arrows-move | shift, face
face.offset | Offset face | Moves faces along their normal. | i | fold-up | shift, face
face.rotate | Rotate face | Turns faces around an axis. | i | rotate | tilt
face.delete | Delete face | Removes faces and heals the gap. | o | eraser | heal
face.replace | Replace face | Lets another face take its place. | i | replace | swap
face.draft | Draft | Tilts faces for the mould. | i | angle | taper
face.split | Split face | Divides a face with a curve. | i | line-scan | parting line
face.colour | Colour of face | Assigns a colour to faces. | d | color-swatch | paint
`
	),
	...section(
		'Solid > Bodies',
		['part'],
		`
body.unite | Unite bodies | Makes one body of several. | i | layers-union | add, join, merge | body.subtract | body.unite
body.subtract | Subtract bodies | Takes a body away from another. | i | layers-subtract | difference, cut | body.unite | body.subtract
body.intersect | Intersect bodies | Keeps what is common. | i | layers-intersect | common
body.mirror | Mirror | Copies features or bodies about a plane. | i | flip-vertical | reflect | | modify.mirror
body.pattern-line | Pattern in rows | Repeats features or bodies in rows. | i | grid-3x3 | array, linear
body.pattern-round | Pattern around axis | Repeats features or bodies around an axis. | i | circle-dotted | polar, circular
body.pattern-curve | Pattern along curve | Repeats along a curve. | i | route | array
body.move | Move body | Shifts or turns a body. | i | arrows-move | shift | | modify.move
body.copy | Copy body | Makes a second body. | i | copy | duplicate
body.scale | Scale body | Enlarges or shrinks a body. | i | resize | size
body.align | Align bodies | Brings bodies into line by faces. | i | layout-align-center | place
body.material | Assign material | Gives the body a material. | d | box-model-2 | density
body.group | Group bodies | Puts bodies into a group. | o | box-multiple | collect | body.ungroup
body.ungroup | Ungroup bodies | Takes a group apart. | o | box-off | | body.group
`
	),
	...section(
		'Surface',
		['part'],
		`
surface.extrude | Extruded surface | Pulls a curve to a surface. | i | arrow-bar-up | sheet
surface.loft | Lofted surface | Blends a surface between curves. | i | wave-saw-tool | skin
surface.fill | Fill hole | Closes a hole in a surface. | i | bucket-droplet | patch, cap
surface.trim | Trim surface | Cuts a surface with another. | i | scissors | cut back | surface.extend
surface.extend | Extend surface | Lengthens a surface at its edges. | i | arrow-bar-right | lengthen | surface.trim
surface.join | Join surfaces | Joins surfaces along their common edges. | i | needle-thread | sew, stitch | surface.separate
surface.separate | Separate surfaces | Takes joined surfaces apart again. | o | arrows-split | unjoin | surface.join
surface.offset | Offset surface | Copies a surface at a distance. | i | stack-2 | parallel
surface.ruled | Ruled surface | Spans straight lines between edges. | i | line-height | straight
`
	),
	...section(
		'Sheet metal',
		['part'],
		`
sheet.base | Base sheet | Makes the first sheet from a profile. | i | file-horizontal | plate
sheet.flange | Flange | Bends a wall up from an edge. | i | corner-right-up | edge wall
sheet.hem | Hem | Folds an edge back on itself. | i | corner-down-left-double | fold edge
sheet.bend | Bend | Bends the sheet on a line. | i | fold | fold | sheet.unbend
sheet.unbend | Unbend | Opens chosen bends. | i | fold-down | unfold | sheet.bend
sheet.flatten | Flatten bends | Shows the flat pattern. | t | square | develop, unfold
sheet.corner | Close corner | Brings two flanges together. | i | border-corners | mitre
sheet.relief | Corner relief | Adds cut-outs where bends meet. | i | border-corner-ios | notch
sheet.louvre | Louvre | Presses ventilation slots. | i | menu-deep | vent, grille
sheet.table | Bend table | Thickness, radius and K factor by material. | d | table | allowance, gauge
sheet.export-flat | Export flat pattern | Writes the flat pattern for cutting. | d | file-export | laser
`
	)
];
