import { reserved } from './row.ts';

const KERNEL = 'Linux kernel documentation, virtual consoles and SysRq (from memory)';
const DESKTOP = 'GNOME Help, Useful keyboard shortcuts (from memory)';

const POINTER = 'GNOME Help, Tips and tricks for windows (from memory)';

export const linux = [
	...reserved(
		POINTER,
		'default',
		'Meta+LeftDrag | moves the window\nMeta+MiddleDrag | changes the window\u2019s size\nMeta+RightClick | opens the menu of the window'
	),
	...reserved(
		KERNEL,
		'always',
		Array.from({ length: 12 }, (_, i) => i + 1)
			.map((n) => `Ctrl+Alt+F${n} | changes to console ${n}`)
			.join('\n')
	),
	...reserved(KERNEL, 'default', 'Alt+PrintScreen | begins a kernel request'),
	...reserved(
		DESKTOP,
		'default',
		`
Ctrl+Alt+Delete | logs out
Alt+Tab | changes to another window
Alt+Shift+Tab | changes to another window
Meta+Tab | changes to another application
Alt+\` | changes between the windows of an application
Alt+Escape | changes to the next window
Ctrl+Alt+Tab | changes to another part of the desktop
Ctrl+Alt+Escape | changes between windows at once
Alt+F2 | opens the command box
Alt+F4 | closes the window
Alt+F7 | moves the window
Alt+F8 | changes the window's size
Alt+F10 | maximises or restores the window
Alt+Space | opens the window's menu
Meta+A | shows all applications
Meta+V | shows the notifications
Meta+L | locks the screen
Meta+N | shows the notifications
Meta+H | minimises the window
Meta+D | shows the desktop
Meta+P | changes the displays
Meta+S | shows the overview
Meta+\` | changes between the windows of an application
Meta+Space | changes the input source
Meta+ArrowUp | maximises the window
Meta+ArrowDown | restores the window
Meta+ArrowLeft | puts the window on the left half
Meta+ArrowRight | puts the window on the right half
Meta+Shift+ArrowLeft | moves the window to the display on the left
Meta+Shift+ArrowRight | moves the window to the display on the right
Meta+Home | goes to the first workspace
Meta+End | goes to the last workspace
Meta+Shift+PageUp | moves the window to the workspace above
Meta+Shift+PageDown | moves the window to the workspace below
Meta+PageUp | goes to the workspace above
Meta+PageDown | goes to the workspace below
Ctrl+Alt+ArrowUp | goes to the workspace above
Ctrl+Alt+ArrowDown | goes to the workspace below
Ctrl+Alt+ArrowLeft | goes to the workspace on the left
Ctrl+Alt+ArrowRight | goes to the workspace on the right
PrintScreen | opens the screen capture tools
Shift+PrintScreen | takes a picture of the screen
Ctrl+Alt+Shift+R | records the screen`
	)
];
