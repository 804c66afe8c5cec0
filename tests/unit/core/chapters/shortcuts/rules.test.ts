import { expect } from 'chai';
import { acceptedAs, accepts, staleAcceptances } from '../../../../../core/check/acceptance.ts';
import { acceptable, errorsLeft } from '../../../../../core/chapters/shortcuts/check/acceptable.ts';
import { check, teller } from '../../../../../core/chapters/shortcuts/check/check.ts';
import type { OpenApplication } from '../../../../../core/application/application.ts';
import { circumstancesOf } from '../../../../../core/profile/circumstances.ts';
import type { RuleId, Told } from '../../../../../core/chapters/shortcuts/check/finding.ts';
import { KeyFinding } from '../../../../../core/chapters/shortcuts/checker.ts';
import { fixesOf } from '../../../../../core/chapters/shortcuts/check/fixes.ts';
import { countsOf, GROUPINGS, groupsOf, trendOf } from '../../../../../core/check/groups.ts';
import { Application, catalogueOf } from '../../../../../core/application/application.ts';
import { Command } from '../../../../../core/application/command.ts';
import { contextSpace } from '../../../../../core/context/space.ts';
import { desksOf, USUAL_DESK, type DeskSetup } from '../../../../../core/keyboard/desk.ts';
import { ACCEPTANCES } from '../../../../../core/chapters/acceptances/acceptance.ts';
import { applyEdit, tagged } from '../../../../../core/profile/edit.ts';
import { applyChanges } from '../../../../../core/shortcut/change.ts';
import { Entry } from '../../../../../core/shortcut/entry.ts';
import type { Profile, StratumId } from '../../../../../core/strata/stratum.ts';
import { stratumOf } from '../../../strata.ts';
import { parseKeys } from '../../../../../core/stroke/stroke.ts';
import { heads } from '../../../arbitrary.ts';

/** A rough program with two modes and a prompt where one types; commands by id, what they have beside it in `more`. */
function rough(more: Record<string, object> = {}, rules: object = {}): OpenApplication {
	const application = Application.parse({
		id: 'rough',
		name: 'Rough',
		version: '1',
		axes: [
			{ id: 'mode', label: 'Mode', nodes: ['plan', 'cut'].map((id) => ({ id, label: id })) },
			{ id: 'pane', label: 'Pane', nodes: ['sheet', 'prompt'].map((id) => ({ id, label: id })) }
		],
		reachable: [{}],
		rules: {
			ambiguity: 'narrowest',
			match: 'character',
			sequences: 'at-once',
			typing: [{ pane: ['prompt'] }],
			hardwired: [{ keys: 'F9', does: 'prints its state' }],
			...rules
		}
	});
	const commands = ['wall', 'door', 'roof', 'beam', 'unwall'].map((id) =>
		Command.parse({
			id,
			label: `Draw ${id}`,
			description: '',
			category: ['Build'],
			icon: '',
			kind: 'one-shot',
			nested: false,
			synonyms: [],
			contexts: [],
			...more[id]
		})
	);
	const space = contextSpace(application.axes, application.reachable);
	return { application, space, catalogue: catalogueOf(commands, space) };
}

/** `op keys command scope` lines for factory, office and personal. */
const strata = (...texts: string[]): Profile =>
	heads.map((head, s) =>
		stratumOf(
			head,
			(texts[s] ?? '')
				.split('\n')
				.map((line) => line.trim())
				.filter(Boolean)
				.map((line, rank) => {
					const [op, keys, command, mode, pane] = line.split(/\s*\|\s*/);
					const scope = { ...(mode && { mode: [mode] }), ...(pane && { pane: [pane] }) };
					return Entry.parse({ op, keys: parseKeys(keys!), command, scope, rank });
				})
		)
	);

const desks = (...setups: Partial<DeskSetup>[]) =>
	desksOf(setups.map((desk, i) => ({ id: `C-0${i + 1}`, desk: { ...USUAL_DESK, ...desk } })));

function told(subject: OpenApplication, profile: Profile, at = desks({}), released: Profile | undefined = undefined): Told[] {
	const c = circumstancesOf(subject, profile, at, released ? released[1]! : null);
	return check(c).map(teller(c));
}
const of = (findings: readonly Told[], rule: RuleId) => findings.filter((f) => f.rule === rule);
const personal = 'personal' as StratumId;

