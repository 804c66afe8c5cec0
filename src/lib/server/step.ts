import { z } from 'zod';
import { Revision } from '../../../core/profile/edit.ts';
import { StratumId } from '../../../core/strata/stratum.ts';

/** What undo and redo ask for: against which revision, and from which stratum. */
export const Step = z.strictObject({ base: Revision, stratum: StratumId });
