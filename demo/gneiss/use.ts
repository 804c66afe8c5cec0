/** Runs a day for the commands that the office has estimated; 0 for those that nobody there runs. */
export const use = `
view.fit 90
edit.undo 70
view.normal 45
solid.extrude 40
sketch.line 60
con.dimension 75
solid.fillet 35
solid.chamfer 18
edit.compute 30
file.save 45
solid.hole 22
sheet.flange 24
inspect.measure 26
edit.rename 9
face.draft 8
body.pattern-line 11
joint.coincide 30
solid.thread 0
solid.loft 0
ref.axis 0
con.fix 0
`;
