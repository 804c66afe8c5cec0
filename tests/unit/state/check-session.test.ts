import { expect } from 'chai';
import { Checks } from '../../../core/chapters/shortcuts/check/check.ts';
import type { OpenApplication } from '../../../core/application/application.ts';
import { circumstancesOf } from '../../../core/profile/circumstances.ts';
import type { Finding } from '../../../core/chapters/shortcuts/check/finding.ts';
import { put } from '../../../core/answer/choices.ts';
import type { Command, CommandId } from '../../../core/application/command.ts';
import { applyEdit } from '../../../core/profile/edit.ts';
import { ofShortcuts } from '../../../core/shortcut/change.ts';
import { shortcutsIn, withShortcuts, type Entry } from '../../../core/shortcut/entry.ts';
import type { Profile, StratumId } from '../../../core/strata/stratum.ts';
import type { Keys } from '../../../core/stroke/stroke.ts';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { demoProfile, subjectOf } from '../demo-office.ts';
import { page, until } from '../page/page.ts';

const PERSONAL = 'personal' as StratumId;

/** The demo's profile with so many entries more in the personal stratum. */
function grown(profile: Profile, commands: readonly Command[], n: number): Profile {
	const letters = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'];
	const more = Array.from({ length: n }, (_, i): Entry => {
		const keys = `Ctrl+Alt+${letters[i % 26]} ${letters[Math.floor(i / 26) % 26]} ${letters[Math.floor(i / 676) % 26]}` as Keys;
		return { op: 'set', command: commands[i % commands.length]!.id, keys, scope: {}, rank: 10_000 + i };
	});
	return profile.map((s) => (s.id === PERSONAL ? withShortcuts(s, [...shortcutsIn(s).values(), ...more]) : s));
}

describe('the check that a page keeps', () => {
	const subject: OpenApplication & { commands: readonly Command[] } = { ...subjectOf(gneiss), commands: gneiss.commands };
	let browser: Awaited<ReturnType<typeof page>>;
	before(async () => (browser = await page()));
	after(() => browser.close());

	const anew = (profile: Profile) => {
		const checks = new Checks(circumstancesOf(subject, profile, [], null));
		for (const _ of checks.steps());
		return checks.list();
	};
	const told = (findings: readonly Finding[]) =>
		findings.map((f) => `${f.rule} ${f.command} ${f.bindings.map((b) => b.key).join(' ')}`).sort();
	/** An edit that clashes, with the profile after it. */
	const clash = (profile: Profile) => {
		const changes = put(profile, PERSONAL, { command: 'solid.loft' as CommandId, keys: 'Ctrl+S' as Keys, scope: {} });
		const said = ofShortcuts(changes);
		return { said, next: applyEdit(profile, said) };
	};

	for (const [size, n] of [
		['small', 0],
		['large', 2_500]
	] as const)
		it(`of a ${size} profile finds what a check anew finds, before and after an edit`, async () => {
			const profile = grown(demoProfile(), gneiss.commands, n);
			const session = new browser.CheckSession();
			session.start(subject, profile, [], null);
			expect(session.progress === undefined).to.equal(n === 0);
			await until(() => session.progress === undefined, 'the check is done');
			expect(told(session.findings)).to.deep.equal(told(anew(profile)));
			const before = session.findings;
			const { said, next } = clash(profile);
			session.edit(next, said);
			await until(() => session.findings !== before, 'the edit is checked');
			expect(told(session.findings)).to.deep.equal(told(anew(next)));
			expect(session.findings.length).to.be.greaterThan(before.length);
			session.stop();
		});

	it('is stopped at once, keeps what it had, and can be begun again', async () => {
		const profile = demoProfile();
		const session = new browser.CheckSession();
		session.start(subject, profile, [], null);
		const before = session.findings;
		const large = grown(profile, gneiss.commands, 2_500);
		session.start(subject, large, [], null);
		session.stop();
		expect([session.stopped, session.progress, session.findings]).to.deep.equal([true, undefined, before]);
		session.again();
		expect([session.stopped, session.progress]).to.deep.equal([false, 0]);
		await until(() => session.progress === undefined, 'the check is done');
		expect(told(session.findings)).to.deep.equal(told(anew(large)));
		session.stop();
		expect(session.stopped).to.equal(false);
	});
});
