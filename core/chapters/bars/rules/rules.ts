import type { BarRule } from '../finding.ts';
import { cover } from './cover.ts';
import { crowding } from './crowding.ts';
import { doubled } from './doubled.ts';
import { empty } from './empty.ts';
import { inert } from './inert.ts';
import { lost } from './lost.ts';
import { orphan } from './orphan.ts';
import { twoNames } from './two-names.ts';
import { wordless } from './wordless.ts';

/** Every rule of bars. A new rule is one file of the same shape and one line here. */
export const BAR_RULES: readonly BarRule[] = [orphan, lost, crowding, cover, doubled, inert, wordless, empty, twoNames];
