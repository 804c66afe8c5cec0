import { expect } from 'chai';
import { gneiss } from '../../../../../demo/gneiss/gneiss.ts';
import { tuff } from '../../../../../demo/tuff/tuff.ts';
import { varve } from '../../../../../demo/varve/varve.ts';
import type { StandIn } from '../../../../../demo/stand-in.ts';
import { barsIn } from '../../../../../core/chapters/bars/bar.ts';
import { boxesIn, partOf } from '../../../../../core/chapters/bars/boxes.ts';
import { barTree } from '../../../../../core/chapters/bars/tree.ts';
import { inStyle, styleOf, type BarStyle } from '../../../../../core/chapters/bars/style.ts';
import { barWays } from '../../../../../core/chapters/bars/ways.ts';
import { takeOut } from '../../../../../core/chapters/bars/writing.ts';
import { applyEdit } from '../../../../../core/profile/edit.ts';
import type { Profile, StratumId } from '../../../../../core/strata/stratum.ts';
import { windowPicture } from '../../../../../core/surface/picture.ts';
import { windowLayout } from '../../../../../core/surface/window.ts';
import { demoProfile, subjectOf } from '../../../demo-office.ts';

const PERSONAL = 'personal' as StratumId;
const turned = (profile: Profile, style: BarStyle) => applyEdit(profile, inStyle(profile, PERSONAL, style));
const said = (profile: Profile) =>
	profile.map((stratum) =>
		[...barsIn(stratum)].sort(([a], [b]) => (a < b ? -1 : 1)).map(([key, { rank: _, ...entry }]) => [key, entry])
	);

function shownIn(standIn: StandIn, profile: Profile) {
	const { space, catalogue } = subjectOf(standIn);
	const boxes = boxesIn(barTree(profile), catalogue, space, 0);
	const groups = boxes.ribbons.flatMap(({ tabs }) => tabs).flatMap((tab) => tab.groups);
	const commands = [...groups.flatMap((group) => group.places), ...boxes.toolbars.flatMap((bar) => bar.places)];
	return {
		boxes,
		ids: commands
			.filter(({ kind }) => kind !== 'separator')
			.map(({ id }) => id)
			.sort()
	};
}

describe('the other style of bars', () => {
	for (const standIn of [gneiss, varve, tuff])
		it(`shows the same in ${standIn.application.name}, and is lossless there and back`, () => {
			const before = demoProfile(standIn);
			const own = styleOf(barTree(before));
			const other: BarStyle = own === 'ribbon' ? 'toolbars' : 'ribbon';
			const there = turned(before, other);
			expect(styleOf(barTree(there))).to.equal(other);
			expect(shownIn(standIn, there).ids).to.deep.equal(shownIn(standIn, before).ids);
			expect(shownIn(standIn, there).boxes.ribbons).to.have.length(other === 'ribbon' ? 1 : 0);
			expect(said(turned(there, own))).to.deep.equal(said(before));
			expect(inStyle(before, PERSONAL, own)).to.deep.equal([]);
		});

	it('keeps what was done in the other style', () => {
		const before = demoProfile();
		const there = turned(before, 'toolbars');
		const taken = applyEdit(there, takeOut(there, PERSONAL, ['work.body.edges.0' as never]));
		const back = turned(taken, 'ribbon');
		expect(said(back)).to.deep.equal(said(applyEdit(before, takeOut(before, PERSONAL, ['work.body.edges.0' as never]))));
	});

	it('has groups that separators part, and a way to every command without a tab where tabs are rows', () => {
		const { boxes } = shownIn(varve, turned(demoProfile(varve), 'ribbon'));
		const lines = boxes.ribbons[0]!.tabs.find((tab) => tab.name === 'Lines')!;
		// Lines has three separators
		expect(lines.groups.map(({ id }) => partOf(id).part)).to.deep.equal([0, 1, 2, 3]);
		const { space, catalogue } = subjectOf(gneiss);
		const setting = { catalogue, space, situation: 0, room: { width: 1920, height: 1080 }, givesWay: 'last' as const };
		const waysIn = (profile: Profile) => barWays({ tree: barTree(profile), ...setting }, 'inspect.mass' as never)[0]!;
		expect(waysIn(demoProfile()).terms.map((t) => t.name)).to.include('the tab');
		expect(waysIn(turned(demoProfile(), 'toolbars')).terms.map((t) => t.name)).not.to.include('the tab');
	});

	it('is drawn as a picture with everything that the window shows', () => {
		const { space, catalogue } = subjectOf(gneiss);
		const tree = barTree(demoProfile());
		const layout = windowLayout(
			boxesIn(tree, catalogue, space, 0),
			{ width: 1280, height: 800 },
			{ title: 30, status: 28, givesWay: 'turns' }
		);
		const colours = { ink: '#000', quiet: '#555', line: '#aaa', panel: '#fff', ground: '#fff' };
		const asked: string[] = [];
		const svg = windowPicture(layout, { colours, iconOf: (id) => (asked.push(id), '<path d="M0 0"/>') });
		expect(svg).to.match(/^<svg xmlns="http:\/\/www.w3.org\/2000\/svg" width="1280" height="800"/);
		for (const { place } of layout.ribbons[0]!.strip!.places)
			if (place.kind === 'button') expect(asked, place.id).to.include(place.id);
		for (const tab of ['Body', 'Sheet metal', 'Check']) expect(svg).to.include(`>${tab}</text>`);
		const part = layout.ribbons[0]!.rect;
		expect(windowPicture(layout, { colours, iconOf: () => undefined, part })).to.include(
			`viewBox="${part.x} ${part.y} ${part.width} ${part.height}"`
		);
	});

	it('escapes what people call their bars', () => {
		const bar = {
			id: 'b',
			name: '<x>',
			places: [{ id: 'p', kind: 'button', label: 'R&D "quick"', isLarge: false, shows: 'text' }],
			icon: 24,
			text: 'beside',
			dock: { edge: 'top', row: 0 }
		};
		const layout = windowLayout(
			{ menus: [], ribbons: [], toolbars: [bar as never] },
			{ width: 600, height: 400 },
			{ title: 30, status: 28, givesWay: 'last' }
		);
		const svg = windowPicture(layout, {
			colours: { ink: '', quiet: '', line: '', panel: '', ground: '' },
			iconOf: () => undefined
		});
		expect(svg).to.include('>R&amp;D &quot;quick&quot;</text>');
	});
});
