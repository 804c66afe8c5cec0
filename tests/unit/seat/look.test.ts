import { expect } from 'chai';
import { mkdirSync, mkdtempSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { lookAt, placeOf } from '../../../seat/look.ts';

describe('what a workstation finds on its drives', () => {
	it('lies below the folder that stands for them, and never beside it', () => {
		expect(placeOf('/d', 'P:\\own\\names.txt')).to.equal('/d/P/own/names.txt');
		expect(placeOf('/d', 'S:/Standard//names.txt')).to.equal('/d/S/Standard/names.txt');
		expect(placeOf('/d', '\\\\office\\standard\\names.txt')).to.equal('/d/office/standard/names.txt');
		expect(placeOf('/d', 'P:/own/../../names.txt')).to.equal(undefined);
	});

	it('is told by the paths that were asked for, with the time of each file', () => {
		const drives = mkdtempSync(join(tmpdir(), 'skarn-drives-'));
		mkdirSync(join(drives, 'P/own/names.d'), { recursive: true });
		writeFileSync(join(drives, 'P/own/names.txt'), 'x');
		utimesSync(join(drives, 'P/own/names.txt'), 1_700_000_000, 1_700_000_000);
		expect(lookAt(drives, ['P:/own/names.txt', 'P:/own/names.d', 'S:/names.txt'])).to.deep.equal([
			{ path: 'P:/own/names.txt', modified: '2023-11-14T22:13:20.000Z' }
		]);
		rmSync(drives, { recursive: true });
	});
});
