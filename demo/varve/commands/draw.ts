import { section } from '../section.ts';

export const draw = [
	...section(
		'Draw > Lines',
		['draw'],
		`
draw.segment | Line | Draws one straight line after the other. | i | line | straight, segment | | draw.line
level.line | Level line | Draws a line at a level. | i | minus | height
level.slope | Slope line | Draws a line at the slope of the rope. | i | arrow-up-right | rope
draw.parallel | Parallel line | Draws beside a line at a distance. | i | separator | beside
level.drop | Plumb line | Draws a line straight down to a level. | i | arrow-bar-to-down | perpendicular
draw.tangent-line | Line touching circles | Draws a line that touches two circles. | i | arrow-curve-right | tangent
draw.chain | Chain of segments | Draws lines and arcs as one curve. | i | route | polyline
draw.double | Double line | Draws two parallel lines as for a wall. | i | separator-vertical | wall
rope.sag | Rope curve | Draws the rope as it hangs between two points. | i | wave-sine | catenary
rope.hanger | Hanger line | Draws the line on which the cabin hangs. | i | separator-vertical | axis
`
	),
	...section(
		'Draw > Curves',
		['draw'],
		`
draw.circle | Circle | Draws a circle by centre and radius. | i | circle | round | | draw.circle
draw.hole | Hole with its axes | Draws a hole with its centre lines. | i | crosshair | bore
draw.circle-three | Circle through three points | Draws a circle through three points. | i | circles | round
draw.circle-touch | Circle touching curves | Draws a circle that touches what it is shown. | i | circle-dot | tangent
draw.arc | Arc | Draws an arc through three points. | i | vector-bezier-arc | curve | | draw.arc
draw.corner-post | Corner post | Draws the outline of a corner post. | i | border-corner-rounded | pillar
draw.window | Window outline | Draws a window with its corner radii. | i | frame | glazing
draw.ellipse | Ellipse | Draws an ellipse by its axes. | i | oval | oval
envelope.swing | Swing envelope | Draws what the cabin needs when it swings. | d | arrow-curve-right | wind
draw.curve | Smooth curve | Draws a curve through points. | i | vector-spline | spline
envelope.clear | Clearance envelope | Draws the envelope that must stay free. | i | border-corners | gauge
rivet.row | Rivet row | Draws rivets along a line. | i | grid-dots | fixing
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
rivet.even | Rivets in equal steps | Sets rivets on a curve in equal parts. | i | dimensions | divide
rivet.pitch | Rivets at a pitch | Sets rivets on a curve at a distance. | i | ruler-measure | measure
sheet.cut-out | Cut-out | Takes an opening out of a panel. | i | layers-subtract | opening
sheet.outline | Panel outline | Draws the outline of a panel around a point. | i | border-corners | boundary
draw.cloud | Revision cloud | Draws a cloud around a change. | i | cloud | change
gasket.run | Gasket run | Draws a gasket around an opening. | i | capsule-horizontal | seal
`
	),
	...section(
		'Draw > Hatch',
		['draw'],
		`
hatch.fill | Hatch | Fills an area with a pattern. | d | texture | pattern
hatch.solid | Fill | Fills an area with one colour. | i | bucket-droplet | solid
hatch.glass | Glass | Fills an area as glass. | o | contrast | pane
hatch.insulation | Insulation | Draws insulation along a line. | i | wave-sine | wool
hatch.foam | Foam core | Fills an area as foam between sheets. | o | texture | sandwich
hatch.edit | Edit hatch | Changes pattern, angle and scale. | d | edit | change
hatch.parts | Hatch by part | Gives each part cut a hatch of its own. | o | arrows-split | separate
`
	)
];
