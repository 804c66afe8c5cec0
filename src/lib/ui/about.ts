/** What each view is for and where to begin, by the last part of its address. The first page does without it until somebody asks. */
export const ABOUT: Readonly<Record<string, string>> = {
	commands:
		'All commands of the program. Search by name, synonym, category or key, press Enter, then press the keys that you want. You see what changes before it is saved.',
	keyboard:
		'The keyboard with the command of each key in the chosen situation. Press a key to select it, hold Shift, Ctrl or Alt to see combinations, and drag a key onto another to swap them.',
	aliases:
		'Short names that are typed in the command line, as a table and as a text file. Find a command above the table and give it a name, or edit the text.',
	macros:
		'Commands made of several steps. Start from a pattern or record one on the bench, and give it a key like any other command.',
	bars: 'Toolbars and ribbon, edited on the program’s window. Select a button and move it by mouse or with Ctrl and the arrow keys, add commands at the right, and see how much room is left for the drawing.',
	gestures:
		'Mouse gestures, with one rose for each context. Choose a direction with the arrow keys and press Enter to assign a command, or drag one there. Measure your hand to see how many directions it can tell apart.',
	options: 'Settings of the program. Search in plain words, set a value, or filter for your changes and reset them.',
	findings:
		'Conflicts and inputs that do not work, each with an input that shows the problem and tested fixes. N goes to the next finding, a digit applies a fix.',
	bench:
		'A simulated window of the program that uses your setup and explains the effect of each input. Click into it and work; Tab leaves it.',
	'hand-over': 'Export the profile or parts of it to a file, and import files with a preview of every change.',
	recipes:
		'Recipes describe the file format of a program. Paste a file: Skarn proposes a recipe, reads the file, and writes back only what you changed.',
	sheet:
		'The shortcuts of a setup, ready to print: by context, category, key or keyboard layout. Choose an order and a paper size, then print.',
	folders:
		'Which copy of a file each workstation actually loads. Add a group of seats with the folders that they search, first folder on top.',
	rollout:
		'Releases of the office’s setup, and the seats that install them. Write release notes, publish, and see which seats have the release.',
	people:
		'Members of the office with their role and discipline. Invite several people from a table, create a link for a forgotten password, and hand over the content of people who leave.',
	programs: 'The programs of the office: their names, commands and contexts.',
	history:
		'All changes with author and date. Search for a key, a command or a person, open an edit, restore a level to an earlier state, or export the list as a table.',
	start: 'Your tasks in order, and the current status. Choose a task, or take the tour.'
};
