import { expect } from 'chai';
import { goesOutUsually, profileIn, STATES, stateText } from '../../../../core/release/states.ts';
import type { Profile, Stratum, StratumId, StratumKind } from '../../../../core/strata/stratum.ts';

const stratum = (id: string, kind: StratumKind, says: string): Stratum => ({
	id: id as StratumId,
	kind,
	name: id,
	contents: { says }
});
const edited: Profile = [
	stratum('factory', 'factory', 'factory'),
	stratum('office', 'office', 'draft'),
	stratum('cladding', 'discipline', 'draft'),
	stratum('hangers', 'discipline', 'draft'),
	stratum('own', 'personal', 'mine')
];
const frozen = [stratum('office', 'office', 'released'), stratum('cladding', 'discipline', 'released')];
const said = (profile: Profile) => Object.fromEntries(profile.map(({ id, contents }) => [id, contents['says'] ?? 'nothing']));
const ground = { profile: edited, frozen, goesOut: goesOutUsually(frozen) };

describe('the states of a setup', () => {
	// design.md, section 3, Three states
	it('are what is edited, what the next release would bring, and what is at the seats; one’s own is in all of them', () => {
		expect(said(profileIn('edited', ground))).to.deep.equal(said(edited));
		const next = { factory: 'factory', office: 'draft', cladding: 'draft', hangers: 'nothing', own: 'mine' };
		expect(said(profileIn('next', ground))).to.deep.equal(next);
		const seat = { factory: 'factory', office: 'released', cladding: 'released', hangers: 'nothing', own: 'mine' };
		expect(said(profileIn('seat', ground))).to.deep.equal(seat);
	});

	it('are also a release by itself, without anybody’s own', () => {
		const release = { factory: 'factory', office: 'released', cladding: 'released' };
		expect(said(profileIn('release', ground))).to.deep.equal(release);
	});

	it('have nothing of the office at the seats before the first release', () => {
		const before = { profile: edited, frozen: [], goesOut: goesOutUsually([]) };
		expect(said(profileIn('seat', before))).to.deep.include({ office: 'nothing', own: 'mine' });
		expect(said(profileIn('next', before))).to.deep.include({ office: 'draft', cladding: 'nothing' });
	});

	it('are named, each otherwise', () => {
		const texts = STATES.map((state) => stateText(state, 3));
		expect(new Set(texts).size).to.equal(STATES.length);
		expect(stateText('seat', 3)).to.include('release 3');
	});
});
