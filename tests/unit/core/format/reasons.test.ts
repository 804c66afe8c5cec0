import { expect } from 'chai';
import { parse, stringify } from 'yaml';
import { parseJson } from '../../../../core/format/json.ts';
import { xmlParser } from '../../../../core/format/xml.ts';
import { yamlDocument } from '../../../../core/format/yaml.ts';
import { refusal } from '../../refusal.ts';

const problemOf = (read: () => unknown) => {
	const { problems } = refusal(read);
	return `${problems[0]!.line}:${problems[0]!.column} ${problems[0]!.message}`;
};
const yaml = (text: string) => problemOf(() => yamlDocument('x.yaml', text));
const xml = (text: string) => problemOf(() => xmlParser('x.xml', text).parse());
const json = (text: string) => problemOf(() => parseJson('x.json', text));

// what is wrong is told in one's own words, never in those of a parser; where it is, by the grammar of each format
// (YAML 1.2.2, XML 1.0, RFC 8259)
describe('why a file is not what it should be', () => {
	it('tells of YAML', () => {
		expect(yaml('a: 1\na: 2\n')).to.equal('2:1 not YAML: a name appears twice in one map');
		expect(yaml('a: b: c\n')).to.match(/^1:4 not YAML: a second colon/);
		expect(yaml('a: "b\n')).to.match(/not YAML: a colon, a comma, a quote or a bracket is missing/);
		expect(yaml('a: @b\n')).to.match(/^1:4 not YAML: a value cannot begin with this character/);
		expect(yaml('a: 1\n---\nb: 2\n')).to.match(/not YAML: a second document begins/);
	});

	it('tells of XML', () => {
		expect(xml('<a><b></a>')).to.match(/not XML: an element is closed here while one inside/);
		expect(xml('<a><b>')).to.match(/not XML: the element \w is not closed before the file ends/);
		expect(xml('<a x="1" x="2"/>')).to.match(/not XML: the attribute x appears twice/);
		expect(xml('<a x=1/>')).to.match(/not XML: the value of an attribute needs quotes/);
		expect(xml('<a>&nix;</a>')).to.match(/not XML: what follows & is not an entity/);
		expect(xml('<a/><b/>')).to.match(/not XML: a second root element/);
		expect(xml('')).to.match(/not XML: there is no element in the file/);
		expect(xml('<a/>text')).to.match(/not XML: there is text outside/);
	});

	it('tells of JSON', () => {
		expect(json('{"a": 1 "b": 2}')).to.match(/^1:9 not JSON: a comma is expected/);
		expect(json('{"a" 1}')).to.match(/^1:6 not JSON: a colon is expected/);
		expect(json('[1, 2')).to.match(/not JSON: a \] is missing/);
		expect(json('[1] 2')).to.match(/^1:5 not JSON: something follows after the end/);
		expect(json('["\u0001"]')).to.match(/not JSON: a control character/);
	});

	it('has words for every file cut anywhere and for every sign put in', () => {
		const tree = { a: [{ b: 'c', d: ['e', 1, { f: null }] }], 'g h': { i: 'j: k', l: true } };
		const wholes: [string, (text: string) => string, (text: string) => boolean][] = [
			[stringify(tree), yaml, (text) => sound(() => parse(text, { logLevel: 'silent' }))],
			['<?xml version="1.0"?>\n<a b="1"><!-- c --><d e="f">g &amp; h</d><i/></a>', xml, () => false],
			[JSON.stringify(tree, null, 1), json, (text) => sound(() => JSON.parse(text) as unknown)]
		];
		for (const [whole, tell, isSound] of wholes)
			for (let i = 0; i <= whole.length; i++)
				for (const sign of ['', '<', '&', '"', '{', ']', ':', '\t', '%', '\\', '-'])
					for (const text of [whole.slice(0, i) + sign, whole.slice(0, i) + sign + whole.slice(i)]) {
						if (isSound(text)) continue;
						let told: string;
						try {
							told = tell(text);
						} catch {
							continue; // it was read
						}
						expect(told, text).to.match(/^\d+:\d+ not (YAML|XML|JSON): [^A-Z`[]|the file is empty|a document type/);
						expect(told, text).not.to.match(/implicit|flow|token|disallowed|unexpected|malformed|tag/i);
					}
	});
});

function sound(read: () => unknown): boolean {
	try {
		read();
		return true;
	} catch {
		return false;
	}
}
