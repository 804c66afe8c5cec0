import { expect } from 'chai';
import { gneiss } from '../../../../../demo/gneiss/gneiss.ts';
import { varve } from '../../../../../demo/varve/varve.ts';
import type { StandIn } from '../../../../../demo/stand-in.ts';
import type { ItemId } from '../../../../../core/chapters/bars/bar.ts';
import { boxesIn, givesWayIn } from '../../../../../core/chapters/bars/boxes.ts';
import { openedFor, rectIn } from '../../../../../core/chapters/bars/opened.ts';
import { allNodes, barTree } from '../../../../../core/chapters/bars/tree.ts';
import { barWays } from '../../../../../core/chapters/bars/ways.ts';
import { FRAME } from '../../../../../core/surface/screens.ts';
import { windowLayout } from '../../../../../core/surface/window.ts';
import { demoProfile, subjectOf } from '../../../demo-office.ts';

function windowOf(standIn: StandIn, width = 1280, front: string[] = []) {
	const { space, catalogue, application } = subjectOf(standIn);
	const tree = barTree(demoProfile(standIn));
	const givesWay = givesWayIn(application.rules);
	const layout = windowLayout(boxesIn(tree, catalogue, space, 0, new Set(front)), { width, height: 800 }, { ...FRAME, givesWay });
	const open = (id: string) => openedFor(tree, layout, catalogue, id as ItemId);
	return { tree, layout, open, catalogue, space, givesWay };
}

describe('what opens over the bars', () => {
	it('shows everything that stands in the bars, or what opens for it', () => {
		for (const standIn of [gneiss, varve]) {
			const { tree, layout, open } = windowOf(standIn);
			const shownBars = new Set<string>([...layout.toolbars.map((t) => t.bar.id), ...layout.ribbons.map((r) => r.front!.id)]);
			for (const node of allNodes(tree)) {
				if (node.item.kind !== 'place' || node.item.hidden) continue;
				// places of other tabs and of bars of other situations need these first
				let top = node;
				while (top.parent && tree.byId.get(top.parent)!.item.kind === 'place') top = tree.byId.get(top.parent)!;
				const home = tree.byId.get(top.parent!)!;
				const isShown = shownBars.has(home.id) || shownBars.has(home.parent ?? '') || home.item.kind === 'bar';
				if (!isShown || (home.item.kind === 'bar' && ['toolbar', 'quick'].includes(home.item.form) && !shownBars.has(home.id)))
					continue;
				const drawn = rectIn(layout, node.id);
				const within = open(node.id)?.places.some(({ place }) => place.id === node.id);
				expect(drawn !== undefined || within, node.id).to.equal(true);
			}
		}
	});

	it('opens a menu below its title, a flyout below its button, a cursor bar in the canvas', () => {
		const { layout, open } = windowOf(varve);
		const [file, edit] = layout.titles;
		expect(file!.place.label).to.equal('File');
		expect(edit!.rect.x).to.equal(file!.rect.x + file!.rect.width);
		const menu = open(file!.id)!;
		expect([menu.rect.x, menu.rect.y]).to.deep.equal([file!.rect.x, file!.rect.y + file!.rect.height]);
		expect(menu.places[0]!.place.label).to.equal('New');
		const cursor = open('near-the-pen')!;
		expect(cursor.bar).to.deep.equal({ icon: 24, text: 'none' });
		expect(cursor.rect.x).to.be.greaterThan(layout.canvas.x);
		// six places in three columns are two rows
		expect(new Set(cursor.places.map(({ rect }) => rect.y)).size).to.equal(2);
	});

	it('opens the drawer of a bar for what has no room in it, and nothing for what shows', () => {
		const { layout, open } = windowOf(varve, 420);
		const { bar, drawer, places } = layout.toolbars.find((one) => one.drawer.length > 1)!;
		const opened = open(drawer[0]!.id)!;
		expect(opened.home.id).to.equal(bar.id);
		const named = opened.places.filter(({ place }) => place.kind !== 'separator');
		expect(named.map(({ place }) => place.id)).to.deep.equal(drawer.map(({ id }) => id));
		const shown = places.find(({ place }) => place.kind === 'button')!;
		expect(open(shown.place.id)).to.equal(undefined);
	});

	it('counts the way through a menu', () => {
		const { tree, catalogue, space, givesWay } = windowOf(varve);
		const ways = barWays(
			{ tree, catalogue, space, situation: 0, room: { width: 1280, height: 800 }, givesWay },
			'file.archive' as never
		);
		expect(ways.map((way) => way.where)).to.deep.equal(['Menus, File']);
		expect(ways[0]!.terms.map((term) => term.name)).to.include('in the overflow');
	});

	it('puts a bar above the ribbon or below it, and takes the same of the canvas', () => {
		const { layout, tree, catalogue, space, givesWay } = windowOf(gneiss);
		const boxes = boxesIn(tree, catalogue, space, 0);
		const raised = { ...boxes, toolbars: boxes.toolbars.map((bar) => (bar.name === 'Files' ? { ...bar, isAbove: true } : bar)) };
		const other = windowLayout(raised, { width: 1280, height: 800 }, { ...FRAME, givesWay });
		const [files, above] = [layout, other].map((one) => one.toolbars.find(({ bar }) => bar.name === 'Files')!.rect);
		expect(files!.y).to.be.greaterThan(layout.ribbons[0]!.rect.y);
		expect(above!.y).to.be.lessThan(other.ribbons[0]!.rect.y);
		expect(other.canvas).to.deep.equal(layout.canvas);
	});
});
