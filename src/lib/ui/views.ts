/** The views of the rail, by verb, in the order of the job. Alt and the number opens one. */
export const views = [
	{
		verb: 'Find',
		items: [
			{ name: 'Commands', path: 'commands', key: '1' },
			{ name: 'Keyboard', path: 'keyboard', key: '2' }
		]
	},
	{
		verb: 'Prove',
		items: [
			{ name: 'Findings', path: 'findings', key: '3' },
			{ name: 'Bench', path: 'bench', key: '4' }
		]
	},
	{
		verb: 'Share',
		items: [
			{ name: 'Hand-over', path: 'hand-over', key: '5' },
			{ name: 'Rollout', path: 'rollout', key: '6' }
		]
	}
] as const;
