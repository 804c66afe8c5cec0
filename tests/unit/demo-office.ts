import type { Circumstances } from '../../core/check/circumstances.ts';
import type { OpenApplication } from '../../core/application/application.ts';
import { circumstancesOf, indexOf } from '../../core/profile/circumstances.ts';
import { catalogueOf } from '../../core/application/application.ts';
import { contextSpace } from '../../core/context/space.ts';
import { desksOf } from '../../core/keyboard/desk.ts';
import type { Profile } from '../../core/strata/stratum.ts';
import { gneiss } from '../../demo/gneiss/gneiss.ts';
import { seats } from '../../demo/office.ts';
import type { StandIn } from '../../demo/stand-in.ts';

export const subjectOf = ({ application, commands }: StandIn): OpenApplication => {
	const space = contextSpace(application.axes, application.reachable);
	return { application, space, catalogue: catalogueOf(commands, space) };
};

/** The strata of Altspur Cabins as the demo has them after so many of its edits, all when left out. */
export const demoProfile = (standIn: StandIn = gneiss, after = standIn.edits.length): Profile =>
	standIn.history()[after - 1]!.profile;

export const demoIndex = (profile: Profile = demoProfile()) => indexOf(subjectOf(gneiss), profile);

/** What the demo's check looks at, with the desks of its seats and its last release. */
export function demoCircumstances(standIn: StandIn, profile: Profile = demoProfile(standIn)): Circumstances {
	const last = standIn.releases.at(-1);
	const released = last ? demoProfile(standIn, last.after)[1]! : null;
	return circumstancesOf(subjectOf(standIn), profile, desksOf(seats), released);
}
