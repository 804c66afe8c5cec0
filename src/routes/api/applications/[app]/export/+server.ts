import { z } from 'zod';
import { indexOf } from '$core/profile/circumstances.ts';
import { Section, selectProfile, USUAL, type Selection } from '$core/hand-over/selection.ts';
import { parseScope } from '$core/context/scope.ts';
import type { Profile } from '$core/strata/stratum.ts';
import { profileFile, writeProfileFile } from '$core/hand-over/profile-file.ts';
import { desksOf } from '$core/keyboard/desk.ts';
import { SHEET_PLATFORMS } from '$core/sheet/ground.ts';
import { htmlSheet } from '$core/sheet/html.ts';
import { markdownSheet } from '$core/sheet/markdown.ts';
import { MOST_USED, sheetOfProfile, type SheetChoice } from '$core/sheet/of-profile.ts';
import { ARRANGEMENTS } from '$core/sheet/sheet.ts';
import { goesOutUsually, profileIn, STATES, stateText } from '$core/release/states.ts';
import { published } from '$core/strata/stratum.ts';
import { shortcutTable, writeShortcutsCsv } from '$core/hand-over/shortcuts-csv.ts';
import { profileCatalogue } from '$core/profile/catalogue.ts';
import { checked, Problem } from '$lib/server/problem';
import { route } from '$lib/server/route';
import { xlsxOf } from '$lib/xlsx';

const TYPES = {
	json: 'application/json; charset=utf-8',
	csv: 'text/csv; header=present; charset=utf-8',
	xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
	md: 'text/markdown; charset=utf-8',
	html: 'text/html; charset=utf-8'
} as const;

const scopeOf = z.string().transform((text, ctx) => {
	try {
		return parseScope(text);
	} catch (error) {
		ctx.addIssue({ code: 'custom', message: (error as Error).message });
		return z.NEVER;
	}
});

/** Names instead of ids, and which state it is, in letters that every system keeps in a file's name. */
const fileName = (application: { readonly name: string }, what: string, state: string, format: string): string =>
	`${[application.name, what, state]
		.map((part) =>
			part
				.replaceAll(/[^\p{L}\p{N}]+/gu, '-')
				.replaceAll(/[^\x20-\x7e]/g, '')
				.replace(/^-|-$/g, '')
		)
		.filter(Boolean)
		.join(' ')}.${format}`;

const Query = z.object({
	format: z.enum(['json', 'csv', 'xlsx', 'md', 'html']).default('json'),
	stratum: z.string().optional(),
	setup: z.string().optional(),
	state: z.enum(STATES).default('edited'),
	release: z.coerce.number().int().min(1).optional(),
	sections: z
		.string()
		.transform((text) => text.split(',').filter((name) => name !== ''))
		.pipe(z.array(Section))
		.default([...USUAL.sections]),
	in: scopeOf.default({}),
	by: z.enum(ARRANGEMENTS).default('category'),
	whose: z.enum(['office', 'mine']).default('mine'),
	only: z.enum(['mine', 'used', 'scope']).optional(),
	seat: z.string().max(20).optional(),
	platforms: z
		.string()
		.transform((text) => text.split(','))
		.pipe(z.array(z.enum(SHEET_PLATFORMS)).min(1))
		.default(['windows'])
});

/**
 * `?format=json|csv|xlsx`, or `md|html` for a sheet of what is in force, `&by=context|category|key|keyboard`, `&whose=office` without
 * anybody's own, `&only=mine|used|scope` (with `&in`), `&seat=<id>` for a desk, `&platforms=windows,macos` side by side; `&stratum=office` for one stratum alone,
 * `&setup=<id>` of another setup than the one that is started with, `&sections=shortcuts,aliases` for some parts, `&in=document=part` for what is heard there, `&category=Draw` (several times)
 * for some commands, `&bar=files` (several times) for some bars with all that is in them. What is of one machine only stays out unless `sections` names `machine`.
 */
export const GET = route('read', async ({ params, url }, { profiles, setups, folders, releases, seats }, person) => {
	const {
		setup,
		state,
		release,
		format,
		stratum,
		sections,
		in: contexts,
		by,
		whose,
		only,
		seat,
		platforms
	} = checked(Query, Object.fromEntries(url.searchParams));
	const { application, catalogue: ownCatalogue, space } = await profiles.load(params.app!);
	const { channel } = await releases.list(application.id);
	const looked = state === 'release' ? (release ?? channel) : channel;
	const frozen = state === 'edited' || looked === null ? [] : await releases.strata(application.id, looked);
	const edited = await setups.profile(application.id, person, setup);
	const profile = profileIn(state, { profile: edited, frozen, goesOut: goesOutUsually(frozen) });
	const name = (await setups.look(application.id, person, setup ?? null)).name;
	const catalogue = profileCatalogue(ownCatalogue, profile);
	const index = indexOf({ application, space, catalogue: ownCatalogue }, profile);
	const selection: Selection = {
		sections,
		contexts,
		categories: url.searchParams.getAll('category'),
		bars: url.searchParams.getAll('bar')
	};
	let picked: Profile;
	try {
		picked = selectProfile(profile, selection, { index });
	} catch (error) {
		throw new Problem(400, 'not-sound', (error as Error).message);
	}
	const strata = stratum === undefined ? picked : picked.filter((s) => s.id === stratum);
	if (strata.length === 0)
		throw new Problem(404, 'not-found', `There is no level "${stratum}"; there are ${profile.map((s) => s.id).join(', ')}.`);
	const sheet = async () => {
		const desks = desksOf(await seats.desks(application.id));
		const desk = desks.find((one) => seat !== undefined && one.seats.includes(seat));
		const own = profile.filter(({ kind }) => kind === 'personal').map(({ id }) => id);
		const choice: Record<NonNullable<typeof only>, SheetChoice> = {
			mine: { kind: 'strata', strata: own },
			used: { kind: 'used', most: MOST_USED },
			scope: { kind: 'scope', scope: contexts }
		};
		return sheetOfProfile(
			{ application, space, catalogue: ownCatalogue },
			whose === 'office' ? published(strata) : strata,
			desks,
			{
				...(only && { only: choice[only] }),
				...(desk && { desk }),
				arrangement: by,
				platforms,
				setup: strata.length === 1 ? strata[0]!.name : whose === 'office' ? 'the office’s setup' : name,
				state: stateText(state, looked),
				date: new Date()
			}
		);
	};
	const write: Record<typeof format, () => Promise<BodyInit> | BodyInit> = {
		json: async () =>
			writeProfileFile(
				profileFile(application, strata, sections.includes('machine') ? await folders.of(application.id) : undefined)
			),
		csv: () => writeShortcutsCsv(strata, catalogue),
		xlsx: async () => (await xlsxOf('Shortcuts', shortcutTable(strata, catalogue))).buffer as ArrayBuffer,
		md: async () => markdownSheet(await sheet()),
		html: async () => htmlSheet(await sheet())
	};
	return new Response(await write[format](), {
		headers: {
			'content-type': TYPES[format],
			'content-disposition': `attachment; filename="${fileName(application, stratum === undefined ? name : strata[0]!.name, stateText(state, looked), format)}"`
		}
	});
});
