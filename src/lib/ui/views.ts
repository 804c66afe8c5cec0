/** A view of a program. */
export interface View {
	readonly name: string;
	/** What it is for, in a few words. */
	readonly line: string;
	/** The last part of its address. */
	readonly path: string;
	/** With Alt it opens the view: a digit, those of the rarer ones with Shift. */
	readonly key: string;
}

/** The views of the rail, by verb, in the order of the job. */
export const views: readonly { readonly verb: string; readonly items: readonly View[] }[] = [
	{
		verb: 'Find',
		items: [
			{
				name: 'Commands',
				line: 'Search a command and give it a key',
				path: 'commands',
				key: '1'
			},
			{
				name: 'Keyboard',
				line: 'The command of each key in this situation',
				path: 'keyboard',
				key: '2'
			}
		]
	},
	{
		verb: 'Shape',
		items: [
			{
				name: 'Aliases',
				line: 'Short names for the command line',
				path: 'aliases',
				key: '3'
			},
			{
				name: 'Macros',
				line: 'Commands made of several steps',
				path: 'macros',
				key: '0'
			},
			{
				name: 'Toolbars',
				line: 'Menus, toolbars and ribbon on the program’s window',
				path: 'bars',
				key: 'Shift 1'
			},
			{
				name: 'Gestures',
				line: 'Flicks, drawn shapes, mouse buttons and wheel',
				path: 'gestures',
				key: 'Shift 2'
			},
			{
				name: 'Options',
				line: 'Settings of the program',
				path: 'options',
				key: 'Shift 3'
			}
		]
	},
	{
		verb: 'Check',
		items: [
			{
				name: 'Findings',
				line: 'Conflicts and habits at risk, each with a proof and tested fixes',
				path: 'findings',
				key: '4'
			},
			{
				name: 'Bench',
				line: 'Try your setup in a simulated window',
				path: 'bench',
				key: '5'
			}
		]
	},
	{
		verb: 'Share',
		items: [
			{
				name: 'Compare',
				line: 'Setups, people, levels and releases side by side',
				path: 'compare',
				key: 'Shift 4'
			},
			{
				name: 'Import, export',
				line: 'Profiles and tables as files',
				path: 'hand-over',
				key: '6'
			},
			{
				name: 'Recipes',
				line: 'Read and write the files of any program',
				path: 'recipes',
				key: '7'
			},
			{
				name: 'Print sheets',
				line: 'Shortcuts on paper',
				path: 'sheet',
				key: 'Shift 5'
			},
			{
				name: 'Folders',
				line: 'Which copy of a file each workstation loads',
				path: 'folders',
				key: '8'
			},
			{
				name: 'Proposals',
				line: 'Changes suggested for shared levels',
				path: 'proposals',
				key: 'Shift 6'
			},
			{
				name: 'Impact',
				line: 'The effect of the next release on each person',
				path: 'impact',
				key: 'Shift 7'
			},
			{
				name: 'Rollout',
				line: 'Releases, rings and seats',
				path: 'rollout',
				key: '9'
			}
		]
	},
	{
		verb: 'Office',
		items: [
			{
				name: 'People',
				line: 'Members, roles, disciplines and links',
				path: 'people',
				key: 'Shift 8'
			},
			{
				name: 'Programs',
				line: 'Commands, contexts and input rules of each program',
				path: 'programs',
				key: 'Shift 9'
			},
			{
				name: 'History',
				line: 'All changes with author and date',
				path: 'history',
				key: 'Shift H'
			}
		]
	}
];

export const START: View = {
	name: 'Start',
	line: '',
	path: 'start',
	key: 'Shift 0'
};
