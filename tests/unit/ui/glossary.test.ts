import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { GLOSSARY } from '../../../src/lib/ui/glossary.ts';

describe('The glossary', () => {
	const page = readFileSync(new URL('../../../docs/glossary.md', import.meta.url), 'utf8');
	const rows = page
		.split('\n')
		.filter((line) => line.startsWith('| **'))
		.map((line) => line.split('|').map((cell) => cell.trim().replaceAll('**', '')));

	it('is the same in the help and in the docs', () => {
		expect(GLOSSARY.map(({ word, meaning, also }) => ['', word, meaning, also, ''])).to.deep.equal(rows);
	});

	it('explains twenty words, each in one sentence', () => {
		expect(GLOSSARY.length).to.equal(20);
		for (const { word, meaning } of GLOSSARY) expect(meaning, word).to.match(/^[A-Z].*\.$/);
	});
});
