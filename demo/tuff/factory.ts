/**
 * Factory shortcuts of the stand-in by position, `keys | command | scope name`. Move, turn and resize lie under the resting
 * fingers (S, D, F) in every mode; the keys around them do the mode's own work, Shift the inverse.
 */
export const factory = `
Ctrl+KeyN | scene.new | any
Ctrl+KeyO | scene.open | any
Ctrl+KeyS | scene.save | any
Ctrl+Shift+KeyS | scene.save-as | any
Ctrl+Shift+KeyW | scene.save-step | any
Ctrl+KeyZ | edit.undo | any
Ctrl+Shift+KeyZ | edit.redo | any
Ctrl+KeyC | edit.copy | any
Ctrl+KeyV | edit.paste | any
Ctrl+KeyF | edit.find | any
F2 | edit.rename | any
F4 | edit.again | any
Escape | edit.cancel | any
Digit1 | pane.space | any
Digit2 | pane.graph | any
Digit3 | pane.flat | any
Digit4 | pane.time | any
Digit5 | pane.outline | any
Ctrl+Digit1 | pane.large | any
KeyV | view.fit-selection | space
Shift+KeyV | view.fit | space
Alt+KeyV | view.box | space
Alt+Digit1 | view.front | space
Alt+Digit2 | view.right | space
Alt+Digit3 | view.top | space
Alt+Digit4 | view.camera | space
Alt+Digit5 | view.perspective | space
Alt+KeyQ | view.quad | space
KeyW | view.only | space
Alt+KeyE | view.wire | space
Alt+KeyR | view.solid | space
Alt+KeyF | view.lit | space
KeyM KeyT | mode.thing | space
KeyM KeyM | mode.mesh | space
KeyM KeyC | mode.clay | space
KeyM KeyP | mode.colour | space
KeyM KeyB | mode.bones | space
KeyS | thing.move | thing
KeyD | thing.turn | thing
KeyF | thing.size | thing
KeyC | thing.double | thing
Shift+KeyC | thing.instance | thing
Delete | thing.remove | thing
KeyQ | thing.hide | thing
Shift+KeyQ | thing.show | thing
Alt+KeyA | pick.all | thing
Alt+Shift+KeyA | pick.none | thing
KeyX | pick.box | thing
KeyG | thing.join | many
KeyR | thing.parent | many
Shift+KeyR | thing.free | thing
KeyB | thing.drop | thing
KeyT | thing.gather | thing
KeyN KeyB | add.box | thing
KeyN KeyC | add.tube | thing
KeyN KeyS | add.ball | thing
KeyN KeyP | add.plane | thing
KeyN KeyL | add.light-lamp | thing
Shift+KeyD | thing.mirror | thing
KeyS | mesh.move | shape
KeyD | mesh.turn | shape
KeyF | mesh.size | shape
KeyC | mesh.double | shape
Delete | mesh.remove | shape
KeyQ | mesh.hide | mesh
Shift+KeyQ | mesh.show | mesh
Alt+KeyA | mesh.all | mesh
Alt+Shift+KeyA | mesh.none | mesh
KeyR | mesh.pull | shape
Shift+KeyR | mesh.pull-each | shape
KeyG | mesh.fill | shape
Shift+KeyS | mesh.slide | shape
KeyB | mesh.bevel | edge
Alt+KeyC | mesh.cut-loop | shape
Alt+KeyX | mesh.knife | shape
KeyT | mesh.inset | face
KeyX | mesh.connect | point
Alt+KeyS | mesh.loop | mesh
Alt+Shift+KeyS | mesh.ring | mesh
KeyH | mesh.soft | shape
KeyT | mesh.merge | point
F6 | mesh.points | mesh
F7 | mesh.edges | mesh
F8 | mesh.faces | mesh
KeyS | clay.grab | clay
KeyB | clay.build | clay
Shift+KeyB | clay.dig | clay
KeyD | clay.smooth | clay
KeyF | clay.flatten | clay
KeyT | clay.inflate | clay
KeyC | clay.mask | clay
KeyB | paint.brush | colour
KeyG | paint.fill | colour
KeyX | paint.swap | colour
KeyC | paint.pick | colour
KeyD | bone.turn | bones
KeyS | bone.move | bones
KeyA | node.add | graph
KeyG | node.link | graph
Shift+KeyG | node.cut | graph
KeyR | node.group | graph
Shift+KeyR | node.ungroup | graph
Delete | node.remove | graph
KeyR | uv.unwrap | flat
KeyS | uv.move | flat
KeyF | uv.size | flat
KeyT | uv.pin | flat
Shift+KeyT | uv.unpin | flat
Space | time.play | time
KeyG | time.key | time
Shift+KeyG | time.unkey | time
KeyR | tree.open | outline
Shift+KeyR | tree.close | outline
F12 | picture.make | any
`;
