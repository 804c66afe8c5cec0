import { expect } from 'chai';
import { createPrivateKey, verify } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { BaseFetcher, Updater } from 'tuf-js';
import { DownloadHTTPError } from 'tuf-js/dist/error.js';
import { canonicalText } from '../../../core/format/canonical.ts';
import { releasePath, followingPath } from '../../../core/release/updates.ts';
import { varve } from '../../../demo/varve/varve.ts';
import { metadata, releases, signingKeys } from '../../../src/lib/server/db/schema.ts';
import { officeOn, type Office } from '../../../src/lib/server/office.ts';
import { Problem } from '../../../src/lib/server/problem.ts';
import { openStore } from './stores.ts';
import { keyOfPem, publicKeyOf, signerOf } from '../../../src/lib/server/signing/keys.ts';
import { RootKeys } from '../../../src/lib/server/signing/root-keys.ts';
import { LIFETIMES } from '../../../src/lib/server/signing/signing.ts';

const ID = varve.application.id;
const PHRASE = 'a rope and a pulley';
const HOUR = 3600_000;
const DAY = 24 * HOUR;

async function problem(work: Promise<unknown>): Promise<Problem> {
	try {
		await work;
	} catch (error) {
		expect(error).to.be.instanceOf(Problem);
		return error as Problem;
	}
	throw new Error('it was taken');
}

/** RFC 8032, 7.1, tests 1 to 3: secret key, public key, message, signature. */
const RFC_8032 = [
	[
		'9d61b19deffd5a60ba844af492ec2cc44449c5697b326919703bac031cae7f60',
		'd75a980182b10ab7d54bfed3c964073a0ee172f3daa62325af021a68f707511a',
		'',
		'e5564300c360ac729086e2cc806e828a84877f1eb8e5d974d873e065224901555fb8821590a33bacc61e39701cf9b46bd25bf5f0595bbe24655141438e7a100b'
	],
	[
		'4ccd089b28ff96da9db6c346ec114e0f5b8a319f35aba624da8cf6ed4fb8a6fb',
		'3d4017c3e843895a92b70aa74d1b7ebc9c982ccf2ec4968cc0cd55f12af4660c',
		'72',
		'92a009a9f0d4cab8720e820b5f642540a2b27b5416503f8fb3762223ebdb69da085ac1e43e15996e458f3613d0f11d8c387b2eaeb4302aeeb00d291612bb0c00'
	],
	[
		'c5aa8df43f9f837bedb7442f31dcb7b166d38535076f094b85ce3a2e0b4458f7',
		'fc51cd8e6218a1a38da47ed00230f0580816ed13ba3303ac5deb911548908025',
		'af82',
		'6291d657deec24024827e69c3abe01a30ce548a284743a445e3680d7db5ac3ac18ff9b538d16f290ae67f760984dc6594a7c15e9716ed28dc027beceea1ec40a'
	]
] as const;

describe('the keys that releases are signed with', () => {
	it('sign as RFC 8032, 7.1 has it', () => {
		for (const [secret, open, message, signature] of RFC_8032) {
			const der = Buffer.from(`302e020100300506032b657004220420${secret}`, 'hex');
			const pem = createPrivateKey({ key: der, format: 'der', type: 'pkcs8' }).export({ format: 'pem', type: 'pkcs8' }) as string;
			const key = keyOfPem(pem);
			expect(key.public.keyval.public).to.equal(open);
			const data = Buffer.from(message, 'hex');
			expect(signerOf(key)(data).sig).to.equal(signature);
			expect(verify(null, data, publicKeyOf(open), Buffer.from(signature, 'hex'))).to.equal(true);
		}
	});

	it('are named over canonical JSON as RFC 8785 has it (the examples of 3.2.2 and 3.2.3)', () => {
		const sorting = {
			'\u20ac': 'Euro Sign',
			'\r': 'Carriage Return',
			'\ufb33': 'Hebrew Letter Dalet With Dagesh',
			'1': 'One',
			'\ud83d\ude00': 'Emoji: Grinning Face',
			'\u0080': 'Control',
			'\u00f6': 'Latin Small Letter O With Diaeresis'
		};
		expect(
			Object.values(
				JSON.parse(
					`[${canonicalText(sorting)
						.slice(1, -1)
						.replaceAll(/"[^"]*":/g, '')}]`
				) as string[]
			)
		).to.deep.equal([
			'Carriage Return',
			'One',
			'Control',
			'Latin Small Letter O With Diaeresis',
			'Euro Sign',
			'Emoji: Grinning Face',
			'Hebrew Letter Dalet With Dagesh'
		]);
		const example = {
			numbers: [Number('333333333.33333329'), 1e30, 4.5, 2e-3, 1e-27],
			string: '\u20ac$\u000f\u000aA\'B"\\\\"/',
			literals: [null, true, false]
		};
		expect(canonicalText(example)).to.equal(
			'{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27],"string":"€$\\u000f\\nA\'B\\"\\\\\\\\\\"/"}'
		);
	});
});

