import { aliasAcceptable } from '../../../core/chapters/aliases/acceptance.ts';
import { aliasFindings, releasedAliases } from '../../../core/chapters/aliases/check.ts';
import type { AliasFile } from '../../../core/chapters/aliases/file.ts';
import { macroAcceptable } from '../../../core/chapters/macros/acceptance.ts';
import { checkMacros } from '../../../core/chapters/macros/check.ts';
import type { MacroEntry } from '../../../core/chapters/macros/macro.ts';
import { check } from '../../../core/check/check.ts';
import { circumstancesOf, published, type Circumstances } from '../../../core/check/circumstances.ts';
import { errorsLeft } from '../../../core/check/acceptance.ts';
import { findingId } from '../../../core/check/finding.ts';
import { releaseFaults } from '../../../core/release/faults.ts';
import { desksOf } from '../../../core/keyboard/desk.ts';
import type { Change } from '../../../core/profile/edit.ts';
import type { Entry } from '../../../core/chapters/shortcuts/entry.ts';
import type { Profile } from '../../../core/profile/stratum.ts';
import { readProfileFile } from '../../../core/hand-over/profile-json.ts';
import { Problem } from './problem.ts';
import type { Profiles } from './profiles.ts';
import type { Releases } from './releases.ts';
import type { Seats } from './seats.ts';

/** The check engine over what the data folder holds: it guards what may be accepted and what may be published. */
export class Checking {
	readonly #profiles: Profiles;
	readonly #releases: Releases;
	readonly #seats: Seats;

	constructor(profiles: Profiles, releases: Releases, seats: Seats) {
		this.#profiles = profiles;
		this.#releases = releases;
		this.#seats = seats;
	}

	/** The office stratum's entries in the newest release; null before the first. */
	async released(application: string): Promise<Entry[] | null> {
		return entriesOf(await this.#newest(application));
	}

	/** The office stratum's alias file in the newest release; null without one. */
	async releasedAliases(application: string): Promise<AliasFile | null> {
		return aliasesOf(await this.#newest(application));
	}

	/** The office stratum's macros in the newest release; null before the first. */
	async releasedMacros(application: string): Promise<MacroEntry[] | null> {
		const newest = await this.#newest(application);
		return newest && newest.macros.filter(({ kind }) => kind === 'office').flatMap(({ macros }) => macros);
	}

	async #newest(application: string): Promise<ReleasedFile | null> {
		const newest = (await this.#releases.list(application)).releases.at(-1);
		if (!newest) return null;
		const { file } = await this.#releases.file(application, newest.number);
		return readProfileFile(`release ${newest.number}`, file);
	}

	/** What a check looks at, read once: `over` takes the strata that it is to be of. */
	async #held(application: string) {
		const [workspace, newest, desks] = await Promise.all([
			this.#profiles.load(application),
			this.#newest(application),
			this.#seats.desks()
		]);
		return {
			profile: workspace.profile,
			/** The office's alias file as it was released. */
			aliases: aliasesOf(newest),
			over: (profile: Profile): Circumstances => circumstancesOf(workspace, profile, desksOf(desks), entriesOf(newest))
		};
	}

	/** Throws `Problem` 422 if an acceptance is of a finding that neither the whole profile nor what goes out has. */
	async refuseGoneFindings(application: string, changes: readonly Change[]): Promise<void> {
		const wanted = changes.flatMap(({ after }, i) => (after?.acceptance ? [{ i, acceptance: after.acceptance }] : []));
		if (wanted.length === 0) return;
		let gone = wanted;
		const { profile, over, aliases } = await this.#held(application);
		for (const strata of [profile, published(profile)]) {
			const there = findingIds(strata, over(strata), aliases);
			gone = gone.filter(({ acceptance }) => !there.has(acceptance.finding));
			if (gone.length === 0) return;
		}
		throw new Problem(
			422,
			'not-sound',
			'The finding that you accept is not there any more. Look at Findings again; nothing was written.',
			{
				errors: gone.map(({ i }) => ({ pointer: `/changes/${i}/after/acceptance/finding`, detail: 'no such finding now' }))
			}
		);
	}

	/** Throws `Problem` 422 if what would be published has errors that nobody has accepted, or faults in its files. */
	async refuseErrors(application: string): Promise<void> {
		const { profile, over } = await this.#held(application);
		const strata = published(profile);
		const circumstances = over(strata);
		const errors = errorsLeft(circumstances);
		if (errors.length > 0)
			throw new Problem(
				422,
				'errors-left',
				`The office stratum has ${errors.length === 1 ? 'an error' : `${errors.length} errors`} that nobody has accepted, first: ${errors[0]!.sentence} Mend it or accept it with a reason in Findings.`,
				{ errors: errors.slice(0, 50).map((e) => ({ detail: e.sentence, finding: e.id })) }
			);
		const faults = releaseFaults(circumstances, strata);
		if (faults.length > 0)
			throw new Problem(
				422,
				'errors-left',
				`The office's ${faults[0]!.in} have ${faults.length === 1 ? 'an error' : `${faults.length} errors`}, first: ${faults[0]!.sentence} Mend it or accept it with a reason in ${faults[0]!.in === 'aliases' ? 'Aliases' : 'Macros'}.`,
				{ errors: faults.slice(0, 50).map((f) => ({ detail: f.sentence })) }
			);
	}
}

/** What a release says, as it was read. */
type ReleasedFile = ReturnType<typeof readProfileFile>;

/** The office stratum's entries in a release; null without one. */
const entriesOf = (release: ReleasedFile | null): Entry[] | null =>
	release &&
	release.rows.map(({ op, shortcut, acceptance }, rank) => ({
		op,
		...shortcut,
		rank,
		...(acceptance && { acceptance })
	}));

/** The office stratum's alias file in a release; null without one. */
const aliasesOf = (release: ReleasedFile | null): AliasFile | null =>
	release?.aliases.find(({ kind }) => kind === 'office')?.file ?? null;

/** The ids of all findings of keys, alias files and macros. */
function findingIds(profile: Profile, circumstances: Circumstances, released: AliasFile | null): ReadonlySet<string> {
	const { index } = circumstances;
	const ids = [...check(circumstances).map(findingId), ...checkMacros(index, profile).map((f) => macroAcceptable(f).id)];
	const input = index.rules.aliases;
	if (!input) return new Set(ids);
	const before =
		released &&
		releasedAliases(
			published(profile).map((s) => (s.kind === 'office' ? { ...s, aliases: released } : s)),
			input
		);
	const aliases = aliasFindings(profile, input, index.catalogue, circumstances, before ?? undefined);
	return new Set([...ids, ...aliases.map((f) => aliasAcceptable(f).id)]);
}
