import { expect } from 'chai';
import { spawnSync } from 'node:child_process';

describe('npm run demo', () => {
	it('does not open an office without passwords to a network, unless that is meant', () => {
		for (const HOST of ['0.0.0.0', '::', '192.0.2.7']) {
			const { status, stderr } = spawnSync(process.execPath, ['scripts/demo.mjs'], {
				env: { ...process.env, HOST },
				encoding: 'utf8',
				timeout: 60_000
			});
			expect(status, HOST).to.equal(2);
			expect(stderr).to.include(`HOST=${HOST}`).and.include('--network').and.include('code');
		}
	});
});
