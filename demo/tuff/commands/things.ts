import { section } from '../section.ts';

export const things = [
	...section(
		'Things > Add',
		['thing'],
		`
add.plane | Plane | Adds a flat square. | o | square | flat
add.box | Box | Adds a box. | o | box | cube
add.ball | Ball | Adds a ball of rings. | o | sphere | sphere
add.ball-even | Even ball | Adds a ball of triangles. | o | circle-dotted | sphere
add.tube | Cylinder | Adds a cylinder. | o | cylinder | tube
add.cone | Cone | Adds a cone. | o | triangle | point
add.ring | Ring | Adds a ring. | o | circle-dot | torus
add.grid | Grid | Adds a grid of faces. | o | grid-3x3 | plane
add.curve | Curve | Adds a smooth curve. | i | vector-spline | path
add.circle | Circle | Adds a circle. | o | circle | round | | draw.circle
add.text | Text | Adds letters. | o | text-size | words
add.empty | Marker | Adds a point to hang things on. | o | crosshair | null
add.light-sun | Sun | Adds light from afar. | o | sun | light
add.light-lamp | Lamp | Adds light from a point. | o | bulb | light
add.light-panel | Light panel | Adds light from an area. | o | rectangle | light
add.camera | Camera | Adds a camera. | o | photo | view
add.bones | Bones | Adds a chain of bones. | o | hierarchy | skeleton
add.cage | Cage | Adds a cage to bend things with. | o | cube-unfolded | lattice
add.picture | Picture | Adds a picture to draw after. | d | photo | reference
`
	),
	...section(
		'Things > Place',
		['thing'],
		`
thing.move | Move | Moves the selection. | i | arrows-move | shift | | modify.move
thing.turn | Turn | Turns the selection. | i | rotate | rotate | | modify.rotate
thing.size | Resize | Makes larger or smaller. | i | resize | scale
thing.drop | Drop to floor | Lets it down to the floor. | o | arrow-bar-to-down | ground
thing.mirror | Mirror | Mirrors the selection. | i | flip-vertical | flip | | modify.mirror
thing.align | Align | Lines things up. | d | align-left | tidy
thing.spread | Spread evenly | Sets equal distances. | d | dimensions | distribute
thing.snap | Snap | Catches points and faces. | t | magnet | catch
thing.apply | Fix placement | Makes place and size the new zero. | d | pin | apply
thing.reset-place | Back to zero place | Moves back to zero. | o | arrow-back-up | clear
thing.reset-turn | Back to zero turn | Turns back to zero. | o | rotate-2 | clear
thing.reset-size | Back to true size | Sizes back to one. | o | zoom-reset | clear
thing.origin | Set origin | Moves the handle of a thing. | d | target | pivot
thing.pivot | Turn around | Chooses what is turned around. | d | circle-dot | centre
thing.axes | Axes | Chooses the axes to move along. | d | axis-x | orientation
`
	),
	...section(
		'Things > Make',
		['thing'],
		`
thing.double | Duplicate | Copies the selection. | i | copy | clone
thing.instance | Linked copy | Copies and keeps the shape in common. | i | copy-plus | clone
thing.unlink | Make own | Gives a copy a shape of its own. | o | link-off | single | thing.instance
thing.join | Join things | Makes one thing of several. | o | arrows-join-2 | merge
thing.part | Part loose pieces | Makes a thing of each piece. | o | arrows-split | separate | thing.join
thing.unite | Unite | Adds the volumes. | o | layers-union | boolean | thing.take-off | body.unite
thing.take-off | Subtract | Takes one volume off another. | o | layers-subtract | boolean | thing.unite | body.subtract
thing.common | Intersect | Keeps what is in both. | o | layers-intersect-2 | boolean
thing.convert | Convert | Makes a mesh of a curve or text. | d | replace | mesh
thing.remove | Delete | Deletes the selection. | o | trash | remove | | edit.delete
thing.hide | Hide | Hides the selection. | o | eye-off | away | thing.show | visibility.hide
thing.show | Show hidden | Shows what was hidden. | o | eye | back | thing.hide | visibility.show-all
thing.parent | Hang on | Hangs things on another. | o | link | parent | thing.free
thing.free | Take off | Takes things off what they hang on. | o | link-off | clear | thing.parent
thing.gather | Gather | Puts things into a collection. | d | folder-plus | group
thing.scatter | Scatter on surface | Strews copies over a surface. | d | grid-dots | spread
`
	),
	...section(
		'Things > Select',
		['thing'],
		`
pick.all | Select all | Selects everything. | o | select-all | everything | pick.none | select.all
pick.none | Select nothing | Clears the selection. | o | deselect | clear | pick.all | select.none
pick.invert | Invert selection | Selects what was not. | o | arrows-exchange | reverse
pick.box | Select by box | Selects within a box. | i | square-dashed | frame
pick.loop | Select by loop | Selects within a loop. | i | lasso | lasso
pick.brush | Select by brush | Selects what is brushed over. | i | brush | paint
pick.same | Select alike | Selects what is of the same kind. | d | filter-search | similar
pick.children | Select what hangs on | Selects all that hangs on it. | o | hierarchy | children
pick.linked | Select same shape | Selects copies with the same shape. | o | link | instance
`
	),
	...section(
		'Modifiers',
		['thing'],
		`
mod.mirror | Mirror modifier | Mirrors live. | o | flip-vertical | symmetry
mod.smooth | Smooth modifier | Rounds live by dividing. | o | circle | subdivide
mod.row | Row modifier | Repeats live in a row. | o | layout-columns | array
mod.shell | Shell modifier | Gives a surface thickness live. | o | box-margin | wall
mod.bevel | Bevel modifier | Rounds edges live. | o | border-radius | fillet
mod.bend | Bend modifier | Bends live. | o | arrow-curve-right | deform
mod.cage | Cage modifier | Follows a cage live. | o | cube-unfolded | lattice
mod.shrink | Cling modifier | Clings to another surface live. | o | magnet | wrap
mod.boolean | Volume modifier | Adds or subtracts live. | o | layers-subtract | boolean
mod.fewer | Fewer faces modifier | Takes faces away live. | o | arrows-minimize | reduce
mod.apply | Fix modifier | Makes the modifier's shape the mesh. | o | check | apply
mod.up | Modifier up | Moves it up in the stack. | o | chevrons-up | order | mod.down
mod.down | Modifier down | Moves it down in the stack. | o | chevrons-down | order | mod.up
`
	)
];
