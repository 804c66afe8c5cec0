import { and, eq } from 'drizzle-orm';
import type { Database } from '../db/open.ts';
import { applications, entries, layers, proposals, seats, setups, texts } from '../db/schema.ts';
import type { People } from './people.ts';

/** What somebody leaves behind when they leave. */
export interface LeftBehind {
	/** Levels of their own, with how much each holds in all programs. */
	readonly strata: readonly { readonly id: string; readonly name: string; readonly entries: number }[];
	/** Where they sit. */
	readonly seats: readonly string[];
	/** Proposals of theirs that nobody has decided on. */
	readonly proposals: readonly { readonly program: string; readonly id: number; readonly label: string }[];
	/** Setups of theirs that others are recommended or have to use. */
	readonly setups: readonly { readonly program: string; readonly name: string; readonly isRequired: boolean }[];
	/** Disciplines and projects that nobody else leads. */
	readonly unled: readonly string[];
}

/** What the person would leave behind. Throws `Problem` 404. */
export async function leftBehind(db: Database, people: People, id: string): Promise<LeftBehind> {
	const person = await people.known(id);
	const programs = new Map(
		(await db.select({ id: applications.id, body: applications.body }).from(applications)).map((row) => [row.id, row.body.name])
	);
	const own = await db
		.select({ id: layers.id, name: layers.name })
		.from(layers)
		.where(and(eq(layers.person, id), eq(layers.state, 'used')));
	const strata = [];
	for (const layer of own) {
		const held =
			(await db.$count(entries, eq(entries.stratum, layer.id))) + (await db.$count(texts, eq(texts.stratum, layer.id)));
		strata.push({ ...layer, entries: held });
	}
	const sitting = await db.select({ id: seats.id }).from(seats).where(eq(seats.person, id));
	const open = await db
		.select({ program: proposals.application, id: proposals.id, label: proposals.label })
		.from(proposals)
		.where(and(eq(proposals.person, id), eq(proposals.state, 'open')));
	const theirs = await db.select().from(setups).where(eq(setups.person, id));
	const others = (await people.here()).filter((other) => other.id !== id && other.role === 'lead').flatMap(({ leads }) => leads);
	const led = person.role === 'lead' ? person.leads.filter((one) => !others.includes(one)) : [];
	const named = await db.select({ id: layers.id, name: layers.name }).from(layers);
	return {
		strata,
		seats: sitting.map((seat) => seat.id),
		proposals: open.map((one) => ({ ...one, program: programs.get(one.program) ?? one.program })),
		setups: theirs
			.filter(({ isRecommended, isRequired }) => isRecommended || isRequired)
			.map(({ application, name, isRequired }) => ({ program: programs.get(application) ?? application, name, isRequired })),
		unled: led.map((one) => named.find((layer) => layer.id === one)?.name ?? one)
	};
}
