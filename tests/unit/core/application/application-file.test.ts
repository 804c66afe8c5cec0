import { expect } from 'chai';
import { applicationJson } from '../../../../cli/server.ts';
import { ApplicationFile, readApplicationFile } from '../../../../core/application/application-file.ts';
import { FileRefusedError } from '../../../../core/format/problem.ts';
import { gneiss } from '../../../../demo/gneiss/gneiss.ts';
import { tuff } from '../../../../demo/tuff/tuff.ts';
import { varve } from '../../../../demo/varve/varve.ts';
import { subjectOf } from '../../demo-office.ts';

const textOf = ({ application, commands }: typeof gneiss) => applicationJson({ application, commands, seats: [] });

function refusal(text: string): FileRefusedError {
	try {
		readApplicationFile('app.json', text);
	} catch (error) {
		if (error instanceof FileRefusedError) return error;
		throw error;
	}
	throw new Error('was not refused');
}

describe('application file', () => {
	for (const standIn of [gneiss, varve, tuff])
		it(`${standIn.application.name}: reads as its schema says, and commands exist where they did`, () => {
			const text = textOf(standIn);
			const { space, catalogue, ...read } = readApplicationFile('app.json', text);
			expect(read).to.deep.equal(ApplicationFile.parse(JSON.parse(text)));
			const before = subjectOf(standIn);
			for (const { id, contexts } of standIn.commands)
				expect([...space.bitsOfAny(catalogue.get(id)!.contexts)], id).to.deep.equal([...before.space.bitsOfAny(contexts)]);
		});

	it('shares what commands say alike, and leaves it as it is', () => {
		const { commands } = readApplicationFile('app.json', textOf(gneiss));
		const lists = new Map<string, unknown>();
		for (const { contexts } of commands) {
			const text = JSON.stringify(contexts);
			if (!lists.has(text)) lists.set(text, contexts);
			expect(contexts).to.equal(lists.get(text));
			expect(Object.isFrozen(contexts)).to.equal(true);
		}
		expect(lists.size).to.be.lessThan(commands.length);
	});

	it('refuses contexts that are none, with line and pointer, as it would without sharing', () => {
		const document = JSON.parse(textOf(gneiss)) as { commands: { contexts: unknown }[] };
		for (const wrong of [5, [5], [{ document: [] }], [{ document: 'part' }]]) {
			document.commands[3]!.contexts = wrong;
			const [problem] = refusal(JSON.stringify(document, null, '\t')).problems;
			expect(problem!.pointer).to.match(/^\/commands\/3\/contexts/);
			expect(problem!.line).to.be.greaterThan(1);
		}
		delete (document.commands[3] as { contexts?: unknown }).contexts;
		expect(refusal(JSON.stringify(document)).problems[0]!.pointer).to.equal('/commands/3/contexts');
	});

	it('refuses a command in a context that the application does not have, by its name', () => {
		const document = JSON.parse(textOf(gneiss)) as { commands: { id: string; contexts: unknown }[] };
		document.commands[3]!.contexts = [{ document: ['no-such'] }];
		expect(refusal(JSON.stringify(document)).message)
			.to.include(document.commands[3]!.id)
			.and.include('no-such');
	});
});