describe('root keys in their folder', () => {
	let folder: string;
	beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'skarn-root-'))));
	afterEach(() => rmSync(folder, { recursive: true, force: true }));

	it('open with their passphrase only, and are nobody else’s to read', async () => {
		const keys = new RootKeys(join(folder, 'keys'), join(folder, 'data'));
		const { newKey } = await import('../../../src/lib/server/signing/keys.ts');
		const key = newKey();
		await keys.keep(key, PHRASE);
		const [name] = readdirSync(keys.folder) as [string];
		const file = join(keys.folder, name);
		expect(statSync(file).mode & 0o077, 'rights of others').to.equal(0);
		expect(readFileSync(file, 'utf8')).to.include('"N": 131072');
		expect(readFileSync(file, 'utf8')).to.not.include('PRIVATE KEY');
		expect(await keys.open([key.id], ['another phrase'])).to.deep.equal([]);
		const [opened] = await keys.open([key.id], ['another phrase', PHRASE]);
		expect(opened!.public).to.deep.equal(key.public);
		// a file that somebody has changed opens with nothing
		const said = JSON.parse(readFileSync(file, 'utf8')) as { tag: string };
		writeFileSync(file, JSON.stringify({ ...said, tag: Buffer.alloc(16).toString('base64') }));
		expect(await keys.open([key.id], [PHRASE])).to.deep.equal([]);
		writeFileSync(file, '{"format":');
		expect(keys.ids()).to.deep.equal([]);
	});

	it('do not lie in the data folder', () => {
		for (const inside of ['data', 'data/keys', './data/../data/x'])
			expect(() => new RootKeys(join(folder, inside), join(folder, 'data'))).to.throw('back-ups');
		expect(() => new RootKeys(join(folder, 'data.root-keys'), join(folder, 'data'))).not.to.throw();
	});
});

