import type { AmbiguityRule } from '../../application/application.ts';
import { chooser } from './chooser.ts';
import { first } from './first.ts';
import { narrowest } from './narrowest.ts';
import { refuse } from './refuse.ts';
import type { Rule } from './rule.ts';

export const RULES: Record<AmbiguityRule, Rule> = { narrowest, first, chooser, refuse };
