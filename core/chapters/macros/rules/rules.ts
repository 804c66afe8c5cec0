import type { MacroRule, MacroRuleId } from '../finding.ts';
import { accept } from './accept.ts';
import { cancels } from './cancels.ts';
import { empty } from './empty.ts';
import { ends } from './ends.ts';
import { locked } from './locked.ts';
import { loop } from './loop.ts';
import { orphan } from './orphan.ts';

/** Every rule of macros. A new rule is one file of the same shape and one line here. */
export const MACRO_RULES: Readonly<Record<MacroRuleId, MacroRule>> = { cancels, orphan, loop, accept, ends, locked, empty };
