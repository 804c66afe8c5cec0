import { optionsOf } from '../options.ts';

/** Options of its own, beside those that all stand-ins have. */
export const options = optionsOf(`
plot.grey | Paper | Print in grey | switch | false | | | plot, colour |
sheet.paper | Paper | Paper size | choice a3=A3, a2=A2, a1=A1, roll=roll | a2 | | | size, format |
level.base | Measures | Level zero | choice floor=upper edge of floor, rail=upper edge of rail | floor | | | height, datum |
`);
