/** The views of the rail, by verb, in the order of the job. Alt and the number opens one. */
export const views = [
	{ verb: 'Find', items: [{ name: 'Commands', path: 'commands', key: '1' }] },
	{ verb: 'Prove', items: [{ name: 'Bench', path: 'bench', key: '2' }] },
	{
		verb: 'Share',
		items: [
			{ name: 'Hand-over', path: 'hand-over', key: '3' },
			{ name: 'Rollout', path: 'rollout', key: '4' }
		]
	}
] as const;
