import type { OpenApplication } from '../application/application.ts';
import { aliasTable } from '../chapters/aliases/table.ts';
import { BOARDS } from '../keyboard/board.ts';
import { LAYOUTS } from '../keyboard/layouts.ts';
import { officeDesks, type OfficeDesks } from '../keyboard/office-desks.ts';
import { indexOf } from '../profile/circumstances.ts';
import type { Profile } from '../strata/stratum.ts';
import type { SheetPlatform } from './ground.ts';
import { sheetOf, type Arrangement, type Sheet } from './sheet.ts';

/** What somebody wants on a sheet. */
export interface SheetWish {
	readonly arrangement: Arrangement;
	/** At least one; side by side if there are more. */
	readonly platforms: readonly SheetPlatform[];
	/** Whose setup it is, as the head says it. */
	readonly setup: string;
	/** Which state of the setup it is, in words. */
	readonly state: string;
	readonly date: Date;
}

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' });

/** The sheet of what these strata bring into force, for the desk of most seats. */
export function sheetOfProfile(
	opened: OpenApplication,
	strata: Profile,
	desks: OfficeDesks['desks'],
	{ arrangement, platforms, setup, state, date }: SheetWish
): Sheet {
	const { application } = opened;
	const office = officeDesks(application.rules, desks);
	const { usual } = office;
	const head = {
		application: `${application.name} ${application.version}`,
		setup,
		state,
		desk: `${BOARDS[usual.board].name}; ${LAYOUTS[usual.layout].name} layout`,
		date: DAY.format(date)
	};
	const input = application.rules.aliases;
	return sheetOf(head, arrangement, {
		index: indexOf(opened, strata),
		office,
		desk: usual,
		aliases: input ? aliasTable(strata, input).byCommand : new Map(),
		platforms
	});
}
