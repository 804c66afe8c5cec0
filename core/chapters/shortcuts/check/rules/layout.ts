import { count } from '../../../../context/bits.ts';
import { deskLabel, type Trouble } from '../../../../keyboard/office-desks.ts';
import { labelOf, type CheckRule } from '../finding.ts';
import { listed } from '../../../../text/listed.ts';
import type { Severity } from '../../../../check/severity.ts';
import { goes, moves, respellings } from '../proposals.ts';

const SEVERITY: Readonly<Record<Trouble['kind'], Severity>> = {
	missing: 'error',
	pointer: 'error',
	dead: 'error',
	eaten: 'error',
	altgr: 'attention',
	shift: 'note',
	elsewhere: 'note',
	reads: 'note'
};

function sentence({ kind, desks, about }: Trouble, keys: string, label: string): string {
	const where = `At ${listed(desks.map(deskLabel))}`;
	switch (kind) {
		case 'missing':
			return `${where} no key makes ${keys}, so ${label} cannot be reached.`;
		case 'pointer':
			return `${where} the pointing device has no ${keys}, so ${label} cannot be reached.`;
		case 'dead':
			return `${where} ${about} is a dead key: it waits for the next letter, and ${keys} for ${label} does not arrive.`;
		case 'eaten':
			return `${where} ${keys} for ${label} is the same as AltGr with that key and types ${about}.`;
		case 'altgr':
			return `${where} ${about} needs AltGr, which ${keys} for ${label} does not contain.`;
		case 'shift':
			return `${where} ${about} needs Shift, on other keyboards it does not: ${keys} for ${label} is pressed with Shift there.`;
		case 'elsewhere':
			return `${where} ${keys} for ${label} is on a different key than on the other keyboards: ${about}.`;
		case 'reads':
			return `${where} the key of ${keys} for ${label} is labelled ${about}, unlike on the other keyboards.`;
	}
}

/** The stroke is missing, dead, eaten, hard to press or elsewhere on a layout in use. */
export const layout: CheckRule = {
	id: 'layout',
	title: 'Problem with a keyboard or pointer in use',
	onContest({ input, contenders }, { office }, report) {
		// what cannot be heard at all is told as that
		if (!input.isHeard) return;
		const troubles = office.troubles(input.keys);
		for (const { kind } of troubles) report.each(SEVERITY[kind], contenders, kind);
	},
	tell({ bindings: [binding], detail, witness: { keys } }, c) {
		const trouble = c.office.troubles(keys!).find((t) => t.kind === detail);
		return {
			sentence: trouble ? sentence(trouble, keys!, labelOf(c, binding!)) : '',
			count() {
				return count(c.index.reach(binding!));
			},
			causes: []
		};
	},
	proposals: ({ bindings: [binding], witness: { keys } }, c, _, pen) => [
		...respellings(c, pen, binding!, keys!),
		...moves(c, pen, binding!),
		goes(c, pen, binding!)
	]
};
