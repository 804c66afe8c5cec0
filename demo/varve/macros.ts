/** What the drawing office made of steps, `id | label | icon | inside, locks | steps | description` a line. */
export const officeMacros = `
macro:frame-line | Frame line 40 beside | separator | | cancel; run draw.parallel; type "40"; accept; pick "edge of the cabin frame"; accept | The line that every cabin frame has on its inside.
macro:level-here | Level mark with its note | ruler-measure | | cancel; run dim.level; pick "the height"; accept; run text.line; pick "beside the mark"; type "from upper edge of floor"; accept; accept |
macro:half | Half of it | dimensions | inside | type "/2"; accept | For a measure that is typed: takes half.
macro:standard-sheet | Open the drawing standard | file-text | inside | launch "document-viewer" "standards/drawing-standard.pdf" | Beside the drawing, without leaving what runs.
macro:clean-send | Tidy and pack for sending | package | | cancel; run file.tidy; accept; run file.check; run file.archive; pick "the folder"; accept |
`;

/** Since the autumn nobody draws another frame line. */
export const lockedMacros = `
macro:frame-line | Frame line 40 beside | separator | locks | cancel; run draw.parallel; type "40"; accept; pick "edge of the cabin frame"; accept | The line that every cabin frame has on its inside.
`;

/** Somebody's own, with an example of every finding that a macro can have. */
export const ownMacros = `
macro:frame-line | Frame line 35 beside | separator | | cancel; run draw.parallel; type "35"; accept; pick "edge of the cabin frame"; accept | The office has locked this one.
macro:hanger-mark | Mark for the hanger arm | crosshair | inside | cancel; run draw.point; pick "hanger bolt"; pick "slope line" |
macro:tenfold | Ten times as large | dimensions | | cancel; run modify.scale; pick "the middle"; type "10" |
macro:old-plot | Plot the old way | printer | | cancel; run file.plot-sheet; accept |
macro:there | There and back | route | | run view.before; run macro:back |
macro:back | Back and there | route | | run view.fit; run macro:there |
macro:empty | To be done | point | | |
`;
