import { shortcutIndex } from '../../core/answer/shortcut-index.ts';
import { catalogueOf } from '../../core/application/application.ts';
import { contextSpace } from '../../core/context/space.ts';
import { effectiveProfile } from '../../core/profile/effective.ts';
import { stratumOf, type Profile } from '../../core/profile/stratum.ts';
import { application, commands, entriesOf, factoryEntries, strata } from '../../demo/gneiss/gneiss.ts';
import { officeEdits } from '../../demo/gneiss/office.ts';

const linesOf = (stratum: string) =>
	officeEdits
		.filter((e) => e.stratum === stratum)
		.map((e) => e.lines.trim())
		.join('\n');

/** The strata of Altspur Cabins as the demo has them. */
export const demoProfile = (): Profile => [
	stratumOf(strata[0]!, factoryEntries),
	stratumOf(strata[1]!, entriesOf(linesOf('office'))),
	stratumOf(strata[2]!, entriesOf(linesOf('personal')))
];

export function demoIndex(profile: Profile = demoProfile()) {
	const space = contextSpace(application.axes, application.reachable);
	return shortcutIndex(effectiveProfile(profile), space, catalogueOf(commands, space), application.rules);
}
