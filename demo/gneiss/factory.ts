/**
 * Factory shortcuts of the stand-in, `keys | command | scope name`. Chosen for it: initial letters first, then keys under
 * the left hand, Shift for the sibling or the inverse. Document commands use the strokes that several programs share.
 */
export const factory = `
Ctrl+N | file.new | any
Ctrl+O | file.open | any
Ctrl+S | file.save | any
Ctrl+Shift+S | file.save-as | any
Ctrl+P | file.print | any
Ctrl+W | file.close | any
Ctrl+Z | edit.undo | any
Ctrl+Y | edit.redo | any
Ctrl+X | edit.cut | any
Ctrl+C | edit.copy | any
Ctrl+V | edit.paste | any
Ctrl+F | edit.find | any
Ctrl+A | select.all | any
Ctrl+Shift+A | select.none | any
Delete | edit.delete | any
F1 | office.help | any
F2 | edit.rename | any
F5 | edit.compute | model
Shift+F5 | edit.compute-all | model
F9 | window.tree | any
F8 | window.properties | any
F11 | window.full | any
F12 | window.console | any
Escape | edit.cancel | any
Enter | edit.accept | any
MiddleDrag | view.orbit | any
Shift+MiddleDrag | view.pan | any
WheelUp | view.zoom-in | any
WheelDown | view.zoom-out | any
Ctrl+WheelUp | view.pan | any
Ctrl+WheelDown | view.pan | any
Shift+WheelUp | view.pan-across | any
Shift+WheelDown | view.pan-across | any
Ctrl+MiddleDrag | view.roll | any
MiddleDoubleClick | view.fit | any
Space | edit.repeat | canvas
Ctrl+Tab | window.next | any
Ctrl+Shift+Tab | window.previous | any
Alt+G C | window.focus-canvas | any
Alt+G T | window.focus-tree | any
Alt+G K | window.focus-console | any
Alt+F V | select.filter-vertex | canvas
Alt+F E | select.filter-edge | canvas
Alt+F F | select.filter-face | canvas
Alt+F B | select.filter-body | canvas
Alt+F A | select.filter-off | canvas
F | view.fit | any
Shift+F | view.fit-selection | any
Z | view.zoom-box | canvas
Shift+Z | view.back | any
Alt+1 | view.front | space
Alt+2 | view.rear | space
Alt+3 | view.left | space
Alt+4 | view.right | space
Alt+5 | view.top | space
Alt+6 | view.bottom | space
Alt+7 | view.corner | space
V | view.normal | space
H | view.hide | space
Shift+H | view.show | space
Alt+H | view.show-all | space
X | view.isolate | space
Shift+T | view.transparent | space
Shift+X | view.section | space
G | inspect.measure | space
S | sketch.new | model
Shift+S | sketch.edit | model
P | ref.plane | model
Shift+P | ref.axis | model
E | solid.extrude | part
Shift+E | solid.extrude-cut | part
R | solid.revolve | part
Shift+R | solid.revolve-cut | part
W | solid.sweep | part
L | solid.loft | part
D | solid.hole | part
C | solid.chamfer | part
K | solid.shell | part
U | body.unite | part
Shift+U | body.subtract | part
M | body.move | part
Shift+M | body.mirror | part
Q | sketch.finish | sketch
L | sketch.line | sketch
A | sketch.arc | sketch
Shift+A | sketch.arc-tangent | sketch
C | sketch.circle | sketch
Shift+C | sketch.circle-three | sketch
R | sketch.rectangle | sketch
Shift+R | sketch.rectangle-centre | sketch
S | sketch.spline | sketch
T | sketch.trim | sketch
E | sketch.extend | sketch
D | con.dimension | sketch
W | sketch.construction | sketch
P | sketch.project | sketch
J J | con.coincide | sketch
J P | con.parallel | sketch
J R | con.square | sketch
J T | con.tangent | sketch
J F | con.fix | sketch
I | asm.insert | assembly
E | asm.edit-part | assembly
R | asm.rotate | assembly
D | asm.ground | assembly
A | joint.coincide | assembly
Shift+A | joint.rigid | assembly
V | draw.view | drawing
S | draw.section | drawing
D | dim.place | drawing
A | draw.detail | drawing
B | note.balloon | drawing
N | note.text | drawing
`;
