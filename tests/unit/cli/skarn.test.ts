/* eslint no-console: off -- what the command line says is caught at the console */
import { expect } from 'chai';
import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Log } from 'sarif';
import { DiffFile, EffectiveFile, FindingsFile } from '../../../cli/shapes.ts';
import { skarn } from '../../../cli/skarn.ts';
import { applicationJson } from '../../../cli/server.ts';
import { accepts } from '../../../core/check/acceptance.ts';
import { check } from '../../../core/chapters/shortcuts/check/check.ts';
import { ACCEPTANCES } from '../../../core/chapters/acceptances/acceptance.ts';
import { applyEdit, tagged } from '../../../core/profile/edit.ts';
import type { StratumId } from '../../../core/strata/stratum.ts';
import { findingsIn } from '../../../core/profile/checkers.ts';
import { circumstancesOf } from '../../../core/profile/circumstances.ts';
import { catalogueOf } from '../../../core/application/application.ts';
import { contextSpace } from '../../../core/context/space.ts';
import { desksOf } from '../../../core/keyboard/desk.ts';
import { profileFile, writeProfileFile } from '../../../core/hand-over/profile-file.ts';
import { varve } from '../../../demo/varve/varve.ts';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';

describe('the command line', () => {
	let folder: string;
	const at = (name: string) => join(folder, name);
	/** Runs it in this process; gives the exit code and what it said. */
	const run = async (...args: string[]) => {
		const [log, error] = [console.log, console.error];
		const [write, complain] = [process.stdout.write.bind(process.stdout), process.stderr.write.bind(process.stderr)];
		let [out, err] = ['', ''];
		console.log = (line: string) => (out += `${line}\n`);
		console.error = (line: string) => (err += `${line}\n`);
		process.stdout.write = ((text: string) => ((out += text), true)) as typeof process.stdout.write;
		process.stderr.write = ((text: string) => ((err += text), true)) as typeof process.stderr.write;
		try {
			return { code: await skarn(args), out: () => out, err: () => err };
		} finally {
			[console.log, console.error] = [log, error];
			[process.stdout.write, process.stderr.write] = [write, complain];
		}
	};

	before(() => {
		folder = mkdtempSync(join(tmpdir(), 'skarn-cli-'));
		for (const [name, standIn] of Object.entries({ varve, gneiss })) {
			const { application, commands } = standIn;
			writeFileSync(at(`${name}.app.json`), applicationJson({ application, commands, seats: [] }));
			writeFileSync(at(`${name}.json`), writeProfileFile(profileFile(application, standIn.history().at(-1)!.profile)));
		}
		writeFileSync(at('clean.json'), writeProfileFile(profileFile(gneiss.application, gneiss.history()[0]!.profile.slice(0, 1))));
	});
	after(() => rmSync(folder, { recursive: true }));

	it('explains flicks and drags, and says where a rose hears them', async () => {
		const ask = async (...args: string[]) => {
			const { code, out, err } = await run('explain', ...args, '-p', at('gneiss.json'), '-a', at('gneiss.app.json'));
			return { code, text: out() + err() };
		};
		expect((await ask('--flick', 'N')).text).to.match(/^RightFlick0:\n(.*\n)* {2}solid\.extrude in \d+ situations/);
		expect((await ask('--flick', 'Right:45', '--in', 'document=part.solids')).code).to.equal(0);
		const corner = (await ask('--flick', 'NE')).text;
		expect(corner, 'heard while sketching').to.include('sketch.extend');
		expect(corner, 'it waits: the rose of parts has four directions').not.to.include('solid.revolve');
		expect((await ask('--drag', 'Shift+Middle')).text).to.include('view.pan');
		for (const wrong of [['--flick', '400'], ['--flick', 'N', '--drag', 'Left'], []])
			expect((await ask(...wrong)).code, wrong.join()).to.equal(2);
	});

	it('checks, and says in its exit code whether there is what was asked for', async () => {
		const { code, out } = await run('check', at('varve.json'), '-a', at('varve.app.json'));
		expect(code).to.equal(1);
		expect(out()).to.match(/varve\.json:\d+: error typing: E for Extend types text/);
		expect(out()).to.include('error alias-clash: tt is Text block here');
		expect((await run('check', at('varve.json'), '-a', at('varve.app.json'), '--fail-on', 'never')).code).to.equal(0);
		expect((await run('check', at('clean.json'), '-a', at('gneiss.app.json'))).code).to.equal(0);
		expect((await run('check', at('clean.json'), '-a', at('gneiss.app.json'), '--fail-on', 'note')).code).to.equal(1);
	});

	it('finds what the core finds, each at the line of its entry', async () => {
		const { out } = await run('check', at('gneiss.json'), '-a', at('gneiss.app.json'), '--format', 'json');
		const file = FindingsFile.parse(JSON.parse(out()));
		const space = contextSpace(gneiss.application.axes, gneiss.application.reachable);
		const subject = { application: gneiss.application, space, catalogue: catalogueOf(gneiss.commands, space) };
		const expected = check(circumstancesOf(subject, gneiss.history().at(-1)!.profile, desksOf([]), null));
		const ofKeys = file.findings.filter(({ rule }) => !/^(bar|option|macro|alias|gesture|mode)-/.test(rule));
		expect(ofKeys.length).to.equal(expected.length);
		const lines = readFileSync(at('gneiss.json'), 'utf8').split('\n');
		for (const { line, id } of ofKeys.filter((f) => f.line !== undefined))
			expect(lines[line! - 1], id).to.include(
				`"keys":"${id.split('\n').find((part) => lines[line! - 1]!.includes(`"${part}"`))}"`
			);
	});

	// SARIF 2.1.0 (OASIS): required properties of 3.13 log, 3.14 run, 3.18 tool, 3.19 driver, 3.27 result; the types are those of @types/sarif 2.1.7
	it('writes SARIF that a pipeline can read', async () => {
		await run('check', at('varve.json'), '-a', at('varve.app.json'), '--format', 'sarif', '-o', at('out.sarif'));
		const log = JSON.parse(readFileSync(at('out.sarif'), 'utf8')) as Log;
		expect(log.version).to.equal('2.1.0');
		const [run_] = log.runs;
		expect(run_!.tool.driver.name).to.equal('Skarn');
		expect(run_!.results!.length).to.be.greaterThan(10);
		for (const result of run_!.results!) {
			expect(run_!.tool.driver.rules![result.ruleIndex!]!.id).to.equal(result.ruleId);
			expect(result.level).to.be.oneOf(['error', 'warning', 'note']);
			expect(result.message.text).to.match(/\.$/);
			const { artifactLocation, region } = result.locations![0]!.physicalLocation!;
			expect(artifactLocation!.uri).to.match(/^[^\s\\]+$/);
			if (region) expect(region.startLine).to.be.greaterThan(0);
		}
	});

	it('leaves out what was accepted, of every chapter alike, and tells it when asked', async () => {
		const { application, commands } = varve;
		const space = contextSpace(application.axes, application.reachable);
		const subject = { application, space, catalogue: catalogueOf(commands, space) };
		const { profile } = varve.history().at(-1)!;
		const c = circumstancesOf(subject, profile, desksOf([]), null);
		const looking = { circumstances: c, profile, released: undefined };
		const firsts = ['shortcuts', 'aliases', 'macros', 'options'].map((id) => findingsIn(looking, [id])[0]!.acceptable());
		const pen = { profile, target: 'personal' as StratumId };
		const changes = firsts.map((finding, i) => accepts(pen, finding, 'we know it', i));
		writeFileSync(
			at('accepted.json'),
			writeProfileFile(profileFile(application, applyEdit(profile, tagged({ id: ACCEPTANCES }, changes))))
		);
		const found = async (file: string, ...more: string[]) =>
			FindingsFile.parse(
				JSON.parse((await run('check', at(file), '-a', at('varve.app.json'), '--format', 'json', ...more)).out())
			).findings;
		const ids = (list: readonly { id: string }[]) => list.map((f) => f.id).sort();
		const before = await found('varve.json');
		const after = await found('accepted.json');
		expect(before.length - after.length).to.equal(4);
		for (const { id } of firsts) {
			expect(ids(before)).to.include(id);
			expect(ids(after)).not.to.include(id);
		}
		const all = await found('accepted.json', '--accepted');
		expect(ids(all)).to.deep.equal(ids(before));
		expect(all.filter((f) => f.accepted)).to.have.length(4);
	});

	it('checks an alias file of its own layout through a recipe, at its own lines', async () => {
		writeFileSync(at('list7.txt'), 'LN runs draw.segment\r\nHF runs hatch.fill\r\nHF runs hatch.solid\r\n');
		writeFileSync(
			at('list7.recipe.json'),
			JSON.stringify({
				format: 'skarn-recipe',
				version: 1,
				name: 'List 7',
				holds: 'aliases',
				record: { shape: 'line', template: '{alias} runs {command}' }
			})
		);
		const { code, out } = await run(
			'check',
			at('varve.json'),
			'-a',
			at('varve.app.json'),
			'--aliases',
			at('list7.txt'),
			'--recipe',
			at('list7.recipe.json')
		);
		expect(code).to.equal(1);
		expect(out()).to.match(/list7\.txt:3: error alias-clash: HF is Fill here and Hatch in line 2/);
		const converted = await run('convert', at('list7.txt'), '--from', at('list7.recipe.json'), '--to', 'aliases-csv');
		expect(converted.out()).to.equal('alias,command,note\nLN,draw.segment,\nHF,hatch.fill,\nHF,hatch.solid,\n');
	});

	it('explains keys in a situation and everywhere, and typed names', async () => {
		const { out } = await run(
			'explain',
			'Ctrl+L',
			'-p',
			at('varve.json'),
			'-a',
			at('varve.app.json'),
			'--in',
			'document=plan.cabin'
		);
		expect(out()).to.include('Layer of an object runs.');
		const names = await run('explain', '--alias', 'tt', '-p', at('varve.json'), '-a', at('varve.app.json'), '--format', 'json');
		expect(JSON.parse(names.out())).to.include({ kind: 'runs', command: 'shape.trim' });
		expect((await run('explain', 'Ctrl', '-p', at('varve.json'), '-a', at('varve.app.json'))).code).to.equal(2);
		expect(
			(await run('explain', 'F', '-p', at('varve.json'), '-a', at('varve.app.json'), '--in', 'document=moon')).err()
		).to.include('no context "moon"');
	});

	it('tells what is in force and what differs, in shapes that their schemas describe', async () => {
		const resolved = await run('resolve', at('varve.json'), '-a', at('varve.app.json'), '--format', 'json');
		expect(EffectiveFile.parse(JSON.parse(resolved.out())).aliases).to.deep.include({
			alias: 'ln',
			command: 'draw.segment',
			stratum: 'office'
		});
		const { code, out } = await run('diff', at('clean.json'), at('gneiss.json'), '--format', 'json');
		expect(code).to.equal(1);
		expect(DiffFile.parse(JSON.parse(out())).differences.length).to.be.greaterThan(3);
		expect((await run('diff', at('gneiss.json'), at('gneiss.json'))).code).to.equal(0);
	});

	it('imports into a profile file, and exports sheets', async () => {
		writeFileSync(at('keys.ini'), '; mine\nview.fit = Ctrl+Alt+F11\nno.such = Ctrl+F1\n');
		const { code, err } = await run(
			'import',
			at('keys.ini'),
			'--recipe',
			'shortcuts-ini',
			'-p',
			at('gneiss.json'),
			'-a',
			at('gneiss.app.json'),
			'-o',
			at('new.json')
		);
		expect(code).to.equal(1);
		expect(err())
			.to.match(/1 new/)
			.and.match(/keys\.ini:3:1: refused: .*no\.such/);
		expect((await run('diff', at('gneiss.json'), at('new.json'))).out()).to.equal('+ Ctrl+Alt+F11\tview.fit\n');
		const sheet = await run('export', at('gneiss.json'), '-a', at('gneiss.app.json'), '--what', 'markdown');
		expect(sheet.out()).to.include('| Command | Keys | Where |').and.include('`Ctrl+Z`');
		expect((await run('export', at('gneiss.json'), '-a', at('gneiss.app.json'), '--what', 'html')).out()).to.match(
			/^<!doctype html>/
		);
		expect((await run('suggest', 'view.fit', '-p', at('gneiss.json'), '-a', at('gneiss.app.json'))).out()).to.match(/mm/);
	});

	it('hands over parts: macros with their shortcuts, nothing of one machine, and keeps what is there when told to', async () => {
		const ends = ['-a', at('varve.app.json')] as const;
		const parts = await run(
			'export',
			at('varve.json'),
			...ends,
			'--sections',
			'macros',
			'--stratum',
			'office',
			'-o',
			at('macros.json')
		);
		expect(parts.code).to.equal(0);
		const { strata } = JSON.parse(readFileSync(at('macros.json'), 'utf8')) as {
			strata: { chapters: { shortcuts?: unknown[]; macros: { id: string }[] } }[];
		};
		expect(strata).to.have.length(1);
		expect(strata[0]!.chapters.shortcuts).to.equal(undefined);
		expect(strata[0]!.chapters.macros.map((m) => m.id))
			.to.include('macro:frame-line')
			.and.not.include('macro:standard-sheet');

		// the factory's stratum and an empty office
		await run('export', at('varve.json'), ...ends, '--stratum', 'factory', '-o', at('bare.json'));
		const bare = JSON.parse(readFileSync(at('bare.json'), 'utf8')) as { strata: unknown[] };
		bare.strata.push({ id: 'office', kind: 'office', name: 'Office', chapters: {} });
		writeFileSync(at('bare.json'), JSON.stringify(bare));
		const whole = await run(
			'export',
			at('varve.json'),
			...ends,
			'--stratum',
			'office',
			'--sections',
			'shortcuts,macros',
			'-o',
			at('office.json')
		);
		expect(whole.code).to.equal(0);
		expect((await run('import', at('office.json'), '-p', at('bare.json'), ...ends, '-o', at('taken.json'))).code).to.equal(0);
		expect(readFileSync(at('taken.json'), 'utf8'))
			.to.include('"macro:frame-line","keys":"Alt+J"')
			.and.include('"id":"macro:half"');

		const again = await run('import', at('office.json'), '-p', at('taken.json'), ...ends, '--dry-run');
		expect(again.err())
			.to.match(/0 new/)
			.and.match(/0 replaced/);
		writeFileSync(at('steps.ini'), 'half = type "/3"; accept\nthird = type "/3"; accept\nbad = hop\n');
		const kept = await run(
			...['import', at('steps.ini'), '--recipe', 'macros-ini', '--into', 'office', '--keep', '-p', at('taken.json'), ...ends],
			...['-o', at('kept.json')]
		);
		expect(kept.code).to.equal(1);
		expect(kept.err()).to.match(/steps\.ini:3:7: refused: "hop" is no step/);
		expect(readFileSync(at('kept.json'), 'utf8'))
			.to.include('"id":"macro:third"')
			.and.include('"text":"/2"');
		expect((await run('export', at('varve.json'), ...ends, '--sections', 'all')).err()).to.include('not a part of a profile');
	});

	it('tells macros: what is wrong in them, and what is in force', async () => {
		const { out } = await run('check', at('varve.json'), '-a', at('varve.app.json'));
		expect(out()).to.match(/error macro-loop: .*it would never end/);
		const resolved = await run('resolve', at('varve.json'), '-a', at('varve.app.json'), '--format', 'json');
		expect(EffectiveFile.parse(JSON.parse(resolved.out())).macros).to.deep.include({
			id: 'macro:half',
			label: 'Half of it',
			steps: 'type "/2"; accept',
			stratum: 'office'
		});
		const converted = await run('convert', at('steps.ini'), '--from', 'macros-ini', '--to', 'macros-csv');
		expect(converted.out()).to.include('half,half,"type ""/3""; accept"');
	});

	it('tells where commands stand in the bars, and reads and writes them one place a line', async () => {
		const ends = ['-a', at('varve.app.json')];
		const resolved = await run('resolve', at('varve.json'), ...ends, '--format', 'json');
		const { places } = EffectiveFile.parse(JSON.parse(resolved.out()));
		expect(places).to.deep.include({ where: 'Rope', command: 'rope.sag', stratum: 'factory' });
		expect(places).to.deep.include({ where: 'Menus / File', command: 'file.archive', stratum: 'factory' });
		writeFileSync(at('ropes.txt'), 'Rope <- rope.sag\nMy ropes <- rope.hanger # Hanger arm\nMy ropes <- rope.tangent\n');
		const brought = await run(
			...['import', at('ropes.txt'), '--recipe', 'varve-bars', '--into', 'personal', '-p', at('varve.json'), ...ends],
			...['-o', at('ropes.json')]
		);
		// a bar and two places; what is there anyhow is not said again
		expect(brought.err()).to.match(/^3 new/);
		const after = await run('resolve', at('ropes.json'), ...ends, '--format', 'json');
		expect(EffectiveFile.parse(JSON.parse(after.out())).places).to.deep.include({
			where: 'My ropes',
			command: 'rope.hanger',
			stratum: 'personal'
		});
		const converted = await run('convert', at('ropes.txt'), '--from', 'varve-bars', '--to', 'bars-csv');
		expect(converted.out().split('\n').slice(0, 3)).to.deep.equal([
			'bar,tab,group,command,label',
			'Rope,,,rope.sag,',
			'My ropes,,,rope.hanger,Hanger arm'
		]);
	});

	it('ends with 2 for bad input and says where', async () => {
		writeFileSync(at('broken.json'), '{"format": "skarn-profile",');
		writeFileSync(at('list.json'), '[1, 2]');
		writeFileSync(at('names.txt'), 'ln -> draw.segment\n');
		for (const [args, why] of [
			[['check', at('broken.json'), '-a', at('varve.app.json')], /line 1, column/],
			[['check', at('nowhere.json'), '-a', at('varve.app.json')], /there is no such file/],
			[['check', at('varve.json')], /--application/],
			[['convert', at('varve.json'), '--from', 'nothing', '--to', 'aliases-csv'], /no recipe "nothing"/],
			[['convert', at('varve.json'), '--from', '__proto__', '--to', 'aliases-csv'], /no recipe/],
			[['check', '--server', 'http://127.0.0.1:1', '-a', 'x'], /cannot be reached/],
			[
				['check', at('gneiss.json'), '-a', at('varve.app.json')],
				/is a profile of gneiss-solid-5; the application is varve-draft-7/
			],
			[['check', at('gneiss.json'), '-a', at('varve.app.json'), '--foreign'], /gneiss\.json:\d+:1: .*(no axis|no context)/],
			[['export', at('varve.json'), '-a', at('varve.app.json'), '--in', 'document=nowhere'], /has no context "nowhere"/],
			[['export', at('varve.json'), '-a', at('varve.app.json'), '-o', at('no/such/folder.json')], /its folder does not exist/],
			[['resolve', at('varve.json'), '-a', at('varve.app.json'), '--format', 'yaml'], /Allowed choices are text, json/],
			[['suggest', 'draw.arc', '-p', at('varve.json'), '-a', at('varve.app.json'), '--in', 'what'], /is not a scope/],
			[['check', at('list.json'), '-a', at('varve.app.json')], /list\.json, line 1, column 1/],
			[
				['check', at('varve.json'), '-a', at('varve.app.json'), '--aliases', at('names.txt'), '--stratum', 'My own'],
				/a stratum id/
			],
			[['serve', '--port', 'abc'], /Expected a number from 0 to 65535/],
			[['restore', at('nowhere.tar.gz'), '--data', at('data')], /There is no back-up/]
		] as const) {
			const { code, err } = await run(...args);
			expect(code, args.join(' ')).to.equal(2);
			expect(err(), args.join(' ')).to.match(why);
		}
	});

	it('tells rows that are not sound, and entries of which a stratum has said the same or the opposite', async () => {
		writeFileSync(
			at('bad.csv'),
			'keys,command,op\nCtrl+Nokey,draw.arc,set\nAlt+F9,draw.arc,set\nAlt+F9,draw.arc,set\nAlt+F9,draw.arc,remove\n'
		);
		for (const command of ['resolve', 'check']) {
			const { code, err } = await run(command, at('bad.csv'), '-a', at('varve.app.json'));
			expect(code, command).to.equal(2);
			expect(err()).to.match(/bad\.csv:2:1: not imported: .*not a key stroke/);
			expect(err()).to.match(/bad\.csv:4:1: not imported: Alt\+F9 for draw\.arc is already in personal on line 3/);
			expect(err()).to.match(/bad\.csv:5:1: not imported/);
		}
	});

	it('puts findings of the profile at the profile, and those of the alias file beside it there', async () => {
		writeFileSync(at('list7.txt'), 'zz -> no.such\n');
		const { out } = await run('check', at('varve.json'), '-a', at('varve.app.json'), '--aliases', at('list7.txt'));
		const lines = out().split('\n');
		expect(
			lines.filter((line) => line.startsWith(at('list7.txt'))).map((line) => line.slice(at('list7.txt').length, -1))
		).to.satisfy((found: string[]) => found.length > 0 && found.every((line) => line.startsWith(':1: ')));
		expect(lines.some((line) => line.startsWith(at('varve.json')) && line.includes('alias-'))).to.equal(true);
	});

	it('names a file with any signs in SARIF as it must be named in an address (RFC 3986)', async () => {
		const name = at('keys #1 50%.csv');
		writeFileSync(name, 'keys,command\nE,edit.extend\nE,draw.arc\n');
		const { out } = await run('check', name, '-a', at('varve.app.json'), '--format', 'sarif');
		const { uri } = (JSON.parse(out()) as Log).runs[0]!.results![0]!.locations![0]!.physicalLocation!.artifactLocation!;
		expect(uri).to.match(/\/keys%20%231%2050%25\.csv$/);
		expect(decodeURIComponent(new URL(uri!, 'file:///').pathname)).to.equal(name);
	});

	it('tells macros that differ', async () => {
		const without = (text: string) => text.replaceAll(/\n {6}"macros":\[[\s\S]*?\n {6}\],?/g, '');
		writeFileSync(at('bare-macros.json'), without(readFileSync(at('varve.json'), 'utf8')));
		const { code, out } = await run('diff', at('bare-macros.json'), at('varve.json'), '-a', at('varve.app.json'));
		expect(code).to.equal(1);
		expect(out()).to.match(/^\+ macro:half\t/m);
	});

	it('refuses to write what a format cannot say, with the reason', async () => {
		writeFileSync(at('odd.csv'), 'alias,command,note\nln,"a ; b",\n');
		const { code, err } = await run('convert', at('odd.csv'), '--from', 'aliases-csv', '--to', 'aliases-ini');
		expect(code).to.equal(2);
		expect(err()).to.match(/record 1 \(ln, a ; b\): "a ; b" cannot be written as the command/);
	});

	it('runs as a program', () => {
		const bin = fileURLToPath(new URL('../../../bin/skarn.mjs', import.meta.url));
		const done = spawnSync(process.execPath, [bin, 'check', at('varve.json'), '-a', at('varve.app.json'), '--fail-on', 'error'], {
			encoding: 'utf8'
		});
		expect(done.status).to.equal(1);
		expect(done.stdout).to.match(/\d+ errors, /);
	}).timeout(180_000);

	describe('what it was given that is not there', () => {
		const refuses = async (pattern: RegExp, ...args: string[]) => {
			const { code, out, err } = await run(...args);
			expect(err() + out(), args.join(' ')).to.match(pattern);
			expect(err() + out(), args.join(' ')).to.not.match(/EISDIR|EACCES|ENOENT|\n\s+at /);
			expect(code, args.join(' ')).to.equal(2);
		};
		const profile = () => [at('gneiss.json'), '-a', at('gneiss.app.json')];

		it('is named, with what there is instead', async () => {
			await refuses(/--bar "nobar": there is no such bar/, 'export', ...profile(), '--bar', 'nobar');
			await refuses(/--stratum "nobody"/, 'check', ...profile(), '--stratum', 'nobody');
			writeFileSync(at('names.txt'), 'l -> draw.segment\n');
			await refuses(
				/no such level; it has factory/,
				'check',
				at('varve.json'),
				'-a',
				at('varve.app.json'),
				'--aliases',
				at('names.txt'),
				'--stratum',
				'nobody'
			);
			await refuses(/it is a folder/, 'check', folder, '-a', at('gneiss.app.json'));
			await refuses(/There is no data folder/, 'verify', '-d', at('nowhere'));
			await refuses(/There is no data folder/, 'backup', '-d', at('nowhere'), at('office.tar.gz'));
			expect(existsSync(at('nowhere')), 'nothing is made').to.equal(false);
			await refuses(/There is no office in/, 'verify', '-d', folder);
		});

		it('is of another program or version: taken only when it is wanted', async () => {
			await refuses(
				/is a profile of varve-draft-7; the application is gneiss-solid-5/,
				'import',
				at('varve.json'),
				'-p',
				...profile()
			);
			const other = readFileSync(at('gneiss.json'), 'utf8').replace(/"version": "[^"]*"/, '"version": "4.0"');
			writeFileSync(at('older.json'), other);
			await refuses(
				/gneiss-solid-5, version 4\.0; the application is version/,
				'check',
				at('older.json'),
				'-a',
				at('gneiss.app.json')
			);
			expect((await run('check', at('older.json'), '-a', at('gneiss.app.json'), '--foreign')).code).to.not.equal(2);
		});

		it('are contexts: what names them is told at its line, and all else is checked', async () => {
			const { code, out, err } = await run('check', at('gneiss.json'), '-a', at('varve.app.json'), '--foreign');
			expect(err()).to.match(/gneiss\.json:\d+:1: not imported: .*(no axis|no context)/);
			expect(out()).to.match(/\d+ errors?, /);
			expect(code).to.equal(2);
		});

		it('is JSON so deep that nothing reads it', async () => {
			writeFileSync(at('deep.json'), `${'['.repeat(200_000)}${']'.repeat(200_000)}`);
			await refuses(/deep\.json, line 1, column 501: values are nested/, 'check', at('deep.json'), '-a', at('gneiss.app.json'));
			writeFileSync(at('deep.json'), `${'{"a":'.repeat(200_000)}1${'}'.repeat(200_000)}`);
			await refuses(/values are nested/, 'check', at('deep.json'), '-a', at('gneiss.app.json'));
		});
	});
});
