import type { OptionRule } from '../finding.ts';
import { locked } from './locked.ts';
import { moved } from './moved.ts';
import { orphan } from './orphan.ts';
import { range } from './range.ts';
import { restart } from './restart.ts';

/** Every rule of options. A new rule is one file of the same shape and one line here. */
export const OPTION_RULES: readonly OptionRule[] = [range, orphan, locked, moved, restart];
