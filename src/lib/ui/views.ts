/** A view of a program. */
export interface View {
	readonly name: string;
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
				path: 'commands',
				key: '1'
			},
			{
				name: 'Keyboard',
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
				path: 'aliases',
				key: '3'
			},
			{
				name: 'Macros',
				path: 'macros',
				key: '0'
			},
			{
				name: 'Bars',
				path: 'bars',
				key: 'Shift 1'
			},
			{
				name: 'Gestures',
				path: 'gestures',
				key: 'Shift 2'
			},
			{
				name: 'Options',
				path: 'options',
				key: 'Shift 3'
			}
		]
	},
	{
		verb: 'Prove',
		items: [
			{
				name: 'Findings',
				path: 'findings',
				key: '4'
			},
			{
				name: 'Bench',
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
				path: 'compare',
				key: 'Shift 4'
			},
			{
				name: 'Hand-over',
				path: 'hand-over',
				key: '6'
			},
			{
				name: 'Recipes',
				path: 'recipes',
				key: '7'
			},
			{
				name: 'Sheet',
				path: 'sheet',
				key: 'Shift 5'
			},
			{
				name: 'Folders',
				path: 'folders',
				key: '8'
			},
			{
				name: 'Proposals',
				path: 'proposals',
				key: 'Shift 6'
			},
			{
				name: 'Impact',
				path: 'impact',
				key: 'Shift 7'
			},
			{
				name: 'Rollout',
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
				path: 'people',
				key: 'Shift 8'
			},
			{
				name: 'Programs',
				path: 'programs',
				key: 'Shift 9'
			},
			{
				name: 'History',
				path: 'history',
				key: 'Shift H'
			}
		]
	}
];

export const START: View = {
	name: 'Start',
	path: 'start',
	key: 'Shift 0'
};
