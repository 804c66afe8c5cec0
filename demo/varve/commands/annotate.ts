import { section } from '../section.ts';

export const annotate = [
	...section(
		'Annotate > Dimensions',
		['any'],
		`
dim.place | Dimension | Measures what it is shown. | i | ruler-2 | measure | | sketch.dimension
dim.straight | Straight dimension | Measures across or up. | i | arrows-horizontal | linear
dim.aligned | Aligned dimension | Measures along a line. | i | arrows-diagonal | linear
dim.angle | Angle | Measures an angle. | i | angle | degrees
dim.radius | Radius | Measures a radius. | i | circle-half | round
dim.diameter | Diameter | Measures a diameter. | i | circle | round
dim.arc | Arc length | Measures along an arc. | i | rotate | length
dim.chain | Chain of dimensions | Goes on from the last dimension. | i | link | continue
dim.base | From one edge | Measures from the same edge. | i | align-left | baseline
dim.ordinate | Coordinates | Writes the coordinate of a point. | i | axis-x | ordinate
dim.level | Level mark | Marks a height. | i | triangle | height
dim.break | Break dimension lines | Opens dimension lines where others cross. | i | cut | gap
dim.space | Even out dimensions | Sets dimensions at equal distances. | i | arrows-sort | spacing
dim.tolerance | Tolerance | Adds limits to a dimension. | d | plus-minus | limits
dim.frame | Tolerance frame | Sets a geometric tolerance. | d | frame | form
dim.update | Update dimensions | Gives dimensions the style that holds. | o | refresh | style
dim.style | Dimension styles | Edits arrows, text and distances. | d | settings | look
dim.inspect | Check measure | Marks a dimension to be checked. | t | clipboard-check | test
`
	),
	...section(
		'Annotate > Text',
		['any'],
		`
text.line | Text line | Writes one line. | i | letter-case | write
text.block | Text block | Writes lines within a frame. | i | text-size | paragraph | | text.write
text.edit | Edit text | Changes a text. | i | edit | write
text.find | Find and replace | Finds words in the drawing. | d | search | replace
text.spell | Check spelling | Looks for misspelt words. | d | check | words
text.scale | Scale texts | Changes height in place. | i | resize | height
text.justify | Justify text | Moves the anchor and keeps the place. | i | align-left | anchor
text.field | Field | Writes a value that keeps up with the drawing. | d | math-function | value
text.mask | Text background | Covers what lies behind a text. | t | background | mask
text.style | Text styles | Edits fonts and heights. | d | template | font
text.import | Text from file | Reads a text file into a block. | d | file-text | read
`
	),
	...section(
		'Annotate > Notes',
		['any'],
		`
note.leader | Leader | Writes a note with an arrow. | i | arrow-down-to-arc | arrow
note.leader-add | Add leader | Adds an arrow to a note. | i | plus | arrow | note.leader-remove
note.leader-remove | Remove leader | Removes an arrow from a note. | i | minus | arrow | note.leader-add
note.align | Align notes | Sets notes in one line. | i | align-left | tidy | | draw.align
note.collect | Collect notes | Gathers notes under one arrow. | i | stack | tidy
note.table | Table | Draws a table. | d | table | list
note.table-link | Table from a sheet | Reads a table from a spreadsheet file. | d | link | import
note.balloon | Item balloon | Numbers a part with a balloon. | i | circle-number-1 | position
note.weld | Weld symbol | Draws a weld symbol. | d | flame | joint
note.surface | Surface symbol | Draws a surface texture symbol. | d | wave-saw-tool | roughness
note.section | Section mark | Marks where a section is cut. | i | section | cut
note.north | Wind and slope mark | Marks the slope of the rope. | i | arrow-up-right | slope
note.revision | Revision mark | Marks a change with its letter. | i | triangle | change
`
	)
];
