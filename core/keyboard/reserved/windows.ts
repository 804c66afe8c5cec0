import { reserved } from './row.ts';

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
Meta+1 | opens the first pinned program
Meta+2 | opens the second pinned program
Meta+3 | opens the third pinned program
Meta+. | opens the symbol panel
Meta++ | opens the magnifier`
	)
];
