import { section } from '../section.ts';

export const structure = [
	...section(
		'Layers',
		['any'],
		`
layer.list | Layers | Opens the list of layers. | d | stack-2 | levels
layer.current | Make current | Draws on this layer from now on. | o | pencil | active
layer.of-object | Layer of an object | Draws on the layer of what it is shown. | i | target | current
layer.to-current | To current layer | Moves the selection to the current layer. | o | arrow-bar-to-down | move
series.only | Only this series | Shows what belongs to one series of cabins. | o | focus-2 | variant | series.every | visibility.isolate
series.every | Every series | Shows what belongs to any series again. | o | focus | back | series.only
layer.off | Switch layer off | Hides the layer of an object. | i | eye-off | hide | layer.on | visibility.hide
layer.on | Switch all on | Shows all layers. | o | eye | show | layer.off | visibility.show-all
layer.pale | Pale layer | Draws a layer pale and catches nothing on it. | i | ghost | reference | layer.full
layer.full | Full layers | Draws pale layers as usual again. | o | sun | again | layer.pale
layer.lock | Lock layer | Keeps a layer from changes. | i | lock | protect | layer.unlock
layer.unlock | Unlock layer | Lets a layer be changed. | i | lock-open | free | layer.lock
series.since | Changed since | Shows what changed since a cabin number. | d | history | revision
layer.merge | Merge layers | Puts one layer into another. | d | arrows-join-2 | combine
series.list | Series | Lists the series of cabins and their numbers. | d | bookmarks | variant
series.step | Step through series | Shows one series after the other. | d | player-play | browse
layer.standard | Check against standard | Compares layers with the office's list. | d | clipboard-check | norm
`
	),
	...section(
		'Layers > In the list',
		['layers'],
		`
layers.new | New layer | Adds a layer. | o | plus | add
layers.rename | Rename layer | Gives the layer another name. | o | edit | name | | edit.rename
layers.tidy | Remove empty layers | Removes layers that hold nothing. | o | trash | tidy
layers.toggle | On or off | Switches the marked layers. | t | eye | show
layers.pale | Pale or full | Draws the marked layers pale or as usual. | t | ghost | reference
layers.lock | Locked or not | Locks or frees the marked layers. | t | lock | protect
layers.print | Printed or not | Lets the marked layers be printed. | t | printer | plot
layers.colour | Colour of layer | Sets the colour of the marked layers. | d | palette | paint
layers.series | Layers of a series | Lists the layers of one series only. | d | filter | search
`
	),
	...section(
		'Symbols',
		['any'],
		`
symbol.insert | Insert symbol | Places a symbol. | d | package | block
symbol.make | Make symbol | Makes a symbol of the selection. | d | box | block | sheet.unbend
symbol.edit | Edit symbol | Opens the symbol editor. | o | box-model | change
symbol.hand | Left or right hand | Changes a symbol to the other hand. | o | flip-horizontal | mirror
symbol.replace | Replace symbol | Puts another symbol in its place. | d | replace | swap
symbol.attributes | Texts of a symbol | Changes the texts of a placed symbol. | d | list-details | values
symbol.parts | Parts of symbols | Writes the parts that the symbols stand for. | d | file-export | parts list
symbol.count | Count symbols | Counts what is placed. | d | math-function | number
frame.show | Show the frame | Shows the cabin's frame underneath. | d | link | skeleton | frame.hide
frame.hide | Hide the frame | Takes the frame away. | o | link-off | skeleton | frame.show
frame.station | Frame at a station | Shows the frame at one station. | i | columns-3 | rib
symbol.image | Attach picture | Shows a picture underneath. | d | photo | image
`
	),
	...section(
		'Symbols > Editor',
		['symbol'],
		`
editor.text | Text to fill in | Adds a text that is filled in when placed. | d | square-letter-a | field
editor.base | Base point | Sets where the symbol is held. | i | target | origin
editor.pitch | Pitch of holes | Lets the holes keep their pitch as the symbol grows. | i | grid-dots | rivet
editor.hand | Left and right hand | Draws the other hand of the symbol. | i | flip-horizontal | mirror
editor.series | Shape per series | Draws a shape for each series. | d | eye-check | variants
editor.close | Close editor | Leaves the symbol editor. | o | door-exit | done
`
	),
	...section(
		'Cutting sheet',
		['cutting'],
		`
cut.place | Place a panel | Places a panel on the stock sheet. | i | square | nest
cut.free | Part of the sheet | Keeps a part of the sheet free. | i | crop | leave
cut.stock | Stock sheet | Chooses size and grade of the sheet. | d | rectangle | material
cut.hold | Hold in place | Keeps a panel where it lies. | t | lock | fix
cut.common | Common cut | Cuts two panels in one line. | o | link | together | cut.own
cut.own | Own cut | Gives each panel its own cut. | o | link-off | apart | cut.common
cut.grain | Turn to the grain | Turns panels along the grain. | i | rotate-clockwise | rolling
cut.new | New cutting sheet | Begins another stock sheet. | d | file-plus | page
cut.laser | Laser set-up | Sets kerf, leads and order of the cuts. | d | settings | kerf
cut.label | Sheet label | Fills in the label of the sheet. | d | layout-board | frame
cut.next | Next cutting sheet | Goes to the next stock sheet. | o | chevron-right | page | cut.previous
cut.previous | Cutting sheet before | Goes to the stock sheet before. | o | chevron-left | page | cut.next
`
	)
];
