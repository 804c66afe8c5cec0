/** The alias file that Varve Draft 7 comes with: the first letter names the group of commands, the second the command. */
export const aliases = `
# Varve Draft 7 - typed names
# one a line: name -> command  # note

# d: draw
dl -> draw.segment
dk -> draw.chain
dc -> draw.circle
da -> draw.arc
dr -> draw.rectangle
dg -> draw.polygon
dn -> draw.slot
dp -> draw.point

# h: hatch
hf -> hatch.fill
hs -> hatch.solid

# m: modify
mv -> modify.move
mk -> modify.copy
mt -> modify.rotate
mf -> modify.mirror
mz -> modify.scale

# s: shape
sc -> shape.trim
sx -> shape.extend
sp -> shape.offset
sr -> shape.fillet
sv -> shape.chamfer

# w: words and measures
wt -> text.block
wd -> dim.place
wa -> dim.angle
wr -> dim.radius

# v: view
vw -> view.window
`;
