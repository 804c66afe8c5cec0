import { reserved } from './row.ts';

const SOURCE = 'Apple Support, Mac keyboard shortcuts (from memory)';

const POINTER = 'Apple Support, Right-click on Mac (from memory)';

export const macos = [
	...reserved(POINTER, 'default', 'Ctrl+LeftClick | is the click with the right button'),
	...reserved(
		SOURCE,
		'always',
		`
Meta+Tab | changes to another application
Meta+Shift+Tab | changes to another application
Meta+Alt+Escape | opens the force-quit window
Ctrl+Meta+Q | locks the screen
Meta+Shift+Q | logs out`
	),
	...reserved(
		SOURCE,
		'default',
		`
Meta+Space | opens the system search
Meta+Alt+Space | opens the search in the file browser
Ctrl+Space | changes the input source
Ctrl+Meta+Space | opens the character viewer
Ctrl+Meta+F | makes the window full screen
Meta+H | hides the application
Meta+Alt+H | hides the other applications
Meta+M | minimises the window
Meta+Q | quits the application
Meta+\` | changes to the next window
Meta+Alt+D | shows or hides the dock
Meta+Shift+3 | takes a picture of the screen
Meta+Shift+4 | takes a picture of a part of the screen
Meta+Shift+5 | opens the screen capture tools
Ctrl+ArrowUp | shows all windows
Ctrl+ArrowDown | shows the windows of the application
Ctrl+ArrowLeft | goes to the space on the left
Ctrl+ArrowRight | goes to the space on the right
F11 | shows the desktop
Ctrl+F2 | goes to the menu bar
Ctrl+F3 | goes to the dock
Meta+Alt+F5 | opens the accessibility shortcuts`
	)
];
