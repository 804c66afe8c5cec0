import type { GestureRule } from '../finding.ts';
import { alike } from './alike.ts';
import { drag } from './drag.ts';
import { far } from './far.ts';
import { halved } from './halved.ts';
import { idle } from './idle.ts';
import { stranger } from './stranger.ts';
import { unknown } from './unknown.ts';
import { waiting } from './waiting.ts';
import { wedge } from './wedge.ts';

/** Every rule of gestures. A new rule is one file of the same shape and one line here. */
export const GESTURE_RULES: readonly GestureRule[] = [drag, wedge, alike, stranger, waiting, unknown, halved, far, idle];
