import { z } from 'zod';
import type { StratumKind } from './stratum.ts';

export const Role = z.enum(['designer', 'steward', 'trainer']);
export type Role = z.infer<typeof Role>;

/** Until people have accounts, who writes to a stratum of the office is its steward, and who writes to one's own is not. */
export const roleFor = (kind: StratumKind): Role => (kind === 'personal' ? 'designer' : 'steward');

/** Whether somebody who writes to a stratum of one kind may write one of the other: one's own are for everybody, the rest is the steward's. */
export const mayWrite = (from: StratumKind, to: StratumKind): boolean =>
	to !== 'factory' && (to === 'personal' || roleFor(from) === 'steward');
