import { section } from '../section.ts';

export const sketch = [
	...section(
		'Sketch',
		['model'],
		`
sketch.new | New sketch | Starts a sketch on a plane or face. | i | pencil-plus | draw, profile | sketch.finish | sketch.start
sketch.edit | Edit sketch | Opens the selected sketch. | o | pencil | change profile
sketch.project-new | Sketch from section | Starts a sketch with the cut of the bodies. | i | section-sign | slice
`
	),
	...section(
		'Sketch',
		['sketch'],
		`
sketch.finish | Finish sketch | Leaves the sketch and computes the part. | o | door-exit | close, done | sketch.new | sketch.finish
sketch.grid | Sketch grid | Toggles the grid and its snap. | t | grid-dots | raster
sketch.snap | Snap | Toggles snapping to points and lines. | t | magnet | catch
`
	),
	...section(
		'Sketch > Draw',
		['sketch'],
		`
sketch.line | Line | Draws connected line segments. | i | line | segment | | draw.line
sketch.arc | Arc by three points | Draws an arc through three points. | i | vector-bezier-arc | curve | | draw.arc
sketch.arc-centre | Arc by centre | Draws an arc around a centre. | i | circle-half | curve
sketch.arc-tangent | Tangent arc | Draws an arc that goes on smoothly. | i | arrow-curve-right | smooth
sketch.circle | Circle | Draws a circle by centre and radius. | i | circle | round | | draw.circle
sketch.circle-three | Circle by three points | Draws a circle through three points. | i | circles | round
sketch.ellipse | Ellipse | Draws an ellipse by its axes. | i | oval | oval
sketch.rectangle | Rectangle | Draws a rectangle by two corners. | i | rectangle | box | | draw.rectangle
sketch.rectangle-centre | Rectangle by centre | Draws a rectangle around its centre. | i | square-plus | box
sketch.slot | Slot | Draws a slot by its centre line. | i | capsule | oblong hole
sketch.polygon | Polygon | Draws a regular polygon. | i | polygon | hexagon
sketch.spline | Spline | Draws a smooth curve through points. | i | vector-spline | freeform curve
sketch.point | Point | Sets a point. | i | point | node
sketch.text | Text | Draws letters as outlines. | d | text-size | letters, engraving
sketch.centreline | Centreline | Draws a construction line for symmetry. | i | line-dashed | axis line
sketch.construction | Construction geometry | Makes the selection construction or back. | t | line-dotted | auxiliary, help line
`
	),
	...section(
		'Sketch > Change',
		['sketch'],
		`
sketch.trim | Trim | Cuts a piece at the nearest crossings. | i | scissors | cut back | sketch.extend | modify.trim
sketch.extend | Extend | Lengthens to the nearest crossing. | i | arrow-bar-right | lengthen | sketch.trim | modify.extend
sketch.split | Split | Cuts a curve in two at a point. | i | arrows-split | break
sketch.offset | Offset | Copies curves at a distance. | i | box-multiple | parallel | | modify.offset
sketch.fillet | Fillet corner | Rounds a corner with an arc. | i | border-radius | round, radius | | modify.fillet
sketch.chamfer | Chamfer corner | Cuts a corner with a line. | i | border-corner-square | bevel | | modify.chamfer
sketch.mirror | Mirror | Copies about a line and keeps symmetry. | i | flip-vertical | reflect | | modify.mirror
sketch.pattern-line | Pattern in a row | Repeats along one or two directions. | i | grid-dots | array, copies
sketch.pattern-round | Pattern around a point | Repeats around a centre. | i | circle-dotted | polar array
sketch.move | Move | Shifts the selection. | i | arrows-move | shift | | modify.move
sketch.rotate | Rotate | Turns the selection around a point. | i | rotate | turn | | modify.rotate
sketch.scale | Scale | Enlarges or shrinks the selection. | i | resize | size
sketch.stretch | Stretch | Moves some ends and keeps the others. | i | arrows-diagonal | pull
sketch.project | Project edges | Brings model edges into the sketch. | i | arrow-down-to-arc | use edge, convert
sketch.intersect | Intersect with body | Brings the cut of a body into the sketch. | i | layers-intersect-2 | section curve
sketch.unlink | Unlink projected edge | Makes a projected edge free. | o | link-off | break link
`
	),
	...section(
		'Sketch > Constraints',
		['sketch'],
		`
con.coincide | Coincident | Puts two points, or a point and a curve, together. | o | circle-dot | join, glue
con.parallel | Parallel | Makes lines parallel. | o | equal | same direction
con.square | Perpendicular | Makes lines square. | o | angle | right angle
con.horizontal | Horizontal | Makes a line level. | o | minus | level | con.vertical
con.vertical | Vertical | Makes a line upright. | o | separator-vertical | plumb, upright | con.horizontal
con.tangent | Tangent | Makes curves touch smoothly. | o | circle-plus | smooth
con.equal | Equal | Makes lengths or radii equal. | o | equal | same size
con.symmetric | Symmetric | Makes two things symmetric about a line. | o | flip-horizontal | mirror
con.concentric | Concentric | Puts centres together. | o | target | same centre
con.midpoint | Midpoint | Puts a point in the middle of a line. | o | separator | middle
con.fix | Fix in place | Holds where it is. | t | pin | lock, ground
con.smooth | Smooth | Makes curves go on with the same curvature. | o | wave-sine | curvature
con.dimension | Dimension | Gives a length, angle or radius. | i | dimensions | size, measure | | sketch.dimension
con.auto | Constrain all | Adds what is missing to hold the sketch. | d | wand | full, automatic
con.show | Show constraints | Toggles the constraint marks. | t | eye-check | marks
con.delete | Delete constraints | Removes the constraints of the selection. | o | eraser | free, loosen
`
	)
];
