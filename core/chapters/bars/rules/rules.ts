import type { BarRule } from '../finding.ts';
import { crowding } from './crowding.ts';
import { doubled } from './doubled.ts';
import { empty } from './empty.ts';
import { inert } from './inert.ts';
import { lost } from './lost.ts';
import { orphan } from './orphan.ts';
import { twoNames } from './two-names.ts';

/** Every rule of bars. A new rule is one file of the same shape and one line here. */
export const BAR_RULES: readonly BarRule[] = [orphan, lost, crowding, doubled, inert, empty, twoNames];
