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
layer.isolate | Only these layers | Shows only the layers of the selection. | o | focus-2 | only | layer.unisolate | visibility.isolate
layer.unisolate | All layers as before | Shows again what was hidden for these. | o | focus | back | layer.isolate
layer.off | Switch layer off | Hides the layer of an object. | i | eye-off | hide | layer.on | visibility.hide
layer.on | Switch all on | Shows all layers. | o | eye | show | layer.off | visibility.show-all
layer.aside | Set layer aside | Leaves a layer out of everything. | i | snowflake | skip | layer.back
layer.back | Take layers back | Brings back what was set aside. | o | sun | again | layer.aside
layer.lock | Lock layer | Keeps a layer from changes. | i | lock | protect | layer.unlock
layer.unlock | Unlock layer | Lets a layer be changed. | i | lock-open | free | layer.lock
layer.previous | Layers before | Takes the last change of layers back. | o | history | back
layer.merge | Merge layers | Puts one layer into another. | d | arrows-join-2 | combine
layer.sets | Layer sets | Keeps and restores sets of layers. | d | bookmarks | sets
layer.step | Step through layers | Shows one layer after the other. | d | player-play | browse
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
layers.aside | Set aside or not | Leaves the marked layers out or takes them back. | t | snowflake | skip
layers.lock | Locked or not | Locks or frees the marked layers. | t | lock | protect
layers.print | Printed or not | Lets the marked layers be printed. | t | printer | plot
layers.colour | Colour of layer | Sets the colour of the marked layers. | d | palette | paint
layers.filter | Filter layers | Lists some layers only. | d | filter | search
`
	),
	...section(
		'Symbols',
		['any'],
		`
symbol.insert | Insert symbol | Places a symbol. | d | package | block
symbol.make | Make symbol | Makes a symbol of the selection. | d | box | block | shape.explode
symbol.edit | Edit symbol | Opens the symbol editor. | o | box-model | change
symbol.edit-place | Edit in place | Changes a symbol where it lies. | o | pencil | change
symbol.replace | Replace symbol | Puts another symbol in its place. | d | replace | swap
symbol.attributes | Edit attributes | Changes the texts of a placed symbol. | d | list-details | values
symbol.extract | Extract attributes | Writes a list of attributes. | d | file-export | parts list
symbol.count | Count symbols | Counts what is placed. | d | math-function | number
symbol.attach | Attach drawing | Shows another drawing underneath. | d | link | reference | symbol.detach
symbol.detach | Detach drawing | Removes an attached drawing. | d | link-off | reference | symbol.attach
symbol.clip | Clip attached drawing | Shows a part of what is attached. | i | crop | cut
symbol.image | Attach picture | Shows a picture underneath. | d | photo | image
`
	),
	...section(
		'Symbols > Editor',
		['symbol'],
		`
editor.attribute | Define attribute | Adds a text to be filled in. | d | square-letter-a | field
editor.base | Base point | Sets where the symbol is held. | i | target | origin
editor.stretch | Stretch handle | Lets the symbol be pulled. | i | arrow-autofit-width | parameter
editor.flip | Flip handle | Lets the symbol be mirrored. | i | flip-horizontal | parameter
editor.states | Visible states | Shows one of several shapes. | d | eye-check | variants
editor.close | Close editor | Leaves the symbol editor. | o | door-exit | done
`
	),
	...section(
		'Layout',
		['layout'],
		`
layout.view | New view | Cuts a window into the sheet. | i | app-window | viewport
layout.view-shape | View from shape | Makes a view of a closed curve. | i | polygon | viewport
layout.scale | View scale | Sets the scale of a view. | d | ruler-measure | 1 to 20
layout.lock-view | Lock view | Keeps scale and place of a view. | t | lock | fix
layout.enter | Into the view | Draws inside the view. | o | arrow-right-circle | plan | layout.leave
layout.leave | Out of the view | Draws on the paper. | o | arrow-left-circle | paper | layout.enter
layout.align-views | Align views | Lines views up. | i | layout-align-middle | tidy
layout.new | New layout | Adds a sheet. | d | file-plus | page
layout.page | Page set-up | Sets paper and printer. | d | file-settings | format
layout.title | Title block | Fills the title block in. | d | layout-board | frame
layout.next | Next layout | Goes to the next sheet. | o | chevron-right | page | layout.previous
layout.previous | Layout before | Goes to the sheet before. | o | chevron-left | page | layout.next
`
	)
];
