/** A word of Skarn, explained in one sentence, with what the trade also calls it. */
export interface Term {
	readonly word: string;
	readonly meaning: string;
	readonly also: string;
}

/** The words of Skarn. docs/glossary.md shows the same list. */
export const GLOSSARY: readonly Term[] = [
	{ word: 'Profile', meaning: "All settings of a program's interface, in levels one above the other.", also: 'customisation' },
	{
		word: 'Level',
		meaning: 'One part of a profile: factory, office, a discipline, a project or personal. A higher level replaces a lower.',
		also: 'layer'
	},
	{ word: 'Setup', meaning: 'A named choice of levels that a person works with.', also: 'workspace, configuration' },
	{ word: 'Seat', meaning: 'A workstation that installs the releases of the office.', also: 'client, workstation' },
	{ word: 'Ring', meaning: 'A group of seats that gets a release at the same time, pilot first.', also: 'stage' },
	{ word: 'Release', meaning: "A published and signed state of the office's levels.", also: 'version' },
	{ word: 'Draft', meaning: 'Your changes that are saved but not published.', also: 'unpublished changes' },
	{ word: 'Proposal', meaning: 'A change that somebody suggests for a shared level.', also: 'change request' },
	{ word: 'Impact', meaning: 'The effect of a release on each person: changed habits and new findings.', also: 'effect' },
	{ word: 'Finding', meaning: 'A conflict, or an input that does not work as expected.', also: 'issue, warning' },
	{ word: 'Fix', meaning: 'A change that solves a finding, tested before it is offered.', also: 'solution' },
	{ word: 'Witness', meaning: 'The input and situation that show a finding.', also: 'example' },
	{ word: 'Situation', meaning: 'Where you are in the program: document, selection and focus together.', also: 'state, context' },
	{ word: 'Scope', meaning: 'The situations to which a shortcut is limited.', also: 'limit, condition' },
	{ word: 'Alias', meaning: 'A short name that is typed in the command line.', also: 'command alias' },
	{ word: 'Macro', meaning: 'A command made of several steps.', also: 'script' },
	{
		word: 'Rose',
		meaning: 'The directions in which a flick with a mouse button runs commands.',
		also: 'gesture wheel, radial menu'
	},
	{ word: 'Mode', meaning: 'A working context that you switch to, with its toolbars.', also: 'working mode' },
	{ word: 'Recipe', meaning: 'A description of a file format, used to read and write it.', also: 'format' },
	{ word: 'Equipment', meaning: 'The keyboard, layout, system, mouse and screens of a seat.', also: 'hardware' }
];
