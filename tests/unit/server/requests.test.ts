import { expect } from 'chai';
import fc from 'fast-check';
import { hostsFrom, refusalOf } from '../../../scripts/front.mjs';
import { isPlainText, plainJson, PlainJsonError } from '../../../src/lib/server/plain-json.ts';

function refused(text: string): PlainJsonError {
	try {
		plainJson(text);
	} catch (error) {
		if (error instanceof PlainJsonError) return error;
		throw error;
	}
	throw new Error('was not refused');
}

describe('bodies of requests', () => {
	it('are what the JSON of the language says', () => {
		fc.assert(
			fc.property(fc.jsonValue({ maxDepth: 5 }), (value) => {
				const text = JSON.stringify(value);
				const isPlain = !/\\u0000|\\u[dD][89a-fA-F]/.test(text) && text.isWellFormed() && !text.includes('\u0000');
				if (isPlain) expect(plainJson(text)).to.deep.equal(JSON.parse(text));
			}),
			{ numRuns: 500 }
		);
	});

	it('are refused for a NUL and for half of a pair in any text or name, with the place', () => {
		expect(refused('{"a":[{"b":"x\\u0000"}]}')).to.include({ status: 400, pointer: '/a/0/b' });
		expect(refused('{"a":{"b/\\ud800":1}}').pointer).to.equal('/a/b~1\ud800');
		expect(refused(`["${'\ud83d'}"]`).pointer).to.equal('/0');
		expect(plainJson('["\\ud83d\\ude00", "\\\\u0000"]')).to.deep.equal(['😀', '\\u0000']);
		expect([isPlainText('a'), isPlainText('a\u0000'), isPlainText('\udc00')]).to.deep.equal([true, false, false]);
	});

	it('are refused before they are read when they are too deep or too many', () => {
		expect(refused('['.repeat(1_000_000))).to.include({ status: 400 });
		expect(refused('['.repeat(65) + ']'.repeat(65)).message).to.include('more than 64');
		expect(plainJson('['.repeat(64) + ']'.repeat(64))).to.be.an('array');
		expect(plainJson(JSON.stringify(['[['.repeat(100), '"\\['.repeat(80)]))).to.have.length(2);
		expect(refused(`[${'1,'.repeat(3_000_001)}1]`)).to.include({ status: 413 });
		expect(refused('{"a":')).to.include({ status: 400, kind: 'not-json' });
	});
});

describe('what is let through to the application', () => {
	const ask = (method: string, url: string, headers: Record<string, string> = {}) =>
		refusalOf({ method, url, headers: { host: '127.0.0.1:5180', ...headers } }, hostsFrom('cad.office, '));

	it('are requests to its own names', () => {
		for (const host of ['localhost', '127.0.0.1:5180', '[::1]:5180', 'cad.office'])
			expect(ask('GET', '/', { host }), host).to.equal(undefined);
		for (const host of ['', 'evil.example', '127.0.0.1.evil.example'])
			expect(ask('GET', '/favicon.svg', { host }), host).to.include({ status: 403, kind: 'foreign-origin' });
	});

	it('are no writes of other sites, and no questions of theirs that cost', () => {
		const origin = 'http://evil.example';
		expect(ask('POST', '/api/applications', { origin })).to.include({ status: 403 });
		expect(ask('POST', '/api/x', { origin: 'http://127.0.0.1:5180', 'content-type': 'application/json' })).to.equal(undefined);
		expect(ask('GET', '/api/backup', { 'sec-fetch-site': 'cross-site' })).to.include({ status: 403 });
		for (const site of ['same-origin', 'none']) expect(ask('GET', '/api/backup', { 'sec-fetch-site': site })).to.equal(undefined);
		expect(ask('GET', '/', { 'sec-fetch-site': 'cross-site' }), 'a link to a page').to.equal(undefined);
	});

	it('are addresses that can be read, and bodies of JSON', () => {
		expect(ask('GET', '/api/%E0%A4%A')).to.include({ status: 400, kind: 'not-sound' });
		expect(ask('POST', '/api/x', { 'content-length': '2', 'content-type': 'text/plain' })).to.include({ status: 415 });
		expect(ask('POST', '/api/x', { 'transfer-encoding': 'chunked' })).to.include({ status: 415 });
		expect(ask('PUT', '/api/x', { 'content-length': '2', 'content-type': 'application/json; charset=utf-8' })).to.equal(
			undefined
		);
		expect(ask('PUT', '/api/x')).to.equal(undefined);
	});
});
