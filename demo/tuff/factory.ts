/**
 * Factory shortcuts of the stand-in by position, `keys | command | scope name`. Move, turn and grow lie under the resting
 * fingers (S, D, F) in every mode; the keys around them do the mode's own work, Shift the inverse.
 */
export const factory = `
Ctrl+KeyN | scene.new | any
Ctrl+KeyO | scene.open | any
Ctrl+KeyS | scene.save | any
Ctrl+Shift+KeyS | scene.save-as | any
Ctrl+Shift+KeyW | scene.freeze | any
Ctrl+KeyZ | edit.undo | any
Ctrl+Shift+KeyZ | edit.redo | any
Ctrl+KeyC | edit.copy | any
Ctrl+KeyV | edit.paste | any
Ctrl+KeyF | edit.find | any
F2 | edit.rename | any
F4 | edit.again | any
Escape | edit.cancel | any
RightDrag | view.orbit | space
Shift+RightDrag | view.pan | space
Digit1 | pane.space | any
Digit2 | pane.stations | any
Digit3 | pane.sheet | any
Digit4 | pane.gaps | any
Digit5 | pane.book | any
Ctrl+Digit1 | pane.large | any
KeyV | view.fit-selection | space
Shift+KeyV | view.fit | space
Alt+KeyV | view.box | space
Alt+Digit1 | view.front | space
Alt+Digit2 | view.right | space
Alt+Digit3 | view.top | space
Alt+Digit4 | view.seat | space
Alt+Digit5 | view.perspective | space
Alt+KeyQ | view.girth | space
KeyW | view.only | space
Alt+KeyE | view.wire | space
Alt+KeyR | view.solid | space
Alt+KeyF | view.daylight | space
KeyM KeyL | mode.panel | space
KeyM KeyS | mode.skin | space
KeyM KeyR | mode.moulding | space
KeyM KeyF | mode.foil | space
KeyM KeyV | mode.sight | space
KeyS | panel.move | panel
KeyD | panel.turn | panel
KeyF | panel.grow | panel
KeyC | panel.double | panel
Shift+KeyC | panel.other-side | panel
Delete | panel.remove | panel
KeyQ | panel.hide | panel
Shift+KeyQ | panel.show | panel
Alt+KeyA | pick.all | panel
Alt+Shift+KeyA | pick.none | panel
KeyX | pick.box | panel
KeyG | panel.join | many
KeyR | panel.fix | many
Shift+KeyR | panel.loosen | panel
KeyB | panel.flush | panel
KeyT | panel.set | panel
KeyN KeyB | lay.from-patch | panel
KeyN KeyC | lay.corner | panel
KeyN KeyS | lay.roof | panel
KeyN KeyP | lay.flat | panel
KeyN KeyL | lay.lamp | panel
Shift+KeyD | panel.mirror | panel
KeyS | mesh.move | shape
KeyD | mesh.turn | shape
KeyF | mesh.size | shape
KeyC | mesh.double | shape
Delete | mesh.remove | shape
KeyQ | mesh.hide | skin
Shift+KeyQ | mesh.show | skin
Alt+KeyA | mesh.all | skin
Alt+Shift+KeyA | mesh.none | skin
KeyR | mesh.pull | shape
Shift+KeyR | mesh.pull-each | shape
KeyG | mesh.close | shape
Shift+KeyS | mesh.slide | shape
KeyB | mesh.bevel | edge
Alt+KeyC | mesh.cut-loop | shape
Alt+KeyX | mesh.knife | shape
KeyT | mesh.margin | patch
KeyX | mesh.connect | point
Alt+KeyS | mesh.loop | skin
Alt+Shift+KeyS | mesh.ring | skin
KeyH | mesh.pull-skin | shape
KeyT | mesh.merge | point
F6 | mesh.points | skin
F7 | mesh.edges | skin
F8 | mesh.faces | skin
KeyS | trim.shift | moulding
KeyB | trim.run | moulding
Shift+KeyB | trim.part | moulding
KeyD | trim.turn | moulding
KeyF | trim.mitre | moulding
KeyT | trim.longer | moulding
KeyC | trim.profile | moulding
KeyB | foil.lay | foil
KeyG | foil.fill | foil
KeyX | foil.swap | foil
KeyC | foil.take | foil
KeyD | sight.turn | sight
KeyS | sight.move | sight
KeyA | rib.add | stations
KeyG | rib.tie | stations
Shift+KeyG | rib.untie | stations
KeyR | rib.bay | stations
Shift+KeyR | rib.unbay | stations
Delete | rib.remove | stations
KeyR | sheet.unroll | sheet
KeyS | sheet.move | sheet
KeyF | sheet.margin | sheet
KeyT | sheet.pin | sheet
Shift+KeyT | sheet.unpin | sheet
Space | gap.run | gaps
KeyG | gap.set | gaps
Shift+KeyG | gap.free | gaps
KeyR | book.open | book
Shift+KeyR | book.close | book
F12 | shop.write | any
`;
