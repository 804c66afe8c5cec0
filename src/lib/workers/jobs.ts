/** What the workers do, each in a module that is loaded when its worker starts. `hear` takes a message. */
export const JOBS = {
	aliases: () => import('./alias'),
	'alias-set': () => import('./alias-set'),
	check: () => import('./check'),
	hands: () => import('./hands'),
	held: () => import('./held'),
	impact: () => import('./impact'),
	ink: () => import('./ink'),
	'rose-set': () => import('./rose-set'),
	shapes: () => import('./shapes')
} as const;

export type JobName = keyof typeof JOBS;
