import { section } from '../section.ts';

export const draw = [
	...section(
		'Draw > Lines',
		['draw'],
		`
draw.segment | Line | Draws one straight line after the other. | i | line | straight, segment | | draw.line
draw.ray | Half line | Draws a line without end on one side. | i | arrow-up-right | construction
draw.endless | Endless line | Draws a line without ends. | i | arrows-diagonal | construction
draw.parallel | Parallel line | Draws beside a line at a distance. | i | separator | beside
draw.square-to | Line square to another | Draws at a right angle to a curve. | i | border-corner-square | perpendicular
draw.tangent-line | Line touching circles | Draws a line that touches two circles. | i | arrow-curve-right | tangent
draw.chain | Chain of segments | Draws lines and arcs as one curve. | i | route | polyline
draw.double | Double line | Draws two parallel lines as for a wall. | i | separator-vertical | wall
draw.freehand | Freehand | Draws what the hand draws. | i | scribble | sketch
draw.centre-mark | Centre mark | Marks the centre of a circle. | i | crosshair | cross
`
	),
	...section(
		'Draw > Curves',
		['draw'],
		`
draw.circle | Circle | Draws a circle by centre and radius. | i | circle | round | | draw.circle
draw.circle-two | Circle on two points | Draws a circle on its diameter. | i | circle-half | diameter
draw.circle-three | Circle through three points | Draws a circle through three points. | i | circles | round
draw.circle-touch | Circle touching curves | Draws a circle that touches what it is shown. | i | circle-dot | tangent
draw.arc | Arc | Draws an arc through three points. | i | vector-bezier-arc | curve | | draw.arc
draw.arc-centre | Arc around a centre | Draws an arc by centre, start and end. | i | rotate | curve
draw.arc-on | Arc going on | Draws an arc that goes on from the last end. | i | arrow-curve-right | continue
draw.ellipse | Ellipse | Draws an ellipse by its axes. | i | oval | oval
draw.ellipse-arc | Arc of an ellipse | Draws a part of an ellipse. | i | circle-dashed | oval
draw.curve | Smooth curve | Draws a curve through points. | i | vector-spline | spline
draw.curve-control | Curve by control points | Draws a curve led by control points. | i | vector-spline | spline
draw.ring | Ring | Draws a filled ring. | i | circle-dotted | donut
`
	),
	...section(
		'Draw > Shapes',
		['draw'],
		`
draw.rectangle | Rectangle | Draws a rectangle by two corners. | i | rectangle | box | | draw.rectangle
draw.rectangle-turned | Turned rectangle | Draws a rectangle by three points. | i | rotate-rectangle | box
draw.polygon | Polygon | Draws a regular polygon. | i | polygon | hexagon
draw.slot | Slot | Draws a slot by its centre line. | i | capsule-horizontal | oblong hole
draw.point | Point | Sets a point. | i | point | node
draw.points-even | Points at even steps | Sets points on a curve in equal parts. | i | dimensions | divide
draw.points-measured | Points at a measure | Sets points on a curve at a distance. | i | ruler-measure | measure
draw.region | Region | Makes an area of closed curves. | i | layers-intersect | area
draw.outline | Outline of an area | Draws the outline around a point. | i | border-corners | boundary
draw.cloud | Revision cloud | Draws a cloud around a change. | i | cloud | change
draw.cover | Cover | Hides what lies behind an area. | i | eraser | mask
`
	),
	...section(
		'Draw > Hatch',
		['draw'],
		`
hatch.fill | Hatch | Fills an area with a pattern. | d | texture | pattern
hatch.solid | Fill | Fills an area with one colour. | i | bucket-droplet | solid
hatch.gradient | Gradient | Fills an area from one colour to another. | d | contrast | shade
hatch.insulation | Insulation | Draws insulation along a line. | i | wave-sine | wool
hatch.origin | Move hatch origin | Sets where the pattern begins. | i | target | start
hatch.edit | Edit hatch | Changes pattern, angle and scale. | d | edit | change
hatch.split | Split hatch areas | Makes a hatch of its own for each area. | o | arrows-split | separate
`
	)
];
