import { expect } from 'chai';
import { takenKeyFor } from '../../../../core/answer/taken-key.ts';
import { resolve } from '../../../../core/answer/resolve.ts';
import { indexOf } from '../../../../core/profile/circumstances.ts';
import { withShortcuts } from '../../../../core/shortcut/entry.ts';
import { standIns } from '../../../../demo/fill.ts';
import { gneiss } from '../../../../demo/gneiss/gneiss.ts';
import { demoProfile, subjectOf } from '../../demo-office.ts';

describe('A taken key for the tour', () => {
	for (const program of standIns)
		it(`exists in ${program.application.id}: it runs its owner where the tour takes place`, () => {
			const profile = demoProfile(program);
			const index = indexOf(subjectOf(program), profile);
			const commands = program.commands.filter(({ kind }) => kind === 'interactive');
			const found = takenKeyFor(index, profile, profile.at(-1)!.id, commands)!;
			expect(found.owner).to.not.equal(found.command);
			const outcome = resolve(index, found.keys, found.situation);
			expect(outcome.kind === 'fires' && outcome.winner.command).to.equal(found.owner);
		});

	it('is undefined where no other command has a plain key', () => {
		const [factory] = demoProfile(gneiss);
		const bare = [withShortcuts(factory!, gneiss.entriesOf('set | Ctrl+Alt+K | solid.box | any'))];
		const command = gneiss.commands.find(({ id }) => id === 'solid.extrude') ?? gneiss.commands[0]!;
		expect(takenKeyFor(indexOf(subjectOf(gneiss), bare), bare, bare[0]!.id, [command])).to.equal(undefined);
	});
});
