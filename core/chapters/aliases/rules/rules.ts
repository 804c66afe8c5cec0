import type { AliasRule, AliasRuleId } from '../finding.ts';
import { clash } from './clash.ts';
import { duplicate } from './duplicate.ts';
import { hides } from './hides.ts';
import { locked } from './locked.ts';
import { moved } from './moved.ts';
import { orphan } from './orphan.ts';
import { pays } from './pays.ts';
import { prefix } from './prefix.ts';
import { spelling } from './spelling.ts';

export const ALIAS_RULES: Readonly<Record<AliasRuleId, AliasRule>> = {
	clash,
	prefix,
	hides,
	orphan,
	duplicate,
	spelling,
	moved,
	locked,
	pays
};
