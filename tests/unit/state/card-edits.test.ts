import { expect } from 'chai';
import type { Keys } from '../../../core/stroke/stroke.ts';
import type { StratumId } from '../../../core/strata/stratum.ts';
import { put, takeAway } from '../../../core/answer/choices.ts';
import { ofShortcuts } from '../../../core/shortcut/change.ts';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { office } from '../page/office.ts';

describe('what is done to the shortcuts of a command on its card', () => {
	const demo = office();
	async function open() {
		const at = await demo.open(gneiss.application.id);
		const card = (id: string) => new demo.browser.CardEdits(at, () => at.catalogue.get(id as never)!);
		const keysOf = (id: string) => at.index.of(id as never).map((b) => b.keys as string);
		return { at, card, keysOf };
	}

	it('is locked for the strata above, and unlocked', async () => {
		const { at, card } = await open();
		at.writeTo('office' as StratumId);
		const binding = () => at.index.of('file.save' as never).find((b) => b.keys === 'Ctrl+S')!;
		expect(await card('file.save').lock(binding(), true)).to.equal(true);
		expect(binding().lockedBy).to.equal('office');
		expect(await card('file.save').lock(binding(), false)).to.equal(true);
		expect(binding().lockedBy).to.equal(undefined);
		at.writeTo('personal' as StratumId);
	});

	it('goes back to factory with the keys that were taken from others for it, or says why not', async () => {
		const { at, card, keysOf } = await open();
		const earlier = at.edits.undoable.length;
		const { profile, index, targetId } = at;
		const victim = index.of('file.save' as never).find((b) => b.keys === 'Ctrl+S')!;
		const taken = { command: 'inspect.mass' as never, keys: 'Ctrl+S' as Keys, scope: {} };
		const changes = ofShortcuts([...put(profile, targetId, taken), ...takeAway(index, profile, targetId, victim, 1)]);
		expect(await at.edits.commit('take it', changes)).to.equal(true);
		expect([keysOf('inspect.mass'), keysOf('file.save')].map((keys) => keys.includes('Ctrl+S'))).to.deep.equal([true, false]);
		await card('inspect.mass').backToFactory();
		expect([keysOf('inspect.mass'), keysOf('file.save')].map((keys) => keys.includes('Ctrl+S'))).to.deep.equal([false, true]);
		await at.edits.undo();
		// somebody else has it by then
		const third = { command: 'inspect.measure' as never, keys: 'Ctrl+S' as Keys, scope: {} };
		await at.edits.commit('a third', ofShortcuts(put(at.profile, at.targetId, third, 3)));
		await card('inspect.mass').backToFactory();
		expect(keysOf('file.save').includes('Ctrl+S')).to.equal(false);
		expect(at.notice?.text).to.match(/Ctrl\+S cannot return to Save: Measure uses it now/);
		while (at.edits.undoable.length > earlier) await at.edits.undo();
	});
});
