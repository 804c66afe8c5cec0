/** The factory's bars of Tuff Mesh 3: a narrow ribbon for the panels, and a column that follows the mode. */
export const bars = `
menu Menus
ribbon Cladding
	tab Panels
		group Lay : lay.flat* lay.from-patch* lay.roof lay.skirt lay.corner lay.door lay.window lay.hatch
		group Set : panel.move* panel.turn panel.align panel.even-gaps panel.snap panel.thickness panel.grain
		group Make : panel.join* panel.cut-out* panel.double panel.lap panel.part panel.other-side
		group Seams : joint.open joint.lap joint.strip joint.gasket joint.fold joint.bond
	tab Sheets
		group Unroll : sheet.unroll* sheet.unroll-all* sheet.allowance
		group Nest : sheet.nest* sheet.apart sheet.square sheet.stock sheet.pin sheet.unpin
		group Shop : shop.write* shop.write-set shop.show shop.labels
	tab Trim
		group Run : trim.run* trim.profile* trim.mitre trim.bend trim.end trim.splice
		group Kinds : trim.gasket trim.sill trim.handrail trim.bumper
		group Foil : foil.lay* foil.fill foil.cut foil.wrap foil.overlap foil.lettering
	tab Sight
		group Viewpoint : sight.seated* sight.standing* sight.child
		group See : sight.blocked sight.horizon sight.share view.daylight view.through
toolbar Skin @ left 0 32 none skin : mesh.points mesh.edges mesh.faces - mesh.move mesh.slide mesh.flatten - mesh.pull mesh.bevel mesh.cut-loop mesh.knife mesh.bridge mesh.shell
toolbar Panel @ left 0 32 none panel : pick.box pick.brush pick.same - panel.move panel.snap panel.hide panel.show
toolbar View @ bottom 0 24 none : view.fit view.fit-selection view.orbit - view.girth view.seat view.platform - view.solid view.wire view.joints
cursor By the panel @ floating 2 32 none panel Shift+Space : panel.move panel.snap panel.hide panel.show
context Of several panels @ top 0 16 beside many : panel.align panel.even-gaps panel.join - panel.hide
`;
