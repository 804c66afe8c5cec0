import { expect } from 'chai';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import type { CommandId } from '../../../core/application/command.ts';
import { seeded } from '../../../core/hand/simulated.ts';
import { resolve } from '../../../core/answer/resolve.ts';
import type { Keys } from '../../../core/stroke/stroke.ts';
import { office } from '../page/office.ts';

describe('the stopwatch of the bench', () => {
	const demo = office();
	async function open() {
		const at = await demo.open(gneiss.application.id);
		at.standIn(at.space.situations.findIndex((s) => (s[0] as string) === 'part.solids'));
		return { at, watch: new demo.browser.Stopwatch(at, seeded(4)) };
	}

	it('asks for commands that some input runs there, the same one never twice', async () => {
		const { at, watch } = await open();
		watch.begin(0);
		const asked: CommandId[] = [];
		for (let now = 100; watch.wanted !== undefined; now += 100) {
			asked.push(watch.wanted);
			watch.pass(now);
		}
		expect(asked).to.have.length(8);
		expect(new Set(asked).size).to.equal(8);
		for (const command of asked) {
			const runs = at.index
				.of(command)
				.some(({ keys }) => ['fires', 'chooser', 'waits'].includes(resolve(at.index, keys, at.situation).kind));
			expect(runs, command).to.equal(true);
		}
		expect(watch.middle).to.equal(undefined);
	});

	it('measures from when a command is asked for until it runs, and counts what else ran before', async () => {
		const { watch } = await open();
		watch.begin(1_000, 7);
		const first = watch.wanted!;
		// what had happened before does not count, and neither does what happens twice
		watch.hear({ id: 7, ran: first, keys: undefined }, 1_100);
		expect(watch.wanted).to.equal(first);
		watch.hear({ id: 8, ran: 'edit.undo' as CommandId, keys: 'Ctrl+Z' as Keys }, 1_500);
		watch.hear({ id: 8, ran: 'edit.undo' as CommandId, keys: 'Ctrl+Z' as Keys }, 1_500);
		watch.hear({ id: 9, ran: undefined, keys: 'X' as Keys }, 1_600);
		watch.hear({ id: 10, ran: first, keys: 'RightFlick0' as Keys }, 2_400);
		expect(watch.laps).to.deep.equal([{ command: first, ms: 1_400, keys: 'RightFlick0', wrong: 1 }]);
		const second = watch.wanted!;
		watch.hear({ id: 11, ran: second, keys: undefined }, 2_700);
		expect(watch.laps[1]).to.deep.equal({ command: second, ms: 300, keys: undefined, wrong: 0 });
		expect(watch.middle).to.equal(1_400);
		watch.stop();
		expect([watch.wanted, watch.laps.length]).to.deep.equal([undefined, 2]);
		watch.hear({ id: 12, ran: second, keys: undefined }, 3_000);
		expect(watch.laps).to.have.length(2);
	});
});
