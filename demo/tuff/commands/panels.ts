import { section } from '../section.ts';

export const panels = [
	...section(
		'Panels > Lay',
		['panel'],
		`
lay.flat | Flat panel | Lays a flat panel between ribs. | o | square | sheet
lay.from-patch | Panel from patches | Makes a panel of selected patches. | o | box | sheet
lay.roof | Roof panel | Lays a panel over the roof. | o | triangle | hood
lay.skirt | Skirt panel | Lays a panel under the floor edge. | o | arrow-bar-to-down | apron
lay.corner | Corner panel | Lays a panel round a corner post. | o | border-corner-rounded | post
lay.door | Door panel | Lays the outer panel of a door leaf. | o | door-exit | leaf
lay.window | Window surround | Lays a panel around a window. | o | frame | glazing
lay.field | Field of panels | Divides a wall into panels. | d | grid-3x3 | bays
add.curve | Curve | Adds a smooth curve. | i | vector-spline | path
add.circle | Circle | Adds a circle. | o | circle | round | | draw.circle
add.number | Panel number | Writes the number on the inner side. | o | text-size | mark
add.datum | Datum point | Adds a point to measure from. | o | crosshair | reference
lay.hatch | Service hatch | Cuts a hatch with its own lid. | i | door-exit | lid, flap
lay.lamp | Lamp recess | Sinks a recess for a lamp. | o | bulb | light
lay.grille | Grille | Cuts slots for the air. | d | columns-3 | vent
lay.drain | Drain slot | Cuts a slot where water leaves. | i | arrow-bar-to-down | water
lay.bead | Stiffening bead | Presses a bead into a panel. | i | wave-sine | rib
lay.return | Folded return | Folds an edge back. | i | fold | hem
lay.plate | Number plate field | Keeps a field flat for the cabin's number. | d | rectangle | sign
`
	),
	...section(
		'Panels > Place',
		['panel'],
		`
panel.move | Move | Moves the selection. | i | arrows-move | shift | | modify.move
panel.turn | Turn | Turns the selection. | i | rotate | rotate | | modify.rotate
panel.grow | Grow edges | Moves all edges out or in. | i | resize | larger
panel.flush | Set flush | Brings a panel level with its neighbour. | o | arrow-bar-to-down | level
panel.mirror | Mirror | Mirrors the selection. | i | flip-vertical | flip | | modify.mirror
panel.align | Align joints | Lines joints up across panels. | d | align-left | tidy
panel.even-gaps | Even gaps | Makes the gaps between panels equal. | d | dimensions | distribute
panel.snap | Catch ribs | Catches ribs, posts and datums. | t | magnet | snap
panel.seat | Seat on ribs | Lays a panel on the ribs beneath. | d | pin | support
panel.back | Back to its bay | Moves a panel back into its bay. | o | arrow-back-up | return
panel.grain | Grain direction | Turns the grain of the sheet. | i | rotate-2 | rolling
panel.thickness | Sheet thickness | Sets the thickness of the sheet. | d | line-height | gauge
panel.hang-point | Hanging points | Sets where the panel is lifted. | d | target | lift
panel.stand-off | Distance to frame | Sets the distance from frame to panel. | d | box-margin | clearance
panel.directions | Directions | Chooses rope, cross and up directions. | d | axis-x | axes
`
	),
	...section(
		'Panels > Make',
		['panel'],
		`
panel.double | Duplicate | Copies the selection. | i | copy | clone
panel.other-side | To the other side | Makes the same panel for the other side. | i | flip-horizontal | left, right
panel.number | Number panels | Gives the panels their numbers. | o | circle-number-1 | mark
panel.join | Join panels | Makes one panel of several. | o | arrows-join-2 | merge
panel.part | Part at a line | Makes two panels of one. | i | arrows-split | split | panel.join
panel.lap | Lap | Lets one panel lie over the next. | o | layers-union | overlap | panel.cut-out
panel.cut-out | Cut out | Takes another shape off the panel. | o | layers-subtract | opening | panel.lap
panel.swap-lap | Swap the lap | Lets the other panel lie on top. | o | layers-intersect-2 | order
panel.to-skin | Back to skin | Makes mesh of a panel. | d | replace | mesh
panel.remove | Delete | Deletes the selection. | o | trash | remove | | edit.delete
panel.hide | Hide | Hides the selection. | o | eye-off | away | panel.show | visibility.hide
panel.show | Show hidden | Shows what was hidden. | o | eye | back | panel.hide | visibility.show-all
panel.fix | Fix to frame | Fixes panels to the frame. | o | link | mount | panel.loosen
panel.loosen | Loosen | Takes panels off the frame. | o | link-off | unmount | panel.fix
panel.set | Put into a set | Puts panels into a delivery set. | d | folder-plus | delivery
panel.clips | Row of clips | Sets clips along an edge. | d | grid-dots | fixings
`
	),
	...section(
		'Panels > Select',
		['panel'],
		`
pick.all | Select all | Selects everything. | o | select-all | everything | pick.none | select.all
pick.none | Select nothing | Clears the selection. | o | deselect | clear | pick.all | select.none
pick.invert | Invert selection | Selects what was not. | o | arrows-exchange | reverse
pick.box | Select by box | Selects within a box. | i | square-dashed | frame
pick.loop | Select by loop | Selects within a loop. | i | lasso | lasso
pick.brush | Select by brush | Selects what is brushed over. | i | brush | paint
pick.same | Select alike | Selects what is of the same kind. | d | filter-search | similar
pick.neighbours | Select neighbours | Selects the panels around. | o | hierarchy | next to
pick.thickness | Select same sheet | Selects panels of the same sheet. | o | link | gauge
`
	),
	...section(
		'Joints',
		['panel'],
		`
joint.open | Open joint | Leaves a gap between two panels. | o | flip-vertical | gap
joint.lap | Lap joint | Lets two panels overlap. | o | stack-2 | overlap
joint.strip | Cover strip | Covers a joint with a strip. | o | layout-columns | trim
joint.gasket | Gasket joint | Lays a gasket into the joint. | o | box-margin | seal
joint.fold | Folded joint | Hooks two folded edges together. | o | fold | seam
joint.bond | Bonded seam | Glues two panels on a flange. | o | needle-thread | glue
joint.step | Joggle | Steps an edge down to lie under its neighbour. | i | chevrons-down | offset
joint.follow | Joint along a curve | Moves a joint onto a curve. | i | route | line
joint.relief | Corner relief | Cuts the corner where two folds meet. | o | border-corner-square | notch
joint.remove | Remove joint | Closes a joint. | o | eraser | close
joint.width | Gap width | Sets the width of a gap. | d | arrows-horizontal | reveal
joint.over | This side over | Lets this side lie over the other. | o | chevrons-up | order | joint.under
joint.under | This side under | Lets this side lie under the other. | o | chevrons-down | order | joint.over
`
	)
];
