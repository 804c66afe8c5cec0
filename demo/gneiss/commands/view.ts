import { section } from '../section.ts';

export const view = [
	...section(
		'View > Zoom',
		['any'],
		`
view.fit | Fit all | Zooms so that everything is seen. | o | zoom-scan | zoom to everything, whole | | view.fit-all
view.fit-selection | Fit selection | Zooms so that the selection fills the canvas. | o | zoom-in-area | zoom to selected | | view.fit-selection
view.zoom-in | Zoom in | Comes one step closer. | o | zoom-in | closer, larger | view.zoom-out | view.zoom-in
view.zoom-out | Zoom out | Goes one step back. | o | zoom-out | farther, smaller | view.zoom-in | view.zoom-out
view.zoom-box | Zoom to box | Zooms to a dragged box. | i | zoom-pan | window
view.zoom-true | True size | Shows one to one on the screen. | o | zoom-reset | scale one
view.pan | Pan | Moves the view with the pointer. | i | hand-move | shift | | view.pan
view.pan-across | Pan sideways | Moves the view to the left or right. | i | arrows-horizontal | shift | | view.pan-across
view.orbit | Orbit | Turns the view with the pointer. | i | rotate-360 | turn, rotate view | | view.orbit
view.roll | Roll view | Turns the view around the line of sight. | i | rotate-clockwise | tilt | | view.roll
view.back | View before | Goes back to the view before the last change. | o | arrow-left-circle | previous view | view.forward
view.forward | View after | Goes forward again. | o | arrow-right-circle | next view | view.back
`,
		true
	),
	...section(
		'View > Directions',
		['space'],
		`
view.front | Front view | Looks from the front. | o | box-align-bottom | elevation | view.rear | view.front
view.rear | Rear view | Looks from behind. | o | box-align-top | back view | view.front
view.left | Left view | Looks from the left. | o | box-align-left | side | view.right
view.right | Right view | Looks from the right. | o | box-align-right | side | view.left
view.top | Top view | Looks from above. | o | box-align-top-left | plan | view.bottom
view.bottom | Bottom view | Looks from below. | o | box-align-bottom-left | underside | view.top
view.corner | Corner view | Looks from the upper front corner with equal angles. | o | cube | isometric, axonometric
view.normal | Look straight at face | Turns the view square to the selected face. | o | arrow-bar-to-down | normal to, square | | view.normal
view.save | Save view | Keeps this view under a name. | d | bookmark | named view
view.list | Saved views | Chooses a kept view. | d | bookmarks | named views
`,
		true
	),
	...section(
		'View > Display',
		['space'],
		`
view.shaded | Shaded | Shows faces in their colours. | o | sphere | solid look | | view.shaded
view.shaded-edges | Shaded with edges | Shows faces and their edges. | o | cube-unfolded | outlines
view.wire | Wireframe | Shows edges only. | o | box-model | lines only | view.shaded | view.wireframe
view.hidden-lines | Hidden lines removed | Shows the edges that are seen. | o | line-dashed | line drawing
view.transparent | See-through bodies | Makes bodies half transparent. | t | ghost | transparent, x-ray
view.section | Section view | Cuts the display with a plane. | t | section | cut, slice | | view.section
view.perspective | Perspective | Changes between perspective and parallel. | t | perspective | vanishing point
view.shadows | Shadows | Casts shadows on the ground. | t | shadow | light
view.quality | Display fineness | Sets how finely curves are shown. | d | diamond | tessellation
view.background | Canvas ground | Chooses the colour behind the model. | d | background | colour
`,
		true
	),
	...section(
		'View > Visibility',
		['space'],
		`
view.hide | Hide | Takes the selection out of sight. | o | eye-off | conceal | view.show | visibility.hide
view.show | Show | Brings hidden things back by picking them. | i | eye | unhide, reveal | view.hide | visibility.show
view.show-all | Show all | Brings everything back into sight. | o | eye-plus | unhide all | view.hide | visibility.show-all
view.isolate | Isolate | Shows the selection alone. | t | focus-centered | only this, solo | view.show-all | visibility.isolate
view.hide-others | Hide others | Takes all but the selection out of sight. | o | eye-x | keep this
view.planes | Show planes | Toggles reference planes. | t | square-dashed | datum
view.axes | Show axes | Toggles reference axes. | t | axis-x | datum
view.points | Show points | Toggles reference points. | t | point | datum
view.sketches | Show sketches | Toggles sketches of the model. | t | scribble | profiles
view.dimensions | Show dimensions | Toggles dimensions of features. | t | dimensions | sizes
view.joints | Show joint marks | Toggles the marks of joints. | t | link | mates
`,
		true
	),
	...section(
		'Inspect',
		['space'],
		`
inspect.measure | Measure | Distances, angles and radii of what is picked. | i | ruler-measure | distance, angle | | inspect.measure
inspect.mass | Mass properties | Mass, centre and inertia of the selection. | d | weight | volume, centre of gravity
inspect.interference | Check interference | Finds bodies that overlap. | d | layers-intersect | collision
inspect.clearance | Check clearance | Finds gaps smaller than a given size. | d | arrows-horizontal | gap
inspect.draft | Check draft angles | Colours faces by their angle to a direction. | t | angle | mould, taper
inspect.curvature | Show curvature | Combs on curves, colours on faces. | t | wave-sine | comb
inspect.stripes | Reflection stripes | Shows stripes to judge smoothness. | t | columns-3 | highlight lines
inspect.thickness | Check wall thickness | Colours faces by the wall behind them. | d | arrows-diff | wall
inspect.geometry | Check geometry | Looks for broken faces and edges. | d | stethoscope | diagnose, heal
inspect.compare | Compare bodies | Shows what differs between two bodies. | d | arrows-exchange | difference
inspect.where-used | Where used | Lists the assemblies that use the component. | d | hierarchy | parents
inspect.section-area | Area of section | Area and centre of a section. | d | chart-area | area
`,
		true
	),
	...section(
		'Reference',
		['model'],
		`
ref.plane | Reference plane | Makes a plane by offset, angle or points. | i | plane | datum plane, work plane
ref.axis | Reference axis | Makes an axis by edge, points or planes. | i | axis-y | datum axis
ref.point | Reference point | Makes a point on geometry. | i | point | datum point
ref.frame | Coordinate frame | Makes an origin with three directions. | i | axis-x | coordinate system, origin
ref.grid | Column grid | Makes a grid of lines with letters and figures. | d | grid-3x3 | axes, raster
ref.image | Place image | Puts a picture on a plane to trace. | d | photo | underlay, canvas
`
	)
];
