import { expect } from 'chai';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { varve } from '../../../demo/varve/varve.ts';
import { OPTIONS } from '../../../core/chapters/options/option.ts';
import { ALIASES } from '../../../core/chapters/aliases/file.ts';
import { SHORTCUTS, shortcutKey, shortcutsIn } from '../../../core/shortcut/entry.ts';
import { tagged } from '../../../core/profile/edit.ts';
import type { StratumId } from '../../../core/strata/stratum.ts';
import { office } from '../page/office.ts';

const app = gneiss.application.id;
const officeId = 'office' as StratumId;

describe('who said it, in a browser', () => {
	const demo = office();

	it('is asked for what is looked at, once, and again after an edit', async () => {
		const at = await demo.open(app);
		const { fetch } = globalThis;
		let asked = 0;
		globalThis.fetch = ((input: string, init?: RequestInit) => {
			if (String(input).includes('/blame')) asked++;
			return fetch(input, init);
		}) as typeof fetch;
		try {
			const stratum = at.profile.find(({ id }) => id === officeId)!;
			const [first] = shortcutsIn(stratum).values();
			const place = { stratum: officeId, chapter: SHORTCUTS };
			const thing = { ...place, thing: shortcutKey(first!) };
			expect(at.blames.of(thing)).to.equal(undefined);
			await Promise.all([at.blames.want(place), at.blames.want(place)]);
			await at.blames.want(place);
			expect(asked).to.equal(1);
			const maker = at.blames.of(thing)!;
			const edit = at.history.find(({ label }) => label === maker.label);
			expect([maker.by, maker.at]).to.deep.equal([edit?.by, edit?.at]);
			at.writeTo(officeId);
			const [other] = gneiss.entriesOf('set | Ctrl+Alt+F11 | file.pack | any');
			const change = { stratum: officeId, before: null, after: other! };
			expect(await at.edits.commit('A key of the test', tagged({ id: SHORTCUTS }, [change]))).to.equal(true);
			const own = { ...place, thing: shortcutKey(other!) };
			expect(at.blames.of(own), 'before it is asked again').to.equal(undefined);
			await at.blames.want(place);
			expect(asked).to.equal(2);
			expect(at.blames.of(own)).to.include({ label: 'A key of the test', by: at.document.me.id });
			expect(at.blames.of(thing), 'what was known stays').to.deep.equal(maker);
		} finally {
			globalThis.fetch = fetch;
		}
	});

	it('is told of options, and of the lines of a text', async () => {
		const at = await demo.open(app);
		await at.blames.want({ stratum: officeId, chapter: OPTIONS });
		const options = [
			...(at.profile.find(({ id }) => id === officeId)!.contents[OPTIONS] as Map<string, { path: string }>).values()
		];
		expect(options.length).to.be.greaterThan(0);
		expect(at.blames.of({ stratum: officeId, chapter: OPTIONS, thing: options[0]!.path })?.label).to.be.a('string');
		const typed = await demo.open(varve.application.id);
		const { id: stratum } = typed.profile.findLast((one) => one.kind !== 'factory' && one.contents[ALIASES])!;
		const place = { stratum, chapter: ALIASES };
		await typed.blames.want(place);
		expect(typed.blames.of({ ...place, thing: 1 })?.by).to.equal(typed.document.me.id);
		expect(typed.blames.of({ ...place, thing: 99_999 })).to.equal(undefined);
	});

	it('is nothing where the server does not answer, and does no harm', async () => {
		const at = await demo.open(app);
		const place = { stratum: 'gone' as StratumId, chapter: SHORTCUTS };
		await at.blames.want(place);
		expect(at.blames.of({ ...place, thing: 'x' })).to.equal(undefined);
	});
});
