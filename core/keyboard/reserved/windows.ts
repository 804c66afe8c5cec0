import { reserved } from './row.ts';

const NTH = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth', 'tenth'];
const PINNED = NTH.map((nth, i) => `Meta+${(i + 1) % 10} | opens the ${nth} pinned program`).join('\n');

const SOURCE = 'Microsoft Support, Keyboard shortcuts in Windows (from memory)';

export const windows = [
	...reserved(
		SOURCE,
		'always',
		`
Ctrl+Alt+Delete | opens the security screen
Meta+L | locks the screen
Ctrl+Shift+Escape | opens the task list
Ctrl+Escape | opens the start menu
Alt+Tab | changes to another window
Alt+Shift+Tab | changes to another window
Ctrl+Alt+Tab | shows all windows
Alt+Escape | changes to the next window`
	),
	...reserved(
		SOURCE,
		'default',
		`
Alt+F4 | closes the window
Alt+Space | opens the window's menu
PrintScreen | takes a picture of the screen
Alt+PrintScreen | takes a picture of the window
F10 | goes to the menu bar
Shift+F10 | opens the context menu
Meta+A | opens the quick settings
Meta+D | shows the desktop
Meta+E | opens the file browser
Meta+H | starts dictation
Meta+I | opens the settings
Meta+K | opens the cast panel
Meta+M | minimises all windows
Meta+P | chooses the displays
Meta+R | opens the run box
Meta+S | opens the search
Meta+U | opens the accessibility settings
Meta+V | opens the clipboard history
Meta+X | opens the system menu
Meta+Tab | shows the task view
Meta+Space | changes the input language
Meta+Shift+S | takes a picture of a part of the screen
Meta+ArrowLeft | puts the window on the left half
Meta+ArrowRight | puts the window on the right half
Meta+ArrowUp | maximises the window
Meta+ArrowDown | minimises the window
${PINNED}
Meta+B | goes to the corner of the taskbar
Meta+C | opens the assistant
Meta+F | opens the feedback hub
Meta+G | opens the game bar
Meta+N | opens the notifications
Meta+O | locks the turning of the screen
Meta+Q | opens the search
Meta+T | goes through the taskbar
Meta+W | opens the widgets
Meta+Z | opens the layouts of windows
Meta+Home | minimises all other windows
Meta+Pause | opens the properties of the system
Meta+PrintScreen | keeps a picture of the screen
Meta+Escape | ends the magnifier
Meta+, | looks at the desktop
Meta+- | makes the magnifier smaller
Meta+Ctrl+D | adds a desktop
Meta+Ctrl+F4 | closes the desktop
Meta+Ctrl+ArrowLeft | goes to the desktop on the left
Meta+Ctrl+ArrowRight | goes to the desktop on the right
Meta+Ctrl+Enter | starts or ends reading aloud
Meta+Shift+M | restores minimised windows
Meta+Shift+ArrowLeft | moves the window to the display on the left
Meta+Shift+ArrowRight | moves the window to the display on the right
Meta+Shift+ArrowUp | stretches the window
Meta+. | opens the symbol panel
Meta++ | opens the magnifier
Meta+NumpadAdd | opens the magnifier
Meta+NumpadSubtract | makes the magnifier smaller`
	)
];
