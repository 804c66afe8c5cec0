/** The views of the rail, by verb, in the order of the job. Alt and the number opens one that has a number; the palette opens all. */
export const views = [
	{
		verb: 'Find',
		items: [
			{ name: 'Commands', path: 'commands', key: '1' },
			{ name: 'Keyboard', path: 'keyboard', key: '2' }
		]
	},
	{
		verb: 'Shape',
		items: [
			{ name: 'Aliases', path: 'aliases', key: '3' },
			{ name: 'Macros', path: 'macros', key: '0' },
			{ name: 'Options', path: 'options', key: undefined }
		]
	},
	{
		verb: 'Prove',
		items: [
			{ name: 'Findings', path: 'findings', key: '4' },
			{ name: 'Bench', path: 'bench', key: '5' }
		]
	},
	{
		verb: 'Share',
		items: [
			{ name: 'Hand-over', path: 'hand-over', key: '6' },
			{ name: 'Recipes', path: 'recipes', key: '7' },
			{ name: 'Sheet', path: 'sheet', key: undefined },
			{ name: 'Folders', path: 'folders', key: '8' },
			{ name: 'Rollout', path: 'rollout', key: '9' }
		]
	}
] as const;