describe('what the server signs', function () {
	this.timeout(180_000);
	let folder: string;
	let office: Office;
	const now = new Date();
	const at = (later: number) => new Date(now.getTime() + later);

	/** A client that has begun with the root of that version, checked by tuf-js alone. */
	async function client(version = 1): Promise<{ updater(): Updater; dir: string }> {
		const dir = mkdtempSync(join(folder, 'client-'));
		writeFileSync(join(dir, 'root.json'), await office.signing.metadata(`${version}.root.json`));
		class Direct extends BaseFetcher {
			override fetch(): Promise<NodeJS.ReadableStream> {
				throw new Error('not used');
			}
			override async downloadBytes(url: string): Promise<Buffer> {
				const name = decodeURIComponent(new URL(url).pathname);
				try {
					const [, application, file] = /^\/files\/([^/]+)\/(.+)$/.exec(name) ?? [];
					return Buffer.from(
						application
							? await office.signing.file(application, file!)
							: await office.signing.metadata(name.replace('/metadata/', ''))
					);
				} catch (error) {
					throw error instanceof Problem ? new DownloadHTTPError(error.message, error.status) : error;
				}
			}
			override async downloadFile<T>(url: string, _: number, handler: (file: string) => Promise<T>): Promise<T> {
				const file = join(dir, '.part');
				writeFileSync(file, await this.downloadBytes(url));
				return handler(file);
			}
		}
		const updater = () =>
			new Updater({
				metadataDir: dir,
				metadataBaseUrl: 'http://office.test/metadata',
				targetDir: dir,
				targetBaseUrl: 'http://office.test/files',
				fetcher: new Direct()
			});
		return { updater, dir };
	}
	const get = async (updater: Updater, path: string): Promise<string> => {
		const info = await updater.getTargetInfo(path);
		expect(info, path).to.not.equal(undefined);
		return readFileSync(await updater.downloadTarget(info!, join(folder, 'got')), 'utf8');
	};
	const follows = async (updater: Updater) =>
		(JSON.parse(await get(updater, followingPath(ID))) as { rings: { release: number | null }[] }).rings.at(-1)!.release;

	before(async () => {
		folder = mkdtempSync(join(tmpdir(), 'skarn-signing-'));
		office = officeOn(await openStore(join(folder, 'data')), { lifetimes: LIFETIMES });
		const { application, commands, strata } = varve;
		await office.profiles.add({ application, commands, strata, factory: {} });
		for (const number of [1, 2]) {
			const file = `release ${number} of ${ID}`;
			const sha256 = (await import('node:crypto')).createHash('sha256').update(file).digest('hex');
			const said = { role: 'steward', notes: '', bytes: file.length, entries: 1, file, sha256 } as const;
			await office.store.db.insert(releases).values({ application: ID, number, at: now.toISOString(), ...said });
		}
		await office.rollouts.begin(ID, 2);
	});
	after(async () => {
		await office.store.close();
		rmSync(folder, { recursive: true, force: true });
	});

	/** Signing set up anew, with everyone at release 2. */
	const begin = async (phrases: readonly string[] = [PHRASE], threshold = 1) => {
		await office.signing.setUp(phrases, threshold, { isAnew: true, now });
		office.seats.forget();
		await office.rollouts.backTo(ID, 2);
	};

	it('is nothing before signing is set up', async () => {
		expect(await office.signing.state()).to.equal(null);
		expect(await office.signing.timestamp()).to.equal(null);
		expect((await problem(office.signing.metadata('timestamp.json'))).status).to.equal(404);
		expect((await problem(office.signing.root())).message).to.include('Set signing up in Rollout first');
		await office.signing.sign();
		expect(await office.store.db.select().from(metadata)).to.deep.equal([]);
	});

	it('is proved by tuf-js from the first root on: roles, delegation, files', async () => {
		await begin();
		const { updater } = await client();
		const first = updater();
		await first.refresh();
		expect(await get(first, releasePath(ID, 1))).to.equal(`release 1 of ${ID}`);
		expect(await get(first, releasePath(ID, 2))).to.equal(`release 2 of ${ID}`);
		expect(await follows(first)).to.equal(2);
		expect(await first.getTargetInfo(releasePath(ID, 3))).to.equal(undefined);
		expect(await first.getTargetInfo('elsewhere/1.json')).to.equal(undefined);
		await office.rollouts.backTo(ID, 1);
		expect(await follows(updater())).to.equal(1);
	});

	it('is set up once, with passphrases that are none to guess', async () => {
		for (const [phrases, threshold] of [
			[['short'], 1],
			[['aaaaaaaaaaaaaaaa'], 1],
			[[PHRASE], 2],
			[[PHRASE, PHRASE], 1],
			[[], 0]
		] as const)
			expect((await problem((async () => office.signing.setUp(phrases, threshold))())).status).to.equal(422);
		await begin();
		expect((await problem(office.signing.setUp([PHRASE], 1))).kind).to.equal('nothing-to-do');
		const roles = (await office.signing.state())!.roles.map(({ role }) => role).sort();
		expect(roles).to.deep.equal([`app.${ID}`, 'own-files', 'root', 'snapshot', 'targets', 'timestamp'].sort());
	});

	it('is signed anew only where something is new: each version counts up by one', async () => {
		await begin();
		const versions = async () =>
			Object.fromEntries((await office.signing.state())!.roles.map(({ role, version }) => [role, version]));
		const before = await versions();
		await office.signing.sign();
		expect(await versions()).to.deep.equal(before);
		await office.rollouts.backTo(ID, 1);
		expect(await versions()).to.deep.equal({ ...before, [`app.${ID}`]: 2, snapshot: 2, timestamp: 2 });
	});

	it('is renewed by the server before it holds no more, and by nobody else', async () => {
		await begin();
		const former = (await office.signing.state())!.roles;
		const before = (role: string) => former.find((one) => one.role === role)!.version;
		expect(await office.signing.renew(at(11 * HOUR))).to.equal(false);
		expect(await office.signing.renew(at(13 * HOUR))).to.equal(true);
		const { updater } = await client();
		await updater().refresh();
		const state = (await office.signing.state())!;
		const of = (role: string) => state.roles.find((one) => one.role === role)!;
		// only what is old by then
		expect([of('timestamp').version - before('timestamp'), of('snapshot').version - before('snapshot')]).to.deep.equal([1, 0]);
		expect(Date.parse(of('timestamp').expires) - at(13 * HOUR).getTime()).to.be.within(DAY - 2_000, DAY);
		await office.signing.renew(at(5 * DAY));
		expect((await office.signing.state())!.roles.find(({ role }) => role === 'snapshot')!.version).to.equal(
			before('snapshot') + 1
		);
	});

	for (const role of ['timestamp', 'snapshot', 'targets', `app.${ID}`, 'own-files'])
		it(`goes on with another key of ${role}, as after it was lost or seen: clients follow by the root that they have`, async () => {
			await begin();
			const { updater } = await client();
			await updater().refresh();
			// the key is gone
			await office.store.db.update(signingKeys).set({ pem: 'lost' }).where(eq(signingKeys.role, role));
			expect((await problem(office.signing.rotate(role, ['not the phrase']))).status).to.equal(401);
			await office.signing.rotate(role, [PHRASE]);
			await office.rollouts.backTo(ID, 1);
			const next = updater();
			await next.refresh();
			expect(await follows(next)).to.equal(1);
			expect((await problem(office.signing.rotate('nobody', [PHRASE]))).status).to.equal(404);
		});

	it('needs as many root keys as were agreed; one that is lost is replaced by the others', async () => {
		const phrases = ['first ladder up', 'second ladder up', 'third ladder up'];
		await begin(phrases, 2);
		const { updater } = await client();
		await updater().refresh();
		expect((await problem(office.signing.rotate('timestamp', [phrases[0]!]))).message).to.include(
			'2 main signing keys are needed'
		);
		const { roles } = (await office.signing.state())!;
		const lost = roles.find(({ role }) => role === 'root')!.keys[2]!;
		const file = readdirSync(office.signing.rootKeys.folder).find((name) => name.includes(lost.slice(0, 12)))!;
		rmSync(join(office.signing.rootKeys.folder, file));
		await office.signing.rotateRoot(phrases.slice(0, 2), { remove: [lost], add: ['fourth ladder up'] });
		const next = updater();
		await next.refresh();
		expect(await follows(next)).to.equal(2);
		const root = (await office.signing.state())!.roles.find(({ role }) => role === 'root')!;
		expect([root.version, root.keys.length, root.threshold]).to.deep.equal([2, 3, 2]);
		expect(root.keys).to.not.include(lost);
		// and on from there with the new one
		await office.signing.rotate('timestamp', [phrases[0]!, 'fourth ladder up']);
		await updater().refresh();
	});

	it('takes no root that too few of the new keys have signed, nor one without keys', async () => {
		await begin();
		const [key] = (await office.signing.state())!.roles.find(({ role }) => role === 'root')!.keys;
		expect((await problem(office.signing.rotateRoot([PHRASE], { remove: [key!] }))).status).to.equal(422);
		expect((await problem(office.signing.rotateRoot([PHRASE], { threshold: 2 }))).status).to.equal(422);
		await office.signing.rotateRoot([PHRASE], {}, at(DAY));
		expect((await office.signing.state())!.roles.find(({ role }) => role === 'root')!.version).to.equal(2);
	});

	it('says where the root keys should lie when they are away, and begins from nothing when they are lost', async () => {
		await begin();
		await office.seats.add(ID, 'C-01', '');
		const { code } = await office.enrolments.code('C-01');
		await office.enrolments.enrol({ code, key: RFC_8032[0][1] });
		renameSync(office.signing.rootKeys.folder, join(folder, 'in the safe'));
		const refused = await problem(office.signing.rotate('timestamp', [PHRASE]));
		expect(refused.kind).to.equal('needs-word');
		expect(refused.message).to.include(office.signing.rootKeys.folder).and.include('Copy their files there');
		await office.signing.setUp(['a new beginning'], 1, { isAnew: true });
		office.seats.forget();
		expect(await office.seats.keyOf('C-01')).to.equal(null);
		const { updater } = await client();
		expect(await follows(updater())).to.equal(2);
	});

	it('loses no name from a snapshot when an application goes (5.5.5), and delegates to one that comes', async () => {
		await begin();
		const { updater } = await client();
		await updater().refresh();
		await office.profiles.remove(ID);
		await office.signing.sign();
		const gone = updater();
		await gone.refresh();
		expect(await gone.getTargetInfo(releasePath(ID, 1))).to.equal(undefined);
		const { application, commands, strata } = varve;
		await office.profiles.add({ application: { ...application, id: 'other-1' as never }, commands, strata, factory: {} });
		await office.signing.sign();
		const next = updater();
		await next.refresh();
		expect(await get(next, followingPath('other-1'))).to.include('"application":"other-1"');
	});
});
