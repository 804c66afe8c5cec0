/** The factory's bars of Varve Draft 7: rows and columns of small icons around the paper. */
export const bars = `
menu Menus
quick File row : file.save file.open file.print - edit.undo edit.redo - edit.copy edit.paste edit.properties
toolbar Layers @ top 1 16 beside : layer.list layer.of-object series.only series.every - layer.lock layer.unlock layer.standard
toolbar Hand @ top 1 16 none : modify.move modify.copy modify.rotate modify.mirror modify.scale - shape.trim shape.extend shape.offset shape.fillet shape.join
toolbar Lines @ left 0 24 none draw : draw.segment draw.chain level.line draw.parallel draw.double - draw.circle draw.arc draw.ellipse Corners{draw.corner-post draw.window door.swing} - draw.rectangle draw.slot draw.polygon sheet.cut-out - hatch.fill hatch.glass hatch.insulation
toolbar Rope @ left 1 24 none draw : rope.sag rope.hanger envelope.clear rivet.row
toolbar Measures @ right 0 24 none : dim.place dim.straight dim.aligned dim.chain dim.angle dim.radius - dim.level dim.clearance dim.sag - text.block text.panel note.leader note.rivets note.gasket note.door
toolbar Nesting @ right 1 24 none cutting : cut.place cut.free cut.stock cut.grain cut.laser cut.label
toolbar Aids @ bottom 0 16 beside : aid.grid aid.snap aid.square aid.slope aid.object-snap aid.levels - view.fit view.window view.before
context Of a curve @ top 0 16 beside curve : modify.move modify.copy shape.trim shape.offset - layer.of-object modify.delete
context Of a text @ top 0 16 beside text : text.edit text.find text.style
context Of a dimension @ top 0 16 beside dimension : dim.update dim.style dim.tolerance
`;
