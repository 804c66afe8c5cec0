import { shortcutIndex } from '../core/answer/shortcut-index.ts';
import { verdict } from '../core/answer/verdict.ts';
import { catalogueOf } from '../core/application/application.ts';
import { check, told } from '../core/check/check.ts';
import type { Finding } from '../core/check/finding.ts';
import { contextSpace } from '../core/context/space.ts';
import { profileFile, writeProfileFile } from '../core/format/profile-json.ts';
import { effectiveProfile } from '../core/profile/effective.ts';
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
	const effective = effectiveProfile(profile);
	const build = () => shortcutIndex(effective, space, catalogue, application.rules);
	const index = build();
	const search = commandSearch(catalogue);

	// warm: the yardstick and the work alternate, so that both see the same machine
	const parse: number[] = [];
	const built: number[] = [];
	const folded: number[] = [];
	const checked: number[] = [];
	const listed: number[] = [];
	for (let i = 0; i < 25; i++) {
		parse.push(timed(() => JSON.parse(json) as unknown));
		built.push(timed(build));
		folded.push(timed(() => effectiveProfile(profile)));
		const fresh = { index: build() };
		let findings: Finding[] = [];
		checked.push(timed(() => (findings = check(fresh))));
		if (i < 5) listed.push(timed(() => [...told(findings, fresh)]));
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

	const yardstick = median(parse);
	const ratio = (values: number[]) => median(values) / yardstick;
	return [
		{
			what: `office: ${commands.length} commands, ${effective.bindings.length} shortcuts in force, ${space.situations.length} situations, profile JSON ${(json.length / 1e6).toFixed(2)} MB`
		},
		{ what: 'JSON.parse of the profile (yardstick), median', value: yardstick, unit: 'ms' },
		{ what: 'index from the effective profile, x JSON.parse', value: ratio(built), unit: 'x', most: 2 },
		{ what: 'fold of the strata, x JSON.parse', value: ratio(folded), unit: 'x' },
		{ what: 'check of the whole profile (clash, shadow, dead), x JSON.parse', value: ratio(checked), unit: 'x' },
		{ what: 'telling all findings in words, x JSON.parse', value: ratio(listed), unit: 'x' },
		{ what: 'search, p95 per keystroke', value: percentile(keystrokes, 95), unit: 'ms', most: 4 },
		{ what: 'verdict on one stroke, p95', value: percentile(verdicts, 95), unit: 'ms', most: 1 }
	];
}
