#!/usr/bin/env node
import { register } from 'tsx/esm/api';

register();
const { skarn } = await import('../cli/skarn.ts');
process.exitCode = await skarn(process.argv.slice(2));
