import { section } from '../section.ts';

export const crafts = [
	...section(
		'Mouldings',
		['moulding'],
		`
trim.run | Run a moulding | Runs a profile along an edge. | i | route | trim
trim.profile | Choose profile | Chooses the section of a moulding. | d | section | extrusion
trim.mitre | Mitre corner | Cuts two mouldings on the bisector. | o | border-corner-square | corner
trim.bend | Bend moulding | Bends a moulding round a corner. | i | arrow-curve-right | radius
trim.end | End piece | Closes the end of a moulding. | o | square | cap
trim.splice | Splice | Joins two lengths on a sleeve. | o | link | joint | trim.part
trim.part | Part moulding | Cuts a moulding in two. | i | scissors | cut | trim.splice
trim.turn | Turn profile | Turns the section about its edge. | i | rotate | orientation
trim.shift | Shift along | Moves a moulding along its edge. | i | arrows-horizontal | slide
trim.stock | Stock length | Sets the length that is bought. | d | ruler-2 | bar
trim.gasket | Run a gasket | Runs a gasket in a groove. | i | wave-sine | seal
trim.gasket-joint | Gasket joint below | Puts the joint of a gasket at its lowest point. | o | arrow-bar-to-down | water
trim.sill | Door sill | Lays a sill under a door leaf. | o | minus | threshold
trim.handrail | Grab rail | Runs a rail with its brackets. | i | line | handle
trim.bumper | Bumper strip | Runs the strip that meets the platform. | i | capsule-horizontal | guard
trim.longer | Longer | Lengthens by the step. | o | plus | extend | trim.shorter
trim.shorter | Shorter | Shortens by the step. | o | minus | reduce | trim.longer
trim.list | Cutting list | Lists lengths, mitres and waste. | d | list-details | saw
trim.hide | Hide mouldings | Shows the bare edges. | t | eye-off | away
`
	),
	...section(
		'Foil',
		['foil'],
		`
foil.lay | Lay foil | Lays foil on the selected panels. | i | background | wrap
foil.fill | Fill panel | Covers a whole panel. | i | bucket-droplet | cover
foil.cut | Cut foil | Cuts along an edge or a joint. | i | scissors | trim
foil.wrap | Wrap round edge | Takes the foil round the edge. | o | fold | return
foil.overlap | Overlap | Sets how far two sheets overlap. | d | layers-union | seam
foil.lettering | Lettering | Lays letters and numbers. | d | text-size | sign
foil.take | Take finish | Takes the foil under the cursor. | o | color-swatch | sample
foil.swap | Swap inside and outside | Changes the two sides over. | o | arrows-exchange | switch
foil.stretch | Show stretch | Colours where foil is stretched. | t | grid-dots | strain
foil.relief | Relief cut | Cuts where foil would crease. | i | cut | dart
foil.peel | Peel off | Takes the foil off. | i | eraser | remove
foil.sheets | Foil sheets | Lists the sheets to be cut. | d | list-details | plotter
`
	),
	...section(
		'Sight lines',
		['sight'],
		`
sight.turn | Turn gaze | Turns where a passenger looks. | i | rotate | direction
sight.move | Move eye | Moves the eye point. | i | arrows-move | position
sight.seated | Seated eye | Sets the eye point of one who sits. | o | eye | height
sight.standing | Standing eye level | Sets the eye point to standing height. | o | arrow-bar-up | height
sight.child | Child's eye | Sets the eye point of a child. | o | arrow-bar-to-down | height
sight.blocked | Show what blocks | Colours what hides the valley. | t | shadow | obstruct
sight.horizon | Horizon | Shows the horizon along the rope. | t | minus | slope
sight.share | Share of view | Works out how much glass one sees through. | d | chart-area | percent
`
	),
	...section(
		'Stations',
		['stations'],
		`
rib.add | Add station | Adds a station along the cabin. | d | plus | frame
rib.find | Go to station | Goes to a station by its number. | d | search | look up
rib.tie | Tie edges to ribs | Ties selected edges to the nearest rib. | o | link | constrain | rib.untie
rib.untie | Untie | Lets edges leave their ribs. | o | link-off | free | rib.tie
rib.skip | Leave station out | Leaves a station out of the skin. | t | eye-off | skip
rib.bay | Make a bay | Makes a bay of several stations. | o | box-multiple | together | rib.unbay
rib.unbay | Split bay | Takes a bay apart. | o | box-off | apart | rib.bay
rib.section | Cut at station | Shows the section at a station. | o | section | profile
rib.whole | Whole cabin | Leaves the section. | o | maximize | all | rib.section
rib.pitch | Station pitch | Sets the distance between stations. | d | dimensions | spacing
rib.even | Even stations | Sets stations at equal distances. | o | layout-columns | regular
rib.fold | Fold bay | Shows a bay as one line. | t | fold | collapse
rib.offset | Skin offset | Sets the distance of the skin. | d | arrows-horizontal | distance
rib.double | Copy station | Copies a station to a new place. | i | copy | clone
rib.remove | Delete | Removes the station. | o | trash | remove
rib.blend | Blend across | Runs the skin smoothly across a station. | o | vector-spline | smooth
`
	),
	...section(
		'Gap strip',
		['gaps'],
		`
gap.run | Run along joint | Walks along the joint. | t | player-play | inspect
gap.reverse | Run other way | Walks from the other end. | t | player-skip-back | reverse
gap.first | First point | Goes to the first point of the joint. | o | player-skip-back | begin | gap.last
gap.last | Last point | Goes to the last point of the joint. | o | player-skip-forward | end | gap.first
gap.next | Next point | Goes on by one point. | o | chevron-right | step | gap.previous
gap.previous | Point before | Goes back by one point. | o | chevron-left | step | gap.next
gap.next-tight | Next tight place | Goes on to where the gap is too tight. | o | arrows-minimize | narrow | gap.previous-tight
gap.previous-tight | Tight place before | Goes back to where the gap was too tight. | o | arrows-minimize | narrow | gap.next-tight
gap.set | Set gap here | Fixes the width of the gap at this point. | d | pin | value | gap.free
gap.free | Free gap here | Lets the width follow its neighbours. | o | x | release | gap.set
gap.range | Part of the joint | Shows a part of the joint. | i | arrows-horizontal | zoom
gap.note | Note for the shop | Writes a note at this point. | o | bookmark | remark
gap.smooth | Even the change | Spreads a change of width. | d | wave-sine | taper
gap.heat | Gap when hot | Shows the gap at summer heat. | t | sun | expansion
`
	),
	...section(
		'Panel book',
		['book'],
		`
book.open | Open all | Opens every set. | o | fold-down | expand | book.close | tree.expand
book.close | Close all | Closes every set. | o | fold-up | collapse | book.open | tree.collapse
book.here | Show the selection | Goes to what is selected. | o | target | find
book.filter | Filter panels | Lists some panels only. | d | filter | search
book.new | New delivery set | Adds a set that is delivered together. | o | folder-plus | group
book.hide | Hide in space | Hides what is marked. | t | eye-off | away
book.cut | Ready to cut | Marks panels that may be cut. | t | check | release
book.hold | Hold back | Keeps panels from being changed. | t | lock | protect
`
	),
	...section(
		'Sheets for the shop',
		['any'],
		`
shop.write | Write cutting file | Writes the outlines of all sheets. | o | file-export | laser
shop.write-set | Write delivery set | Writes the outlines of one set. | o | stack | laser
shop.show | Show last sheets | Shows the sheets written last. | o | eye | result
shop.labels | Panel labels | Writes the labels of the panels. | d | clipboard | sticker
shop.part | Only a part | Writes the selected sheets only. | i | crop | some
`
	)
];
