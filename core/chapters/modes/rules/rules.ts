import type { ModeRule } from '../finding.ts';
import { baseless } from './baseless.ts';
import { idle } from './idle.ts';
import { namesake } from './namesake.ts';

/** All rules, one file each. */
export const MODE_RULES: readonly ModeRule[] = [baseless, idle, namesake];
