import type { WorkspaceDocument } from '../../../src/lib/server/workspace-document.ts';

/** The document as it was before an office had people: their one Personal is the first steward's, in a setup of all strata. */
export function withoutPeople(document: WorkspaceDocument) {
	const { me, isOpen, setup, setups, layers, required, people, releases, ...rest } = document;
	const own = layers.filter(({ person }) => person !== null);
	const isAsBefore =
		!isOpen &&
		setups.length === 1 &&
		required.length === 0 &&
		people[me.id] === me.name &&
		own.every(({ kind, person }) => kind === 'personal' && person === me.id) &&
		setup.strata.length === rest.strata.length - 1;
	if (!isAsBefore) throw new Error('one person has all strata in one setup');
	return { ...rest, releases: releases.map(({ by: _, strata: __, ...release }) => release) };
}