describe('check rules, one by one', () => {
	it('reserved: by a system always or by default, and by the application itself', () => {
		const profile = strata('set|Alt+Tab|wall\nset|Meta+D|door\nset|F9|roof\nset|Alt+K|beam');
		const found = of(told(rough(), profile), 'reserved');
		expect(found.map((f) => [f.witness.keys, f.severity])).to.have.deep.members([
			['Alt+Tab', 'error'],
			['Meta+D', 'attention'],
			['F9', 'error']
		]);
		expect(found.find((f) => f.witness.keys === 'F9')!.sentence).to.include('the application itself prints its state');
		expect(of(told(rough(), profile, desks({ platform: 'macos' })), 'reserved').map((f) => f.witness.keys)).to.deep.equal(['F9']);
	});

	it('reserved: in any stroke of a sequence of up to four', () => {
		const found = of(told(rough(), strata('set|K|wall|cut\nset|G K E Alt+Tab|door')), 'reserved');
		expect(found.map((f) => f.witness.keys)).to.deep.equal(['G K E Alt+Tab']);
	});

	it('typing: broken where all is text, worth a look where the prompt is named, silent otherwise', () => {
		const found = told(rough(), strata('set|A|wall||prompt\nset|B|door\nset|Ctrl+A|roof||prompt'));
		expect(of(found, 'typing').map((f) => [f.witness.keys, f.severity, f.count])).to.deep.equal([['A', 'error', 2]]);
		const both = Entry.parse({ op: 'set', keys: 'C', command: 'beam', scope: { pane: ['sheet', 'prompt'] }, rank: 0 });
		const named = told(rough(), [stratumOf(heads[0]!, [both]), ...strata('', '', '').slice(1)]);
		expect(of(named, 'typing').map((f) => f.severity)).to.deep.equal(['attention']);
	});

	it('layout: says which layout and which seats', () => {
		const found = of(
			told(rough(), strata('set|Ctrl+Alt+Q|wall\nset|Ctrl+Z|door'), desks({}, { layout: 'de' }, { layout: 'de' })),
			'layout'
		);
		expect(found.map((f) => [f.detail, f.severity])).to.deep.equal([
			['eaten', 'error'],
			['elsewhere', 'note']
		]);
		expect(found[0]!.sentence).to.equal(
			'At C-02, C-03 (German layout, Windows) Ctrl+Alt+Q for Draw wall is the same as AltGr with that key and types @.'
		);
	});

	it('orphan: unknown in this version, not in that scope, or a remove of nothing', () => {
		const subject = rough({ door: { contexts: [{ mode: ['cut'] }] } });
		const found = of(told(subject, strata('set|Alt+A|gone\nset|Alt+B|door|plan', 'remove|Alt+C|wall')), 'orphan');
		expect(found.map((f) => f.sentence)).to.deep.equal([
			'Alt+A runs gone, which does not exist in this version.',
			'Alt+B runs Draw door in plan, where that command does not exist.',
			'Office removes Alt+C from Draw wall, which no level below contains.'
		]);
	});

	it('duplicate and locked: say which strata', () => {
		const found = told(rough(), strata('set|Alt+A|wall\nset|Alt+B|door', 'set|Alt+A|wall\nlock|Alt+B|door', 'remove|Alt+B|door'));
		expect(of(found, 'duplicate')[0]!.sentence).to.equal('Factory already has Alt+A for Draw wall; Office repeats it.');
		expect(of(found, 'locked')[0]!.sentence).to.equal(
			'Personal removes Alt+B from Draw door, but Office has locked it, so it still runs.'
		);
	});

	it('locked: another command on the same keys, also put before it, and what was removed and locked', () => {
		const subject = rough({}, { ambiguity: 'first' });
		const profile = strata(
			'set|Alt+B|door\nset|Alt+C|roof',
			'lock|Alt+B|door\nremove|Alt+C|roof\nlock|Alt+C|roof\nlock|Alt+K|beam',
			'set|Alt+B|wall\nset|Alt+C|roof\nset|Alt+C|beam|cut'
		);
		const found = told(subject, profile);
		expect(of(found, 'dead')).to.deep.equal([]);
		expect(of(found, 'locked').map((f) => f.sentence)).to.deep.equal([
			'Personal assigns Alt+B to Draw wall in Everywhere, but Office has locked Alt+B there, so this has no effect.',
			'Personal assigns Alt+C to Draw roof in Everywhere, but Office has locked Alt+C there, so this has no effect.',
			'Personal assigns Alt+C to Draw beam in cut, but Office has locked Alt+C there, so this has no effect.'
		]);
		expect(of(found, 'orphan').map((f) => f.sentence)).to.deep.equal([
			'Office locks Alt+K for Draw beam, which neither it nor a level below contains.'
		]);
	});

	it('locked: the way out is a scope that does not meet the lock', () => {
		const profile = strata('set|Alt+B|door|plan', 'lock|Alt+B|door|plan', 'set|Alt+B|wall');
		const c = circumstancesOf(rough(), profile, desks({}), null);
		const [finding] = check(c).filter((f) => f.rule === 'locked');
		const fixes = fixesOf(c, finding!, { profile, target: personal });
		expect(fixes.map((f) => f.label)).to.deep.equal(['Limit Alt+B for Draw wall to cut', 'Drop Alt+B for Draw wall']);
	});

	it('duplicate: scopes that mean the same situations in other words', () => {
		const found = of(told(rough(), strata('set|Alt+A|wall\nset|Alt+A|wall|plan', 'set|Alt+B|door')), 'duplicate');
		expect(found).to.deep.equal([]);
		const twins = [Entry.parse({ op: 'set', keys: 'Alt+A', command: 'wall', scope: { mode: ['plan', 'cut'] }, rank: 1 })];
		const [, ...above] = strata('', '', 'set|Alt+A|wall');
		const [same] = of(told(rough(), [stratumOf(heads[0]!, twins), ...above]), 'duplicate');
		expect(same!.sentence).to.equal('Alt+A runs Draw wall in Everywhere and plan or cut, which mean the same situations.');
	});

	it('what waits for a longer sequence is checked like what is decided at once', () => {
		const beyond = 'set|A|wall\nset|A|door\nset|A B|roof';
		for (const sequences of ['at-once', 'wait'])
			for (const ambiguity of ['narrowest', 'chooser'])
				expect(
					of(told(rough({}, { sequences, ambiguity }), strata(beyond)), 'clash'),
					`${sequences} ${ambiguity}`
				).to.have.length(1);
		for (const ambiguity of ['first', 'refuse']) {
			const dead = of(told(rough({}, { sequences: 'wait', ambiguity }), strata(beyond)), 'dead');
			expect(dead.map((f) => f.command)).to.deep.equal(['door']);
		}
		const narrow = strata('set|A|wall\nset|A|door|cut\nset|A B|roof');
		expect(of(told(rough({}, { sequences: 'wait' }), narrow), 'shadow').map((f) => f.command)).to.deep.equal(['wall']);
	});

	it('moved: not where the new one stands last and never runs', () => {
		const subject = rough({}, { sequences: 'wait', ambiguity: 'first' });
		const before = strata('', 'set|B|wall\nset|B C|roof');
		const now = strata('', 'set|B|wall\nset|B C|roof\nset|B|door');
		expect(of(told(subject, now, desks({}), before), 'moved')).to.deep.equal([]);
	});

	it('refuse: what is not loaded neither cuts a sequence short nor waits', () => {
		const profile = strata('set|Alt+A|wall\nset|Alt+A B|door\nset|Alt+A B|roof\nset|K|wall\nset|K|beam\nset|K|roof|cut');
		for (const sequences of ['at-once', 'wait']) {
			const found = told(rough({}, { sequences, ambiguity: 'refuse' }), profile);
			expect(of(found, 'dead').map((f) => `${f.witness.keys} ${f.command}`)).to.include.members(['K beam', 'K roof']);
		}
	});

	it('typing: a sequence that begins with a bare key is text from there on', () => {
		const found = of(told(rough(), strata('set|G Ctrl+F|wall||prompt\nset|Ctrl+G F|door||prompt')), 'typing');
		expect(found.map((f) => [f.witness.keys, f.severity])).to.deep.equal([['G Ctrl+F', 'error']]);
	});

	it('clash: a third, wider one is dead and no party', () => {
		const profile = strata('set|Alt+A|wall\nset|Alt+A|door|plan|sheet\nset|Alt+A|roof|plan|sheet', '', '');
		const found = told(rough({ wall: { contexts: [{ mode: ['plan'], pane: ['sheet'] }] } }), profile);
		expect(of(found, 'clash').map((f) => f.bindings.map((b) => b.command))).to.deep.equal([['door', 'roof']]);
		expect(of(found, 'dead').map((f) => f.command)).to.deep.equal(['wall']);
	});

	it('stranded: a command of weight, and an opposite whose partner has a key', () => {
		const subject = rough({ roof: { use: 12 }, unwall: { opposite: 'wall' }, beam: { use: 2 } });
		const found = of(told(subject, strata('set|Alt+A|wall\nset|Alt+B|door')), 'stranded');
		expect(found.map((f) => [f.command, f.detail, f.witness.keys])).to.deep.equal([
			['roof', 'weight', undefined],
			['unwall', 'opposite', undefined]
		]);
	});

	it('reach: a frequent command far off while a near stroke is free or wasted', () => {
		const found = of(told(rough({ wall: { use: 60 } }), strata('set|Ctrl+P|wall')), 'reach');
		expect(found).to.have.length(1);
		expect(found[0]!.sentence).to.match(/run 60 times a day, needs a hand to move \(\d+ mm\); .* is free/);
		expect(of(told(rough({ wall: { use: 3 } }), strata('set|Ctrl+P|wall')), 'reach')).to.deep.equal([]);
	});

	it('moved: against the last release', () => {
		const before = strata('', 'set|Alt+A|wall');
		const now = strata('', 'set|Alt+A|door\nset|Alt+B|wall');
		const [moved, ...more] = of(told(rough(), now, desks({}), before), 'moved');
		expect(more).to.deep.equal([]);
		expect(moved!.sentence).to.include('Alt+A runs Draw door').and.include('in the last release it ran Draw wall');
	});

	it('prefix: cut short at once, or a wait, as the application does it', () => {
		const profile = strata('set|Alt+A|wall\nset|Alt+A B|door');
		expect(of(told(rough(), profile), 'prefix')[0]!.sentence).to.include('cannot be typed there');
		expect(of(told(rough({}, { sequences: 'wait' }), profile), 'prefix')[0]!.sentence).to.include('waits');
	});
});

