import type { Right } from '$core/people/may';

/** The lines of the table of rights in words. */
export const RIGHT_WORDS: Readonly<Record<Right, string>> = {
	read: 'Read, print and compare all',
	write: 'Write strata of one’s own',
	arrange: 'Keep setups of one’s own',
	desk: 'Say what stands on a desk',
	propose: 'Propose changes, comment',
	review: 'Take proposals in or decline them',
	recommend: 'Recommend setups',
	survey: 'See impact and seats’ files',
	release: 'Publish and go back',
	seats: 'Bring and remove seats',
	programs: 'Bring and change programs',
	people: 'Invite people, make disciplines',
	keep: 'Back up and verify'
};
