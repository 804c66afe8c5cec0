import { expect } from 'chai';
import { createHash } from 'node:crypto';
import { readPeople } from '../../../../core/people/people-csv.ts';
import { isWork, workFor } from '../../../../core/people/work.ts';
import { readSeats } from '../../../../core/release/seats-csv.ts';
import { EVERYONE } from '../../../../core/release/rings.ts';

const offered = {
	strata: [
		{ id: 'doors', name: 'Doors' },
		{ id: 'ridge', name: 'Ridge line' }
	] as never,
	setups: ['Drafting'],
	people: ['Standards desk']
};

describe('a list of people', () => {
	it('is read with commas, semicolons or tabs, with a head in any order or none', () => {
		const expected = {
			name: 'Door desk',
			role: 'designer',
			member: ['doors', 'ridge'],
			leads: [],
			site: 'Hall 2',
			setup: 'Drafting'
		};
		for (const text of [
			'name,role,disciplines,site,setup\nDoor desk,designer,Doors|Ridge line,Hall 2,drafting',
			'Setup;Site;Disciplines;Name\nDrafting;Hall 2;"doors, ridge";Door desk',
			'Door desk\tDesigner\tdoors/ridge line\tHall 2\tDrafting\r\n',
			'\ufeffperson,discipline,location,starts with\r\n"Door desk",doors;ridge,Hall 2,Drafting\r\n\r\n'
		]) {
			const [row, ...others] = readPeople(text, offered);
			expect(row!.problems, text).to.deep.equal([]);
			expect(row!.person, text).to.deep.equal(expected);
			expect(others).to.deep.equal([]);
		}
	});

	it('makes a lead lead the disciplines that are named', () => {
		const [row] = readPeople('Door lead,lead,Doors', offered);
		expect(row!.person).to.deep.include({ role: 'lead', leads: ['doors'], member: [] });
	});

	it('says row by row what is wrong, with the line', () => {
		const rows = readPeople(
			'name,role,disciplines,setup\n,designer\nA\u202eB,boss,Windows,\nDesk,,,Other\nDesk,,,\nstandards DESK,,,',
			offered
		);
		expect(rows.map(({ line }) => line)).to.deep.equal([2, 3, 4, 5, 6]);
		const [nameless, odd, unknown, twice, there] = rows.map(({ problems }) => problems.join('; '));
		expect(nameless).to.equal('the name is missing');
		expect(odd).to.match(/invisible.*the role is “boss”.*no discipline or project “windows”; expected Doors, Ridge line/);
		expect(unknown).to.include('no setup “Other” is recommended; expected Drafting');
		expect(twice).to.include('appears twice');
		expect(there).to.include('already');
	});
});

describe('a list of seats', () => {
	const rings = [
		{ id: 'pilot', name: 'Pilot' },
		{ id: EVERYONE, name: 'Everyone' }
	] as never;
	it('is read with its rings and sites, and says what is wrong', () => {
		const rows = readSeats('id,ring,site,note\ne-01,pilot,Hall 5,new\nE-02,,,\nE-02,,,\nC-01,,,\nX,test,,', rings, ['C-01']);
		expect(rows[0]!.seat).to.deep.equal({ id: 'E-01', ring: 'pilot', site: 'Hall 5', note: 'new' });
		expect(rows[1]!.seat).to.include({ id: 'E-02', ring: null });
		expect(rows.map(({ problems }) => problems.length)).to.deep.equal([0, 0, 1, 1, 2]);
		expect(rows[4]!.problems.join()).to.include('expected one such as C-04').and.include('expected Pilot, Everyone');
		expect(readSeats('E-03\nE-04', rings, []).map(({ seat }) => seat.id)).to.deep.equal(['E-03', 'E-04']);
	});
});

describe('work that a try costs', () => {
	it('is done when SHA-256 of challenge and number begins with so many zero bits, as Node.js computes it', () => {
		for (const bits of [1, 4, 9, 12]) {
			const number = workFor('a challenge', bits);
			const digest = createHash('sha256').update(`a challenge.${number}`).digest('hex');
			const zeros = /^0*/.exec(BigInt(`0x${digest}`).toString(2).padStart(256, '0'))![0].length;
			expect(zeros).to.be.at.least(bits);
			expect(isWork('a challenge', number, zeros)).to.equal(true);
			expect(isWork('a challenge', number, zeros + 1)).to.equal(false);
		}
	});
});
