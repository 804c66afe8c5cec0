/** The factory's bars of Varve Draft 7: rows and columns of small icons around the paper. */
export const bars = `
menu Menus : File{file.new file.open file.save file.save-as - file.import file.export - file.print file.print-all - file.tidy file.check file.archive} Edit{edit.undo edit.redo - edit.cut edit.copy edit.copy-base edit.paste edit.paste-place - edit.properties} Choose{select.all select.none select.last select.similar - select.group select.ungroup - select.hide select.show} See{view.fit view.fit-selection view.window view.before - view.named view.level view.full view.printed} Draft{draw.segment draw.chain draw.circle draw.arc draw.rectangle draw.polygon - hatch.fill hatch.glass hatch.edit} Alter{modify.move modify.copy modify.rotate modify.mirror modify.scale modify.stretch - look.match look.linetype look.weight} Note{note.leader note.rivets note.gasket note.table note.weld note.section note.north} Series{series.only series.every series.since series.list series.step} Cutting{cut.place cut.free cut.stock cut.hold cut.common cut.laser cut.label cut.new}
quick File row : file.save file.open file.print - edit.undo edit.redo - edit.copy edit.paste edit.properties
toolbar Layers @ top 1 16 beside : layer.list layer.of-object series.only series.every - layer.lock layer.unlock layer.standard
toolbar Hand @ top 1 16 none : modify.move modify.copy modify.rotate modify.mirror modify.scale - shape.trim shape.extend shape.offset shape.fillet shape.join
toolbar Lines @ left 0 24 none draw : draw.segment draw.chain level.line draw.parallel draw.double - draw.circle draw.arc draw.ellipse Corners{draw.corner-post draw.window door.swing} - draw.rectangle draw.slot draw.polygon sheet.cut-out - hatch.fill hatch.glass hatch.insulation
toolbar Rope @ left 1 24 none draw : rope.sag rope.hanger envelope.clear rivet.row
toolbar Measures @ right 0 24 none : dim.place dim.straight dim.aligned dim.chain dim.angle dim.radius - dim.level dim.clearance dim.sag - text.block text.panel note.leader note.rivets note.gasket note.door
toolbar Nesting @ right 1 24 none cutting : cut.place cut.free cut.stock cut.grain cut.laser cut.label
toolbar Aids @ bottom 0 16 beside : aid.grid aid.snap aid.square aid.slope aid.object-snap aid.levels - view.fit view.window view.before
cursor Near the pen @ floating 3 24 none draw Ctrl+Space : draw.segment draw.circle shape.trim shape.offset modify.move modify.copy
context Of a curve @ top 0 16 beside curve : modify.move modify.copy shape.trim shape.offset - layer.of-object modify.delete
context Of a text @ top 0 16 beside text : text.edit text.find text.style
context Of a dimension @ top 0 16 beside dimension : dim.update dim.style dim.tolerance
`;
