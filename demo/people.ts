import type { Role } from '../core/strata/role.ts';
import { gneiss } from './gneiss/gneiss.ts';

/** The strata of Altspur Cabins beside the office's own: two disciplines and a project. */
export const parts = [
	{ id: 'cladding', kind: 'discipline', name: 'Cladding' },
	{ id: 'hangers', kind: 'discipline', name: 'Hangers' },
	{ id: 'ridge-line', kind: 'project', name: 'Ridge line' }
] as const;

/** The six desks; the first is the steward's, who was there alone before the others came. */
export const desks: readonly { readonly name: string; readonly role: Role; readonly leads: readonly string[] }[] = [
	{ name: 'Standards desk', role: 'steward', leads: [] },
	{ name: 'Cladding lead', role: 'lead', leads: ['cladding'] },
	{ name: 'Ridge line lead', role: 'lead', leads: ['hangers', 'ridge-line'] },
	{ name: 'Door and floor desk', role: 'designer', leads: [] },
	{ name: 'Hanger desk', role: 'designer', leads: [] },
	{ name: 'Training desk', role: 'trainer', leads: [] }
];

/** What they say of the first program, by who says it: into a discipline, a project, or `own`. */
export const said: readonly { readonly by: string; readonly into: string; readonly label: string; readonly lines: string }[] = [
	{
		by: 'Cladding lead',
		into: 'cladding',
		label: 'Shortcuts for panels',
		lines: 'set | Ctrl+Alt+F | sheet.flatten | part\nset | Ctrl+Alt+M | inspect.mass | any\nset | Shift+T | sheet.table | part'
	},
	{
		by: 'Ridge line lead',
		into: 'hangers',
		label: 'Keys for joints',
		lines: 'set | Shift+H | joint.hinge | assembly\nset | Shift+L | joint.limits | assembly'
	},
	{
		by: 'Ridge line lead',
		into: 'ridge-line',
		label: 'The job packs its references each evening',
		lines: 'set | Ctrl+Alt+P | file.pack | any'
	},
	{
		by: 'Door and floor desk',
		into: 'own',
		label: 'Shortcuts for doors',
		lines: 'set | Ctrl+Alt+E | file.export | any\nset | Alt+W | window.split | any'
	},
	{ by: 'Hanger desk', into: 'own', label: 'Shortcuts for hangers', lines: 'set | Alt+H | joint.hinge | assembly' },
	{ by: 'Training desk', into: 'own', label: 'For the beamer', lines: 'set | Ctrl+Alt+0 | window.full | any' }
];

/** The rings in which releases of the first program reach its seats, and who gets them first. */
const rings = [
	{ id: 'pilot', name: 'Pilot', soak: 1, limit: 0 },
	{ id: 'everyone', name: 'Everyone', soak: 0, limit: 0 }
];
const pilots = ['C-01', 'C-02'];

/** Setups of the first program besides the usual one of each desk. */
export const setups: readonly {
	readonly by: string;
	readonly name: string;
	readonly strata: readonly string[];
	readonly isRecommended?: true;
}[] = [
	{ by: 'Door and floor desk', name: 'Drafting', strata: ['office', 'cladding', 'ridge-line', 'own'] },
	{ by: 'Training desk', name: 'Teaching, untouched', strata: [], isRecommended: true },
	{ by: 'Training desk', name: 'Teaching, office standard', strata: ['office'], isRecommended: true }
];

/** What desks propose of strata that are not theirs. */
export const proposed: readonly {
	readonly by: string;
	readonly stratum: string;
	readonly label: string;
	readonly reason: string;
	readonly lines: string;
}[] = [
	{
		by: 'Hanger desk',
		stratum: 'hangers',
		label: 'Hinge joint on Alt+H',
		reason: 'Shift+H needs two fingers of one hand; Alt+H is one reach, and free for all of us.',
		lines: 'set | Alt+H | joint.hinge | assembly'
	},
	{
		by: 'Door and floor desk',
		stratum: 'office',
		label: 'Split canvas for everybody, clearance on one more key',
		reason: 'We compare door and frame all day.',
		lines: 'set | Alt+W | window.split | any\nset | Ctrl+Alt+G | joint.check | assembly'
	}
];

const app = gneiss.application.id;
const path = `/api/applications/${app}`;

interface Looked {
	readonly revision: number;
	readonly me: { readonly id: string };
	readonly layers: readonly { readonly id: string; readonly person: string | null }[];
}

/** Opens the filled office to its six desks through the routes that everybody uses; leaves one alone that is open. */
export async function openDemo(server: string, password: string): Promise<void> {
	const sessions = new Map<string, string>();
	const ask = async (to: string, by?: string, body?: unknown, method = body === undefined ? 'GET' : 'POST') => {
		const answer = await fetch(new URL(to, server), {
			method,
			headers: {
				...(by !== undefined && { cookie: sessions.get(by)! }),
				...(body !== undefined && { 'content-type': 'application/json' })
			},
			...(body !== undefined && { body: JSON.stringify(body) })
		});
		if (!answer.ok) throw new Error(`${to} answered ${answer.status}: ${await answer.text()}`);
		const cookies = answer.headers.getSetCookie().map((cookie) => cookie.split(';')[0]);
		return { value: (await answer.json()) as unknown, cookie: cookies.join('; ') };
	};
	const { isOpen } = (await ask('/api/session')).value as { isOpen: boolean };
	if (isOpen) return;
	const [{ name: steward }, ...others] = desks as [(typeof desks)[number], ...typeof desks];
	sessions.set(steward, (await ask('/api/office', undefined, { name: steward, password })).cookie);
	for (const part of parts) await ask('/api/strata', steward, part);
	for (const desk of others) {
		const { secret } = (await ask('/api/people', steward, desk)).value as { secret: string };
		sessions.set(desk.name, (await ask(`/api/invitations/${secret}`, undefined, { password })).cookie);
	}
	const lookedBy = async (by: string) => (await ask(path, by)).value as Looked;
	const ownOf = ({ me, layers }: Looked) => layers.find(({ person }) => person === me.id)!.id;
	for (const { by, into, label, lines } of said) {
		const looked = await lookedBy(by);
		const stratum = into === 'own' ? ownOf(looked) : into;
		const changes = gneiss.entriesOf(lines).map((after) => ({ chapter: 'shortcuts', stratum, before: null, after }));
		await ask(`${path}/edits`, by, { base: looked.revision, stratum, label, changes });
	}
	for (const { by, stratum, label, reason, lines } of proposed) {
		const { revision } = await lookedBy(by);
		// behind all that the stratum says
		const changes = gneiss
			.entriesOf(lines)
			.map((after, i) => ({ chapter: 'shortcuts', stratum, before: null, after: { ...after, rank: 10_000 + i } }));
		await ask(`${path}/proposals`, by, { stratum, label, reason, base: revision, changes });
	}
	await ask(`${path}/rollout`, steward, { rings }, 'PUT');
	for (const seat of pilots) await ask(`/api/seats/${seat}/ring`, steward, { ring: 'pilot' }, 'PUT');
	for (const { by, name, strata, isRecommended } of setups) {
		const own = ownOf(await lookedBy(by));
		const made = await ask(`${path}/setups`, by, { name, strata: strata.map((id) => (id === 'own' ? own : id)) });
		if (isRecommended) await ask(`${path}/setups`, by, { id: (made.value as { id: string }).id, isRecommended }, 'PUT');
	}
}
