import { readList } from '../format/list.ts';
import { Role } from '../strata/role.ts';
import type { StratumHead, StratumId } from '../strata/stratum.ts';
import { PersonName, Site } from './person.ts';

/** Somebody of a list, as they are to be invited or changed. */
export interface ListedInvitation {
	readonly name: string;
	readonly role: Role;
	/** The disciplines and projects that they work in, and of a lead those that are theirs. */
	readonly member: StratumId[];
	readonly leads: StratumId[];
	readonly site: string;
	readonly setup: string;
}

/** A row of the list with its line (the first is 1), and what is wrong with it. */
export interface ReadPerson {
	readonly line: number;
	readonly person: ListedInvitation;
	readonly problems: readonly string[];
}

export interface PeopleOffered {
	/** The disciplines and projects of the office. */
	readonly strata: readonly Pick<StratumHead, 'id' | 'name'>[];
	/** The names of recommended setups. */
	readonly setups: readonly string[];
	/** Those who are there, or invited. */
	readonly people: readonly string[];
}

/** What the columns may be called, in small letters. */
const COLUMNS = {
	name: ['name', 'person', 'desk', 'who'],
	role: ['role', 'as'],
	member: ['disciplines', 'discipline', 'projects', 'project', 'disciplines and projects', 'works in'],
	site: ['site', 'office', 'place', 'location'],
	setup: ['setup', 'setups', 'starts with']
} as const;
export const PEOPLE_COLUMNS = ['name', 'role', 'disciplines', 'site', 'setup'] as const;

const plain = (text: string) => text.trim().toLowerCase();

/**
 * A list of people as a table, with a head or in the order name, role, disciplines, site, setup (see `readList`). Several disciplines stand in
 * one cell with commas, semicolons or strokes between. What is wrong is said row by row.
 */
export function readPeople(text: string, offered: PeopleOffered): ReadPerson[] {
	const seen = new Set<string>();
	return readList(text, COLUMNS, 'name').map(({ line, cell }): ReadPerson => {
		const problems: string[] = [];
		const checked = PersonName.safeParse(cell('name'));
		const name = checked.success ? checked.data : cell('name');
		if (!checked.success) problems.push(cell('name') === '' ? 'the name is missing' : checked.error.issues[0]!.message);
		else if (seen.has(plain(name))) problems.push(`${name} appears twice in the list`);
		else if (offered.people.some((one) => plain(one) === plain(name))) problems.push(`there is already a member called ${name}`);
		seen.add(plain(name));
		const role = Role.safeParse(plain(cell('role')) || 'designer');
		if (!role.success) problems.push(`the role is “${cell('role')}”; expected ${Role.options.join(', ')}`);
		const member: StratumId[] = [];
		for (const wanted of cell('member')
			.split(/[,;|/]/)
			.map(plain)
			.filter(Boolean)) {
			const found = offered.strata.find(({ id, name: called }) => plain(called) === wanted || plain(id) === wanted);
			if (found) member.push(found.id);
			else
				problems.push(
					`there is no discipline or project “${wanted}”; expected ${offered.strata.map((one) => one.name).join(', ') || 'none'}`
				);
		}
		const site = Site.safeParse(cell('site'));
		if (!site.success) problems.push(site.error.issues[0]!.message);
		const setup = offered.setups.find((one) => plain(one) === plain(cell('setup')));
		if (cell('setup') !== '' && setup === undefined)
			problems.push(`no setup “${cell('setup')}” is recommended; expected ${offered.setups.join(', ') || 'none'}`);
		const isLead = role.success && role.data === 'lead';
		const person: ListedInvitation = {
			...{ name, role: role.success ? role.data : 'designer', member: isLead ? [] : member, leads: isLead ? member : [] },
			...{ site: site.success ? site.data : '', setup: setup ?? '' }
		};
		return { line, person, problems };
	});
}
