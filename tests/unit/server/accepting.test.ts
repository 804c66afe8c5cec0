import { expect } from 'chai';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { aliasAcceptable } from '../../../core/chapters/aliases/acceptance.ts';
import { aliasFindings } from '../../../core/chapters/aliases/check.ts';
import type { CommandId } from '../../../core/application/command.ts';
import { accepts, isAccepted, type Acceptable } from '../../../core/check/acceptance.ts';
import { acceptable } from '../../../core/chapters/shortcuts/check/acceptable.ts';
import { check, tellAll } from '../../../core/chapters/shortcuts/check/check.ts';
import { circumstancesOf } from '../../../core/profile/circumstances.ts';
import { desksOf } from '../../../core/keyboard/desk.ts';
import { macroAcceptable } from '../../../core/chapters/macros/acceptance.ts';
import { checkMacros } from '../../../core/chapters/macros/check.ts';
import { Macro } from '../../../core/chapters/macros/macro.ts';
import { parseSteps } from '../../../core/chapters/macros/steps.ts';
import { ACCEPTANCES, acceptedIn } from '../../../core/chapters/acceptances/acceptance.ts';
import { ALIASES, emptyAliasFile } from '../../../core/chapters/aliases/file.ts';
import { setMacro } from '../../../core/chapters/macros/writing.ts';
import { tagged } from '../../../core/profile/edit.ts';
import { ofShortcuts } from '../../../core/shortcut/change.ts';
import type { Entry } from '../../../core/shortcut/entry.ts';
import type { Profile, StratumId } from '../../../core/strata/stratum.ts';
import { openStore } from './stores.ts';
import { officeOn, type Office } from '../../../src/lib/server/office.ts';
import { Problem } from '../../../src/lib/server/problem.ts';
import { varve } from '../../../demo/varve/varve.ts';
import { subjectOf } from '../demo-office.ts';

const { application, commands, strata, factoryEntries, factoryAliases } = varve;
const id = application.id;
const target = 'office' as StratumId;
const input = application.rules.aliases!;

describe('accepting on the server', () => {
	let folder: string;
	let office: Office;
	const load = () => office.profiles.load(id);

	before(async () => {
		folder = mkdtempSync(join(tmpdir(), 'skarn-accepting-'));
		office = officeOn(await openStore(folder));
		await office.profiles.add({
			application,
			commands,
			strata,
			factory: { shortcuts: factoryEntries, aliases: [factoryAliases] }
		});
		const nothingToRemove: Entry = {
			op: 'remove',
			command: commands[0]!.id,
			keys: 'Alt+J' as Entry['keys'],
			scope: {},
			rank: 0
		};
		await office.profiles.edit(id, {
			base: 0,
			stratum: target,
			label: 'what is wrong',
			changes: [
				...ofShortcuts([{ stratum: target, before: null, after: nothingToRemove }]),
				...tagged({ id: ALIASES }, [
					{ stratum: target, from: null, to: { ...emptyAliasFile, text: `zz -> draw.arc\nzz -> rivet.row\n` } }
				]),
				...setMacro(
					(await load()).profile.find((s) => s.id === target)!,
					Macro.parse({ id: 'macro:x', label: 'X', steps: parseSteps('run no.such') })
				)
			]
		});
	});
	after(async () => {
		await office.store.close();
		rmSync(folder, { recursive: true });
	});

	/** As the route does it: what is accepted must be there, then the edit is written. */
	async function accept(finding: Acceptable): Promise<void> {
		const { profile, revision } = await load();
		const changes = tagged({ id: ACCEPTANCES }, [accepts({ profile, target }, finding, 'we know it')]);
		await office.checking.refuseGoneFindings(id, changes);
		await office.profiles.edit(id, {
			base: revision,
			stratum: target,
			label: 'accept',
			changes
		});
	}

	/** One finding of each rule of each check. */
	function each(profile: Profile): Acceptable[] {
		const c = circumstancesOf(subjectOf(varve), profile, desksOf([]), null);
		const told = tellAll(c, check(c));
		const keys = [...new Map(told.map((t) => [t.rule, t])).values()].map(acceptable);
		const aliases = aliasFindings(profile, input, c.index.catalogue, c);
		const lines = [...new Map(aliases.map((f) => [f.rule, f])).values()].map(aliasAcceptable);
		return [...keys, ...lines, ...checkMacros(c.index, profile).map(macroAcceptable)];
	}

	it('takes an acceptance of each kind of finding, those of no keys and of unknown commands among them', async () => {
		const all = each((await load()).profile);
		const kinds = new Set(all.map((f) => f.id.split('\n')[0]));
		expect([...kinds]).to.include.members(['stranded', 'orphan', 'alias-clash', 'macro-orphan']);
		for (const finding of all) await accept(finding);
		const accepted = acceptedIn((await load()).profile);
		for (const finding of all) expect(isAccepted(accepted, finding), finding.id).to.equal(true);
	});

	it('lets a release with accepted errors in its files go', async () => {
		await office.checking.refuseErrors(id).catch((error: Problem) => {
			// errors of keys may be left, of which only one of each kind was accepted
			expect(error.message).not.to.include('aliases have').and.not.to.include('macros have');
		});
	});

	it('refuses what is not there, and writes nothing', async () => {
		const { revision } = await load();
		for (const gone of ['alias-clash\noffice\nnn\ndraw.arc', 'macro-orphan\noffice\nmacro:y\n0', 'clash\n\nnothing']) {
			const error = await accept({
				id: gone,
				circumstances: 'x',
				command: 'draw.arc' as CommandId,
				keys: undefined,
				scope: {}
			}).then(
				() => undefined,
				(reason: unknown) => reason
			);
			expect(error, gone).to.be.instanceOf(Problem);
			expect((error as Problem).message).to.include('no longer exists');
		}
		expect((await load()).revision).to.equal(revision);
	});
});
