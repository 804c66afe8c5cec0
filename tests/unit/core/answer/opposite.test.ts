import { expect } from 'chai';
import type { CommandId } from '../../../../core/application/command.ts';
import { oppositeOffer } from '../../../../core/answer/opposite.ts';
import { indexOf } from '../../../../core/profile/circumstances.ts';
import { withShortcuts } from '../../../../core/shortcut/entry.ts';
import { gneiss } from '../../../../demo/gneiss/gneiss.ts';
import { demoProfile, subjectOf } from '../../demo-office.ts';

const subject = subjectOf(gneiss);
const [hide, show] = gneiss.commands.flatMap((c) => {
	const other = gneiss.commands.find((o) => o.id === c.opposite);
	return other && c.contexts.length === other.contexts.length ? [[c, other] as const] : [];
})[0]!;
/** The program with these lines alone. */
const withLines = (lines: string) => {
	const [factory] = demoProfile(gneiss);
	return indexOf(subject, [withShortcuts(factory!, lines === '' ? [] : gneiss.entriesOf(lines))]);
};

describe('Shift for the opposite', () => {
	it('is offered where one has a plain key, the other none, and Shift with it is free', () => {
		const offer = oppositeOffer(withLines(`set | Alt+H | ${hide.id} | any`), hide.id);
		expect(offer).to.deep.include({ has: hide.id, command: show.id, keys: 'Alt+Shift+H' });
		expect(oppositeOffer(withLines(`set | Alt+H | ${hide.id} | any`), show.id), 'from the other side too').to.deep.equal(offer);
	});

	it('is not where it is taken, where both have keys or none has, and for keys that Shift makes another sign of', () => {
		const other = gneiss.commands.find((c) => c.id !== hide.id && c.id !== show.id && c.contexts.length === 0)!.id;
		for (const lines of [
			`set | Alt+H | ${hide.id} | any\nset | Alt+Shift+H | ${other} | any`,
			`set | Alt+H | ${hide.id} | any\nset | Alt+J | ${show.id} | any`,
			`set | Alt+Shift+H | ${hide.id} | any`,
			`set | Alt+7 | ${hide.id} | any`,
			`set | Alt+H J | ${hide.id} | any`,
			''
		])
			expect(oppositeOffer(withLines(lines), hide.id), lines).to.equal(undefined);
		expect(oppositeOffer(withLines(''), 'no.such' as CommandId)).to.equal(undefined);
	});
});
