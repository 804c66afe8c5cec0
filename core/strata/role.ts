import { z } from 'zod';
import type { StratumKind } from './stratum.ts';

/** steward: the office's strata, releases and people; lead: the strata of a discipline or project; designer: the own ones; trainer: recommended setups. */
export const Role = z.enum(['designer', 'steward', 'trainer', 'lead']);
export type Role = z.infer<typeof Role>;

/** In which role somebody writes to a stratum: in the own ones everybody is a designer, but for the trainer. */
export const writingAs = (role: Role, kind: StratumKind): Role => (kind === 'personal' && role !== 'trainer' ? 'designer' : role);

/** Whether one edit that is written from a stratum of one kind may change one of the other: what is common changes only on purpose. */
export const reaches = (from: StratumKind, to: StratumKind): boolean =>
	to !== 'factory' && (to === 'personal' || from !== 'personal');
