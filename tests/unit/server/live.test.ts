import { expect } from 'chai';
import { Live } from '../../../src/lib/server/live.ts';
import { fillDemo } from '../../../demo/fill.ts';
import { officeOf } from '../../../src/lib/server/office.ts';
import { serverInside, type Inside } from '../page/inside.ts';

const decoder = new TextDecoder();

/** The events of a stream, as the HTML Living Standard reads them (9.2.6): the data of each block. */
async function nextOf(reader: ReadableStreamDefaultReader<Uint8Array>): Promise<unknown> {
	for (;;) {
		const { value, done } = await reader.read();
		if (done) return undefined;
		const data = decoder
			.decode(value)
			.split('\n')
			.flatMap((line) => (line.startsWith('data: ') ? [line.slice(6)] : []));
		if (data.length > 0) return JSON.parse(data.join('\n'));
	}
}

describe('what open pages hear', () => {
	it('is told to all of them, and to none that has gone', async () => {
		const live = new Live();
		const [a, b] = [live.stream()!.getReader(), live.stream()!.getReader()];
		expect(live.listeners).to.equal(2);
		live.tell({ application: 'x', revision: 4 });
		expect([await nextOf(a), await nextOf(b)]).to.deep.equal([
			{ application: 'x', revision: 4 },
			{ application: 'x', revision: 4 }
		]);
		await a.cancel();
		expect(live.listeners).to.equal(1);
		live.tell({ application: 'y' });
		expect(await nextOf(b)).to.deep.equal({ application: 'y' });
		live.end();
		expect([live.listeners, await nextOf(b)]).to.deep.equal([0, undefined]);
	});

	it('ends for somebody who is not here any more, and for nobody else', async () => {
		const live = new Live();
		const [gone, here] = [live.stream('gone')!.getReader(), live.stream('here')!.getReader()];
		for (const reader of [gone, here]) await reader.read();
		live.dismiss('gone');
		expect((await gone.read()).done).to.equal(true);
		expect(live.listeners).to.equal(1);
		live.tell({ application: 'a' });
		expect((await here.read()).done).to.equal(false);
		live.end();
	});

	it('does not pile up for one that does not read', async () => {
		const live = new Live();
		live.stream();
		for (let i = 0; i < 3_000; i++) live.tell({ application: 'x', revision: i });
		expect(live.listeners).to.equal(0);
	});

	it('has an end to how many may listen', () => {
		const live = new Live();
		const streams = Array.from({ length: 2_001 }, () => live.stream());
		expect([streams.filter(Boolean).length, streams.at(-1)]).to.deep.equal([2_000, undefined]);
		live.end();
	});

	describe('through the routes', () => {
		let server: Inside;
		before(async () => {
			server = serverInside();
			await fillDemo(server.address);
		});
		after(() => server.close());

		it('are edits with their revision, and everything else that is written to an application', async () => {
			const app = '/api/applications/gneiss-solid-5';
			const answer = await server.ask('/api/live');
			expect(answer.headers.get('content-type')).to.equal('text/event-stream');
			const reader = answer.body!.getReader();
			const { revision } = (await (await server.ask(app)).json()) as { revision: number };
			const undone = await server.ask(`${app}/undo`, 'POST', { base: revision, stratum: 'personal' });
			expect(undone.status).to.equal(200);
			expect(await nextOf(reader)).to.deep.equal({
				application: 'gneiss-solid-5',
				revision: revision + 1,
				strata: ['personal']
			});
			expect((await server.ask(`${app}/undo`, 'POST', { base: 0, stratum: 'personal' })).status, 'refused').to.equal(409);
			await server.ask(`${app}/command-line`, 'PUT', { aliases: null });
			expect(await nextOf(reader), 'what was refused is not told').to.deep.equal({
				application: 'gneiss-solid-5',
				about: 'program'
			});
			await server.ask(`${app}/setups`, 'POST', { name: 'Moulds', strata: ['office'] });
			expect(await nextOf(reader)).to.deep.equal({ application: 'gneiss-solid-5', about: 'setups' });
			await server.ask('/api/strata', 'POST', { id: 'glass', kind: 'discipline', name: 'Glass' });
			expect(await nextOf(reader), 'of the whole office').to.deep.equal({ about: 'people' });
			const { application, commands } = (await (await server.ask(app)).json()) as Record<string, unknown>;
			expect((await server.ask(`${app}?preview`, 'PUT', { application, commands })).status).to.equal(200);
			expect((await server.ask(app, 'PUT', { application, commands })).status).to.equal(200);
			expect(await nextOf(reader), 'a look at it is not told').to.deep.equal({
				application: 'gneiss-solid-5',
				about: 'program'
			});
			await reader.cancel();
			expect((await officeOf()).live.listeners).to.equal(0);
		});
	});
});
