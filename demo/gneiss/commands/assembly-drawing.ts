import { section } from '../section.ts';

export const assemblyAndDrawing = [
	...section(
		'Assembly > Components',
		['assembly'],
		`
asm.insert | Insert component | Places a part or assembly. | i | cube-plus | add, place
asm.new-part | New part in place | Starts a part inside the assembly. | i | square-plus | in context
asm.replace | Replace component | Lets another part take its place. | d | replace | swap, exchange
asm.copy | Copy component | Places the same part again. | i | copy | duplicate, instance
asm.mirror | Mirror | Places mirrored components about a plane. | i | flip-vertical | opposite hand, reflect | | modify.mirror
asm.pattern-line | Pattern of components | Repeats components in rows. | i | grid-3x3 | array
asm.pattern-round | Pattern around axis | Repeats components around an axis. | i | circle-dotted | polar
asm.pattern-follow | Pattern like feature | Repeats components like a feature pattern. | i | arrow-guide | follow
asm.move | Move component | Drags a component within its freedom. | i | arrows-move | drag | | modify.move
asm.rotate | Rotate component | Turns a component within its freedom. | i | rotate | turn | | modify.rotate
asm.ground | Hold component | Fixes a component in space. | t | pin | fix, ground
asm.moves-inside | Let it move inside | Lets a sub-assembly move within itself. | t | vector-spline | loose
asm.lift-out | Lift components out | Puts the components of a sub-assembly one level up. | o | arrows-up | ungroup | asm.gather
asm.gather | Gather components | Puts components into a new sub-assembly. | d | box-multiple | group | asm.lift-out
asm.edit-part | Edit part in place | Opens the part with the assembly around it. | o | pencil | in context
asm.open-part | Open part | Opens the component in a window of its own. | o | folder-open | separate
asm.look-only | Look only | Loads how a component looks, without its features. | t | feather | speed
asm.leave-out | Leave component out | Computes the assembly without a component. | t | eye-cancel | skip
`
	),
	...section(
		'Assembly > Joints',
		['assembly'],
		`
joint.rigid | Rigid joint | Holds two components together. | i | lock | weld, fix
joint.coincide | Faces together | Puts two faces on each other. | i | layers-linked | flush, mate
joint.hinge | Hinge joint | Lets one turn about an axis. | i | rotate-dot | revolute, pivot
joint.slide | Sliding joint | Lets one slide along a line. | i | arrows-horizontal | prismatic
joint.ball | Ball joint | Lets one turn about a point. | i | sphere | spherical
joint.distance | Distance joint | Holds a gap. | i | arrow-autofit-width | gap
joint.angle | Angle joint | Holds an angle. | i | angle | tilt
joint.gear | Gear joint | Couples two turns by a ratio. | i | settings | ratio
joint.limits | Joint limits | Sets how far a joint may go. | d | arrow-bar-both | stop
joint.drive | Drive joint | Moves a joint through its range. | i | player-play | animate
joint.check | Check joints | Lists joints that contradict each other. | d | stethoscope | diagnose
`
	),
	...section(
		'Assembly > Show',
		['assembly'],
		`
asm.explode | Exploded view | Moves components apart along lines. | d | arrows-maximize | take apart | asm.unexplode
asm.unexplode | Assembled view | Brings exploded components together. | o | arrows-minimize | collapse | asm.explode
asm.parts-list | Parts list | Counts the components. | d | list-details | bill of materials
asm.variants | Variants | Table of the variants of the assembly. | d | table | configurations
asm.cable-line | Route cable line | Runs a cable between two connectors. | i | route | harness, wiring
asm.bolt-set | Insert bolt set | Places bolt, washer and nut in a hole. | d | bolt | fastener, screw
`
	),
	...section(
		'Drawing > Views',
		['drawing'],
		`
draw.view | Place view | Places a view of a model. | i | layout-board | base view
draw.projected | Projected view | Places a view beside another. | i | layout-columns | side view
draw.section | Section view | Places a view cut by a line. | i | section | cut | | view.section
draw.detail | Detail view | Places a circle of a view enlarged. | i | zoom-in-area | magnify
draw.broken | Broken view | Shortens a long view. | i | arrows-join-2 | interrupt
draw.auxiliary | Auxiliary view | Places a view square to an edge. | i | arrow-up-right | inclined
draw.align | Align views | Brings views into line. | i | layout-align-middle | straighten | draw.unalign
draw.unalign | Release alignment | Lets a view move freely. | o | layout-off | free | draw.align
draw.scale | Scale of view | Changes the scale of the view. | d | resize | size
draw.update | Update views | Computes views that are out of date. | o | refresh | recompute
`
	),
	...section(
		'Drawing > Dimensions',
		['drawing'],
		`
dim.place | Dimension | Places the dimension that fits what is picked. | i | dimensions | size | | sketch.dimension
dim.baseline | Dimensions from baseline | Places dimensions from one edge. | i | align-left | datum
dim.chain | Chain of dimensions | Places dimensions end to end. | i | link | running
dim.ordinate | Ordinate dimensions | Places running coordinates. | i | axis-x | coordinates
dim.angle | Angle dimension | Places an angle between lines. | i | angle | degrees
dim.radius | Radius dimension | Places a radius or diameter. | i | radius-top-left | diameter
dim.auto | Dimension all | Places dimensions by the features. | d | wand | automatic
dim.tolerance | Tolerance | Gives a dimension its limits. | d | plus-minus | fit, limits
dim.arrange | Arrange dimensions | Spaces dimensions evenly. | o | arrows-sort | tidy
`
	),
	...section(
		'Drawing > Notes',
		['drawing'],
		`
note.text | Note | Places a text with or without a leader. | i | note | annotation, text
note.balloon | Balloon | Places the item number of a part. | i | circle-number-1 | item number
note.balloon-auto | Balloons for all | Places the item numbers of a view. | o | circles | automatic
note.surface | Surface finish | Places a roughness symbol. | i | check | roughness
note.weld | Weld symbol | Places a weld symbol. | i | flame | joint
note.frame | Tolerance frame | Places a frame for form and position. | i | frame | geometric tolerance
note.datum | Datum mark | Places a datum letter. | i | square-letter-a | reference
note.centre-mark | Centre mark | Places a cross on a circle. | i | crosshair | cross
note.centreline | Centreline | Places a line between two edges. | i | line-dashed | axis
note.hatch | Hatch | Fills an area with lines. | i | texture | fill, section lining
note.table | Table | Places a table on the sheet. | d | table | grid
note.parts-list | Parts list on sheet | Places the parts list. | d | list-details | bill of materials
note.revision | Revision table | Places the table of changes. | d | history | issue
note.revision-cloud | Revision cloud | Draws a cloud around a change. | i | cloud | mark change
note.symbol | Symbol | Places a symbol of the office. | d | icons | block
`
	),
	...section(
		'Drawing > Sheets',
		['drawing'],
		`
sheet-page.new | New sheet | Adds a sheet to the drawing. | d | file-plus | page
sheet-page.next | Next sheet | Goes to the next sheet. | o | chevron-right | page | sheet-page.previous
sheet-page.previous | Previous sheet | Goes to the previous sheet. | o | chevron-left | page | sheet-page.next
sheet-page.format | Sheet format | Size and border of the sheet. | d | file-settings | frame, size
sheet-page.title | Title block | Fills in the title block. | d | id | caption
sheet-page.layers | Layers | Lists the layers of the sheet. | d | stack-2 | levels
`
	)
];
