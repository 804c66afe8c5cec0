import { section } from '../section.ts';

export const crafts = [
	...section(
		'Clay',
		['clay'],
		`
clay.build | Build up | Adds material. | i | plus | draw | clay.dig
clay.dig | Dig | Takes material away. | i | minus | carve | clay.build
clay.smooth | Smooth | Evens the surface out. | i | wave-sine | relax
clay.flatten | Flatten | Presses the surface flat. | i | square | plane
clay.pinch | Pinch | Pulls towards the stroke. | i | arrows-minimize | crease
clay.inflate | Inflate | Pushes outward. | i | circle-plus | swell
clay.grab | Grab | Takes hold and moves. | i | hand-click | move
clay.twist | Twist | Turns what is under the brush. | i | spiral | rotate
clay.scrape | Scrape | Takes the tops away. | i | feather | trim
clay.layer | Layer | Adds an even layer. | i | stack-2 | height
clay.mask | Mask | Keeps a part from changes. | i | shadow | protect
clay.mask-invert | Invert mask | Protects all else. | o | contrast | reverse
clay.mask-clear | Clear mask | Takes the protection off. | o | eraser | free
clay.wider | Wider brush | Makes the brush wider. | o | zoom-in | larger | clay.narrower
clay.narrower | Narrower brush | Makes the brush narrower. | o | zoom-out | smaller | clay.wider
clay.stronger | Stronger brush | Makes the brush stronger. | o | chevrons-up | pressure | clay.weaker
clay.weaker | Weaker brush | Makes the brush weaker. | o | chevrons-down | pressure | clay.stronger
clay.remesh | New even mesh | Makes a mesh of even faces. | d | grid-3x3 | retopology
clay.detail | Detail where needed | Divides under the brush. | t | grid-dots | dynamic
`
	),
	...section(
		'Colour',
		['colour'],
		`
paint.brush | Brush | Paints. | i | brush | draw
paint.fill | Fill | Fills an area. | i | bucket-droplet | pour
paint.smear | Smear | Draws the colour along. | i | hand-move | smudge
paint.blur | Blur | Softens the colour. | i | cloud | soften
paint.stamp | Stamp | Copies from another place. | i | copy | clone
paint.erase | Erase | Takes colour away. | i | eraser | remove
paint.pick | Pick colour | Takes the colour under the cursor. | i | color-swatch | sample
paint.swap | Swap colours | Changes the two colours over. | o | arrows-exchange | switch
paint.wider | Wider brush | Makes the brush wider. | o | zoom-in | larger | paint.narrower
paint.narrower | Narrower brush | Makes the brush narrower. | o | zoom-out | smaller | paint.wider
paint.layer | New colour layer | Adds a layer of colour. | o | stack-2 | add
paint.stencil | Stencil | Paints through a picture. | t | template | mask
`
	),
	...section(
		'Bones',
		['bones'],
		`
bone.turn | Turn bone | Turns a bone. | i | rotate | pose
bone.move | Move bone | Moves a bone. | i | arrows-move | pose
bone.reset | Rest pose | Puts bones back. | o | arrow-back-up | clear
bone.reach | Reach for | Bends the chain to a point. | i | target | kinematics
bone.mirror | Mirror pose | Sets the other side alike. | o | flip-vertical | symmetry
bone.keep | Keep pose | Puts the pose into the library. | o | bookmark | save
bone.lock | Lock bone | Keeps a bone as it is. | t | lock | fix
bone.limit | Limit turn | Sets how far a bone turns. | d | angle | range
`
	),
	...section(
		'Node graph',
		['graph'],
		`
node.add | Add node | Adds a node. | d | plus | new
node.find | Find node | Searches nodes. | d | search | look up
node.link | Link nodes | Joins the selected nodes. | o | link | wire | node.cut
node.cut | Cut links | Cuts the links that a line crosses. | i | scissors | wire | node.link
node.bypass | Bypass node | Lets values pass by. | t | eye-off | skip
node.group | Group nodes | Makes one node of several. | o | box-multiple | together | node.ungroup
node.ungroup | Ungroup nodes | Takes a group apart. | o | box-off | apart | node.group
node.enter | Enter group | Opens a group. | o | arrow-right-circle | inside | node.leave
node.leave | Leave group | Closes a group. | o | arrow-left-circle | outside | node.enter
node.frame | Frame | Draws a frame around nodes. | o | frame | comment
node.tidy | Tidy graph | Sets nodes in order. | o | layout-grid | arrange
node.fold | Fold node | Makes a node small. | t | fold | collapse
node.preview | Show result | Shows what a node gives. | o | eye | view
node.double | Duplicate | Copies the nodes. | i | copy | clone
node.remove | Delete | Removes the nodes. | o | trash | remove
node.remove-keep | Remove and keep link | Removes a node and joins its neighbours. | o | eraser | dissolve
`
	),
	...section(
		'Timeline',
		['time'],
		`
time.play | Play | Plays. | t | player-play | run
time.back | Play backwards | Plays from end to start. | t | player-skip-back | reverse
time.start | To the start | Goes to the first frame. | o | player-skip-back | begin | time.end
time.end | To the end | Goes to the last frame. | o | player-skip-forward | last | time.start
time.next | Next frame | Goes on by one frame. | o | chevron-right | step | time.previous
time.previous | Frame before | Goes back by one frame. | o | chevron-left | step | time.next
time.next-key | Next key frame | Goes to the next key. | o | diamond | jump | time.previous-key
time.previous-key | Key frame before | Goes to the key before. | o | diamond | jump | time.next-key
time.key | Set key frame | Keeps the values at this frame. | d | diamond | insert | time.unkey
time.unkey | Remove key frame | Removes the key at this frame. | o | trash | delete | time.key
time.range | Set range | Plays a part only. | i | arrows-horizontal | preview
time.mark | Marker | Marks a frame. | o | bookmark | flag
time.ease | Ease | Chooses how values change. | d | wave-sine | interpolation
time.loop | Loop | Begins again at the end. | t | repeat | cycle
`
	),
	...section(
		'Outline',
		['outline'],
		`
tree.open | Open all | Opens every branch. | o | fold-down | expand | tree.close | tree.expand
tree.close | Close all | Closes every branch. | o | fold-up | collapse | tree.open | tree.collapse
tree.here | Show the selection | Goes to what is selected. | o | target | find
tree.filter | Filter | Lists some things only. | d | filter | search
tree.new | New collection | Adds a collection. | o | folder-plus | group
tree.hide | Hide in space | Hides what is marked. | t | eye-off | away
tree.print | In the picture or not | Takes it into the picture or not. | t | photo | render
tree.lock | Lock against picking | Keeps it from being picked. | t | lock | protect
`
	),
	...section(
		'Picture',
		['any'],
		`
picture.make | Make picture | Computes the picture. | o | photo | render
picture.make-run | Make all frames | Computes all frames. | o | stack | render
picture.show | Show last picture | Shows the last picture. | o | eye | result
picture.save | Save picture | Writes the picture. | d | device-floppy | write
picture.region | Only a part | Computes a part only. | i | crop | border
`
	)
];
