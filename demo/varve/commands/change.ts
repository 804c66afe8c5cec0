import { section } from '../section.ts';

export const change = [
	...section(
		'Change > Place',
		['any'],
		`
modify.move | Move | Moves the selection. | i | arrows-move | shift | | modify.move
modify.copy | Copy along | Copies the selection to points. | i | copy | duplicate
modify.rotate | Rotate | Turns the selection around a point. | i | rotate-2 | turn | | modify.rotate
modify.mirror | Mirror | Mirrors the selection at a line. | i | flip-vertical | flip | | modify.mirror
modify.scale | Scale | Makes the selection larger or smaller. | i | resize | size
modify.stretch | Stretch | Moves ends and keeps what hangs on them. | i | arrow-autofit-width | pull
modify.align | Align to points | Moves and turns to two points. | i | align-left | fit
modify.array-rows | Rows and columns | Copies in rows and columns. | i | grid-3x3 | array, pattern
modify.array-round | Copies around | Copies around a centre. | i | rotate-dot | array, pattern
modify.array-path | Copies along a curve | Copies along a curve. | i | route | array, pattern
modify.nudge | Nudge | Moves by one step of the grid. | o | hand-move | push
modify.delete | Delete | Deletes the selection. | o | trash | erase, remove | | edit.delete
`
	),
	...section(
		'Change > Shape',
		['draw'],
		`
shape.trim | Trim | Cuts back to other curves. | i | scissors | cut back | shape.extend | modify.trim
shape.extend | Extend | Lengthens to other curves. | i | arrow-bar-right | lengthen | shape.trim | modify.extend
shape.offset | Offset | Draws beside at a distance. | i | box-multiple | parallel | | modify.offset
shape.fillet | Round corner | Rounds a corner with an arc. | i | border-corner-rounded | fillet, radius | | modify.fillet
shape.chamfer | Bevel corner | Cuts a corner off. | i | border-corner-ios | chamfer | | modify.chamfer
shape.break | Break | Opens a gap in a curve. | i | cut | gap | shape.join
shape.break-at | Break at a point | Cuts a curve in two. | i | arrows-split | split
shape.join | Join | Makes one curve of several. | i | arrows-join-2 | connect | shape.break
shape.lengthen | Lengthen | Changes the length of a curve. | i | arrows-horizontal | longer
shape.explode | Take apart | Takes a compound apart. | o | arrows-maximize | explode | symbol.make
shape.reverse | Reverse | Turns the direction of a curve. | o | arrows-exchange | direction
shape.simplify | Simplify | Removes points that say nothing. | d | line-dotted | fewer points
shape.blend | Blend curves | Joins two curves smoothly. | i | wave-saw-tool | smooth
shape.corners | Edit corners | Moves the corners of a curve. | i | point | grips
shape.close | Close or open | Closes a chain or opens it. | t | circle | loop
shape.fit | Fit curve | Makes a chain smooth. | o | vector-spline | smooth
`
	),
	...section(
		'Change > Order and look',
		['any'],
		`
order.front | To the front | Draws the selection over all else. | o | layers-subtract | above | order.back
order.back | To the back | Draws the selection under all else. | o | layers-union | below | order.front
order.above | Above another | Draws it over one other object. | i | chevron-right | over
order.below | Below another | Draws it under one other object. | i | chevron-left | under
look.match | Match look | Gives one object's look to others. | i | brush | paint, copy properties
look.colour | Colour | Sets the colour. | d | palette | paint
look.linetype | Line type | Sets dashes and dots. | d | line-dashed | dashes
look.weight | Line weight | Sets the width of lines. | d | line-height | thickness
look.transparency | See-through | Sets how much shines through. | d | ghost | transparency
look.by-layer | As the layer | Takes all look from the layer. | o | stack-2 | reset
look.style | Styles | Edits named looks. | d | template | named
`
	)
];
