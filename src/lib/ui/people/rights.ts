import type { Right } from '$core/people/may';

/** The lines of the table of rights in words. */
export const RIGHT_WORDS: Readonly<Record<Right, string>> = {
	read: 'Read, print and compare everything',
	write: 'Edit personal levels',
	arrange: 'Create personal setups',
	desk: 'Edit the equipment of seats',
	propose: 'Propose changes, comment',
	review: 'Accept or decline proposals',
	recommend: 'Recommend setups',
	survey: 'See impact and files of seats',
	release: 'Publish and roll back',
	seats: 'Add and remove seats',
	programs: 'Add and change programs',
	people: 'Invite people, create disciplines',
	keep: 'Back up and verify'
};
