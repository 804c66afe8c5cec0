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
modify.other-side | On the other side | Copies to the other side of the cabin. | i | flip-horizontal | left, right
modify.array-path | Copies along a curve | Copies along a curve. | i | route | array, pattern
modify.to-level | Move to a level | Moves the selection to a level. | i | arrow-bar-up | height
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
sheet.unbend | Unbend | Lays a bent outline flat. | o | layout-board | develop
gasket.side | Gasket side | Changes the side on which a gasket lies. | o | arrows-exchange | direction
sheet.nest | Nest on a sheet | Sets outlines onto a stock sheet. | d | package | cutting
gasket.corner | Gasket corner | Bends a gasket round a corner. | i | arrow-curve-right | radius
sheet.relief | Corner relief | Cuts the corner where two folds meet. | i | border-corner-square | notch
sheet.fold | Fold line | Draws where a sheet is bent. | i | fold | bend
rope.tangent | Touch the rope | Lets a line touch the rope. | i | vector-spline | tangent
`
	),
	...section(
		'Change > Order and look',
		['any'],
		`
order.front | To the front | Draws the selection over all else. | o | layers-subtract | above | order.back
order.back | To the back | Draws the selection under all else. | o | layers-union | below | order.front
door.swing | Door swing | Draws the path of a door leaf. | i | rotate | leaf
door.stroke | Door stroke | Draws how far a leaf slides. | i | arrows-horizontal | slide
look.match | Match look | Gives one object's look to others. | i | brush | paint, copy properties
look.colour | Colour | Sets the colour. | d | palette | paint
look.linetype | Line type | Sets dashes and dots. | d | line-dashed | dashes
look.weight | Line weight | Sets the width of lines. | d | line-height | thickness
look.transparency | See-through | Sets how much shines through. | d | ghost | transparency
look.standard | Standard look | Takes the look that the office's layers prescribe. | o | stack-2 | reset
look.style | Styles | Edits named looks. | d | template | named
`
	)
];
