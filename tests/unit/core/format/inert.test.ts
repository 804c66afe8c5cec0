import { expect } from 'chai';
import fc from 'fast-check';
import { byHeader, readCsv } from '../../../../core/format/csv.ts';
import { inert, plain } from '../../../../core/format/inert.ts';
import { markdownSheet } from '../../../../core/sheet/markdown.ts';
import { readShortcutsCsv, writeShortcutsCsv } from '../../../../core/hand-over/shortcuts-csv.ts';
import { catalogueOf } from '../../../../core/application/application.ts';
import { Command } from '../../../../core/application/command.ts';
import { contextSpace } from '../../../../core/context/space.ts';
import { Entry } from '../../../../core/shortcut/entry.ts';
import { stratumOf } from '../../strata.ts';
import { heads, plainCommand } from '../../arbitrary.ts';

const text = fc
	.array(fc.constantFrom(...["'", '=', '+', '-', '@', '\t', '\r', '\n', ' ', 'a', '1', '"', ',']), { maxLength: 6 })
	.map((signs) => signs.join(''));

describe('cells that a program for sheets would run', () => {
	it('are made inert, and come back as they were', () => {
		fc.assert(
			fc.property(text, (cell) => {
				// OWASP, CSV Injection: cells that begin with one of these
				expect(inert(cell)).to.not.match(/^[=+\-@\t\r]/);
				expect(plain(inert(cell))).to.equal(cell);
			}),
			{ numRuns: 2000 }
		);
	});

	it('are so in shortcuts as CSV, where labels with line ends are quoted besides (RFC 4180, 2.6)', () => {
		const axes = [{ id: 'a', label: 'A', nodes: [{ id: 'n', label: 'N' }] }] as never;
		const space = contextSpace(axes, [{}]);
		fc.assert(
			fc.property(
				text.filter((label) => label !== ''),
				(label) => {
					const command = Command.parse({ ...plainCommand(0, []), id: '=cmd', label });
					const entry = Entry.parse({ op: 'remove', command: '=cmd', keys: '-', scope: {}, rank: 0 });
					const csv = writeShortcutsCsv([stratumOf(heads[1]!, [entry])], catalogueOf([command], space));
					const { rows, refused } = readShortcutsCsv('f', csv);
					expect(refused).to.deep.equal([]);
					expect(rows.map(({ said: { op, keys, command } }) => [op, keys, command])).to.deep.equal([['remove', '-', '=cmd']]);
					const { header, records } = readCsv('f', csv);
					expect(byHeader(header, records[0]!)['label']).to.equal(label);
				}
			),
			{ numRuns: 500 }
		);
	});
});

describe('a printed sheet as Markdown', () => {
	it('says texts as they are: no links, pictures, code or cells of their own', () => {
		const rows = [
			['![x](http://a.b) <b>|*c*\nd', ['`', '|'], '[w](x)'],
			['www.example.org ~a~', [], '']
		];
		const sheet = markdownSheet({
			head: { application: 'T\n# U', setup: 'S', state: '', desk: 'D', date: '1 May 2026' },
			arrangement: 'category',
			sections: [{ name: 'G', columns: ['Command', 'Keys', 'Where'], rows }]
		});
		expect(sheet.split('\n').filter((line) => line.startsWith('# '))).to.deep.equal(['# T # U']);
		expect(sheet).to.include('!\\[x\\](http\\://a.b) &lt;b\\>\\|\\*c\\* d').and.include('`` ` ``').and.include('`\\|`');
		expect(sheet).to.include('www\\.example.org \\~a\\~');
		for (const line of sheet.split('\n').filter((l) => l.startsWith('| ') && !l.startsWith('| -')))
			expect(line.match(/(?<!\\)\|/g), line).to.have.length(4);
	});
});
