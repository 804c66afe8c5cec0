/** Something that somebody comes for, in their words. */
export interface Job {
	readonly said: string;
	readonly how: string;
	/** The view that it is done in, or a page outside of the program when it begins with a slash. */
	readonly to: string;
}

/** In the order in which they come. */
export const JOBS: readonly Job[] = [
	{ said: 'Find out what a key does', how: 'Press it, and read what it does here and everywhere', to: 'keyboard' },
	{ said: 'Give a command a key', how: 'Find the command, press the keys, see what that would change', to: 'commands' },
	{ said: 'Look through what clashes', how: 'Each with an input that shows it, and ways out that were tried', to: 'findings' },
	{ said: 'Type less', how: 'Names for the command line, macros for what you do again and again', to: 'aliases' },
	{ said: 'Shape the bars', how: 'Toolbars and ribbon on the window itself, with what each screen loses', to: 'bars' },
	{ said: 'Set how the program behaves', how: 'Options, found in your own words', to: 'options' },
	{ said: 'Bring my program', how: 'A list of its commands, with the keys that it has', to: '/programs/new' },
	{ said: 'Bring my file', how: 'In whatever format it is written', to: 'recipes' },
	{ said: 'Try it', how: 'A window that takes your keys and says why', to: 'bench' },
	{ said: 'Hand it over', how: 'As a file, or as a sheet to hang up', to: 'hand-over' },
	{ said: 'Publish it', how: 'To the seats of the office', to: 'rollout' }
];
