/** Factory shortcuts of the stand-in, `keys | command | scope name`: bare letters type aliases, so keys here have a
 * modifier or a name. The aids of drawing stand together behind Alt+U. */
export const factory = `
Ctrl+N | file.new | any
Ctrl+O | file.open | any
Ctrl+S | file.save | any
Ctrl+Shift+S | file.save-as | any
Ctrl+W | file.close | any
Ctrl+P | file.print | any
Ctrl+Shift+E | file.export | any
Ctrl+Z | edit.undo | any
Ctrl+Y | edit.redo | any
Ctrl+X | edit.cut | any
Ctrl+C | edit.copy | any
Ctrl+Shift+C | edit.copy-base | any
Ctrl+V | edit.paste | any
Ctrl+Shift+V | edit.paste-place | any
Escape | edit.cancel | any
Ctrl+Enter | edit.repeat | any
Ctrl+Shift+P | edit.properties | any
Ctrl+Shift+K | layer.list | any
Ctrl+Shift+T | tool.panel | any
Ctrl+Shift+X | tool.command-line | any
Ctrl+A | select.all | any
Ctrl+Shift+A | select.none | any
Ctrl+G | select.group | any
Ctrl+Shift+G | select.ungroup | any
Ctrl+H | select.hide | any
Ctrl+Shift+H | select.show | any
Alt+A | select.similar | any
Delete | modify.delete | any
Ctrl+F | text.find | any
Ctrl+M | modify.move | any
Ctrl+D | modify.copy | any
Ctrl+R | modify.rotate | any
Ctrl+Shift+M | modify.mirror | any
Ctrl+E | shape.extend | draw
Ctrl+T | shape.trim | draw
Ctrl+B | shape.break | draw
Ctrl+J | shape.join | draw
Alt+R | shape.fillet | draw
Alt+C | shape.chamfer | draw
Alt+O | shape.offset | draw
Alt+S | modify.stretch | any
Alt+L | draw.segment | draw
Alt+P | draw.chain | draw
Alt+K | draw.circle | draw
Alt+Shift+A | draw.arc | draw
Alt+Q | draw.rectangle | draw
Alt+H | hatch.fill | draw
Alt+D | dim.place | any
Alt+Shift+D | dim.chain | any
Alt+T | text.block | any
Alt+N | note.leader | any
Alt+M | look.match | any
Alt+I | symbol.insert | any
Alt+E | symbol.edit | any
Alt+V | view.window | any
Alt+F | view.fit | any
Alt+Shift+F | view.fit-selection | any
Alt+Z | view.before | any
F2 | text.edit | text
Alt+U Alt+C | aid.object-snap | any
Alt+U Alt+V | aid.input | any
F5 | view.redraw | any
Alt+U Alt+L | aid.levels | any
Alt+U Alt+G | aid.grid | any
Alt+U Alt+Q | aid.square | any
Alt+U Alt+S | aid.snap | any
F12 | view.full | any
Shift+F2 | symbol.attributes | placed
Alt+Shift+B | cut.previous | any
Alt+Shift+N | cut.next | any
Alt+1 | aid.once-end | canvas
Alt+2 | aid.once-hole | canvas
Alt+3 | aid.once-centre | canvas
Alt+4 | aid.once-crossing | canvas
N | layers.new | layers
R | layers.rename | layers
A | layers.pale | layers
L | layers.lock | layers
O | layers.toggle | layers
`;
