/** What each view is for and where to begin, by the last part of its address. The first page does without it until somebody asks. */
export const ABOUT: Readonly<Record<string, string>> = {
	commands:
		'Every command of the program, found by name, synonym, id, category or key. Type what you look for, press Enter, then press the keys that it should have: you read what that would change before anything does.',
	keyboard:
		'The board of a desk with what each key does where you stand. Press a key, or hold Shift, Ctrl or Alt to see what they bring; drag a key onto another to swap.',
	aliases:
		'Names that are typed at a command line, as a table and as the file that holds them, byte for byte. Find a command above the table and give it a name, or write in the text.',
	macros:
		'Commands of your own, made of steps. Make one from a pattern, record it on the bench, and give it a key like any other command.',
	bars: 'Toolbars, ribbon and quick bar, shaped on the program’s window as a screen shows it. Choose a place and move it by mouse or with Ctrl and the arrow keys, find a command at the right to add it, and read what the drawing gains.',
	gestures:
		'What a flick of the mouse does, a rose for each context side by side. Choose a direction by arrow keys and press Enter to find its command, or drag one there; test your hand to see how many directions it keeps apart.',
	options:
		'How the program behaves, option by option. Search in your own words, set a value, or filter for what is yours and reset it.',
	findings:
		'What clashes, is never heard, cannot be pressed at some desk or points at nothing, each with an input that shows it. N goes to the next, a figure applies a way out that was tried.',
	bench:
		'The program’s window as a stand-in that takes your keys under the setup as it is, and says for each why it did what it did. Click into it and work; Tab leaves it.',
	'hand-over':
		'The profile as a file, whole or in part, and files from others with a preview of everything that they would change. Drop a file on the right, or take one out on the left.',
	recipes:
		'Files of programs in formats of their own: paste one, and Skarn proposes how it is written, reads it and writes back only what you changed.',
	sheet:
		'What is in force, to print or hang up: by context, by category, by key, or as the keyboard lies. Choose an order and a paper, then print.',
	folders:
		'Which of several files of one name a program reads, seat by seat. Add a group of seats with the folders that they search, from the top.',
	rollout:
		'Releases of the office’s setup and the seats that follow them. Write what changes for people, publish, and see who has it.',
	people:
		'Who works in the office, in which role and discipline. Invite several at once from a table, give a link to who has forgotten a password, and see what somebody leaves behind.',
	programs: 'The programs of the office: what each is called, which commands it has and in which situations.',
	history:
		'Every change of the program, by whom and when. Search for a key, a command or a person; unfold an edit, restore a level to what it was, export all of it as a table.',
	start: 'The jobs in the order in which they come, and what stands. Choose one, or take the walk.'
};
