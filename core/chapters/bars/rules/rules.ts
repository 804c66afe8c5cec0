import type { BarRule } from '../finding.ts';
import { cover } from './cover.ts';
import { buried } from './buried.ts';
import { crowding } from './crowding.ts';
import { doubled } from './doubled.ts';
import { empty } from './empty.ts';
import { halved } from './halved.ts';
import { inert } from './inert.ts';
import { locked, lost } from './lost.ts';
import { moved } from './moved.ts';
import { nowhere } from './nowhere.ts';
import { orphan } from './orphan.ts';
import { twoNames } from './two-names.ts';
import { unopened } from './unopened.ts';
import { wordless } from './wordless.ts';

/** Every rule of bars. A new rule is one file of the same shape and one line here. */
export const BAR_RULES: readonly BarRule[] = [
	orphan,
	lost,
	locked,
	crowding,
	cover,
	nowhere,
	unopened,
	moved,
	buried,
	halved,
	doubled,
	inert,
	wordless,
	empty,
	twoNames
];
