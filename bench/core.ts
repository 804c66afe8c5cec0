import { shortcutIndex } from '../core/answer/shortcut-index.ts';
import { verdict } from '../core/answer/verdict.ts';
import { catalogueOf } from '../core/application/application.ts';
import { Checks, checksOf, tellAll } from '../core/chapters/shortcuts/check/check.ts';
import { circumstancesOf } from '../core/profile/circumstances.ts';
import { overlay } from '../core/answer/overlay.ts';
import type { Finding } from '../core/chapters/shortcuts/check/finding.ts';
import { desksOf, USUAL_DESK } from '../core/keyboard/desk.ts';
import { shortcutsIn, withShortcuts } from '../core/shortcut/entry.ts';
import { inOrder, nextRank } from '../core/strata/entry.ts';
import type { StratumId } from '../core/strata/stratum.ts';
import { contextSpace } from '../core/context/space.ts';
import { profileFile, writeProfileFile } from '../core/hand-over/profile-file.ts';
import { effectiveProfile } from '../core/shortcut/effective.ts';
import { commandSearch } from '../core/search/search.ts';
import { generate, seeded } from './generate.ts';
import { median, percentile, type Line } from './report.ts';

const timed = (work: () => unknown): number => {
	const start = performance.now();
	work();
	return performance.now() - start;
};
const repeated = (times: number, work: () => unknown): number[] => Array.from({ length: times }, () => timed(work));

/** Search, verdict, index and check on a generated office, in milliseconds and as ratios within this run. */
export function coreBench(): Line[] {
	const { application, commands, profile } = generate(5_000, 20_000);
	const space = contextSpace(application.axes, application.reachable);
	const catalogue = catalogueOf(commands, space);
	const json = writeProfileFile(profileFile(application, profile));
	const effective = effectiveProfile(profile, space);
	const build = () => shortcutIndex(effective, space, catalogue, application.rules);
	const index = build();
	const search = commandSearch(catalogue);
	// three kinds of desk and a release that differs from the office stratum in every tenth entry
	const desks = desksOf([
		{ id: 'C-01', desk: USUAL_DESK },
		{ id: 'C-02', desk: { ...USUAL_DESK, layout: 'de' } },
		{ id: 'C-03', desk: { ...USUAL_DESK, platform: 'macos', layout: 'ch', board: 'laptop' } }
	]);
	const released = withShortcuts(
		profile[1]!,
		inOrder(shortcutsIn(profile[1]!)).filter((_, i) => i % 10 !== 0)
	);
	const circumstances = circumstancesOf({ application, space, catalogue }, profile, desks, released);

	// warm: the yardstick and the work alternate, so that both see the same machine
	const parse: number[] = [];
	const built: number[] = [];
	const folded: number[] = [];
	const checked: number[] = [];
	const listed: number[] = [];
	const told: number[] = [];
	for (let i = 0; i < 25; i++) {
		parse.push(timed(() => JSON.parse(json) as unknown));
		built.push(timed(build));
		folded.push(timed(() => effectiveProfile(profile, space)));
		const fresh = { ...circumstances, index: build() };
		let checks!: Checks;
		checked.push(timed(() => (checks = checksOf(fresh))));
		let findings: Finding[] = [];
		listed.push(timed(() => (findings = checks.list())));
		if (i < 3) told.push(timed(() => tellAll(fresh, findings.slice(0, 1000))));
	}

	const words = [
		'fillet edge',
		'extrude',
		'hide com',
		'mirror by length',
		'ctrl e',
		'chamfr fac',
		'sheet',
		'rotat vie',
		'alt shift f5',
		'weld',
		'trim path again',
		'profle'
	];
	const keystrokes: number[] = [];
	for (let round = 0; round < 6; round++)
		for (const word of words)
			for (let n = 1; n <= word.length; n++)
				keystrokes.push(...(round === 0 ? [] : repeated(1, () => search.find(word.slice(0, n), index))));

	const random = seeded(11);
	const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
	const proposals = Array.from({ length: 4_000 }, () => {
		const [a, b] = [pick(effective.bindings), pick(effective.bindings)];
		return { command: a.command, keys: b.keys, scope: a.scope };
	});
	const verdicts = proposals.map((proposal) => timed(() => verdict(index, proposal)));

	const checks = checksOf(circumstances);
	const findingCount = checks.list().length;
	const rechecks = proposals.slice(0, 1_000).map((proposal) => {
		const stratum = 'personal' as StratumId;
		const changes = [
			{ stratum, before: null, after: { op: 'set' as const, ...proposal, rank: nextRank(shortcutsIn(profile[2]!)) } }
		];
		const after = { ...circumstances, index: overlay(index, profile, changes) };
		const time = timed(() => checks.update(after, changes));
		checks.update(circumstances, changes);
		return time;
	});

	const tenth = generate(5_000, 2_000);
	const small = circumstancesOf({ application, space, catalogue }, tenth.profile, desks, tenth.profile[1]!);
	const quick = repeated(25, () =>
		checksOf({ ...small, index: shortcutIndex(small.index.effective, space, catalogue, application.rules) })
	);
	const slow = repeated(9, () => checksOf({ ...circumstances, index: build() }));
	const growth = median(slow) / median(quick);

	const yardstick = median(parse);
	const ratio = (values: number[]) => median(values) / yardstick;
	return [
		{
			what: `office: ${commands.length} commands, ${effective.bindings.length} shortcuts in force, ${space.situations.length} situations, profile JSON ${(json.length / 1e6).toFixed(2)} MB`
		},
		{ what: 'JSON.parse of the profile (yardstick), median', value: yardstick, unit: 'ms' },
		{ what: 'index from the effective profile, x JSON.parse', value: ratio(built), unit: 'x', most: 2 },
		{ what: 'fold of the strata, x JSON.parse', value: ratio(folded), unit: 'x' },
		{ what: 'check of the whole profile, all rules, x JSON.parse', value: ratio(checked), unit: 'x', most: 1.5 },
		{ what: `listing the ${findingCount} findings, x JSON.parse`, value: ratio(listed), unit: 'x' },
		{ what: 'telling one finding in words', value: median(told) / 1000, unit: 'ms' },
		{ what: 're-check of one edit, p95', value: percentile(rechecks, 95), unit: 'ms', most: 1 },
		{ what: 'ten times the shortcuts, x the time', value: growth, unit: 'x', most: 12 },
		{ what: 'search, p95 per keystroke', value: percentile(keystrokes, 95), unit: 'ms', most: 4 },
		{ what: 'verdict on one stroke, p95', value: percentile(verdicts, 95), unit: 'ms', most: 1 }
	];
}
