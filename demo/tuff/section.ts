import { sectionsOf } from '../section.ts';
import { scopes } from './contexts.ts';

export const section = sectionsOf(scopes);
