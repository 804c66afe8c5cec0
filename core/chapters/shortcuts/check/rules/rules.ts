import type { CheckRule, RuleId } from '../finding.ts';
import { clash } from './clash.ts';
import { dead } from './dead.ts';
import { duplicate } from './duplicate.ts';
import { layout } from './layout.ts';
import { locked } from './locked.ts';
import { moved } from './moved.ts';
import { orphan } from './orphan.ts';
import { prefix } from './prefix.ts';
import { reach } from './reach.ts';
import { reserved } from './reserved.ts';
import { shadow } from './shadow.ts';
import { stranded } from './stranded.ts';
import { typing } from './typing.ts';
import { unheard } from './unheard.ts';

/** Every rule of the engine. A new rule is one file of the same shape and one line here. */
export const CHECK_RULES: Readonly<Record<RuleId, CheckRule>> = {
	clash,
	shadow,
	dead,
	unheard,
	prefix,
	reserved,
	typing,
	layout,
	orphan,
	duplicate,
	reach,
	stranded,
	moved,
	locked
};