describe('acceptances and groups', () => {
	const subject = rough();
	const profile = strata('set|Alt+A|wall\nset|Alt+A|door\nset|Ctrl+Z|roof\nset|Alt+Tab|beam');
	const at = desks({}, { layout: 'de' });
	const circumstances = (p: Profile) => circumstancesOf(subject, p, at, null);

	it('let an error stand for what it was accepted for, and no longer', () => {
		const clash = told(subject, profile, at).find((f) => f.rule === 'clash')!;
		const change = accepts({ profile, target: personal }, acceptable(clash), 'we know');
		const then = applyEdit(profile, tagged({ id: ACCEPTANCES }, [change]));
		expect(acceptedAs(circumstances(then).accepted, clash)!.acceptance.reason).to.equal('we know');
		expect(errorsLeft(circumstances(then)).map((f) => f.rule)).to.deep.equal(['reserved']);
		// a third command joins: another finding stands there, and the acceptance is stale
		const joined = applyChanges(then, [
			{ stratum: personal, before: null, after: Entry.parse({ op: 'set', keys: 'Alt+A', command: 'roof', scope: {}, rank: 7 }) }
		]);
		expect(errorsLeft(circumstances(joined)).map((f) => f.rule)).to.deep.equal(['clash', 'reserved']);
		expect(staleAcceptances(circumstances(joined).accepted, told(subject, joined, at))).to.have.length(1);
	});

	it('group by what is decided together, every finding once', () => {
		const c = circumstances(profile);
		const findings = check(c).map((finding) => new KeyFinding(finding, c));
		const label = (id: string) => id;
		for (const by of GROUPINGS) {
			const groups = groupsOf(findings, by, label);
			expect(groups.flatMap((g) => g.findings)).to.have.members(findings);
			expect(new Set(groups.map((g) => g.id)).size).to.equal(groups.length);
		}
		const seats = groupsOf(findings, 'seats', label).map((g) => g.title);
		expect(seats).to.include('C-02 (German layout, Windows)').and.include('Every seat');
	});

	it('count by severity and show what came and went', () => {
		const findings = told(subject, profile, at);
		expect(countsOf(findings)).to.deep.include({ error: 2 });
		const mended = findings.filter((f) => f.rule !== 'clash');
		expect(trendOf(findings, mended).error).to.deep.equal({ came: 0, went: 1 });
		expect(trendOf(mended, findings).error).to.deep.equal({ came: 1, went: 0 });
	});

	it('offer no fix that the stratum may not write', () => {
		const locked = applyChanges(profile, [
			{
				stratum: 'office' as StratumId,
				before: null,
				after: Entry.parse({ op: 'lock', keys: 'Alt+Tab', command: 'beam', scope: {}, rank: 0 })
			}
		]);
		const c = circumstances(locked);
		const reserved = check(c).find((f) => f.rule === 'reserved')!;
		expect(fixesOf(c, reserved, { profile: locked, target: personal })).to.deep.equal([]);
	});
});
