/** A task that somebody comes for, in their words. */
export interface Job {
	readonly label: string;
	readonly how: string;
	/** The view that it is done in, or a page outside of the program when it begins with a slash. */
	readonly to: string;
}

/** The three that everybody begins with. */
export const FIRST_JOBS: readonly Job[] = [
	{ label: 'Find out what a key does', how: 'Press it and read its command, here and in all situations', to: 'keyboard' },
	{ label: 'Give a command a key', how: 'Search the command, press the key, see what changes', to: 'commands' },
	{ label: 'Export or print', how: 'As a file for a colleague, or as a sheet for the wall', to: 'hand-over' }
];

/** The others, by the role that they belong to. */
export const MORE_JOBS: readonly { readonly role: string; readonly jobs: readonly Job[] }[] = [
	{
		role: 'For designers',
		jobs: [
			{ label: 'Resolve conflicts', how: 'each with a proof and tested fixes', to: 'findings' },
			{ label: 'Type less', how: 'aliases and macros', to: 'aliases' },
			{ label: 'Arrange toolbars', how: 'on the program’s window', to: 'bars' },
			{ label: 'Use mouse gestures', how: 'flicks and drawn shapes', to: 'gestures' },
			{ label: 'Change settings', how: 'found in plain words', to: 'options' },
			{ label: 'Try your setup', how: 'in a simulated window', to: 'bench' }
		]
	},
	{
		role: 'For stewards',
		jobs: [
			{ label: 'Add a program', how: 'from a list of its commands', to: '/programs/new' },
			{ label: 'Check the impact', how: 'before a release', to: 'impact' },
			{ label: 'Publish', how: 'to the seats of the office', to: 'rollout' },
			{ label: 'Invite people', how: 'by links', to: 'people' }
		]
	},
	{
		role: 'For trainers',
		jobs: [
			{ label: 'Print a sheet', how: 'by context, key or keyboard layout', to: 'sheet' },
			{ label: 'Compare setups', how: 'side by side', to: 'compare' },
			{ label: 'Read a file', how: 'in any format', to: 'recipes' }
		]
	}
];
