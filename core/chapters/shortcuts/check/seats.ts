import { deskLabel, type OfficeDesks } from '../../../keyboard/office-desks.ts';
import type { Finding } from './finding.ts';

/** Which seats a finding about keys is about: those with the trouble for the layout rule, all for the others. */
export function seatsOf({ rule, detail, witness }: Finding, office: OfficeDesks): string {
	const trouble = rule === 'layout' && office.troubles(witness.keys!).find((t) => t.kind === detail);
	return trouble ? trouble.desks.map(deskLabel).join(', ') : 'Every seat';
}
