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
dim.from-rail | From the rail | Measures all from the running rail. | i | align-left | baseline
dim.ordinate | Coordinates | Writes the coordinate of a point. | i | axis-x | ordinate
dim.level | Level mark | Marks a height. | i | triangle | height
dim.clearance | Clearance | Measures the smallest distance to an envelope. | i | arrows-minimize | gap
dim.sag | Rope sag | Measures how far the rope hangs below its chord. | i | arrow-bar-to-down | rope
dim.tolerance | Tolerance | Adds limits to a dimension. | d | plus-minus | limits
dim.frame | Tolerance frame | Sets a geometric tolerance. | d | frame | form
dim.update | Update dimensions | Gives dimensions the style that holds. | o | refresh | style
dim.style | Dimension styles | Edits arrows, text and distances. | d | settings | look
dim.slope | Slope of the rope | Writes the slope in per cent and degrees. | i | arrow-up-right | grade
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
text.two | In two languages | Writes a line under the line in the office's second language. | i | stack | translate
text.panel | Panel text | Writes number, sheet and thickness of a panel. | i | align-left | mark
text.series | Series text | Writes what differs from series to series. | d | math-function | variant
text.mass | Mass note | Writes the mass of what it is shown. | i | weight | kilograms
text.style | Text styles | Edits fonts and heights. | d | template | font
text.import | Text from file | Reads a text file into a block. | d | file-text | read
`
	),
	...section(
		'Annotate > Notes',
		['any'],
		`
note.leader | Leader | Writes a note with an arrow. | i | arrow-down-to-arc | arrow
note.rivets | Rivet note | Writes count, pitch and kind of a row of rivets. | i | grid-dots | fixing
note.gasket | Gasket note | Writes profile and length of a gasket. | i | wave-sine | seal
note.line-up | Line notes up | Sets notes in one line. | i | align-left | tidy | | draw.align
note.door | Door note | Writes hand, stroke and clearance of a door. | i | door-exit | leaf
note.table | Table | Draws a table. | d | table | list
note.panels | Panel list | Lists the panels of a drawing. | d | list-details | table
note.balloon | Item balloon | Numbers a part with a balloon. | i | circle-number-1 | position
note.weld | Weld symbol | Draws a weld symbol. | d | flame | joint
note.surface | Surface symbol | Draws a surface texture symbol. | d | wave-saw-tool | roughness
note.section | Section mark | Marks where a section is cut. | i | section | cut
note.north | Wind and slope mark | Marks the slope of the rope. | i | arrow-up-right | slope
note.series | Series mark | Marks from which cabin on a change holds. | i | triangle | change, revision
`
	)
];
